// npm run torment -- --kills 100 --files 100000 --sessions 10000: tries to break Uzel, and writes down what it found.
import 'fake-indexeddb/auto'
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { tormentFiles } from './torment/files.ts'
import { tormentTexts } from './torment/texts.ts'

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '10' },
    files: { type: 'string', default: '20000' },
    sessions: { type: 'string', default: '1000' },
    texts: { type: 'string', default: '100000' },
    seed: { type: 'string', default: '1' },
  },
})

/** A count from the command line, or an end with a sentence. */
function count(name: keyof typeof values): number {
  const value = Number(values[name])
  if (Number.isInteger(value) && value >= 0) return value
  console.error(`--${name} is a whole number from 0, not “${values[name]}”.`)
  process.exit(1)
}

const seed = count('seed')
const lines = (broken: readonly string[]) =>
  broken.length === 0 ? ['Nothing broke.'] : ['What broke, by seed:', '', ...broken.map((one) => `- ${one}`)]

const files = tormentFiles(count('files'), seed)
console.log(
  `files: ${files.tried} tried, ${files.refused} refused, ${files.shown} shown, ${files.broken.length} broken`,
)

const texts = tormentTexts(count('texts'), Math.round(count('texts') / 100), seed)
console.log(`texts: ${texts.strings} and ${texts.mutated} patterns, ${texts.broken.length} broken`)

// The store opens its database when it is loaded: after the one that stands in for the browser's.
const { tormentSessions } = await import('./torment/sessions.ts')
const sessions = await tormentSessions(count('sessions'), seed)
console.log(`sessions: ${sessions.sessions} of ${sessions.deeds} deeds, ${sessions.broken.length} broken`)

interface Kill {
  readonly kill: number
  readonly taps: number
  readonly lost: number
  readonly edits: number
}

const KILLS = 'test-results/torment-kills.json'
let kills: readonly Kill[] = []
let killsHeld = true
if (count('kills') > 0) {
  try {
    execFileSync(
      'npx',
      ['playwright', 'test', 'e2e/kill.spec.ts', '--no-deps', '--retries=0', '--reporter=line'],
      {
        stdio: 'inherit',
        env: { ...process.env, TORMENT_KILLS: String(count('kills')), TORMENT_SEED: String(seed) },
      },
    )
  } catch {
    killsHeld = false
  }
  if (existsSync(KILLS)) kills = (JSON.parse(readFileSync(KILLS, 'utf8')) as { report: Kill[] }).report
}
const sum = (of: (kill: Kill) => number) => kills.reduce((all, kill) => all + of(kill), 0)

writeFileSync(
  'docs/RELIABILITY.md',
  [
    '# Reliability',
    '',
    'Written by `npm run torment -- --kills N --files N --sessions N --texts N --seed N`; CI runs the same at a small count.',
    'Every failure is printed with the seed that replays it.',
    '',
    '## Mutated files',
    '',
    `${files.tried.toLocaleString('en')} files with one to three things wrong in them (seeds from ${seed}), through the reader and,`,
    'when taken in, through everything that shelf, plan, work, check, gauge book, yarns and sheet compute of them;',
    `then written and read again. ${files.refused.toLocaleString('en')} were refused with a path and a sentence, ${files.shown.toLocaleString('en')} shown whole.`,
    '',
    ...lines(files.broken),
    '',
    '## Texts that are no patterns',
    '',
    `${texts.strings.toLocaleString('en')} short texts of words of the craft and of none, and ${texts.mutated.toLocaleString('en')} patterns with characters cut out and put in,`,
    'through reader and checker, and what could be laid through that as well. The longest took',
    `${Math.ceil(texts.slowest)} ms.`,
    '',
    ...lines(texts.broken),
    '',
    '## Random sessions against a model',
    '',
    `${sessions.sessions.toLocaleString('en')} sessions, ${sessions.deeds.toLocaleString('en')} deeds: edits that fields would send and some that none should, taps in one`,
    'tab and in a hurry in two, undo, notes, measurements and re-plans, reloads that read the log from its end, full',
    'disks, duplicates, deletions, exports and imports. After every deed: the backup can be read back, each tab shows',
    `the place that is stored, and no tap that was counted is missing. ${sessions.refused.toLocaleString('en')} edits were refused and left what stood there.`,
    '',
    ...lines(sessions.broken),
    '',
    '## Killed browsers',
    '',
    kills.length === 0
      ? 'Not run this time.'
      : `${kills.length} times a browser was ended by SIGKILL while tapping (${sum(({ taps }) => taps).toLocaleString('en')} counts shown) and again while editing (${sum(({ edits }) => edits).toLocaleString('en')} values shown). Counts lost that had been shown: ${sum(({ lost }) => lost)}. ${killsHeld ? 'Every edit shown a second before was there.' : 'The run failed: see its output.'}`,
    '',
  ].join('\n'),
)
process.exit(files.broken.length + texts.broken.length + sessions.broken.length > 0 || !killsHeld ? 1 : 0)
