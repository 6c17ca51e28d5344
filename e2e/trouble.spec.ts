import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { countOf, DEMO, field, openShelf, withDemo } from './shelf.ts'
import { put, stored, trivetLog } from './storage.ts'

const target = (page: Page) => page.getByRole('textbox', { name: 'Target across' })

async function exported(page: Page): Promise<string> {
  await page.goto('/')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export', exact: true }).click()
  return readFileSync(await (await download).path(), 'utf8')
}

/** What goes out of this browser comes into another. */
async function backupIsGood(page: Page): Promise<void> {
  const file = await exported(page)
  const elsewhere = await (await page.context().browser()!.newContext()).newPage()
  await openShelf(elsewhere)
  await elsewhere
    .getByLabel('File to import')
    .setInputFiles({ name: 'backup.uzel.json', mimeType: 'application/json', buffer: Buffer.from(file) })
  await expect(elsewhere.getByRole('button', { name: 'Take it in' })).toBeVisible()
  await elsewhere.context().close()
}

test('a piece that breaks the planner is named in its row; the others, and the shelf, are there', async ({
  page,
}) => {
  await openShelf(page)
  const pieces = await stored<{ id: string }>(page, 'pieces')
  await put(page, 'pieces', { ...pieces.find(({ id }) => id === 'trivet')!, stitch: 'knot' })
  await page.reload()
  const rows = page.getByRole('table', { name: 'Pieces on the shelf' }).locator('tbody tr')
  await expect(rows.filter({ hasText: 'Kettle trivet' })).toContainText('Cannot be planned')
  await expect(rows.filter({ hasText: 'Kettle trivet' })).toContainText('Uzel failed to work this piece out')
  await expect(rows.filter({ hasText: 'Tin-mug mats' })).toContainText('No. 4 of 8')
  // Its own screen says so too, and is left again without the address bar.
  await page.getByRole('link', { name: 'Kettle trivet', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'This screen could not be shown' })).toBeVisible()
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await page.getByRole('link', { name: 'Tin-mug mats', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Tin-mug mats' })).toBeVisible()
})

test('a planner that does not start is said at the piece, and the next edit starts another', async ({
  page,
}) => {
  await openShelf(page)
  await page.route(/plan\.worker/, (route) => route.abort())
  await page.goto('/piece/kettle-trivet/plan')
  await target(page).fill('150')
  await expect(page.getByRole('alert')).toContainText('Uzel failed to work this piece out')
  await page.unroute(/plan\.worker/)
  await target(page).fill('151')
  await expect(page.getByText(/\d\d rounds, [\d,]+ stitches\. Comes out 15\d/)).toBeVisible()
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('44 stitches by 10 rounds for half a metre: a plan or a sentence, never a broken screen', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new')
  await page.getByLabel('How wide?').fill('50')
  await page.getByLabel('What is it for?').fill('Bench mat')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('44')
  await field(page, 'rounds').fill('10')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'Bench mat' })).toBeVisible()
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Bench mat', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
})

test('what is refused stays in its field and is not the piece’s: the backup is always good', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  for (const [typed, says] of [
    ['400', /From 1 mm to 300 cm/],
    ['0', /From 1 mm to 300 cm/],
    ['1,5', /under two rounds of this stitch/],
    ['299', /would take more|Comes out/],
  ] as const) {
    await target(page).fill(typed)
    await expect(page.getByText(says).first()).toBeVisible()
  }
  await target(page).fill('400')
  await expect(target(page)).toHaveValue('400')
  await page.getByRole('button', { name: /^Start / }).click()
  await field(page, 'Stitches in round 1, found by Uzel').fill('2')
  await expect(page.getByRole('alert').last()).toContainText('a whole number from 3 to 400')
  await field(page, 'Stitches in round 1, found by Uzel').fill('10,5')
  await expect(page.getByRole('alert').last()).toContainText('is not a whole number')
  const [trivet] = (await stored<{ id: string; form: { across: number } }>(page, 'pieces')).filter(
    ({ id }) => id === 'trivet',
  )
  expect(trivet!.form.across).toBeLessThanOrEqual(3000)
  await page.goto('/yarns')
  await field(page, 'A ball is long').fill('1000000000')
  await expect(page.getByRole('alert')).toContainText('Up to 100 km')
  await field(page, 'Whole balls').fill('2,5')
  await expect(page.getByRole('alert').last()).toContainText('is not a whole number')
  await backupIsGood(page)
})

