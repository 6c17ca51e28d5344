import { expect, test } from '@playwright/test'
import { emptyShelf, field, finishAt, workTo } from './shelf.ts'

const ball = '/project/door-stop/piece/ball'

test('a new maker plans a ball: so wide when it is filled, closed as it was opened', async ({ page }) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a ball or egg' }).click()
  await page.getByLabel('How wide, filled?').fill('0')
  await expect(page.locator('#how-wide-answer')).toContainText('At least')
  await page.getByLabel('How wide, filled?').fill('10,5')
  await page.getByLabel('How is it filled?').selectOption('Softly')
  await page.getByLabel('What is it for?').fill('Bench ball')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(field(page, 'Across, filled')).toHaveValue('10.5')
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('14')
  await field(page, 'rounds').fill('15')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  // By hand: 10.5 cm across are 33.0 around.
  await expect(page.getByText(/Comes out/)).toContainText('around')
  const [, around] = /Comes out ([\d.]+)/.exec(await page.getByText(/Comes out/).innerText())!
  expect(Math.abs(Number(around) - Math.PI * 10.5)).toBeLessThan(1)
  await expect(page.getByText(/Fill it after Rnd \d+, while two fingers still fit/)).toBeVisible()
  await field(page, 'Longer by').fill('300')
  await expect(page.getByRole('alert').filter({ hasText: /−50% to 150%|From −50%/ })).toBeVisible()
})

test('it is measured around while it widens, and re-planned', async ({ page }) => {
  await workTo(page, `${ball}/plan`, 8)
  await expect(page.getByText(/Measure now:.*around/)).toBeVisible()
  await page.getByRole('link', { name: 'Put in what you measure' }).click()
  await field(page, 'Around, outside').fill('27.5')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('too tight')
  await page.getByRole('list', { name: 'Ways out' }).getByRole('button', { name: 'Use this plan' }).click()
  await expect(page).toHaveURL(/work/)
})

test('at its end it says what to draw together, and finished how far around it should be, filled', async ({
  page,
}) => {
  await page.goto(`${ball}/sheet`)
  await expect(
    page.getByText(/Fill it after Rnd \d+.* Draw the last \d together with the tail\./),
  ).toBeVisible()
  await finishAt(page, `${ball}/plan`, 25)
  await expect(page.getByText(/It should measure .* around\./)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep it' })).toHaveCount(0)
})
