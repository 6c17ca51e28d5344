import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { startKillable } from './killable.ts'
import { countOf } from './shelf.ts'
import { trivetLog } from './storage.ts'

/** `npm run torment -- --kills 100` kills as often as it says; CI a few times. */
const KILLS = Number(process.env['TORMENT_KILLS'] ?? 3)
const SEED = Number(process.env['TORMENT_SEED'] ?? 1)

/** A random number from 0 to 1 that is the same for the same kill. */
const chance = (kill: number, salt: number) => {
  const mixed = Math.sin(kill * 127.1 + salt * 311.7 + SEED * 74.7) * 43_758.5453
  return mixed - Math.floor(mixed)
}

/** Says on the console every value that a maker can see, as it appears. */
const sayWhatShows = (page: Page, selector: string) =>
  page.evaluate((wanted) => {
    let last: string | undefined
    const look = () => {
      const element = document.querySelector(wanted)
      const now = element instanceof HTMLInputElement ? element.value : (element?.textContent ?? undefined)
      if (now !== undefined && now !== last) console.log(`shown ${now}`)
      last = now
      requestAnimationFrame(look)
    }
    look()
  }, selector)

const press = (page: Page, key: string, every: number) =>
  page
    .evaluate(
      async ([pressed, pause]) => {
        for (;;) {
          const target = document.activeElement ?? document.body
          target.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }))
          await new Promise((done) => setTimeout(done, pause))
        }
      },
      [key, every] as const,
    )
    .catch(() => undefined)

test('a browser that is killed while tapping and editing has lost nothing that was shown', async ({
  baseURL,
}) => {
  test.setTimeout(60_000 + KILLS * 40_000)
  const profile = mkdtempSync(join(tmpdir(), 'uzel-kill-'))
  const report: { kill: number; taps: number; lost: number; edits: number; edit: string }[] = []
  const open = async (path: string) => {
    const browser = await startKillable(profile)
    const shown: { value: number; at: number }[] = []
    browser.page.on('console', (message) => {
      const value = /^shown (.+)$/.exec(message.text())?.[1]
      if (value !== undefined) shown.push({ value: Number(value), at: Date.now() })
    })
    await browser.page.goto(`${baseURL}${path}`)
    return { ...browser, shown }
  }
  try {
    const first = await open('/')
    await expect(first.page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
    await first.kill()
    for (let kill = 1; kill <= KILLS; kill++) {
      // Tapping: from the start of a long round.
      const work = await open('/piece/kettle-trivet/work')
      await expect(countOf(work.page)).toBeVisible()
      await work.page.keyboard.press('g')
      await work.page.getByRole('textbox', { name: 'Round, of' }).fill(String(9 + (kill % 4)))
      await work.page.keyboard.press('Enter')
      await work.page.getByRole('textbox', { name: /^Stitches/ }).fill(String(kill % 2))
      await work.page.keyboard.press('Enter')
      await work.page.getByRole('button', { name: 'Go there' }).click()
      await expect(work.page.getByRole('dialog')).toHaveCount(0)
      await work.page.waitForTimeout(300)
      await sayWhatShows(work.page, '[data-testid="count"]')
      void press(work.page, 'ArrowRight', 15 + 40 * chance(kill, 1))
      await new Promise((done) => setTimeout(done, 300 + 1400 * chance(kill, 2)))
      await work.kill()
      const seen = Math.max(...work.shown.map(({ value }) => value))

      const again = await open('/piece/kettle-trivet/work')
      await expect(countOf(again.page)).toBeVisible()
      const found = Number(await countOf(again.page).innerText())
      const log = (await trivetLog(again.page)).map(({ seq }) => seq)
      expect(log, `kill ${kill}: a log without gaps`).toEqual(log.map((_, index) => index + 1))

      // Editing: a target that grows with every press.
      await again.page.goto(`${baseURL}/piece/kettle-trivet/plan`)
      const target = again.page.getByRole('textbox', { name: 'Target across' })
      await target.fill(String(15 + kill / 10))
      await again.page.waitForTimeout(400)
      await again.page.getByRole('slider', { name: 'Outer edge: target across' }).focus()
      again.shown.length = 0
      await sayWhatShows(again.page, 'input')
      void press(again.page, 'ArrowUp', 90)
      await new Promise((done) => setTimeout(done, 500 + 900 * chance(kill, 3)))
      await again.kill()
      const killed = Date.now()
      const before = again.shown.filter(({ at }) => at < killed - 1000)

      const last = await open('/piece/kettle-trivet/plan')
      const kept = Number(await last.page.getByRole('textbox', { name: 'Target across' }).inputValue())
      // What was typed a second before is there; what is there was typed.
      expect(
        again.shown.map(({ value }) => value),
        `kill ${kill}`,
      ).toContain(kept)
      expect(kept, `kill ${kill}`).toBeGreaterThanOrEqual(before.at(-1)?.value ?? 0)
      await last.kill()
      report.push({
        kill,
        taps: work.shown.length,
        lost: Math.max(0, seen - found),
        edits: again.shown.length,
        edit: `${kept} of ${again.shown.at(-1)?.value}`,
      })
    }
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 20, retryDelay: 250 })
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/torment-kills.json', JSON.stringify({ seed: SEED, report }, null, 1))
  }
  expect(report.filter(({ lost }) => lost > 0)).toEqual([])
  expect(report.reduce((sum, { taps }) => sum + taps, 0)).toBeGreaterThan(5 * KILLS)
})
