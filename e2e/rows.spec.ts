import { expect, test } from '@playwright/test'
import { countOf, emptyShelf, field, withDemo, workTo, onceMore } from './shelf.ts'
import { stored } from './storage.ts'

const socks = '/project/bed-socks/piece/bed-socks'
const potRest = '/project/pot-rest/piece/pot-rest'
const ledger = { name: 'Rounds of the piece' }

test('a new maker plans a half round and works its first rows: told to turn, never to join', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a half round or a wedge' }).click()
  const deep = page.getByLabel('How far from its middle to the curve?')
  await deep.fill('0')
  await expect(page.locator('#how-wide-answer')).toContainText(/at least|From/i)
  await deep.fill('300 sts')
  await expect(page.locator('#how-wide-answer')).toContainText('is not a unit here')
  await deep.fill('4 in')
  await page.getByLabel('What is it for?').fill('Half-round pot rest')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(field(page, 'Middle to curve')).toHaveValue('10.2')
  const rows = page.getByRole('table', ledger).getByRole('row')
  // 3 a row in sc, whatever the gauge of a label is near to that.
  await expect(rows.nth(1)).toContainText('3 sc in ring')
  await expect(rows.nth(2)).toContainText('inc × 3')
  await expect(rows.nth(2).getByRole('img', { name: 'Wrong side facing' })).toBeVisible()
  await expect(page.getByText(/along the ends of the rows/)).toBeAttached()
  await page.reload()
  await expect(field(page, 'Middle to curve')).toHaveValue('10.2')
  await field(page, 'Of a full round').fill('120')
  await field(page, 'Of a full round').press('Tab')
  await expect(field(page, 'Of a full round')).toHaveAttribute('aria-invalid', 'true')
  await field(page, 'Of a full round').fill('25')
  await field(page, 'Of a full round').press('Tab')
  await expect(page.getByText(/Comes out .* to the curve, flat/)).toBeVisible()

  await page.getByRole('button', { name: 'Begin Row 1' }).click()
  await expect(countOf(page)).toHaveText('0')
  await expect(page.getByRole('heading', { level: 1, name: /^Row 1 of/ })).toBeAttached()
  await page.getByRole('button', { name: 'End of row' }).click()
  await expect(page.getByText('Row 1 is done. Count it.')).toBeVisible()
  await expect(page.getByText('Turn.', { exact: true })).toBeVisible()
  await expect(page.getByText(/join with/)).toHaveCount(0)
  await page.reload()
  await expect(page.getByText('Row 1 is done. Count it.')).toBeVisible()
})