test('a choice measures nothing: the size is a guess until both counts are typed', async ({ page }) => {
  await withDemo(page)
  await page.goto('/new')
  await page.getByLabel('How wide?').fill('20')
  await page.getByRole('button', { name: 'Plan it' }).click()
  const range = page.getByText(/Comes out \d+\.\d to \d+\.\d cm/)
  await expect(range).toBeVisible()
  await page.getByRole('button', { name: /^Gauge in 10 cm, from the label/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await expect(page.getByText('Nothing is measured yet: type both counts.')).toBeVisible()
  await expect(range).toBeVisible()
  await field(page, 'sc sts').fill('14 1/4')
  await expect(range).toBeVisible()
  // What is begun here is still here after a way round.
  await page.reload()
  await page.getByRole('button', { name: /^Gauge in 10 cm, from the label/ }).click()
  await expect(field(page, 'sc sts')).toHaveValue('14.25')
  await field(page, 'rounds').fill('15')
  await expect(page.getByText(/Comes out 20\.\d ± 0\.\d cm/)).toBeVisible()
  // Put aside, not thrown away.
  await page.getByRole('radio', { name: 'Not measured' }).click()
  await expect(range).toBeVisible()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await expect(field(page, 'sc sts')).toHaveValue('14.25')
  await expect(page.getByText(/Comes out 20\.\d ± 0\.\d cm/)).toBeVisible()
})

test('a measure that is emptied again is gone from the verdict, also after a reload', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/check')
  await field(page, 'Across').fill('9.9')
  const causes = page.getByRole('region', { name: 'What it may be' })
  const verdict = async () => (await page.locator('main').innerText()).replace(/\s+/g, ' ')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('After Rnd 6: ')
  await field(page, 'Across').blur()
  const without = await verdict()
  await field(page, 'Around, if you can').fill('33')
  await expect.poll(verdict).not.toBe(without)
  await field(page, 'Around, if you can').fill('')
  await field(page, 'Around, if you can').blur()
  await expect.poll(verdict).toBe(without)
  await page.reload()
  await expect(field(page, 'Around, if you can')).toHaveValue('')
  await expect(field(page, 'Across')).toHaveValue('9.9')
  await field(page, 'Across').fill('')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Measure after Rnd 6')
  expect(await causes.count()).toBe(0)
})

test('a measure of a thousand kilometres is asked about, and one kept from before is put aside', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/check')
  for (const typed of ['1000000', '1000000000', '9'.repeat(400)]) {
    await field(page, 'Across').fill(typed)
    await expect(page.getByRole('alert')).toBeVisible()
    expect((await page.getByRole('alert').innerText()).length).toBeLessThan(200)
    expect(await page.locator('main svg *').count()).toBeLessThan(3000)
  }
  await put(page, 'remembered', {
    key: 'check:trivet-1:6',
    value: { edge: 'flat', much: 'little', counts: {}, across: 1e10 },
  })
  await page.reload()
  await expect(field(page, 'Across')).toHaveValue('')
  await field(page, 'Across').fill('10.6')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('After Rnd 6: ')
})

test('Space at the end of a round counts nothing and says so; Enter confirms', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
  const confirm = page.getByRole('button', { name: '42: on to Rnd 8' })
  await expect(confirm).toBeFocused()
  await page.waitForTimeout(500)
  for (let tap = 0; tap < 4; tap++) await page.keyboard.press('Space')
  await expect(page.getByText('Space counts nothing here.')).toBeVisible()
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
  await page.locator('main').click({ position: { x: 5, y: 5 } })
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Space')
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(countOf(page)).toHaveText('0')
  await expect(page).toHaveTitle('Rnd 8 · Kettle trivet · Uzel')
})

