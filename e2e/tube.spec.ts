import { expect, test } from '@playwright/test'
import { countOf, emptyShelf, field, finishAt, withDemo, workTo } from './shelf.ts'
import { stored } from './storage.ts'

const sleeve = '/project/lamp-glass-sleeve/piece/sleeve'

test('a new maker plans a tube around a glass: its chain, its size and how it sits are what FIELD says', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a tube' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A tube')
  await page.getByLabel('How far around?').fill('25 cm')
  // Nothing is planned while a size is missing.
  await expect(page.getByRole('button', { name: 'Plan it' })).toBeDisabled()
  await page.getByLabel('How long?').fill('0')
  await expect(page.locator('#how-wide-answer')).toContainText('At least')
  await page.getByLabel('How long?').fill('16,5')
  await page.getByLabel('How much smaller than that?').fill('5%')
  await page.getByLabel('What is it for?').fill('Stove-pipe guard')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)
  await expect(field(page, 'Around')).toHaveValue('25.0')
  await expect(field(page, 'Smaller by')).toHaveValue('5')

  // The maker's own gauge: 14 sts and 15 rounds in 10 cm.
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('14')
  await field(page, 'rounds').fill('15')
  await field(page, 'sc sts').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')

  // By hand: w = 100/14; inside 250 · 0.95; t = 1.8 d of medium yarn, d = 2.5 mm; N = (237.5 + π · 4.5) / w.
  const said = await page.getByRole('button', { name: /^Start/ }).innerText()
  const chains = Number(/(\d+) ch, joined/.exec(said)![1])
  const w = Number(/([\d.]+) sts/.exec(await page.getByRole('button', { name: /^Gauge/ }).innerText())![1])
  const wanted = (237.5 + Math.PI * 4.5) / (100 / w)
  expect(Math.abs(chains - wanted)).toBeLessThan(1)
  const outcome = await page.getByText(/Comes out/).innerText()
  const [, long, wide] = /([\d.]+) ± [\d.]+ cm long, ([\d.]+) ± [\d.]+ cm wide/.exec(outcome)!
  expect(Number(long)).toBeCloseTo(16.5, 0)
  expect(Math.abs(Number(wide) - (chains * 10) / w / 2)).toBeLessThan(0.15)
  await expect(page.getByText(/inside, around 25.0 cm/)).toBeVisible()
})

test('odd sizes are refused where they are typed, and what was there stays', async ({ page }) => {
  await withDemo(page)
  await page.goto(`${sleeve}/plan`)
  const around = field(page, 'Around')
  await expect(around).toHaveValue('25.1')
  for (const [name, odd, says] of [
    ['Around', '1', /At least|From/],
    ['Around', '900', /From|Up to/],
    ['Long', '0', /From|At least/],
    ['Smaller by', '80', /From −10% to 20%/],
    ['Smaller by', 'much', /no share/],
  ] as const) {
    const cell = field(page, name)
    const before = await cell.inputValue()
    await cell.fill(odd)
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible()
    await cell.press('Escape')
    await expect(cell).toHaveValue(before)
  }
  // Inches, and less than nothing: looser than the glass.
  await around.fill('9 7/8 in')
  await around.blur()
  await expect(around).toHaveValue('25.1')
  await field(page, 'Smaller by').fill('-2')
  await expect(page.getByText(/Room of 1\.|Room of 2\.|Room of 3\./)).toBeVisible()
  const kept = async () =>
    (await stored<{ id: string; form: { ease?: number } }>(page, 'pieces')).find(({ id }) => id === 'sleeve')
  await expect.poll(async () => (await kept())?.form.ease).toBe(-0.02)
  await page.reload()
  await expect(field(page, 'Smaller by')).toHaveValue('−2')
  await page.getByRole('button', { name: /^Around what/ }).click()
  await page.getByRole('radio', { name: 'The tube itself' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/around inside,/)).toBeVisible()
})

test('its lower edge is pulled to another length, by the keys', async ({ page }) => {
  await withDemo(page)
  await page.goto(`${sleeve}/plan`)
  await page.getByRole('slider', { name: 'Open edge: length' }).focus()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  const longer = Number(await field(page, 'Long').inputValue())
  expect(longer).toBeGreaterThan(17.8)
  await page.keyboard.press('ArrowDown')
  await expect.poll(async () => Number(await field(page, 'Long').inputValue())).toBeLessThan(longer)
})

