import { expect, test, type Page } from '@playwright/test'
import { emptyShelf, field, finishAt, withDemo, workTo } from './shelf.ts'
import { stored } from './storage.ts'

const cap = '/project/wardens-cap/piece/cap'

/** The cap of the demo with a brim that is tightened, in place of its rib. */
async function tightenedBrim(page: Page): Promise<void> {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  await page.getByRole('button', { name: /^Brim/ }).click()
  await page.getByRole('radio', { name: 'Tightened' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Brim/ })).toContainText('Tightened')
}

test('a new maker plans a cap for a head: crown, wall and depth are what FIELD says', async ({ page }) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a cap' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A cap')
  await page.getByLabel('Around the head?').fill('56')
  await expect(page.getByRole('button', { name: 'Plan it' })).toBeDisabled()
  await page.getByLabel(/How deep/).fill('4')
  await expect(page.locator('#how-wide-answer')).toContainText('At least')
  await page.getByLabel(/How deep/).fill('21,5')
  await page.getByLabel('How much smaller than the head?').fill('4%')
  await page.getByLabel('What crown?').selectOption('Flat')
  await page.getByLabel('What is it for?').fill('Wood-shed cap')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)

  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('13')
  await field(page, 'rounds').fill('14')
  await field(page, 'sc sts').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')

  // By hand: 56 cm less 4% is 53.8 around, over the width of a stitch; the crown is 53.8 / π across.
  const w =
    10 / Number(/([\d.]+) sts/.exec(await page.getByRole('button', { name: /^Gauge/ }).innerText())![1])
  const said = await page
    .getByRole('paragraph')
    .filter({ hasText: /^Crown:/ })
    .innerText()
  const [, across, stitches] = /([\d.]+) cm across after Rnd \d+, (\d+) sts, then even/.exec(said)!
  expect(Math.abs(Number(stitches) - 53.76 / w)).toBeLessThan(2)
  expect(Math.abs(Number(across) - 53.76 / Math.PI)).toBeLessThan(1)
  const outcome = await page.getByText(/Comes out/).innerText()
  const [, deep, wide] = /([\d.]+) ± [\d.]+ cm deep, ([\d.]+) ± [\d.]+ cm wide/.exec(outcome)!
  expect(Math.abs(Number(deep) - 21.5)).toBeLessThan(0.4)
  expect(Math.abs(Number(wide) - (Number(stitches) * w) / 2)).toBeLessThan(0.4)
})

test('no head to measure: a usual size stands in the fields, and a baby’s cap warns of cords', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new?form=cap')
  await page.getByLabel('No head to measure?').selectOption('6 months')
  await expect(page.getByLabel('Around the head?')).toHaveValue('43.0')
  await expect(page.getByLabel(/How deep/)).toHaveValue('16.5')
  await page.getByLabel(/How deep/).fill('16')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)
  await expect(field(page, 'Deep')).toHaveValue('16.0')
  const made = (await stored<{ form: { depth?: number }; fitness: { uses: string[] } }>(page, 'pieces')).find(
    ({ form }) => form.depth === 160,
  )
  expect(made?.fitness.uses).toEqual(['worn', 'baby'])
  await page.getByRole('button', { name: /^For/ }).click()
  await expect(page.getByText(/cord|string|strangle/i).first()).toBeVisible()
})

test('odd sizes of a cap are refused where they are typed; its brim takes a hook of its own', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  for (const [name, odd, says] of [
    ['Head around', '0', /From|At least/],
    ['Head around', '300', /From|Up to/],
    ['Deep', '6', /At least/],
    ['Smaller by', '90', /From −10% to 25%/],
  ] as const) {
    const cell = field(page, name)
    const before = await cell.inputValue()
    await cell.fill(odd)
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible()
    await cell.press('Escape')
    await expect(cell).toHaveValue(before)
  }
  await field(page, 'Deep').fill('8 1/2 in')
  await field(page, 'Deep').blur()
  await expect(field(page, 'Deep')).toHaveValue('21.6')
  // The pull handle of its edge changes how deep it is, by the keys.
  await page.getByRole('slider', { name: 'Edge: depth' }).focus()
  await page.keyboard.press('ArrowUp')
  await expect.poll(async () => Number(await field(page, 'Deep').inputValue())).toBeGreaterThan(21.6)

  const before = await page.getByRole('row', { name: /^2[89]|^30/ }).allInnerTexts()
  await page.getByRole('button', { name: /^Stitch/ }).click()
  await page.getByLabel('Brim: gauge').selectOption('Medium cotton, 5 mm')
  await page.getByLabel('Wall: worked into').selectOption('Back loops only')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Stitch/ })).toContainText('otherwise')
  const kept = async () =>
    (await stored<{ id: string; sections?: Record<string, unknown> }>(page, 'pieces')).find(
      ({ id }) => id === 'cap',
    )?.sections
  await expect.poll(kept).toEqual({ brim: { gaugeId: 'cotton-single' }, wall: { loops: 'back' } })
  await page.reload()
  await expect(page.getByText('sc in back loop of each st').first()).toBeVisible()
  expect(await page.getByRole('row', { name: /^2[89]|^30/ }).allInnerTexts()).not.toEqual(before)
})

