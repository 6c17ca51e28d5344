import { expect, test, type Page } from '@playwright/test'
import { countOf, DEMO, field, openShelf, withDemo } from './shelf.ts'
import { stored, storedLogs } from './storage.ts'

/** A new mat, planned on a gauge counted here: so many stitches and rounds in 10 cm. */
async function ownMat(page: Page, name: string, across: string, sts: string, rounds: string): Promise<void> {
  await page.goto('/new')
  await page.getByLabel('How wide?').fill(across)
  await page.getByLabel('What is it for?').fill(name)
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill(sts)
  await field(page, 'rounds').fill(rounds)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(page.getByText(/Comes out [\d.]+ ± [\d.]+ cm/)).toBeVisible()
}

test('the numbers on the plan are those of the craft: counts around, size by rounds, sum, metres of yarn', async ({
  page,
}) => {
  await openShelf(page)
  await ownMat(page, 'Stool mat', '30', '12', '12.5')
  const rows = page.getByRole('table', { name: 'Rounds of the piece' }).locator('tbody tr')
  const counts = (await rows.locator('td:nth-of-type(3)').allInnerTexts()).map(Number)
  // What the gauge came to, with the label heard: one stitch w × h.
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  const one = await page.getByText(/^One stitch/).innerText()
  const [, w, h] = /One stitch ([\d.]+) × ([\d.]+) mm/.exec(one)!.map(Number) as [number, number, number]
  expect(w).toBeGreaterThan(8)
  expect(w).toBeLessThan(8.8)
  await page.keyboard.press('Escape')
  // Outer rounds in the body stitch lie within 5% of 2πr/w, r a third of a round more than their number of heights.
  const body = counts.slice(5, -2)
  for (const [index, count] of body.entries()) {
    const flat = (2 * Math.PI * (index + 6) * h) / w
    expect(Math.abs(count / flat - 1)).toBeLessThan(0.05)
  }
  expect(Math.abs(counts.length - 150 / h)).toBeLessThan(2)
  const said = await page.getByText(/rounds, [\d,]+ stitches/).innerText()
  const total = counts.reduce((sum, count) => sum + count, 0)
  expect(Number(/([\d,]+) stitches/.exec(said)![1]!.replace(',', ''))).toBe(total)
  // sc takes some 4.3 w + 13.7 d of yarn, d the thickness: 3 to 6 w in all (FIELD §8).
  const metres = Number(
    /([\d.]+) m\b/.exec(await page.getByRole('region', { name: 'Yarn, time and start' }).innerText())![1],
  )
  expect(metres * 1000).toBeGreaterThan(total * w * 4.3)
  expect(metres * 1000).toBeLessThan(total * w * 12)
})

test('work opened before anything is begun, a check too early, and a piece that is not here, say so', async ({
  page,
}) => {
  await openShelf(page)
  await ownMat(page, 'Pot mat', '18', '14', '15')
  const plan = page.url()
  await page.goto(plan.replace('/plan', '/check'))
  await expect(page.getByRole('heading', { name: 'Pot mat is not begun' })).toBeVisible()
  await page.getByRole('link', { name: 'To the plan' }).click()
  await page.getByRole('button', { name: 'Begin Rnd 1' }).click()
  await expect(countOf(page)).toHaveText('0')
  await page.keyboard.press('c')
  await expect(page.getByRole('heading', { name: 'Too early to measure' })).toBeVisible()
  await expect(page.getByText(/a size tells something from Rnd 5 or after Rnd \d+\./)).toBeVisible()
  await page.getByRole('link', { name: 'Back to the hook' }).click()
  await expect(countOf(page)).toHaveText('0')
  for (const path of ['/piece/nowhere/work', '/piece/nowhere/check', '/piece/nowhere/sheet']) {
    await page.goto(path)
    await expect(page.getByRole('heading', { name: 'This piece is not on the shelf' })).toBeVisible()
  }
  await page.goto('/gauges/nowhere')
  await expect(page.getByRole('heading', { name: 'This gauge is not in the book' })).toBeVisible()
  await page.getByRole('link', { name: 'To the gauge book' }).click()
  await expect(page).toHaveURL(/\/gauges\/./)
})

