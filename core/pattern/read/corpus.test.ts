import { readdirSync, readFileSync } from 'node:fs'
import { planPiece } from '../../plan/planPiece.ts'
import type { PlannedRound } from '../../plan/plan.ts'
import { DIALECTS, toldRounds, writtenIn, type Dialect } from '../../testing/dialects.ts'
import { PIECES_TO_WRITE } from '../../testing/patternSpecs.ts'
import { findingsOf } from '../check/findings.ts'
import { readPattern } from './readPattern.ts'

const FOLDER = 'core/testing/patterns'

interface Expected {
  readonly terms: string
  readonly pieces: readonly unknown[]
  readonly lines: readonly string[]
  readonly findings: readonly string[]
}
const EXPECTED = JSON.parse(readFileSync(`${FOLDER}/expected.json`, 'utf8')) as Record<string, Expected>

test('every pattern of the folder has its reading, and no reading is without its pattern', () => {
  const names = readdirSync(FOLDER).flatMap((name) => (name.endsWith('.txt') ? [name.slice(0, -4)] : []))
  expect(names.toSorted()).toEqual(Object.keys(EXPECTED).toSorted())
})

test.each(Object.entries(EXPECTED))('%s is read as a maker would', (name, expected) => {
  const read = readPattern(readFileSync(`${FOLDER}/${name}.txt`, 'utf8'), { heightOf: () => 5 })
  const pieces = read.pieces.map((piece) => ({
    ...(piece.name ? { name: piece.name } : {}),
    quantity: piece.quantity,
    start: piece.start?.start.kind ?? null,
    counts: piece.rounds.map(({ count }) => count ?? null),
    made: piece.rounds.map(({ steps, makes }) => (steps.length > 0 ? makes : null)),
  }))
  const findings = findingsOf(read).map(({ is, line }) => `${is.kind} line ${line}`)
  const lines = read.lines.map(({ is }) => is)
  expect({ terms: read.conventions.terms, pieces, lines, findings }).toEqual(expected)
})

interface Sample {
  readonly name: string
  readonly dialect: Dialect
  readonly told: readonly PlannedRound[]
  readonly lines: readonly string[]
}

/** Plans of every family that begins around a middle, in eight hands. */
const SAMPLES: readonly Sample[] = Object.entries(PIECES_TO_WRITE).flatMap(([name, spec]) => {
  const { start, rounds } = spec.construction
  if (start.kind === 'joinedChain' || start.kind === 'chain') return []
  const told = toldRounds(planPiece(spec))
  if (told.length < 5) return []
  const joined = rounds.kind === 'joined' && rounds.begins === 'chain'
  return DIALECTS.map((dialect) => ({ name, dialect, told, lines: writtenIn(dialect, told, joined).lines }))
})

const textOf = ({ dialect }: Sample, lines: readonly string[]): string =>
  [dialect.before, ...lines].filter(Boolean).join('\n')

test('over 150 patterns in eight hands: every round of each is understood, and nothing is found that is not there', () => {
  expect(SAMPLES.length).toBeGreaterThan(150)
  for (const sample of SAMPLES) {
    const read = readPattern(textOf(sample, sample.lines))
    const got = read.pieces.flatMap(({ rounds }) => rounds)
    const told = sample.told.map(({ count, stitch }) => ({ count, stitch }))
    expect({
      sample: `${sample.name}, ${sample.dialect.name}`,
      rounds: got.map(({ makes, stitch }) => ({ count: makes, stitch })),
      found: findingsOf(read),
    }).toEqual({ sample: `${sample.name}, ${sample.dialect.name}`, rounds: told, found: [] })
  }
})

type Plant = (sample: Sample, at: number) => { lines: string[]; line: number } | undefined

const replaced = (
  lines: readonly string[],
  at: number,
  by: (line: string) => string,
): string[] | undefined => {
  const next = by(lines[at]!)
  return next === lines[at] ? undefined : lines.with(at, next)
}
/** The last time that a number stands in a line: its total. */
const withTotal = (line: string, from: number, to: number): string =>
  line.replace(new RegExp(`\\b${from}(?!.*\\b${from}\\b)`), String(to))

const PLANTS: Readonly<Record<string, Plant>> = {
  'a total that is off': ({ lines, told }, at) => {
    const next = replaced(lines, at, (line) =>
      withTotal(line, told[at]!.count, told[at]!.count + 1 + (at % 5)),
    )
    return next && { lines: next, line: at }
  },
  'the total of the next round': ({ lines, told }, at) => {
    const [count, above] = [told[at]!.count, told[at + 1]?.count]
    const next =
      above === undefined || above === count
        ? undefined
        : replaced(lines, at, (line) => withTotal(line, count, above))
    return next && { lines: next, line: at }
  },
  'a repeat too few': ({ lines, dialect }, at) => {
    // Where "repeat 5 times" may mean once and five times more, that is no fault.
    if (dialect.name === 'long names') return undefined
    const next = replaced(lines, at, (line) =>
      line.replace(/(x ?|× ?|repeat )(\d+)|(\d+)(x| times)/i, (all: string, _before, n, m) =>
        all.replace(String(n ?? m), String(Number(n ?? m) - 1)),
      ),
    )
    return next && { lines: next, line: at }
  },
  'a round twice': ({ lines, told }, at) =>
    told[at]!.count === told[at]!.from
      ? undefined
      : { lines: lines.toSpliced(at, 0, lines[at]!), line: at + 1 },
  'a round left out': ({ lines, told }, at) =>
    told[at]!.count === told[at]!.from ? undefined : { lines: lines.toSpliced(at, 1), line: at },
}

test.each(Object.entries(PLANTS))(
  '%s is found first, at its line, in 95 of 100; elsewhere nothing is',
  (_, plant) => {
    let [planted, placed, others] = [0, 0, 0]
    SAMPLES.forEach((sample, index) => {
      const at = 2 + ((index * 5) % (sample.told.length - 3))
      const spoiled = plant(sample, at)
      if (!spoiled) return
      const read = readPattern(textOf(sample, spoiled.lines))
      const found = findingsOf(read)
      const line = spoiled.line + (sample.dialect.before ? 1 : 0)
      planted++
      if (found[0]?.line === line) placed++
      others += found.filter((one) => one.line !== line).length
    })
    expect(planted).toBeGreaterThan(100)
    expect(placed / planted).toBeGreaterThanOrEqual(0.95)
    expect(others / planted).toBeLessThan(0.02)
  },
)
