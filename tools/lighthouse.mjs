// npm run lighthouse: how the shelf and a plan open on a slowed phone and on a desk. Not part of npm test: it fetches
// Lighthouse when it is asked for, and its figures are of this machine.
import { execFile } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { CHROMIUM, ensureChromium } from './steps.mjs'

const LIGHTHOUSE = 'lighthouse@12.8.2'
const PLACES = ['/', '/project/kettle-trivet/piece/trivet/plan']
const ROOMS = [
  ['phone', []],
  ['desk', ['--preset=desktop']],
]

/** The server answers in this process meanwhile. */
const running = promisify(execFile)

if (!ensureChromium()) process.exit(1)
const { serveBuilt } = await import('./serveBuilt.mjs')
const server = await serveBuilt()
const report = join(mkdtempSync(join(tmpdir(), 'uzel-lighthouse-')), 'report.json')
try {
  for (const place of PLACES) {
    for (const [room, preset] of ROOMS) {
      await running(
        'npx',
        [
          '--yes',
          LIGHTHOUSE,
          `${server.address}${place}`,
          ...preset,
          '--quiet',
          '--chrome-flags=--headless=new --no-sandbox',
          '--output=json',
          `--output-path=${report}`,
        ],
        { env: { ...process.env, CHROME_PATH: CHROMIUM } },
      )
      const { categories, audits, environment } = JSON.parse(readFileSync(report, 'utf8'))
      const scores = Object.values(categories).map(({ id, score }) => `${id} ${Math.round(score * 100)}`)
      const said = [
        'first-contentful-paint',
        'largest-contentful-paint',
        'total-blocking-time',
        'cumulative-layout-shift',
      ].map((name) => `${audits[name].title.toLowerCase()} ${audits[name].displayValue}`)
      console.log(`${place} on a ${room}: ${scores.join(', ')}; ${said.join(', ')}`)
      // Slowed from what this machine has just then: Lighthouse takes 1000 and more for a desk's.
      console.log(`  this machine: ${Math.round(environment.benchmarkIndex)} of 1000`)
    }
  }
} finally {
  await server.stop()
}
