import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { openShelf } from './shelf.ts'

const inMinutes = (text: string): number => {
  const [, hours, minutes] = /^(?:(\d+) h)?\s*(\d+)?(?: min)?$/.exec(text.trim())!
  return 60 * Number(hours ?? 0) + Number(minutes ?? 0)
}
const row = (page: Page, name: string) =>
  page.getByRole('row').filter({ has: page.getByRole('link', { name, exact: true }) })
const menu = async (page: Page, of: string, item: string) => {
  await page.getByRole('button', { name: `More for ${of}`, exact: true }).click()
  await page.getByRole('menuitem', { name: item }).click()
}

/** Adds a piece of 12 cm to the kettle trivet, from its row on the shelf. */
async function addSmallTrivet(page: Page): Promise<void> {
  await openShelf(page)
  await menu(page, 'Kettle trivet', 'Add a piece')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Another piece of Kettle trivet')
  // What belongs together goes by the gauge of what is there.
  await expect(page.getByLabel('Gauge').locator('option:checked')).toHaveText(
    'Medium cotton, 2 strands, 6.5 mm',
  )
  await page.getByLabel('How wide?').fill('12')
  await page.getByLabel('Which piece is it?').fill('Small trivet')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/\/project\/kettle-trivet\/piece\/[\w-]+\/plan$/)
}

test('a project gets a second piece: both are planned, worked, summed up and found again', async ({
  page,
}) => {
  await addSmallTrivet(page)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Kettle trivet, Small trivet')
  const strip = page.getByRole('list', { name: 'Pieces of Kettle trivet' })
  await expect(strip.getByRole('link')).toHaveText([/^Mat22\.0 cm$/, /^Small trivet12\.0 cm$/])
  await expect(strip.getByRole('link', { name: 'Kettle trivet, Small trivet' })).toHaveAttribute(
    'aria-current',
    'true',
  )
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(page).toHaveURL(/\/work$/)
  await expect(page.getByTestId('count')).toHaveText('0')
  await page.keyboard.press('Space')
  await expect(page.getByTestId('count')).toHaveText('1')

  // The other piece is where it was, with its own work.
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await strip.getByRole('link', { name: 'Kettle trivet, Mat' }).click()
  await expect(page).toHaveURL(/\/project\/kettle-trivet\/piece\/trivet\/plan$/)
  await page.getByRole('link', { name: 'Work', exact: true }).click()
  await expect(
    page.getByRole('heading', { level: 1, name: /Rnd 7 of 13, Kettle trivet, Mat/ }),
  ).toBeAttached()
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: /Kettle trivet, Mat/ })).toBeAttached()

  // On the shelf a project is what its pieces come to.
  await page.goto('/')
  await expect(row(page, 'Kettle trivet')).toContainText('2 pieces')
  const time = async (name: string) => {
    const [text] = /(?:\d+ h )?\d+ min|\d+ h \d+/.exec(
      await row(page, name).getByRole('cell').nth(-3).innerText(),
    )!
    return inMinutes(text)
  }
  const [both, one, other] = [
    await time('Kettle trivet'),
    await time('Kettle trivet, Mat'),
    await time('Kettle trivet, Small trivet'),
  ]
  expect(Math.abs(both - one - other)).toBeLessThanOrEqual(1)
  expect(other).toBeGreaterThan(5)
})

test('a file with two pieces shows both; one is renamed, taken out and brought back', async ({
  page,
  browser,
}) => {
  await addSmallTrivet(page)
  await page.goto('/')
  const download = page.waitForEvent('download')
  await menu(page, 'Kettle trivet', 'Export as a file')
  const file = readFileSync(await (await download).path())

  const elsewhere = await (await browser.newContext()).newPage()
  await openShelf(elsewhere)
  await menu(elsewhere, 'Kettle trivet', 'Delete')
  await elsewhere.getByLabel('File to import').setInputFiles({
    name: 'trivet.uzel.json',
    mimeType: 'application/json',
    buffer: file,
  })
  await elsewhere.getByRole('button', { name: 'Take it in' }).click()
  await expect(row(elsewhere, 'Kettle trivet, Mat').first()).toBeVisible()
  await expect(row(elsewhere, 'Kettle trivet, Small trivet').first()).toBeVisible()

  await menu(page, 'Kettle trivet, Small trivet', 'Rename the piece')
  await page.getByLabel('Name of the piece').fill('Cup mat')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(row(page, 'Kettle trivet, Cup mat')).toBeVisible()
  await menu(page, 'Kettle trivet, Mat', 'Take it out')
  await expect(row(page, 'Kettle trivet')).toHaveCount(1)
  await expect(page.getByRole('link', { name: 'Kettle trivet, Mat', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'Kettle trivet, Mat')).toContainText('Rnd 7 of 13')
})

test('old addresses lead to the first piece, and what is not there says so', async ({ page }) => {
  await openShelf(page)
  for (const [old, now] of [
    ['/piece/kettle-trivet', '/project/kettle-trivet/piece/trivet/plan'],
    ['/piece/kettle-trivet/check', '/project/kettle-trivet/piece/trivet/check'],
    ['/piece/tin-mug-mats/work?copy=2', '/project/tin-mug-mats/piece/mats/work?copy=2'],
    ['/project/tin-mug-mats', '/project/tin-mug-mats/piece/mats/plan'],
  ] as const) {
    await page.goto(old)
    await expect(page).toHaveURL(now)
  }
  for (const lost of ['/piece/nowhere/plan', '/project/kettle-trivet/piece/nothing/work']) {
    await page.goto(lost)
    await expect(page.getByRole('heading', { name: 'This piece is not on the shelf' })).toBeVisible()
  }
})

test('by keyboard alone on a phone: add a piece, and back to the shelf', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openShelf(page)
  await page.getByRole('button', { name: 'More for Kettle trivet', exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menuitem', { name: 'Open the plan' })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('How wide?')).toBeFocused()
  await page.keyboard.type('0')
  await expect(
    page.getByText(/under two rounds of this stitch|wider than nothing|more than 0/i),
  ).toBeVisible()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('4 3/4 in')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Cup mat')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Kettle trivet, Cup mat')
  await page.goBack()
  await page.goto('/')
  await expect(row(page, 'Kettle trivet, Cup mat')).toBeVisible()
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)
  expect(sideways).toBe(false)
})