test('notes are kept where the hook was, newest first, and go out with the log', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  for (const text of ['Second ball from here', '<b>Looser</b> by the stove']) {
    await page.keyboard.press('n')
    await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled()
    await page.getByRole('textbox', { name: 'Note' }).fill(text)
    await page.keyboard.press('Control+Enter')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.keyboard.press('ArrowRight')
  }
  await page.keyboard.press('n')
  const notes = page.getByRole('dialog').getByRole('listitem')
  // One was there before: why a round was pulled out.
  await expect(notes).toHaveCount(3)
  await expect(notes.first()).toContainText('<b>Looser</b> by the stove')
  await expect(notes.first()).toContainText(/^Rnd 7, \d+ \w+, \d\d:\d\d/)
  await expect(notes.nth(1)).toContainText('Second ball from here')
  // Escape leaves the work as it was; a note is no stitch.
  await page.keyboard.press('Escape')
  await expect(countOf(page)).toHaveText('20')
  const kept = (await storedLogs(page)).filter(({ type }) => type === 'note')
  expect(kept.map(({ text }) => text).sort()).toEqual([
    '<b>Looser</b> by the stove',
    'A round more: it slipped off at the ankle.',
    'Second ball from here',
    'Worked into the join twice: two stitches over.',
  ])
})

test('the list of keys is true: each does what it says', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('?')
  const keys = page.getByRole('dialog')
  for (const words of [
    'Count one stitch',
    'Take back',
    'Measure the piece',
    'Will the yarn do?',
    'Larger print',
  ]) {
    await expect(keys).toContainText(words)
  }
  await page.keyboard.press('Escape')
  await page.keyboard.press('r')
  await expect(countOf(page)).toHaveText('0')
  await page.keyboard.press('ArrowLeft')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press(']')
  await expect(page.locator('html')).toHaveAttribute('data-print', '125')
  await page.keyboard.press('[')
  await expect(page.locator('html')).toHaveAttribute('data-print', '100')
  await page.keyboard.press('y')
  await expect(page.getByRole('dialog', { name: 'Will the yarn do?' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('m')
  await expect(page.getByRole('heading', { name: 'Measure after Rnd 6' })).toBeVisible()
  await page.keyboard.press('w')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('p')
  await expect(page.getByRole('heading', { name: 'Kettle trivet' })).toBeVisible()
})

test('copies of a set are leafed through, each at its own stitch', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/work')
  await expect(page.getByText('no. 4 of 8')).toBeVisible()
  const here = await countOf(page).innerText()
  await page.getByRole('link', { name: 'No. 3' }).click()
  await expect(page.getByRole('heading', { name: 'No. 3 of 8 is made' })).toBeVisible()
  await page.getByRole('link', { name: 'Go on with no. 4' }).click()
  await expect(countOf(page)).toHaveText(here)
  // Numbers nobody made lead to the one on the hook.
  await page.goto('/piece/tin-mug-mats/work?copy=77')
  await expect(page.getByText('no. 4 of 8')).toBeVisible()
})

test('another yarn in its place: what would differ, each in a sentence', async ({ page }) => {
  await withDemo(page)
  await page.goto('/yarns')
  await page.getByRole('button', { name: /^Fog/ }).first().click()
  const compare = page.getByRole('combobox', { name: 'Could another take its place?' })
  await compare.selectOption({ label: await compare.locator('option').nth(1).innerText() })
  await expect(page.getByRole('region', { name: 'One yarn' }).getByRole('status').last()).not.toBeEmpty()
  await page.getByRole('button', { name: 'New yarn' }).click()
  await expect(field(page, 'Colour name')).toHaveValue(/^Yarn \d+$/)
  await expect(page.getByText('How much is left is not known yet.')).toBeVisible()
  await expect(page.getByText('No piece is planned with it.')).toBeVisible()
  await page.getByRole('combobox', { name: 'Weight' }).selectOption({ index: 1 })
  await page.getByRole('combobox', { name: 'Fibre' }).selectOption({ label: 'acrylic' })
  const fog = (await compare.locator('option').allInnerTexts()).find((name) => name.includes('Fog'))!
  await compare.selectOption({ label: fog })
  const points = page.getByRole('region', { name: 'One yarn' })
  await expect(points).toContainText(/another gauge, and every count changes\. Plan anew\./)
  await expect(points).toContainText('Another fibre: it washes, wears and stretches differently.')
  // A ball of 50 g and 85 m, two of them and 20 g of a third: 204 m by proportion.
  await field(page, 'A ball is long').fill('85')
  await field(page, 'A ball weighs').fill('50')
  await field(page, 'Whole balls').fill('2')
  await field(page, 'Begun ball weighs').fill('20')
  await expect(page.getByText(/204 m at hand, by the label/)).toBeVisible()
  // Emptied again, it is not known again.
  await field(page, 'A ball weighs').fill('')
  await expect(page.getByText('How much is left is not known yet.')).toBeVisible()
  await field(page, 'Or at hand in all').fill('90 yd')
  await expect(page.getByText(/82\.3 m at hand, as typed/)).toBeVisible()
  await page.getByRole('button', { name: 'Take off the shelf' }).click()
  await expect(page.getByText(/is off the yarn shelf\./).first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^Yarn \d+/ })).toBeVisible()
})

