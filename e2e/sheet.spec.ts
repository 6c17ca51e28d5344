import { expect, test, type Page } from '@playwright/test'
import { pagesOf, shapesOf } from './printedPage.ts'
import { withDemo } from './shelf.ts'

const table = (page: Page) => page.getByRole('table', { name: 'Rounds' })

test('a sheet for a pair: boxes for both, a ruler at its true size; on Letter and in large print as well', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/cradle-booties/sheet')
  await expect(table(page).getByRole('columnheader', { name: 'L', exact: true })).toBeVisible()
  await expect(table(page).getByRole('columnheader', { name: 'R', exact: true })).toBeVisible()
  await expect(table(page).locator('tbody tr')).toHaveCount(22)
  await expect(page.getByText('R is the mirror image of L')).toBeVisible()
  await expect(table(page).getByLabel('made')).toHaveCount(42)
  // What every round begins and ends with is said once.
  await expect(page.getByText('Every round: ch 1, …, join with sl st in first st')).toBeVisible()
  await expect(table(page).getByRole('row').nth(2)).toHaveText(/^2\(11 sc, inc × 3\) × 2\.34/)
  const print = async () => page.pdf({ preferCSSPageSize: true })
  const a4 = await print()
  expect(await pagesOf(a4)).toBe(2)
  const rulers = async (pdf: Uint8Array, long: number) =>
    (await shapesOf(pdf)).filter(({ height, width }) => Math.abs(height - long) < 0.6 && width < 12)
  expect((await rulers(a4, 260)).length).toBeGreaterThan(0)
  await page.getByLabel('Paper').selectOption('Letter')
  expect((await rulers(await print(), 240)).length).toBeGreaterThan(0)
  await page.getByRole('combobox', { name: 'Print' }).selectOption('Large')
  await page.getByLabel('Boxes').selectOption('A round, and a repeat')
  const large = await print()
  expect(await pagesOf(large)).toBeLessThanOrEqual(3)
  await page.reload()
  await expect(page.getByLabel('Paper')).toHaveValue('Letter')
  await expect(page.getByRole('combobox', { name: 'Print' })).toHaveValue('large')
})

test('rounds that are made are ticked; after an evening on paper the log is brought to where the work is', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/sheet')
  await expect(table(page).getByLabel('made')).toHaveCount(6)
  expect(await pagesOf(await page.pdf({ preferCSSPageSize: true }))).toBe(1)
  await page.getByRole('link', { name: 'Back from paper: where I am' }).click()
  const dialog = page.getByRole('dialog', { name: 'Go to a round' })
  await dialog.getByRole('textbox', { name: 'Round, of 13' }).fill('9')
  await dialog.getByRole('button', { name: 'Go there' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Rnd 9 of 13')
  await page.goto('/piece/kettle-trivet/sheet')
  await expect(table(page).getByLabel('made')).toHaveCount(8)
})

test('a set of eight has its boxes on two sheets', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/sheet')
  await expect(table(page).getByRole('columnheader', { name: '6', exact: true })).toBeVisible()
  await expect(table(page).getByRole('columnheader', { name: '7', exact: true })).toHaveCount(0)
  // Three mats of eight rounds, and four rounds of the fourth.
  await expect(table(page).getByLabel('made')).toHaveCount(28)
  await page.getByLabel('Copies').selectOption('7 to 8')
  await expect(table(page).getByRole('columnheader', { name: '8', exact: true })).toBeVisible()
  await expect(table(page).getByLabel('made')).toHaveCount(0)
})