test('the crown is measured across, the wall by its width and depth; the rest is re-planned', async ({
  page,
}) => {
  await tightenedBrim(page)
  await workTo(page, `${cap}/plan`, 10)
  await expect(page.getByText(/Measure now:.*across/)).toBeVisible()
  await page.getByRole('link', { name: 'Put in what you measure' }).click()
  await expect(page.getByRole('heading', { name: 'Measure after Rnd 10' })).toBeVisible()
  await expect(field(page, 'Wide, laid flat')).toHaveCount(0)
  await field(page, 'Across').fill('13.4')
  await field(page, 'A quarter turn on').fill('13.5')
  await field(page, 'Rnd 10, planned 60').fill('60')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('small')
  await expect(page.getByText(/tighter here than your gauge/)).toBeVisible()
  const ways = page.getByRole('list', { name: 'Ways out' })
  await expect(ways.getByRole('heading', { name: 'Change the rounds ahead' })).toBeVisible()
  await ways.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page).toHaveURL(/work/)
  await expect(page.getByRole('region', { name: /Notifications/ })).toContainText('the plan is changed')
  // Undo brings the old plan back, and the hook is where it was.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Rnd 10 of 30/ })).toBeAttached()
})

test('below the crown a cap is laid flat and measured down; on a phone as well', async ({ page }) => {
  await tightenedBrim(page)
  await workTo(page, `${cap}/plan`, 20)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByRole('link', { name: 'Put in what you measure' }).click()
  await expect(field(page, 'Across')).toHaveCount(0)
  await field(page, 'Wide, laid flat').fill('28.9')
  await field(page, 'Deep, along it').fill('15.2')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('wide')
  const ways = page.getByRole('list', { name: 'Ways out' })
  await expect(ways.getByRole('listitem').first()).toBeVisible()
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
})

test('finished, a cap is measured deep and wide, and its sheet says both before it is begun', async ({
  page,
}) => {
  await tightenedBrim(page)
  await page.goto(`${cap}/sheet`)
  await expect(page.getByText(/deep, .* wide laid flat/).first()).toBeVisible()
  await finishAt(page, `${cap}/plan`, 30)
  await expect(page.getByText(/It should measure .* deep, .* wide laid flat\./)).toBeVisible()
  await field(page, 'Wide, laid flat').fill('25.6')
  await field(page, 'Deep, along it').fill('21.3')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/has learned from it/).first()).toBeVisible()
})

test('a ribbed brim: how it lies and stretches is said, its height is asked, folded it is worked twice as high', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('(FPdc, BPdc) × 34')
  const said = await page
    .getByRole('paragraph')
    .filter({ hasText: /^Crown:/ })
    .innerText()
  const [, relaxed, stretched] = /Its rib lies ([\d.]+) cm around and stretches to ([\d.]+) cm/.exec(said)!
  // By hand: relaxed 0.8, stretched 1.1 of the plain width.
  expect(Number(stretched) / Number(relaxed)).toBeCloseTo(1.1 / 0.8, 1)
  expect(Number(stretched)).toBeGreaterThan(57)
  const height = field(page, 'Rib, as worn')
  await height.fill('0')
  await expect(page.getByRole('alert').filter({ hasText: /From/ })).toBeVisible()
  await height.press('Escape')
  await height.fill('6,0')
  await height.press('Enter')
  await expect(rounds).toContainText('measure: ↓ 21')
  const inAll = async () => Number(/(\d+) rounds/.exec(await page.getByText(/Comes out/).innerText())![1])
  const once = await inAll()
  await page.getByRole('button', { name: /^Brim/ }).click()
  await page.getByRole('radio', { name: 'Folded' }).click()
  await page.keyboard.press('Escape')
  // By hand: 6 cm more, in rounds about 1.5 cm high.
  await expect.poll(inAll).toBeGreaterThanOrEqual(once + 3)
  await page.getByRole('button', { name: /^Brim/ }).click()
  await page.getByRole('radio', { name: 'Plain' }).click()
  await page.keyboard.press('Escape')
  await expect(height).toHaveCount(0)
  await expect(rounds).not.toContainText('FPdc')
})

