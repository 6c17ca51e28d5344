import { expect, test } from '@playwright/test'
import { countOf, openShelf, withDemo } from './shelf.ts'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

test('on a phone: from the menu to the gauges, a round swatch measured with a thumb', async ({ page }) => {
  await openShelf(page)
  await page.getByRole('button', { name: 'Menu' }).tap()
  await page.getByRole('menuitem', { name: 'Gauge book' }).tap()
  await page.getByRole('combobox', { name: 'Gauge' }).selectOption({ label: 'Loft wool, 4 mm' })
  await expect(page.getByRole('heading', { name: 'Loft wool, 4 mm' })).toBeVisible()
  await page.getByRole('radio', { name: 'Round swatch' }).tap()
  await page.getByRole('radio', { name: 'stands up' }).tap()
  await page.getByRole('textbox', { name: 'Across', exact: true }).fill('12,4')
  await expect(page.getByText('Still to fill in: how far the edge stands up.')).toBeVisible()
  await page.getByRole('textbox', { name: 'Stands up by' }).fill('1')
  await page.getByRole('button', { name: 'Keep it' }).tap()
  await expect(
    page.getByRole('button', { name: /Round swatch 9 rnds, 12\.4 cm, stands up 1\.0 cm/ }),
  ).toBeVisible()
})

test('on a phone: measured in work, another plan taken, a round counted to it, the ball weighed', async ({
  page,
}) => {
  await openShelf(page)
  await page.getByRole('link', { name: 'Work on Kettle trivet' }).tap()
  await expect(countOf(page)).toHaveText('17')
  await page.getByRole('link', { name: 'Check' }).tap()
  await page.getByRole('textbox', { name: 'Across', exact: true }).fill('9.7')
  await page.getByRole('textbox', { name: 'A quarter turn on' }).fill('9.8')
  const first = page.getByRole('list', { name: 'Ways out' }).getByRole('listitem').first()
  await first.getByRole('button').tap()
  await expect(page).toHaveURL(/\/work/)
  await expect(page.getByText(/^of 1[34]$/)).toBeVisible()
  await page.getByRole('button', { name: 'End of round' }).tap()
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
  await page.getByRole('button', { name: 'Yarn' }).tap()
  await expect(page.getByRole('dialog').getByText('It finishes this piece.').first()).toBeVisible()
  await page.keyboard.press('Escape')
  // The way back is an undo like any other: the round, then the plan.
  await page.getByRole('button', { name: 'Undo' }).tap()
  await page.getByRole('button', { name: 'Undo' }).tap()
  await expect(page.getByText('of 13', { exact: true })).toBeVisible()
})

test('on a phone: what a piece is for, and its cautions, are set and read', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/plan')
  await page.getByRole('button', { name: /^For/ }).tap()
  await page.getByRole('checkbox', { name: 'Hot', exact: true }).tap()
  await expect(page.getByText(/One thin layer lets heat through\./).first()).toBeVisible()
  await page.getByRole('checkbox', { name: 'Two layers, one on the other' }).tap()
  await expect(page.getByText(/One thin layer lets heat through\./)).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'Read: Never use it wet.' }).tap()
  await page.reload()
  await expect(page.getByRole('button', { name: 'For hot, wet' })).toBeVisible()
})
