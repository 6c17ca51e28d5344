import { expect, test, type Page } from '@playwright/test'
import { countOf, openShelf, withDemo } from './shelf.ts'
import { stored, trivetLog } from './storage.ts'

test('two tabs count on one piece: nothing lost, nothing doubled', async ({ page, context }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  const before = (await trivetLog(page)).length
  const other = await context.newPage()
  await other.goto('/piece/kettle-trivet/work')
  await expect(countOf(other)).toHaveText('17')

  // (5 sc, inc) × 6: from 17 on, sc, sc, inc, then 5 sc.
  await page.keyboard.press('Space')
  await expect(countOf(other)).toHaveText('18')
  await Promise.all([other.keyboard.press('Space'), page.keyboard.press('Space')])
  await expect(countOf(page)).toHaveText('21')
  await expect(countOf(other)).toHaveText('21')

  const log = await trivetLog(page)
  expect(log.length).toBe(before + 3)
  expect(log.map(({ seq }) => seq)).toEqual(log.map((_, index) => index + 1))
})

test('a tab that is killed in the middle of fast tapping loses nothing that was shown', async ({
  page,
  context,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  const before = (await trivetLog(page)).length
  for (let tap = 0; tap < 12; tap++) await page.keyboard.press('ArrowRight')
  await page.waitForTimeout(200)
  const shown = Number(await countOf(page).innerText())
  await page.close({ runBeforeUnload: false })
  const again = await context.newPage()
  await again.goto('/piece/kettle-trivet/work')
  await expect(countOf(again)).toHaveText(/^\d+$/)
  // What was tapped and not shown yet may have been stored too: never less than was shown, no tap twice, none missing.
  await expect.poll(async () => Number(await countOf(again).innerText())).toBeGreaterThanOrEqual(shown)
  const log = await trivetLog(again)
  expect(log.length - before).toBeGreaterThan(0)
  expect(log.length - before).toBeLessThanOrEqual(12)
  expect(log.map(({ seq }) => seq)).toEqual(log.map((_, index) => index + 1))
})

test('a full disk says so, keeps counting, offers the log, and catches up', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.evaluate(() => {
    const add = IDBObjectStore.prototype.add
    Object.assign(window, { mendDisk: () => (IDBObjectStore.prototype.add = add) })
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('The disk is full', 'QuotaExceededError')
    }
  })
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await expect(page.getByText(/Not saved since \d\d:\d\d/)).toBeVisible()
  await expect(countOf(page)).toHaveText('20')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Download log' }).click()
  expect((await download).suggestedFilename()).toMatch(/^log-.*\.json$/)

  await page.evaluate(() => (window as unknown as { mendDisk: () => void }).mendDisk())
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText(/Not saved since/)).toBeHidden()
  await page.reload()
  await expect(countOf(page)).toHaveText('21')
})

test('a page that is left while a slow disk still stores what was edited loses none of it', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/plan')
  await page.getByRole('button', { name: /^For/ }).click()
  await holdTheDisk(page, 'pieces')
  await page.getByRole('checkbox', { name: 'Hot', exact: true }).check()
  await page.getByRole('checkbox', { name: 'Two layers, one on the other' }).check()
  const layers = async () =>
    (await stored<{ projectId: string; fitness: { layers: number } }>(page, 'pieces')).find(
      ({ projectId }) => projectId === 'tin-mug-mats',
    )!.fitness.layers
  await page.reload()
  await page.getByRole('button', { name: /^For.*hot, wet/ }).click()
  await expect(page.getByRole('checkbox', { name: 'Two layers, one on the other' })).toBeChecked()
  expect(await layers()).toBe(2)
  // Once: what is edited later is not overwritten by it.
  await page.getByRole('checkbox', { name: 'Two layers, one on the other' }).uncheck()
  await expect.poll(layers).toBe(1)
  await page.reload()
  await expect(page.getByRole('button', { name: /^For/ })).toBeVisible()
  expect(await layers()).toBe(1)
})

test('so are settings that are changed just before a page is left', async ({ page }) => {
  await withDemo(page)
  await page.goto('/settings')
  await holdTheDisk(page, 'settings')
  await page.getByRole('radio', { name: 'Inches' }).click()
  await page.getByRole('radio', { name: 'UK' }).click()
  await page.goto('/piece/kettle-trivet/plan')
  await expect(page.getByText('6 dc in ring').first()).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('8 5/8')
})

/** Keeps a table busy for as long as the page is there: whatever is to be stored in it waits. */
const holdTheDisk = (page: Page, table: string) =>
  page.evaluate(
    (name) =>
      new Promise<void>((held) => {
        const open = indexedDB.open('uzel')
        open.onsuccess = () => {
          const store = open.result.transaction(name, 'readwrite').objectStore(name)
          const again = () => {
            store.count().onsuccess = again
            held()
          }
          again()
        }
      }),
    table,
  )

test.describe('with its service worker', () => {
  test.use({ serviceWorkers: 'allow' })

  test('works offline after the first visit', async ({ page, context }) => {
    await openShelf(page)
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready
    })
    await page.reload()
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
    await context.setOffline(true)
    await page.goto('/piece/kettle-trivet/work')
    await expect(countOf(page)).toHaveText('17')
    await page.goto('/piece/kettle-trivet/plan')
    await expect(page.getByRole('heading', { name: 'Kettle trivet' })).toBeVisible()
  })
})