test('stripes are painted: dragged over the list or over the drawing, by keys, and in bands told in cm', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  const runs = async () =>
    (await stored<{ id: string; colours: { fromRound: number; yarn: string }[] }>(page, 'pieces'))
      .find(({ id }) => id === 'cap')!
      .colours.map(({ fromRound, yarn }) => `${fromRound} ${yarn}`)
  const before = await runs()
  const brush = page.getByRole('button', { name: 'Paint rounds with Tarn' })
  await brush.click()
  await expect(brush).toHaveAttribute('aria-pressed', 'true')
  const row = async (number: number) => (await page.locator(`tr[data-from="${number}"]`).boundingBox())!
  // The list has its place once it can be pointed at.
  await page.locator('tr[data-from="3"]').hover()
  const [third, sixth] = [await row(3), await row(6)]
  await page.mouse.move(third.x + 80, third.y + 9)
  await page.mouse.down()
  await page.mouse.move(sixth.x + 80, sixth.y + 9, { steps: 6 })
  await page.mouse.up()
  await expect.poll(runs).toEqual(['1 lichen', '3 tarn', '7 lichen', ...before.slice(1)])
  // One round more by key, from the list.
  await page.locator('tr[data-from="7"]').focus()
  await page.keyboard.press('Enter')
  await expect.poll(runs).toEqual(['1 lichen', '3 tarn', '8 lichen', ...before.slice(1)])
  // Over the wall in the drawing: what was lichen there is painted over.
  const wall = page.locator('canvas').first()
  const box = (await wall.boundingBox())!
  await page.mouse.move(box.x + 240, box.y + 430)
  await page.mouse.down()
  await page.mouse.move(box.x + 240, box.y + 510, { steps: 8 })
  await page.mouse.up()
  await expect.poll(async () => (await runs()).length).toBeLessThan(6)
  await page.keyboard.press('Escape')
  await expect(brush).toHaveAttribute('aria-pressed', 'false')

  await page.getByRole('button', { name: /^Yarn/ }).first().click()
  await page.getByLabel('Stripes over').selectOption('Wall')
  await page.getByLabel('Bands are told').selectOption('in cm')
  await page.getByLabel('Yarn of band 1').selectOption('Tarn')
  await page.getByLabel('Yarn of band 2').selectOption('Lichen')
  await field(page, 'Band 1').fill('0')
  await expect(page.getByRole('alert').filter({ hasText: /From/ })).toBeVisible()
  await field(page, 'Band 1').fill('1,5')
  await field(page, 'Band 2').fill('1.5')
  await page.getByRole('button', { name: 'Stripe it' }).click()
  await expect
    .poll(async () => (await runs()).filter((run) => run.endsWith('tarn')).length)
    .toBeGreaterThan(3)
  await page.reload()
  expect((await runs()).some((run) => run === '15 tarn')).toBe(true)
})

test('finished with its rib, a cap is measured and kept, and its gauge stays as it is', async ({ page }) => {
  await finishAt(page, `${cap}/plan`, 28)
  await field(page, 'Wide, laid flat').fill('21')
  await field(page, 'Deep, along it').fill('21.3')
  await expect(page.getByText('Textured, it tells of itself')).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('What it measures is kept with it.').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep it anew' })).toBeVisible()
})

