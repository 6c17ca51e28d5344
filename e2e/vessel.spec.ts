import { expect, test, type Page } from '@playwright/test'
import { emptyShelf, field, finishAt, openShelf, withDemo, workTo, endRound } from './shelf.ts'
import { stored } from './storage.ts'

const basket = '/project/kindling-basket/piece/basket'

/** The basket of the demo with a wall as plain as its base and a crisp edge, in place of its check and its lip. */
async function plainWall(page: Page): Promise<void> {
  await withDemo(page)
  await page.goto(`${basket}/plan`)
  await page.getByRole('button', { name: /^Stitch/ }).click()
  await page.getByLabel('Wall: texture').selectOption('Plain')
  await page.getByLabel('Wall: stitch').selectOption('As the base')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Edge of the base/ }).click()
  await page.getByRole('radio', { name: 'Crisp' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('sc in back loop of each st').first()).toBeAttached()
}

test('a new maker plans a bowl: base, wall and mouth are what FIELD says', async ({ page }) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a basket or bowl' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A basket or bowl')
  await page.getByLabel('How wide is the base?').fill('14,5')
  await expect(page.getByRole('button', { name: 'Plan it' })).toBeDisabled()
  await page.getByLabel('How high?').fill('0')
  await expect(page.locator('#how-wide-answer')).toContainText('At least')
  await page.getByLabel('How high?').fill('4 in')
  await page.getByLabel('How much wider on top?').fill('25%')
  await page.getByLabel('Measured where?').selectOption('Inside')
  await page.getByLabel('What is it for?').fill('Wash-house bowl')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)
  await expect(field(page, 'Base across')).toHaveValue('14.5')
  await expect(field(page, 'High')).toHaveValue('10.2')

  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('13')
  await field(page, 'rounds').fill('14')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  const said = await page
    .getByRole('paragraph')
    .filter({ hasText: /^Base:/ })
    .innerText()
  const [, stitches, outside, inside] =
    /(\d+) sts, then up\. At its edge ([\d.]+) cm across outside, ([\d.]+) cm inside/.exec(said)!
  // By hand: 14.5 inside and a quarter more is 18.1; the fabric goes around half its thickness farther out.
  const thick = (Number(outside) - Number(inside)) / 2
  expect(thick).toBeGreaterThan(0.2)
  expect(thick).toBeLessThan(0.8)
  expect(Math.abs(Number(inside) - 14.5 * 1.25)).toBeLessThan(0.6)
  const w =
    10 / Number(/([\d.]+) sts/.exec(await page.getByRole('button', { name: /^Gauge/ }).innerText())![1])
  expect(Math.abs(Number(stitches) - (Math.PI * (14.5 + thick)) / w)).toBeLessThan(2)
  const outcome = await page.getByText(/Comes out/).innerText()
  const [, high, around] = /([\d.]+) ± [\d.]+ cm high, ([\d.]+) ± [\d.]+ cm around/.exec(outcome)!
  expect(Math.abs(Number(high) - 10.16)).toBeLessThan(0.5)
  expect(Math.abs(Number(around) - Math.PI * Number(outside))).toBeLessThan(0.4)
})

test('odd sizes of a basket are refused where they are typed; its edge is pulled, and rounded', async ({
  page,
}) => {
  await plainWall(page)
  for (const [name, odd, says] of [
    ['Base across', '0', /From|At least/],
    ['Base across', '300 sts', /not a unit/],
    ['High', '0.2', /At least|From/],
    ['Wider on top by', '900', /−60% to 150%/],
  ] as const) {
    const cell = field(page, name)
    const before = await cell.inputValue()
    await cell.fill(odd)
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible()
    await cell.press('Escape')
    await expect(cell).toHaveValue(before)
  }
  await page.getByRole('slider', { name: 'Edge: height' }).focus()
  await page.keyboard.press('ArrowUp')
  await expect.poll(async () => Number(await field(page, 'High').inputValue())).toBeGreaterThan(16)
  await expect(page.getByText('sc in back loop of each st').first()).toBeAttached()
  await page.getByRole('button', { name: /^Edge of the base/ }).click()
  await page.getByRole('radio', { name: /Rounded/ }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('sc in back loop of each st')).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('button', { name: /^Edge of the base/ })).toContainText('Rounded')
})

test('its base is measured across, its wall around and up; what is ahead is said, and the rest re-planned', async ({
  page,
}) => {
  await plainWall(page)
  await workTo(page, `${basket}/plan`, 11)
  await page.getByRole('button', { name: /: on to Rnd 12$/ }).press('Enter')
  await expect(
    page.getByText('In 2 rounds: turn the corner into the wall, through the back loops.'),
  ).toBeVisible()
  await endRound(page)
  await page.getByRole('button', { name: /: on to Rnd 13$/ }).press('Enter')
  await expect(page.getByText(/^Next round: turn the corner/)).toBeVisible()
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByText(/Measure now:.*across/)).toBeVisible()
  await page.goto(`${basket}/check`)
  await field(page, 'Across').fill('21.9')
  await field(page, 'A quarter turn on').fill('22')
  await expect(field(page, 'Around, outside')).toHaveCount(0)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('small')
  const ways = page.getByRole('list', { name: 'Ways out' })
  await ways.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page).toHaveURL(/work/)
  const versions = await stored<{ pieceId: string }>(page, 'planVersions')
  expect(versions.filter(({ pieceId }) => pieceId === 'basket')).toHaveLength(2)
})