test('the heel of a sock is worked by keyboard alone: what waits is said, and the round over it adds up', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${socks}/plan`)
  const said = await page.getByText(/turn the leg by/).innerText()
  const [, from, to, panel, all] = /Rows (\d+) to (\d+) on (\d+) of (\d+) sts/.exec(said)!.map(Number)
  const [, over, heel, front, sum] = /Rnd (\d+): (\d+) over the heel, (\d+) across the front = (\d+)/
    .exec(said)!
    .map(Number)
  expect([heel, heel! + front!, sum]).toEqual([panel, all, all])
  expect((to! - from! + 1) % 2).toBe(0)
  await expect(
    page.getByRole('img', {
      name: `Rnd ${over}: ${heel} over the heel + ${front} across the front = ${sum}`,
    }),
  ).toBeVisible()

  await page.getByRole('button', { name: 'Begin no. 1' }).focus()
  await page.keyboard.press('Enter')
  await expect(countOf(page)).toHaveText('0')
  await page.getByRole('button', { name: 'Go to' }).focus()
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox').first().fill(String(from))
  await dialog.getByRole('textbox').first().press('Tab')
  await dialog.getByRole('button', { name: 'Go there' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: new RegExp(`^Row ${from} of`) })).toBeAttached()
  await expect(page.getByText(`${all! - panel!} sts wait for Rnd ${over}`)).toBeVisible()
  for (let stitch = 0; stitch < panel!; stitch++) await page.keyboard.press('Space')
  await expect(page.getByText(`Row ${from} is done. Count it.`)).toBeVisible()
  await page.waitForTimeout(500)
  await page.keyboard.press('Enter')
  await expect(
    page.getByRole('heading', { level: 1, name: new RegExp(`^Row ${from! + 1} of`) }),
  ).toBeAttached()
  await page.goBack()
  await page.goForward()
  await expect(page.getByText(`${all! - panel!} sts wait for Rnd ${over}`)).toBeVisible()
})

test('a half round is measured from its middle to the curve, and the rows ahead re-planned', async ({
  page,
}) => {
  await workTo(page, `${potRest}/plan`, 7)
  await page.goto(`${potRest}/check`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Measure after Row 7')
  // It has no edge all around that could cup or wave.
  await expect(page.getByText('How does its edge lie?')).toHaveCount(0)
  await field(page, 'Middle to the curve').fill('5,6')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('After Row 7: 0.6 cm too small')
  const ways = page.getByRole('list', { name: 'Ways out' })
  await expect(ways).toContainText('Change the rows ahead')
  await ways.getByRole('button', { name: 'Use this plan' }).first().click()
  await expect(page).toHaveURL(/work/)
  type Version = { pieceId: string; plan: { rounds: { section: string; closed: boolean }[] } }
  const versions = (await stored<Version>(page, 'planVersions')).filter(
    ({ pieceId }) => pieceId === 'pot-rest',
  )
  expect(versions).toHaveLength(2)
  for (const { plan } of versions) {
    expect(plan.rounds.every(({ closed }) => !closed)).toBe(true)
    expect(plan.rounds.filter(({ section }) => section === 'finish')).toHaveLength(1)
  }
})

test('ear flaps and their words: where the yarn is joined again, how many wait; on paper as well', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/project/wardens-cap/piece/cap/plan')
  await page.getByRole('button', { name: /^Brim/ }).click()
  await page.getByRole('radio', { name: 'Ear flaps' }).click()
  await page.keyboard.press('Escape')
  const outcome = page.getByText(/rounds and rows, .* stitches/)
  await expect(outcome).toBeVisible()
  await page.getByRole('link', { name: 'Sheet to print' }).click()
  const table = page.getByRole('table', { name: 'Rounds' })
  const joins = table.getByText(/join the yarn in st \d+/)
  await expect(joins).toHaveCount(2)
  const waits = await table.getByText(/\d+ sc; \d+ wait/).allInnerTexts()
  expect(waits).toHaveLength(2)
  const [first, second] = waits.map((text) => /(\d+) sc; (\d+) wait/.exec(text)!.slice(1).map(Number))
  expect(first).toEqual(second)
})

test('a strap is planned on a phone, in rows as wide as the screen', async ({ page }) => {
  await withDemo(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/new?form=strap')
  await page.getByLabel('How wide?').fill('4')
  await page.getByLabel('How long, its end with it?').fill('2')
  await page.getByLabel('How does it end?').selectOption('Pointed')
  await expect(page.locator('#how-wide-answer')).toContainText('and the point')
  await page.getByLabel('How long, its end with it?').fill('30')
  await page.getByLabel('What is it for?').fill('Lantern strap')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByText(/Comes out .* long, .* wide/)).toBeVisible()
  const last = page.getByRole('table', ledger).getByRole('row').last()
  await expect(last).toContainText('sc2tog')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('button', { name: 'Begin Row 1' }).click()
  await expect(page.getByText(/Begin: ch \d+, begin in 2nd ch from hook/)).toBeVisible()
})

test('slippers from the toe leave the instep open, and say how their back is joined', async ({ page }) => {
  await withDemo(page)
  await page.goto('/new?form=slipper')
  await page.getByLabel('How long is the foot?').fill('24')
  await page.getByLabel('Around the foot, at its widest?').fill('22,5')
  await page.getByLabel('What is it for?').fill('Drying-room slippers')
  await page.getByRole('button', { name: 'Plan it' }).click()
  const said = await page.getByText(/stay open over the instep/).innerText()
  const [, worked, all, open] = /on (\d+) of (\d+) sts; (\d+) stay open/.exec(said)!.map(Number)
  expect(worked! + open!).toBe(all)
  expect(said).toMatch(new RegExp(`up the back, ${Math.floor(worked! / 2)} pairs`))
})

test('tried on at the check, a heel that will not pass has its ways out, and one of them is taken', async ({
  page,
}) => {
  const { at, id } = await onceMore(page, 'Cradle booties')
  await workTo(page, `${at}/plan`, 14)
  await page.goto(`${at}/check`)
  await page.getByRole('button', { name: 'Tried on: the heel will not pass' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The heel will not pass')
  const ways = page.getByRole('list', { name: 'Ways out' })
  await expect(ways.getByRole('heading', { name: 'Open it wider' })).toBeVisible()
  await page.getByRole('button', { name: 'It passes after all' }).click()
  await expect(ways).toHaveCount(0)
  await page.getByRole('button', { name: 'Tried on: the heel will not pass' }).click()
  const wider = ways.getByRole('listitem').filter({ hasText: 'Open it wider' })
  await wider.getByRole('button', { name: 'Use this plan' }).click()
  const pull = page.getByRole('button', { name: 'Pull them out' })
  await expect(pull.or(countOf(page))).toBeVisible()
  if (await pull.isVisible()) await pull.click()
  await expect(page).toHaveURL(/work/)
  const versions = await stored<{ pieceId: string }>(page, 'planVersions')
  expect(versions.filter(({ pieceId }) => pieceId === id)).toHaveLength(2)
})