test('a wall in a spiral between joined rounds: chosen, printed, and told at the hook before it comes', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  await page.getByRole('button', { name: /^Stitch/ }).click()
  await page.getByLabel('Wall: rounds').selectOption('In a spiral')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Stitch/ })).toContainText('wall otherwise')
  await page.reload()
  await page.goto(`${cap}/sheet`)
  const row = page.getByRole('row').filter({ hasText: 'from here on in a spiral' })
  await expect(row).toHaveCount(1)
  const first = Number(/\d+/.exec(await row.innerText())![0])
  await expect(page.getByRole('row').filter({ hasText: 'it ends level' })).toHaveCount(1)
  await workTo(page, `${cap}/plan`, first - 2)
  await page.getByRole('button', { name: new RegExp(`: on to Rnd ${first - 1}$`) }).press('Enter')
  await expect(page.getByText(/^Next round: .*in a spiral from there on/)).toBeVisible()
})

test('wishes that fight: a flat crown and its wall, a depth and whole rounds, a count that is settled on; each way out is one press', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  const fight = page.getByRole('region', { name: 'What gives way' })
  await page.getByRole('button', { name: /^Crown/ }).click()
  await page.getByRole('radio', { name: /^Flat/ }).click()
  await page.keyboard.press('Escape')
  await field(page, 'Smaller by').fill('8')
  await field(page, 'Smaller by').press('Tab')
  // By hand: 57.0 less 8% is 52.4 around, 16.7 across; 11.6 rounds of 7.2 mm from the middle.
  await expect(fight).toContainText('The crown does not lie flat. To be 16.7 cm across')
  await expect(fight.getByRole('button', { pressed: true })).toContainText('it dishes')
  await fight.getByRole('button', { name: /^11 rnds/ }).press('Enter')
  await expect(page.getByRole('paragraph').filter({ hasText: /^Crown:/ })).toContainText('after Rnd 11')
  await expect(field(page, 'Smaller by')).toHaveValue(/^12/)

  // A rib has no last round of another stitch: its depth goes by whole rounds.
  await field(page, 'Smaller by').fill('2')
  await field(page, 'Smaller by').press('Tab')
  await expect(fight).toContainText('21.5 cm deep falls between two rounds. It ends 0.5 cm under.')
  await fight.getByRole('button', { name: /^28 rnds/ }).click()
  await expect(fight).toHaveCount(0)
  await expect(field(page, 'Deep')).toHaveValue('21.7')
  await expect(page.getByText(/^28 rounds/)).toBeVisible()

  const increases = page.getByRole('button', { name: /^Increases/ })
  await increases.click()
  await field(page, 'Stitches around the wall').fill('300')
  await expect(page.getByText(/300 stitches do not go around.*From \d+ to \d+/)).toBeVisible()
  await field(page, 'Stitches around the wall').fill('76')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(fight).toContainText('76 stitches are settled on.')
  await expect(fight.getByRole('button', { pressed: true })).toHaveText(/^76/)
  await page.reload()
  await expect(fight).toContainText('76 stitches are settled on.')
  await fight.getByRole('button', { pressed: false }).click()
  await expect(fight).toHaveCount(0)
  await increases.click()
  await expect(field(page, 'Stitches around the wall')).toHaveValue('')
})

test('from a round on its wall is of another gauge, on a phone as well: kept, moved, and told at the hook', async ({
  page,
}) => {
  await withDemo(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${cap}/plan`)
  const outcome = page.getByText(/^\d+ rounds, [\d,]+ stitches/)
  const before = await outcome.innerText()
  const stitch = page.getByRole('button', { name: /^Stitch/ })
  await stitch.click()
  await page.getByRole('button', { name: 'Wall: from a round on' }).click()
  const from = field(page, 'Wall, part 2: from round')
  await expect(from).toHaveValue(/^\d+$/)
  await from.fill('300')
  await expect(page.getByText(/a round of it.*from \d+ to \d+/i).first()).toBeVisible()
  await from.fill('20')
  await page.getByLabel('Wall, part 2: gauge').selectOption({ index: 1 })
  await page.keyboard.press('Escape')
  await expect(stitch).toContainText('wall, part 2 otherwise')
  await page.reload()
  await stitch.click()
  await expect(from).toHaveValue('20')
  await page.keyboard.press('Escape')
  // Stitches of another width: others of them go around.
  await expect(outcome).not.toHaveText(before)
  await workTo(page, `${cap}/plan`, 18)
  await page.getByRole('button', { name: /: on to Rnd 19$/ }).press('Enter')
  await expect(
    page.getByText(/^Next round: part 2 of the wall begins; take the hook and strands of its gauge/),
  ).toBeVisible()
})