test('two tabs tapped in a hurry: every tap once, no count taken back, agreed within a second', async ({
  page,
  context,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('g')
  await page.getByRole('textbox', { name: 'Round, of' }).fill('12')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Go there' }).click()
  await expect(countOf(page)).toHaveText('0')
  const other = await context.newPage()
  await other.goto('/piece/kettle-trivet/work')
  await expect(countOf(other)).toHaveText('0')
  const before = (await trivetLog(page)).length
  /** Taps 24 times in a second, and notes every count that is shown. */
  const hurry = (tab: Page) =>
    tab.evaluate(async () => {
      const shown: number[] = []
      const note = () => {
        const text = document.querySelector('[data-testid="count"]')?.textContent
        if (text) shown.push(Number(text))
      }
      const watch = new MutationObserver(note)
      watch.observe(document.body, { subtree: true, childList: true, characterData: true })
      for (let tap = 0; tap < 24; tap++) {
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }))
        await new Promise((done) => setTimeout(done, 40))
      }
      await new Promise((done) => setTimeout(done, 300))
      note()
      watch.disconnect()
      return shown
    })
  const [one, two] = await Promise.all([hurry(page), hurry(other)])
  for (const shown of [one, two]) expect(shown).toEqual([...shown].sort((a, b) => a - b))
  // 48 places on in 2 sc, inc, (10 sc, inc) × 5: five increases among them, so 53 made.
  for (const tab of [page, other]) await expect(countOf(tab)).toHaveText('53')
  const log = (await trivetLog(page)).map(({ seq }) => seq)
  expect(log.length - before).toBe(48)
  expect(log).toEqual(log.map((_, index) => index + 1))
})

test('a large file is read with a way to stop, and its log works on', async ({ page }) => {
  await openShelf(page)
  const file = JSON.parse(await exported(page)) as {
    copies: { id: string }[]
    events: { copyId: string; seq: number; to?: { round: string; unit: number } }[]
  }
  const log = file.events
    .filter(({ copyId }) => copyId === 'trivet-1')
    .sort((one, other) => one.seq - other.seq)
  const home = log.findLast(({ to }) => to)!.to!
  const away = { ...home, unit: home.unit - 1 }
  for (let tap = 0; tap < 40_000; tap++) {
    const [from, to] = tap % 2 ? [away, home] : [home, away]
    file.events.push({
      ...{ id: `back-and-forth-${tap}`, type: 'goTo', at: 1_700_000_000_000 + tap, from },
      copyId: 'trivet-1',
      seq: log.length + 1 + tap,
      to,
    })
  }
  const choose = () =>
    page.getByLabel('File to import').setInputFiles({
      name: 'long.uzel.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(file)),
    })
  await choose()
  await page
    .getByRole('button', { name: 'Stop reading' })
    .click({ timeout: 1500 })
    .catch(() => undefined)
  if (await page.getByRole('dialog').isVisible()) await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await choose()
  await expect(page.getByText(/40,\d\d\d log lines/)).toBeVisible()
  await page.getByRole('radio', { name: new RegExp(`^Replace these ${DEMO.length}`) }).click()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(`All ${DEMO.length} are on the shelf.`).first()).toBeVisible({
    timeout: 20_000,
  })
  // Most of it lies in blocks; the shelf, the hook, undo and the next export see one log.
  expect((await stored(page, 'logBlocks')).length).toBe(46)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('ArrowRight')
  await expect(countOf(page)).toHaveText('18')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Backspace')
  await expect(countOf(page)).toHaveText('16')
  const again = JSON.parse(await exported(page)) as { events: unknown[] }
  expect(again.events.length).toBe(file.events.length + 3)
})
