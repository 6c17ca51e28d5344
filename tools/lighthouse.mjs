// npm run lighthouse [-- RUNS]: how the shelf and a plan open on a slowed phone and on a desk, of so many runs (3) the
// one in the middle. Not part of npm test: it fetches Lighthouse when it is asked for, and its figures are of this machine.
import { execFile } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { CHROMIUM, ensureChromium } from './steps.mjs'

const LIGHTHOUSE = 'lighthouse@12.8.2'
const PLACES = ['/', '/project/kettle-trivet/piece/trivet/plan']
const RUNS = Number(process.argv[2] ?? 3)
const ROOMS = [
  ['phone', []],
  ['desk', ['--preset=desktop']],
]

const SAID = [
  'first-contentful-paint',
  'largest-contentful-paint',
  'total-blocking-time',
  'cumulative-layout-shift',
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
      const runs = []
      for (let run = 0; run < RUNS; run++) runs.push(await measured(place, preset))
      runs.sort((one, other) => one.performance - other.performance)
      const { scores, said } = runs[Math.floor((RUNS - 1) / 2)]
      console.log(`${place} on a ${room}: ${scores.join(', ')}; ${said.join(', ')}`)
      // Slowed from what this machine has just then: Lighthouse takes 1000 and more for a desk's.
      const each = runs.map(({ performance, index }) => `${performance} at ${index}`)
      console.log(`  performance by this machine of 1000: ${each.join(', ')}`)
    }
  }
} finally {
  await server.stop()
}

/** One run: its scores, what it says of the time, and what it takes this machine for. */
async function measured(place, preset) {
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
  return {
    performance: Math.round(categories.performance.score * 100),
    index: Math.round(environment.benchmarkIndex),
    scores: Object.values(categories).map(({ id, score }) => `${id} ${Math.round(score * 100)}`),
    said: SAID.map((name) => `${audits[name].title.toLowerCase()} ${audits[name].displayValue}`),
  }
}
