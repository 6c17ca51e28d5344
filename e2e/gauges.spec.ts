import { expect, test, type Page } from '@playwright/test'
import { pagesOf, shapesOf } from './printedPage.ts'
import { field, openShelf, withDemo } from './shelf.ts'

const evidence = (page: Page) => page.getByRole('region', { name: 'Evidence' })
const tags = (page: Page) => evidence(page).locator('svg text')

async function fillSwatch(page: Page, counts: readonly [string, string, string, string]): Promise<void> {
  const names = ['Stitches', 'over', 'Rows', 'over, rows']
  for (const [index, text] of counts.entries()) await field(page, names[index]!).fill(text)
}

test('a new gauge: the label, a swatch, odd numbers, a contradiction, and what is left after a reload', async ({
  page,
}) => {
  await openShelf(page)
  await page.getByRole('link', { name: 'Gauge book' }).click()
  await page.getByRole('button', { name: 'New gauge' }).click()
  await expect(page.getByText('Only the label so far: every size is a guess.')).toBeVisible()
  await expect(tags(page)).toHaveText([/13\.8 sts ± 3\.\d/, /14\.4 rnds ± 3\.\d/])

  await fillSwatch(page, ['300', '10', '14', '10'])
  await expect(page.getByRole('alert')).toHaveText(/finer than sewing thread/)
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled()
  await field(page, 'Stitches').fill('0')
  await expect(page.getByRole('alert')).toHaveText(/more than 0 sts/)
  await field(page, 'Stitches').fill('some')
  await expect(page.getByRole('alert')).toHaveText(/“some” is not a number/)
  await fillSwatch(page, ['14', '10', '14,5', '1'])
  await expect(page.getByRole('alert')).toHaveText(/0.7 mm each.*or 10 cm\?/)
  // A form half filled is there after a reload, and after a way round by another screen.
  await field(page, 'over, rows').fill('100 mm')
  await page.reload()
  await expect(field(page, 'over, rows')).toHaveValue('10.0')
  await page.goto('/yarns')
  await page.goBack()
  await expect(field(page, 'Stitches')).toHaveValue('14')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(tags(page)).toHaveText([/14\.0 sts ± 0\.\d/, /14\.6 rnds ± 1\.\d/])
  await expect(page.getByText('One measurement and the label.')).toBeVisible()

  // Two marks that say something else are named, not averaged away.
  await page.getByRole('radio', { name: 'Two marks' }).click()
  await field(page, 'Stitches').fill('20')
  await field(page, 'over').fill('10')
  await expect(page.getByText(/It contradicts\./)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/They contradict one another/)).toBeVisible()
  await evidence(page)
    .getByRole('button', { name: /Two marks/ })
    .click()
  await page.getByRole('button', { name: 'Put aside' }).click()
  await expect(page.getByText('One measurement and the label.')).toBeVisible()
  await expect(tags(page)).toHaveText([/14\.0 sts ± 0\.\d/, /14\.6 rnds ± 1\.\d/])
  await expect(page.getByText(/Put aside: two marks/)).toBeVisible()
})

