// npm test: everything that must hold, in one run; closes with "N passed, N failed".
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { bin, ensureChromium, install, root, run, runBeside } from './steps.mjs'

install()

let passed = 0
let failed = 0

/** A check that is one pass or one failure; what it printed is shown when it fails. */
async function check(name, command, args = []) {
  const { code, text } = await runBeside(command, args)
  if (code === 0) passed++
  else {
    failed++
    console.error(text)
  }
  console.log(`${code === 0 ? 'passed' : 'FAILED'}  ${name}`)
  return code === 0
}

/** A test runner that writes a report; a run that ends without one is one failure. */
function suite(name, command, args, report, read, env = {}) {
  rmSync(join(root, report), { force: true })
  const { code } = run(command, args, { env })
  if (!existsSync(join(root, report))) {
    failed++
    console.log(`FAILED  ${name} did not run`)
    return
  }
  const counts = read(JSON.parse(readFileSync(join(root, report), 'utf8')))
  passed += counts.passed
  failed += counts.failed || (code === 0 ? 0 : 1)
}

mkdirSync(join(root, 'test-results'), { recursive: true })
// Each of them takes one core: lint as long as the others together.
await Promise.all([
  check('lint and boundaries', bin('eslint'), ['.', '--max-warnings', '0']),
  (async () => {
    await check('types', bin('tsc'), ['-b'])
    await check('format', bin('prettier'), ['--check', '.', '--log-level', 'warn'])
    await check('nothing unused', bin('knip'))
  })(),
])
suite(
  'unit tests',
  'node',
  ['tools/unit.mjs'],
  'test-results/unit.json',
  ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
    passed: numPassedTests,
    failed: numFailedTests + numRuntimeErrorTestSuites,
  }),
  { PROPERTY_SEED: '20261127', PROPERTY_SHARE: '0.3' },
)
if (await check('build', 'npm', ['run', '--silent', 'build'])) {
  await check('size of the first screen', bin('size-limit'))
  if (ensureChromium()) {
    suite('browser tests', bin('playwright'), ['test'], 'test-results/report.json', ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
    }))
  } else failed++
}

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
