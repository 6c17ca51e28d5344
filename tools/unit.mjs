// npm run unit: the unit tests, a share on every core; with arguments, those that they name.
import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { bin, root } from './steps.mjs'

const named = process.argv.slice(2)
const shares = named.length > 0 ? 1 : Math.min(4, availableParallelism())
const folder = join(root, 'test-results')
mkdirSync(folder, { recursive: true })

const JEST_ENV = { ...process.env, NODE_OPTIONS: '--import @swc-node/register/esm-register --no-warnings' }
const LONG = [
  ['fit/accuracy.test.ts', 14],
  ['plan/planPiece.test.ts', 10],
  ['compromises.test.ts', 6],
  ['fit/wallAccuracy.test.ts', 6],
  ['plan/openings.test.ts', 5],
  ['exchange/anyGauge.test.ts', 4],
  ['plan/golden.test.ts', 4],
  ['plan/layRounds.test.ts', 4],
]

/** Longer than any run takes: a share that hangs is a failure, not a wait. */
const LONGEST_MS = 6 * 60_000

const reports = await Promise.all(dealt().map((files, index) => runShare(index + 1, files)))
const total = (count) => reports.reduce((sum, report) => sum + report[count], 0)
const counts = Object.fromEntries(
  ['numPassedTests', 'numFailedTests', 'numRuntimeErrorTestSuites'].map((name) => [name, total(name)]),
)
writeFileSync(join(folder, 'unit.json'), JSON.stringify(counts))
console.log(`unit tests: ${counts.numPassedTests} passed, ${counts.numFailedTests} failed`)
process.exit(reports.every(({ success }) => success) ? 0 : 1)

/** The tests of every share: those that take longest first, then the largest, each to whoever has least so far. */
function dealt() {
  if (named.length > 0) return [named]
  const all = JSON.parse(
    execFileSync(bin('jest'), ['--listTests', '--json'], { cwd: root, env: JEST_ENV }).toString(),
  )
  const weighed = all.map((file) => [file, weightOf(file)]).sort(([, one], [, other]) => other - one)
  const piles = Array.from({ length: shares }, () => ({ files: [], weight: 0 }))
  for (const [file, weight] of weighed) {
    const least = piles.reduce((best, pile) => (pile.weight < best.weight ? pile : best))
    least.files.push(file)
    least.weight += weight
  }
  return piles.map(({ files }) => files)
}

/** About how long a file takes, in seconds: what simulates and searches most, and the others by their length. */
function weightOf(file) {
  const known = LONG.find(([name]) => file.endsWith(name))
  return known ? known[1] : statSync(file).size / 15_000
}

/** One share of the tests in a process of its own; a share without a report has failed. */
function runShare(share, files) {
  const report = join(folder, `unit-${share}.json`)
  rmSync(report, { force: true })
  const paths = named.length > 0 ? named : ['--runTestsByPath', ...files]
  const args = ['--json', `--outputFile=${report}`, ...paths]
  const child = spawn(bin('jest'), args, {
    cwd: root,
    env: JEST_ENV,
    // The report goes to its file; what failed is said on the error stream.
    stdio: ['ignore', 'ignore', 'inherit'],
    timeout: LONGEST_MS,
  })
  return new Promise((resolve) => {
    child.on('close', () => {
      try {
        resolve(JSON.parse(readFileSync(report, 'utf8')))
      } catch {
        console.error(`unit tests: share ${share} of ${shares} ended without a report`)
        resolve({ numPassedTests: 0, numFailedTests: 0, numRuntimeErrorTestSuites: 1, success: false })
      }
    })
  })
}
