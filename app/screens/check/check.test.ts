import { diagnose, planPiece, waysOut, type PieceReading } from '../../../core/index.ts'
import { discSpec } from '../../../core/testing/specs.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { EMPTY_CHECK, readingOf } from './checkDraft.ts'
import { bestBecause, causeSentence, finding, likelihood, lookSentence, waySentences } from './checkWords.ts'

const cm = (millimetres: number) => (millimetres / 10).toFixed(1)
const sizes = { full: (mm: number) => `${cm(mm)} cm`, bare: cm } as unknown as Sizes

const spec = discSpec(220, { construction: { ...discSpec(1).construction, freeLastRounds: 2 } })
const plan = planPiece(spec)
const taken = { id: 'r', copyId: 'c', at: 1, planVersion: 1, afterRound: 8 }

function judged(across: number, more: Partial<PieceReading> = {}) {
  const reading: PieceReading = { ...taken, across: [across], edge: { kind: 'flat' }, ...more }
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, 8), readings: [reading] })
  return { diagnosis, ...waysOut({ spec, hook: 5, plan, afterRound: 8, diagnosis }) }
}

test('the finding: the fact, then the number', () => {
  const expected = 2 * plan.rounds[7]!.at.radius
  const { diagnosis } = judged(expected - 9)
  expect(finding(8, expected - 9, diagnosis, 'standsUp', 0, sizes)).toBe(
    'After Rnd 8: 0.9 cm small, and it cups',
  )
  expect(finding(8, expected, diagnosis, 'flat', -3, sizes)).toBe(
    'After Rnd 8: 3 sts short, as large as expected',
  )
})

test('causes and looks in a maker’s words, and never certain', () => {
  const { diagnosis } = judged(122, { counts: [{ round: 8, count: 45 }] })
  expect(causeSentence(diagnosis.causes[0]!, diagnosis.hands)).toMatch(/missed|skipped/)
  expect(lookSentence(diagnosis.look!)).toMatch(/^Count Rnd \d: \d+ or \d+\?$/)
  expect(
    causeSentence(
      { kind: 'missedIncreases', stitches: -1, from: 4, probability: 0.5, counts: [] },
      'asGauge',
    ),
  ).toBe('One increase missed, in or about Rnd 4.')
  expect([0.99, 0.7, 0.3, 0.1, 0.01].map(likelihood)).toEqual([
    'very likely',
    'likely',
    'possible',
    'less likely',
    'unlikely',
  ])
})

test('a way says what is next and what it costs, and the best one why', () => {
  const { ways } = judged(114)
  const [best] = ways
  expect(bestBecause(ways, sizes)).toMatch(/^Best: .*\.$/)
  expect(waySentences(best!, 8, sizes)[0]).toMatch(
    /^Rnd 9 (takes \d+ increases|stays even), \d+ sts\. \d+ rounds in all\.$/,
  )
  const accept = ways.find(({ kind }) => kind === 'accept')!
  expect(waySentences(accept, 8, sizes)[0]).toMatch(/^Carry on with the plan as it is\./)
  const back = judged(122, {
    counts: [
      { round: 8, count: 45 },
      { round: 7, count: 42 },
    ],
  }).ways.find(({ kind }) => kind === 'goBack')!
  expect(waySentences(back, 8, sizes)[0]).toBe('Pull out Rnd 8, 45 sts, and use that yarn.')
})

test('a draft becomes a reading once the measure across, and how far the edge stands up, are there', () => {
  expect(readingOf(EMPTY_CHECK, taken)).toBeUndefined()
  expect(readingOf({ ...EMPTY_CHECK, across: 120, edge: 'standsUp' }, taken)).toBeUndefined()
  expect(
    readingOf(
      { ...EMPTY_CHECK, across: 120, acrossTurned: 122, edge: 'waves', much: 'lot', counts: { 8: 50 } },
      taken,
    ),
  ).toEqual({
    ...taken,
    across: [120, 122],
    edge: { kind: 'waves', much: 'lot' },
    counts: [{ round: 8, count: 50 }],
  })
})