test('the sheet to print has every round with a box, its count, where to measure, and what to watch', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/sheet')
  const rows = page.getByRole('table').locator('tbody tr')
  await expect(rows).toHaveCount(13)
  await expect(rows.nth(0)).toContainText('6')
  await expect(rows.nth(11)).toContainText('72')
  await expect(page.getByText('21.1 ± 0.4 cm').first()).toBeVisible()
  await expect(page.getByText(/across/).first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('navigation', { name: 'Main' })).toBeHidden()
})

test('a new mat: what cannot be is answered at once, and begins nothing', async ({ page }) => {
  await withDemo(page)
  await page.goto('/new')
  const wide = page.getByLabel('How wide?')
  const go = page.getByRole('button', { name: 'Plan it' })
  await expect(go).toBeDisabled()
  for (const [typed, says] of [
    ['0', /under two rounds of this stitch/],
    ['wide', /is not a length/],
    ['300 sts', /“sts” is not a unit here/],
    ['1,000', /can be read two ways/],
    ['500', /room mat/],
    ['9'.repeat(500), /Up to 100 m/],
  ] as const) {
    await wide.fill(typed)
    await expect(page.getByRole('status').first()).toHaveText(says)
    await expect(go).toBeDisabled()
  }
  await wide.fill('8 5/8 in')
  await expect(page.getByText(/^\d+ rounds, \d+ stitches in Medium yarn/)).toBeVisible()
  await page.getByLabel('What is it for?').fill('x'.repeat(101))
  await expect(page.getByRole('alert')).toContainText('A name has up to 100.')
  await expect(go).toBeDisabled()
  expect(await stored(page, 'projects')).toHaveLength(DEMO.length)
  await page.getByLabel('What is it for?').fill('')
  await go.click()
  await expect(page.getByRole('heading', { name: 'Round mat' })).toBeVisible()
  await expect(field(page, 'Target across')).toHaveValue('21.9')
})

test('the gauge book: every stitch from one swatch, a hook for a recipe, yarn in a stitch', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/gauges/cotton-single')
  const comes = page.getByRole('group', { name: 'What it comes to' })
  const tab = (name: RegExp) =>
    comes.getByRole('radio', { name }).or(comes.getByRole('tab', { name })).first()
  await tab(/stitches/i).click()
  const rows = comes.getByRole('table').locator('tbody tr')
  await expect(rows).toHaveCount(6)
  // Taller stitches in the same yarn: h/w grows from sc to tr, and rounds in 10 cm fall.
  const ratios = (await rows.locator('td:nth-of-type(3)').allInnerTexts())
    .slice(0, 4)
    .map((text) => parseFloat(text))
  expect(ratios).toEqual([...ratios].sort((one, other) => one - other))
  expect(ratios[2]! / ratios[0]!).toBeGreaterThan(1.6)
  await tab(/hook/i).click()
  await field(page, 'A recipe’s stitches in 10 cm').fill('300')
  await expect(comes.getByRole('alert')).toContainText('A number of stitches: a number from 0.5 to 200.')
  await field(page, 'A recipe’s stitches in 10 cm').fill('10')
  await expect(comes).toContainText(/the recipe would come out [\d.]+% small/)
  await expect(comes).toContainText(/A [\d.]+ mm( \([^)]+\))? hook would change width and height/)
})