test('a round swatch by keyboard alone: what it tells, what it does not, and its change undone', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/gauges/loft-wool')
  await page.getByRole('radio', { name: 'Flat swatch' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { name: 'Round swatch' })).toBeFocused()
  await page.keyboard.press('Space')
  await expect(page.getByRole('img', { name: /A round swatch of 9 rounds/ })).toBeVisible()
  await field(page, 'Across').focus()
  await page.keyboard.type('14,6')
  await page.keyboard.press('Tab')
  await page.keyboard.type('5 3/4 in')
  await expect(
    page.getByText(/A disc that lies flat tells its size, not how wide and how tall apart/),
  ).toBeVisible()
  await expect(page.getByText(/from ± \d\.\d% to ± \d\.\d%/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).focus()
  await page.keyboard.press('Enter')
  await expect(evidence(page).getByRole('button', { name: /Round swatch/ })).toBeVisible()
  await evidence(page)
    .getByRole('button', { name: /Round swatch/ })
    .focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Delete' }).focus()
  await page.keyboard.press('Enter')
  await expect(evidence(page).getByRole('button', { name: /Round swatch/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(evidence(page).getByRole('button', { name: /Round swatch/ })).toBeVisible()
})

test('a gauge goes through to the piece that is planned by it; other stitches and hooks follow', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/gauges/cotton-single')
  await page.getByRole('tab', { name: 'All stitches' }).click()
  const rows = page.getByRole('tabpanel').locator('tbody tr')
  await expect(rows).toHaveCount(6)
  await expect(rows.nth(2)).toContainText(/^dc/)
  await page.getByRole('tab', { name: 'Another hook' }).click()
  await page.getByRole('textbox', { name: /A recipe/ }).fill('13')
  await expect(page.getByText(/A 6 mm \(J\) hook/)).toBeVisible()
  await page.goto('/piece/tin-mug-mats/plan')
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await expect(page.getByText('3 pieces of evidence, taken together in the gauge book.')).toBeVisible()
  await page.getByRole('link', { name: 'Measure in the gauge book' }).click()
  await expect(page.getByRole('heading', { name: 'Medium cotton, 5 mm' })).toBeVisible()
})

test('yarn is weighed, counted in balls, compared, and shown in the maker’s units at once', async ({
  page,
}) => {
  await openShelf(page)
  await page.getByRole('link', { name: 'Yarns' }).click()
  await page.getByRole('button', { name: /Pine/ }).click()
  await expect(page.getByText('85.0 m at hand, by the label.')).toBeVisible()
  await field(page, 'Begun ball weighs').fill('1 oz')
  await expect(page.getByText('133 m at hand, by the label.')).toBeVisible()
  await field(page, 'A ball weighs').fill('0')
  await expect(page.getByRole('alert')).toHaveText(/More than 0/)
  await page.keyboard.press('Escape')
  await page.getByLabel('Could another take its place?').selectOption({ label: 'Bark' })
  await expect(page.getByText(/Another fibre/)).toBeVisible()
  await page.getByRole('button', { name: 'New yarn' }).click()
  // Until it is there, the fields are those of the one before.
  await expect(field(page, 'Colour name')).toHaveValue(/^Yarn \d/)
  await field(page, 'Colour name').fill('<i>Moss</i>')
  await expect(page.getByRole('button', { name: '<i>Moss</i>' })).toBeVisible()

  await page.goto('/settings')
  for (const name of ['Inches', '4 in', 'Yards', 'Ounces', 'UK'])
    await page.getByRole('radio', { name }).click()
  await page.goto('/yarns')
  await page.getByRole('button', { name: /Pine/ }).click()
  await expect(page.getByText('146 yd at hand, by the label.')).toBeVisible()
  await expect(field(page, 'Begun ball weighs')).toHaveValue('1.00')
  await page.goto('/piece/kettle-trivet/plan')
  await expect(page.getByRole('button', { name: /^Gauge in 4 in/ })).toBeVisible()
  await expect(page.getByText(/\d+\.\d yd/).first()).toBeVisible()
  // Back again, every stored value is what it was.
  await page.goto('/settings')
  for (const name of ['Centimetres', '10 cm', 'Metres', 'Grams', 'US']) {
    await page.getByRole('radio', { name, exact: true }).click()
  }
  await page.goto('/piece/kettle-trivet/plan')
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('22.0')
})

test('cautions follow use and fibre, are marked as read, and are printed', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  await page.getByRole('button', { name: 'Yarn Fog, Soot' }).click()
  await page.getByRole('combobox', { name: 'Yarn', exact: true }).last().selectOption({ label: 'Bark' })
  await page.keyboard.press('Escape')
  await expect(page.getByText(/This yarn melts\./)).toBeVisible()
  await page.getByRole('button', { name: /^For, 2 cautions/ }).click()
  await expect(page.getByText('Hot, acrylic: not fit, melts and sticks to skin.')).toBeVisible()
  await page.getByRole('checkbox', { name: 'Read: This yarn melts.' }).check()
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(page.getByRole('button', { name: /^For, 1 caution hot/ })).toBeVisible()
  await page.getByRole('link', { name: 'Sheet to print' }).click()
  await expect(page.getByText(/Never use it wet\./)).toBeVisible()
  await expect(page.getByText(/This yarn melts\./)).toBeVisible()
  await expect(page.getByRole('table', { name: 'Rounds' }).locator('tbody tr')).toHaveCount(13)
  expect(await pagesOf(await page.pdf({ format: 'A4' }))).toBe(1)
})

test('an instrument fills the field that has the focus, live or typed', async ({ page }) => {
  await withDemo(page)
  await page.goto('/gauges/cotton-single')
  await page.getByRole('tab', { name: 'Yarn per stitch' }).click()
  await page.getByRole('radio', { name: 'Weigh the ball' }).click()
  await page.getByRole('combobox', { name: 'Instruments' }).selectOption({ label: 'Live from the stand' })
  await page.getByLabel('Lay on the simulated kitchen scale').fill('37')
  await page.getByRole('button', { name: 'Lay on' }).first().click()
  await field(page, 'Ball before').focus()
  const use = page.getByRole('button', { name: 'Use for Ball before' })
  await expect(use).toBeEnabled()
  await expect(async () => {
    await use.click()
    const value = Number.parseFloat(await field(page, 'Ball before').inputValue())
    expect(Math.abs(value - 37)).toBeLessThanOrEqual(1.5)
  }).toPass()
  // A caliper reads lengths: it does not offer itself for a weight.
  await expect(page.getByRole('button', { name: 'Use this reading' })).toBeDisabled()
  await page.getByRole('combobox', { name: 'Instruments' }).selectOption({ label: 'Read and typed' })
  await field(page, 'Ball after').focus()
  await page.getByRole('textbox', { name: 'Scale', exact: true }).fill('17,5')
  await page.getByRole('button', { name: 'Use for Ball after' }).click()
  await expect(field(page, 'Ball after')).toHaveValue('17.5 g')
})

test('rings and card are as large as the scale says, at any scale', async ({ page }) => {
  await withDemo(page)
  await page.goto('/measure')
  const perMm = async () => (await page.getByTestId('card').boundingBox())!.width / 86.1
  const nominal = await perMm()
  expect(nominal).toBeCloseTo(96 / 25.4, 1)
  const slider = page.getByLabel(/^Screen scale/)
  await slider.focus()
  for (let press = 0; press < 10; press++) await page.keyboard.press('ArrowRight')
  await expect(page.getByText('102.0%')).toBeVisible()
  expect((await perMm()) / nominal).toBeCloseTo(1.02, 2)
  const ring = (await page.getByTestId('ring').boundingBox())!
  expect(ring.width / (90 + 1.7)).toBeCloseTo(nominal * 1.02, 1)
  await page.reload()
  await expect(page.getByText('102.0%')).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByText('102.0%')).toBeVisible()
  expect((await page.getByTestId('ring').boundingBox())!.width / (90 + 1.7)).toBeCloseTo(nominal * 1.02, 1)
})

test('the printed measuring sheet is one page at its true size', async ({ page }) => {
  await withDemo(page)
  await page.goto('/sheet')
  await expect(page.getByRole('img', { name: /^Rulers of 10 cm/ })).toBeVisible()
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({
      format,
      preferCSSPageSize: false,
      margin: { top: '10mm', left: '10mm', right: '10mm', bottom: '10mm' },
    })
    expect(await pagesOf(pdf)).toBe(1)
    const shapes = await shapesOf(pdf)
    const flat = shapes.filter(({ height }) => height < 0.2).map(({ width }) => width)
    for (const ruler of [100, 101.6]) {
      expect(
        Math.min(...flat.map((width) => Math.abs(width - ruler))),
        `${format}, ${ruler} mm`,
      ).toBeLessThan(0.05)
    }
    const round = shapes
      .filter(({ width, height }) => Math.abs(width - height) < 0.02)
      .map(({ width }) => width)
    for (const across of [5, 60, 120, 180, 2.25, 4, 6.5, 10]) {
      expect(
        Math.min(...round.map((width) => Math.abs(width - across))),
        `${format}, ${across} mm`,
      ).toBeLessThan(0.05)
    }
  }
})