test('its wall is measured around and from the table up, on a phone as well', async ({ page }) => {
  await plainWall(page)
  await workTo(page, `${basket}/plan`, 20)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${basket}/check`)
  await expect(field(page, 'Across')).toHaveCount(0)
  await field(page, 'Around, outside').fill('73')
  await field(page, 'High, from the table').fill('6')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('0.5 cm too low')
  await expect(page.getByText(/tighter here than your gauge/)).toBeVisible()
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
  // Loaded anew, it asks at the same places.
  await page.reload()
  await expect(field(page, 'Around, outside')).toBeVisible()
})

test('a repeat that does not go into its girth: what gives way is shown, and one press away', async ({
  page,
}) => {
  await plainWall(page)
  await page.getByRole('button', { name: /^Increases/ }).click()
  await field(page, 'Counts divide by').fill('12')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  const fight = page.getByRole('region', { name: 'What gives way' })
  await expect(fight).toContainText('Counts divide by 12.')
  await expect(fight.getByRole('button')).toHaveCount(3)
  const before = Number(await field(page, 'Base across').inputValue())
  const [, , around] = /^(84)\s*([\d.]+) cm/.exec(
    await fight.getByRole('button', { name: /^84/ }).innerText(),
  )!
  await fight.getByRole('button', { name: /^84/ }).press('Enter')
  await expect(fight).toHaveCount(0)
  const base = Number(await field(page, 'Base across').inputValue())
  expect(base).toBeGreaterThan(before)
  // By hand: outside it is a thickness wider than 84 stitches around make it.
  expect(base - Number(around) / Math.PI).toBeGreaterThan(0.2)
  expect(base - Number(around) / Math.PI).toBeLessThan(0.8)
  await expect(page.getByRole('paragraph').filter({ hasText: /^Base:/ })).toContainText('84 sts, then up')
})

test('finished, a basket is measured around and up, and its gauge learns from its wall', async ({ page }) => {
  await plainWall(page)
  await finishAt(page, `${basket}/plan`, 31)
  await expect(page.getByText(/It should measure .* high, .* around\./)).toBeVisible()
  const keep = page.getByRole('button', { name: 'Keep it' })
  await expect(keep).toBeDisabled()
  await field(page, 'Around, outside').fill('74.8')
  await field(page, 'High, from the table').fill('15.6')
  await keep.click()
  await expect(page.getByText(/has learned from it/).first()).toBeVisible()
  await page.goto('/gauges/cotton-double')
  // By hand: 74.8 cm less a thickness all around are its 80 stitches, 15.6 less half of one its 18 rounds.
  await expect(
    page.getByRole('button', { name: /Kindling basket 80 sts 7[23]\.\d cm, 18 rnds 15\.[34] cm/ }),
  ).toBeVisible()
})

test('a check on its wall: squares that divide its count, reversed, read at the hook, and refused where they cannot be', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${basket}/plan`)
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('(3 FPdc, 3 BPdc) × 14')
  await expect(rounds).toContainText('(3 BPdc, 3 FPdc) × 14')
  const stitch = page.getByRole('button', { name: /^Stitch/ })
  await expect(stitch).toContainText('check wall')
  await stitch.click()
  await page.getByLabel('Wall: stitches wide').selectOption('5')
  await page.getByLabel('Wall: rounds high').selectOption('2')
  await page.keyboard.press('Escape')
  // A repeat of 10 does not go into its girth: what either side of it costs is told.
  await expect(rounds).toContainText('(5 FPdc, 5 BPdc) × 9')
  const fight = page.getByRole('region', { name: 'What gives way' })
  await expect(fight).toContainText('divide by 10')
  await expect(fight.getByRole('button')).toHaveCount(2)
  // Around a post of single crochet nothing goes: it is not offered for the wall.
  await stitch.click()
  const wall = page.getByLabel('Wall: stitch', { exact: true })
  await expect(wall.getByRole('option')).toHaveText([
    'half double crochet',
    'double crochet',
    'treble crochet',
  ])
  await page.getByLabel('Wall: texture').selectOption('Spikes')
  await page.keyboard.press('Escape')
  await expect(rounds).toContainText('(3 dc, spike dc) ×')
  await page.reload()
  await expect(rounds).toContainText('(3 dc, spike dc) ×')
})

