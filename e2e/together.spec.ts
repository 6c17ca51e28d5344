import { expect, test } from '@playwright/test'
import { field, withDemo } from './shelf.ts'

test('several pieces made one, by keyboard: a filled pair is sized, planned, joined but for its opening, in order', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new')
  await page.getByRole('link', { name: 'several pieces made one' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A pad of two layers')
  await expect(page.getByText(/^3 pieces, .* of work before they are joined\.$/)).toBeVisible()
  await page.getByRole('radio', { name: 'Filled pair' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two sides, filled')
  const across = field(page, 'Across')
  for (const [odd, says] of [
    ['0', /0 will not do|From 6/],
    ['', /^Type a length, for example 22 cm\.$/],
    ['4 m', /From 6|not/],
  ] as const) {
    await across.fill(odd)
    await expect(page.getByRole('alert').first()).toHaveText(says)
  }
  await across.fill('5 1/2 in')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await field(page, 'What is it for?').fill('Bench round')
  await page.getByRole('button', { name: 'Plan them' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Bench round' })).toBeVisible()
  for (const step of ['Ends inside', 'Fill', 'Close']) {
    await expect(page.getByText(step, { exact: true }).first()).toBeVisible()
  }
  await page.reload()
  await expect(page.getByRole('button', { name: /^Joint, Side 1 to 2/ })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two sides, filled')
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('a row of tubes hangs together: each held to the next', async ({ page }) => {
    await withDemo(page)
    await page.goto('/new/together?make=tubes')
    await field(page, 'How many').fill('4')
    await field(page, 'How many').press('Enter')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await page.getByRole('button', { name: 'Plan them' }).click()
    await expect(page.getByRole('heading', { name: 'Row of tubes' })).toBeVisible()
    await expect(page.getByText(/4 pieces, 3 joints/).first()).toBeVisible()
  })
})
