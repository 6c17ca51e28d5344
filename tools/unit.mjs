// npm run unit: the unit tests, a share on every core; with arguments, those that they name.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { bin, root } from './steps.mjs'

const named = process.argv.slice(2)
const shares = named.length > 0 ? 1 : Math.min(4, availableParallelism())
const folder = join(root, 'test-results')
mkdirSync(folder, { recursive: true })

/** Longer than any run takes: a share that hangs is a failure, not a wait. */
const LONGEST_MS = 6 * 60_000

const reports = await Promise.all(Array.from({ length: shares }, (_, index) => runShare(index + 1)))
const total = (count) => reports.reduce((sum, report) => sum + report[count], 0)
const counts = Object.fromEntries(
  ['numPassedTests', 'numFailedTests', 'numRuntimeErrorTestSuites'].map((name) => [name, total(name)]),
)
writeFileSync(join(folder, 'unit.json'), JSON.stringify(counts))
console.log(`unit tests: ${counts.numPassedTests} passed, ${counts.numFailedTests} failed`)
process.exit(reports.every(({ success }) => success) ? 0 : 1)

/** One share of the tests in a process of its own; a share without a report has failed. */
function runShare(share) {
  const report = join(folder, `unit-${share}.json`)
  rmSync(report, { force: true })
  const args = [`--shard=${share}/${shares}`, '--json', `--outputFile=${report}`, ...named]
  const child = spawn(bin('jest'), args, {
    cwd: root,
    env: { ...process.env, NODE_OPTIONS: '--import tsx --no-warnings' },
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