test('an opening is left where it is wanted, on a phone as well; odd ones are refused, and the hook is told', async ({
  page,
}) => {
  await openShelf(page)
  const cover = '/project/lamp-glass-cover/piece/cover'
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${cover}/plan`)
  const cell = page.getByRole('button', { name: /^Rounds, openings/ })
  await expect(cell).toContainText('1 opening')
  await cell.click()
  await page.getByRole('button', { name: 'Leave an opening' }).click()
  const second = page.getByRole('group', { name: 'Opening 2' })
  const around = field(page, 'Opening 2: from the join, around')
  await expect(second).toContainText('opposite it')
  await around.fill('400')
  await expect(second.getByRole('alert')).toContainText(/angle in degrees.*from 0 to 359/)
  await around.fill('100')
  await expect(second).not.toContainText('a quarter after it')
  await around.fill('90')
  await expect(second).toContainText('a quarter after it')
  for (const [odd, says] of [
    ['0', /From/],
    ['300 sts', /not a unit/],
    ['90', /Up to|leaves too little/],
  ] as const) {
    await field(page, 'Wide').last().fill(odd)
    await expect(second.getByRole('alert').filter({ hasText: says })).toBeVisible()
  }
  await field(page, 'Wide').last().fill('6,5')
  // By hand: 6.5 cm of stitches 7.1 mm wide.
  await expect(second).toContainText('9 chains over 9 skipped stitches')
  // Twice 9 stitches of 7.1 mm around; what is 15 cm around would stretch it by a sixth.
  await field(page, 'What must pass is, around').last().fill('15')
  await expect(second).toContainText(/It is 12\.\d cm around: too little.*Make it 7\.\d cm wide/)
  await field(page, 'What must pass is, around').last().fill('')
  await expect(second).not.toContainText('too little')
  await page.getByRole('button', { name: 'Take opening 1 out' }).click()
  await expect(cell).toContainText('1 opening')
  await page.keyboard.press('Escape')
  await page.setViewportSize({ width: 1280, height: 800 })
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  const row = rounds.getByRole('row').filter({ hasText: 'ch 9 over 9 skipped sts' })
  await expect(row).toHaveCount(1)
  const number = Number(/\d+/.exec(await row.innerText())![0])
  expect(number).toBeGreaterThan(10)
  await workTo(page, `${cover}/plan`, number - 2)
  await page.getByRole('button', { name: new RegExp(`: on to Rnd ${number - 1}$`) }).press('Enter')
  await expect(page.getByText(/^Next round: an opening is left, 9 chains/)).toBeVisible()
})

test('a lip is worked through the front loops, and the wall goes up behind it: so the list and the hook say', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${basket}/plan`)
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('sc in front loop of each st')
  await expect(rounds).toContainText('dc in back loop of each st of Rnd 13')
  await workTo(page, `${basket}/plan`, 12)
  await page.getByRole('button', { name: /: on to Rnd 13$/ }).press('Enter')
  await expect(page.getByText(/^Next round: a lip, through the front loops/)).toBeVisible()
  await page.keyboard.press('Shift+Enter')
  // The base is measured before its lip is in the way.
  await expect(page.getByText(/Measure now:.*across/)).toBeVisible()
  await page.waitForTimeout(500)
  await page.getByRole('button', { name: /: on to Rnd 14$/ }).press('Enter')
  await expect(
    page.getByText(/^Next round: the wall goes up behind the lip, through the back loops of Rnd 13; in dc/),
  ).toBeVisible()
})

test('its wall is pulled to and from its axis by whole rounds of the base, which are marked; a cap by stitches', async ({
  page,
}) => {
  await openShelf(page)
  await plainWall(page)
  const base = field(page, 'Base across')
  const before = Number(await base.inputValue())
  const wall = page.getByRole('slider', { name: 'Wall: how far around' })
  await wall.press('ArrowRight')
  // A round of the base is 8.8 mm tall in this gauge: twice that across.
  await expect(base).toHaveValue((before + 1.8).toFixed(1))
  await wall.press('ArrowLeft')
  await expect(base).toHaveValue(before.toFixed(1))
  await expect(wall).toHaveAttribute('aria-valuetext', /cm around/)
  const drawing = page.getByRole('group', { name: /Drawing of the piece/ })
  await expect(drawing.getByText(/^\d+\.\d cm around$/)).toHaveCount(2)
  const grip = (await wall.locator('rect').first().boundingBox())!
  const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 60, y, { steps: 8 })
  await page.mouse.up()
  expect(Number(await base.inputValue())).toBeLessThan(before - 3)

  await page.goto('/project/wardens-cap/piece/cap/plan')
  const snug = field(page, 'Smaller by')
  await expect(snug).toHaveValue('4')
  await page.getByRole('slider', { name: 'Wall: how far around' }).press('ArrowRight')
  // A stitch of 7.6 mm of 57 cm is a little over 1%.
  await expect(snug).toHaveValue('3')
  await expect(field(page, 'Head around')).toHaveValue('57.0')
  // On a tablet it stands at the end of the rows, and goes with the finger.
  await page.setViewportSize({ width: 834, height: 1194 })
  const end = page.getByRole('slider', { name: 'Wall: how far around' })
  await end.scrollIntoViewIfNeeded()
  const at = (await end.locator('rect').first().boundingBox())!
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  await page.mouse.move(at.x + at.width / 2 - 60, at.y + at.height / 2, { steps: 6 })
  await page.mouse.up()
  expect(Number(await snug.inputValue())).toBeGreaterThan(8)
  await end.press('ArrowRight')
  await expect(field(page, 'Head around')).toHaveValue('57.0')
})