test('a tight sleeve is measured, understood and re-planned on the hook, and taken back', async ({
  page,
}) => {
  await workTo(page, `${sleeve}/plan`, 9)
  await expect(page.getByText(/Measure now:.*long,.*wide laid flat\. .*from fold to fold/)).toBeVisible()
  await page.getByRole('link', { name: 'Put in what you measure' }).click()
  await expect(page.getByRole('heading', { name: 'Measure after Rnd 9' })).toBeVisible()
  await expect(page.getByText(/from fold to fold, near the edge and near the start/)).toBeVisible()
  await field(page, 'Wide, laid flat').fill('118')
  await expect(page.getByText(/more than any hand strays/)).toBeVisible()
  await field(page, 'Wide, laid flat').fill('11,8')
  await field(page, 'Near the start').fill('11.8 cm')
  await field(page, 'Long').fill('5.6')
  await field(page, 'Rnd 9, planned 36').fill('36')
  await expect(
    page.getByRole('heading', { name: /After Rnd 9: 0\.\d cm too short, 0\.\d cm too narrow/ }),
  ).toBeVisible()
  await expect(page.getByText('You work tighter here than your gauge says.')).toBeVisible()
  await page.reload()
  await expect(field(page, 'Near the start')).toHaveValue('11.8')
  const ways = page.getByRole('list', { name: 'Ways out' }).getByRole('listitem')
  await expect(ways.filter({ hasText: 'Begin again' })).toContainText(/Chain 3[89]/)
  const replan = ways.filter({ hasText: 'Change the rounds ahead' })
  await expect(replan).toContainText('Rnds 1 to 9 stay')
  await replan.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page).toHaveURL(/\/work/)
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toHaveText(/Rnd 10 of 2[67]/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(heading).toHaveText(/Rnd 9 of 25/)
})

test('begun again, the whole of it is pulled out once it is asked, and the log goes on', async ({ page }) => {
  await workTo(page, `${sleeve}/plan`, 9)
  await page.goto(`${sleeve}/check`)
  await field(page, 'Wide, laid flat').fill('11.6')
  await field(page, 'Long').fill('5.6')
  const anew = page
    .getByRole('list', { name: 'Ways out' })
    .getByRole('listitem')
    .filter({ hasText: 'Begin again' })
  await anew.getByRole('button', { name: 'Go back' }).click()
  const asked = page.getByRole('dialog', { name: 'Begin again?' })
  await expect(asked).toContainText('324 stitches are pulled out, from Rnd 1 on')
  await asked.getByRole('button', { name: 'Pull them out' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Rnd 1 of/ })).toBeAttached()
  await expect(countOf(page)).toHaveText('0')
  await page.keyboard.press('Space')
  await expect(countOf(page)).toHaveText('1')
})

test('finished, it is measured as it was promised, and its gauge learns from it', async ({ page }) => {
  await finishAt(page, `${sleeve}/plan`, 25)
  await expect(page.getByText(/It should measure .* long, .* wide laid flat\./)).toBeVisible()
  const keep = page.getByRole('button', { name: 'Keep it' })
  await expect(keep).toBeDisabled()
  await field(page, 'Wide, laid flat').fill('55')
  await expect(page.getByText(/is far from the 12\.\d cm foretold/)).toBeVisible()
  await field(page, 'Wide, laid flat').fill('12.4')
  await field(page, 'Long').fill('16.4')
  await expect(page.getByText(/% less long, \d\.\d% less wide laid flat than foretold/)).toBeVisible()
  await keep.click()
  await expect(page.getByText(/has learned from it/).first()).toBeVisible()
  await page.goto('/gauges/cotton-single')
  await expect(
    page.getByRole('button', { name: /Lamp-glass sleeve 18 sts 12\.4 cm, 25 rnds 16\.4 cm/ }),
  ).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('a tube is begun, drawn both ways, counted, and its sheet says what to measure', async ({ page }) => {
    await withDemo(page)
    await page.goto(`${sleeve}/plan`)
    await expect(page.getByRole('img', { name: /^Laid flat: 1\d\.\d ± / })).toBeVisible()
    await page.getByRole('radio', { name: 'Rows' }).tap()
    await expect(page.getByRole('group', { name: /Drawing of the piece/ })).toBeVisible()
    await expect(page.getByRole('row', { name: /^4–9/ })).toBeVisible()
    await page.getByRole('button', { name: /Begin/ }).tap()
    await expect(countOf(page)).toHaveText('0')
    await page.mouse.click(195, 420)
    await expect(countOf(page)).toHaveText('1')
    await page.goto(`${sleeve}/sheet`)
    await expect(page.getByText(/ch 36, join with sl st without twisting, ch 1; sc in each ch/)).toBeVisible()
    const rounds = page.getByRole('table', { name: 'Rounds' })
    await expect(rounds.getByText(/^6\.0 ± 0\.\d cm long$/)).toBeVisible()
    await expect(rounds.getByText(/^12\.\d ± 0\.\d cm wide laid flat$/).first()).toBeVisible()
    const wide = await page.evaluate(() => document.documentElement.scrollWidth)
    expect(wide).toBeLessThanOrEqual(390)
  })
})
