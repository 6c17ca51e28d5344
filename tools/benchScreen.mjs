// The budgets that only a browser can show: a tap painted, and an edit of a large piece repainted.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { bin, CHROMIUM, ensureChromium, root, run } from './steps.mjs'

if (!existsSync(join(root, 'dist', 'app', 'index.html'))) run('npm', ['run', '--silent', 'build'])
if (!ensureChromium()) process.exit(1)
const { serveBuilt } = await import('./serveBuilt.mjs')

const median = (times) => times.toSorted((one, other) => one - other)[Math.floor(times.length / 2)]

/** Milliseconds from a key to the frame after the one that shows its effect. */
const keyToPaint = (page, key, times) =>
  page.evaluate(
    async ([pressed, count]) => {
      const taken = []
      for (let index = 0; index < count; index++) {
        const start = performance.now()
        ;(document.activeElement ?? document.body).dispatchEvent(
          new KeyboardEvent('keydown', { key: pressed, bubbles: true }),
        )
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
        taken.push(performance.now() - start)
        await new Promise((done) => setTimeout(done, 60))
      }
      return taken
    },
    [key, times],
  )

/** Milliseconds from a key to the frame that shows a new count: a tap is shown when it is stored. */
const keyToCount = (page, key, times) =>
  page.evaluate(
    async ([pressed, count]) => {
      const tag = () => document.querySelector('[data-testid="count"]')?.textContent
      const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
      const taken = []
      for (let index = 0; index < count; index++) {
        const before = tag()
        const start = performance.now()
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }))
        while (tag() === before && performance.now() - start < 2000) await frame()
        taken.push(performance.now() - start)
        await new Promise((done) => setTimeout(done, 60))
      }
      return taken
    },
    [key, times],
  )

const server = await serveBuilt()
const browser = await chromium.launch({ executablePath: CHROMIUM })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(server.address)
await page.getByRole('link', { name: 'Kettle trivet', exact: true }).waitFor()
const idle = median(await keyToPaint(page, 'F13', 15))

await page.goto(`${server.address}/piece/kettle-trivet/work`)
await page.getByTestId('count').waitFor()
const tap = median(await keyToCount(page, 'ArrowRight', 20))
console.log(
  `a tap, counted, stored and painted\n    ${(tap / idle).toFixed(2)} × an idle frame; median ${tap.toFixed(0)} ms, budget 50 ms`,
)

await page.goto(`${server.address}/piece/kettle-trivet/plan`)
await page.getByRole('textbox', { name: 'Target across' }).fill('72')
await page.waitForTimeout(1500)
const stitches = await page.getByText(/rounds, [\d,]+ stitches/).innerText()
await page.getByRole('slider', { name: 'Outer edge: target across' }).focus()
const grow = await keyToPaint(page, 'ArrowUp', 8)
const shrink = await keyToPaint(page, 'ArrowDown', 8)
const edit = median([...grow, ...shrink])
console.log(
  `an edit repainted (${stitches.split('.')[0]})\n    ${(edit / idle).toFixed(2)} × an idle frame; median ${edit.toFixed(0)} ms, budget 50 ms at 5,000 stitches`,
)
await browser.close()
await server.stop()
run(bin('size-limit'), [])
