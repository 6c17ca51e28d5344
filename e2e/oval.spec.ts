import { expect, test, type Page } from '@playwright/test'
import { countOf, emptyShelf, field, finishAt, onceMore, withDemo, workTo } from './shelf.ts'
import { stored } from './storage.ts'

const booties = (page: Page) => onceMore(page, 'Cradle booties')

/** Counted on rounds: stitches and rounds in 10 cm. */
async function measuredGauge(page: Page, stitches: string, rounds: string): Promise<void> {
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill(stitches)
  await field(page, 'rounds').fill(rounds)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
}

test('a new maker plans an oval mat: its chain and its rounds are what FIELD says', async ({ page }) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan an oval mat or basket' }).click()
  await page.getByLabel('How long, end to end?').fill('30')
  await page.getByLabel('How wide, side to side?').fill('29,5')
  await page.getByLabel('How does it end?').selectOption('No wall')
  await expect(page.locator('#how-wide-answer')).toContainText('nearly round')
  await page.getByLabel('How wide, side to side?').fill('8 in')
  await page.getByLabel('What is it for?').fill('Bench mat')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)
  await expect(field(page, 'Wide')).toHaveValue('20.3')
  await measuredGauge(page, '13', '13.6')
  await expect(page.getByText(/Comes out.*long,.*wide, flat/)).toBeVisible()
  const [, long, wide] = /([\d.]+) ± [\d.]+ cm long, ([\d.]+) ± [\d.]+ cm wide/.exec(
    await page.getByText(/Comes out/).innerText(),
  )!
  expect(Math.abs(Number(long) - 30)).toBeLessThan(1)
  expect(Math.abs(Number(wide) - 20.3)).toBeLessThan(1)
  // By hand: the chain makes up the difference, a stitch each, and one more to go around.
  const gauge = await page.getByRole('button', { name: /^Gauge/ }).innerText()
  const w = 10 / Number(/([\d.]+) sts/.exec(gauge)![1])
  const chains = Math.round((Number(long) - Number(wide)) / w) + 1
  await expect(page.getByRole('button', { name: /^Start/ })).toContainText(`${chains} ch`)
  const first = page.getByRole('table', { name: 'Rounds of the piece' }).getByRole('row').nth(1)
  await expect(first).toContainText('4 sc in last ch')
  await expect(first).toContainText(String(2 * (chains - 2) + 8))

  await page.getByRole('button', { name: /^Start/ }).click()
  await page.getByRole('radio', { name: 'One fewer' }).click()
  await page.getByRole('radio', { name: 'Its back bumps' }).click()
  await field(page, 'Chains to work into').or(field(page, 'Chains to work into, found by Uzel')).fill('3')
  await expect(page.getByRole('alert').filter({ hasText: 'too short' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(first).toContainText('3 sc in last ch')
  await page.reload()
  await expect(first).toContainText('3 sc in last ch')
})

test('booties are begun by keyboard alone; the first round says where it goes, the count adds up', async ({
  page,
}) => {
  const { at, id } = await booties(page)
  await page.goto(`${at}/plan`)
  await page.getByRole('row').filter({ hasText: 'sc2tog' }).first().hover()
  const story = page.getByRole('img', { name: /along the side \+ .* over the toe \+ .* back to the marker/ })
  const told = (await story.getAttribute('aria-label'))!
  const [side, toe, back, sum] = /(\d+) along.*?(\d+) over.*?(\d+) back.* = (\d+)/
    .exec(told)!
    .slice(1)
    .map(Number)
  expect(side! + toe! + back!).toBe(sum)
  const begin = page.getByRole('button', { name: 'Begin the left' })
  await begin.focus()
  await page.keyboard.press('Enter')
  await expect(countOf(page)).toHaveText('0')
  await expect(page.getByText(/Begin: ch \d+, begin in 2nd ch from hook/)).toBeVisible()
  const bootie = await stored<{ pieceId: string; plan: { rounds: { hosts: { to: number }[] }[] } }>(
    page,
    'planVersions',
  )
  const chains = bootie.find(({ pieceId }) => pieceId === id)!.plan.rounds[0]!.hosts[0]!.to
  for (let stitch = 1; stitch < chains; stitch++) await page.keyboard.press('Space')
  await expect(countOf(page)).toHaveText(String(chains - 1))
  await expect(page.getByText(/4 sc in last ch/).first()).toBeVisible()
  await expect(page.getByText('over the toe').first()).toBeVisible()
  await page.keyboard.press('Space')
  await expect(countOf(page)).toHaveText(String(chains + 3))
  await page.reload()
  await expect(countOf(page)).toHaveText(String(chains + 3))
})

test('its sole is measured from end to end and side to side, on a phone, and the rest re-planned', async ({
  page,
}) => {
  const { at, id } = await booties(page)
  await workTo(page, `${at}/plan`, 5)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${at}/check`)
  await expect(field(page, 'Across')).toHaveCount(0)
  await field(page, 'From end to end').fill('10,7')
  await field(page, 'From side to side').fill('4.6')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('short')
  await page
    .getByRole('list', { name: 'Ways out' })
    .getByRole('button', { name: 'Use this plan' })
    .first()
    .click()
  await expect(page).toHaveURL(/work/)
  const versions = await stored<{ pieceId: string }>(page, 'planVersions')
  expect(versions.filter(({ pieceId }) => pieceId === id)).toHaveLength(2)
})

test('the other one of a pair is begun as its mirror image, with the same counts', async ({ page }) => {
  const { at, id } = await booties(page)
  await page.goto(`${at}/plan`)
  const rows = page.getByRole('table', { name: 'Rounds of the piece' }).getByRole('row')
  await expect(rows.nth(2)).toBeVisible()
  const outcome = await page.getByText(/Comes out/).innerText()
  const last = Number(/^(\d+) rounds/.exec(outcome)![1])
  await finishAt(page, `${at}/plan`, last)
  await page.getByRole('button', { name: 'Begin the right, its mirror image' }).click()
  await expect(countOf(page)).toHaveText('0')
  await expect(page.getByText(/3 sc in first ch/).first()).toBeVisible()
  type Version = { pieceId: string; plan: { rounds: { steps: { zone?: string }[] }[] } }
  const versions = (await stored<Version>(page, 'planVersions')).filter(({ pieceId }) => pieceId === id)
  expect(versions).toHaveLength(2)
  const zones = ({ plan }: Version, round: number) => plan.rounds[round]!.steps.map(({ zone }) => zone)
  expect(zones(versions[1]!, 1)).toEqual(zones(versions[0]!, 1).reverse())
})

test('a case for a headlamp is two pieces of as many stitches, and says where its hinge is', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a case for something' }).click()
  await page.getByLabel('How long is it?').fill('9')
  await page.getByLabel('How thick?').fill('50')
  await page.getByLabel('How high does it stand?').fill('11')
  await expect(page.locator('#how-wide-answer')).toContainText('thicker than long')
  await page.getByLabel('How thick?').fill('5')
  await page.getByLabel('What is it for?').fill('Headlamp case')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Headlamp case, Body')
  await measuredGauge(page, '18.5', '19.5')
  const hinge = page.getByText(/Hinge: join \d+ stitches at the back/)
  const [, stitches, from, to, count] =
    /join (\d+) stitches at the back, (\d+) to (\d+).*Both have (\d+)/.exec(await hinge.innerText())!
  expect(Number(to) - Number(from) + 1).toBe(Number(stitches))
  // By hand: 2 × (9 + 5) cm less 4% inside, the fabric goes around that.
  const w = 10 / 18.5
  expect(Math.abs(Number(count) * w - (28 * 0.96 + Math.PI * 0.34))).toBeLessThan(2 * w)
  await page.getByRole('link', { name: /Lid/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Headlamp case, Lid')
  await expect(page.getByText(new RegExp(`Both have ${count}\\.`))).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Headlamp case, Body')
})

test('a pouch has an even number of holes, and says how long its cord is; on a phone it is read as text', async ({
  page,
}) => {
  await withDemo(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/new?form=pouch')
  await page.getByLabel('How wide, laid flat?').fill('10')
  await page.getByLabel('How high, up to the cord?').fill('12')
  await page.getByLabel('What is it for?').fill('Compass pouch')
  await page.getByRole('combobox', { name: 'Gauge' }).selectOption({ label: 'Loft wool, 3.5 mm' })
  await page.getByRole('button', { name: 'Plan it' }).click()
  const said = await page.getByText(/^Cord: ch \d+/).innerText()
  const [, holes, round] = /the (\d+) holes of Rnd (\d+)/.exec(said)!
  expect(Number(holes) % 2).toBe(0)
  const row = page.getByRole('table', { name: 'Rounds of the piece' }).locator(`tr[data-to="${round}"]`)
  await expect(row).toContainText(`sc, ch 1 and skip 1) × ${holes}`)
  const second = page.getByRole('table', { name: 'Rounds of the piece' }).locator('tr[data-to="2"]')
  await expect(second).toContainText(/\(\d+ sc, sc, inc, sc\) × 2/)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
