import { diagnose, familyOf, planPiece, waysOut, type PieceReading } from '../../../core/index.ts'
import { discSpec, tubeSpec } from '../../../core/testing/specs.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import {
  bestBecause,
  causeSentence,
  finding,
  likelihood,
  lookSentence,
  WAY_TITLES,
  wayOutcome,
  waySentences,
} from '../../words/checkWords.ts'
import { tapeLabels } from '../../words/formQuestionWords.ts'
import { draftFits, EMPTY_CHECK, readingOf, withSize } from './checkDraft.ts'

const cm = (millimetres: number) => (millimetres / 10).toFixed(1)
const sizes = { full: (mm: number) => `${cm(mm)} cm`, bare: cm } as unknown as Sizes

const spec = discSpec(220, { construction: { ...discSpec(1).construction, freeLastRounds: 2 } })
const plan = planPiece(spec)
const taken = { id: 'r', copyId: 'c', at: 1, planVersion: 1, afterRound: 8 }

function judged(across: number, more: Partial<PieceReading> = {}) {
  const seen = [{ of: 'across' as const, at: 8, values: [across] }]
  const reading: PieceReading = { ...taken, seen, edge: { kind: 'flat' }, ...more }
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, 8), readings: [reading] })
  return { reading, diagnosis, ...waysOut({ spec, hook: 5, plan, afterRound: 8, diagnosis }) }
}

test('the finding: the fact, then the number', () => {
  const expected = 2 * plan.rounds[7]!.at.radius
  const cupped = judged(expected - 9, { edge: { kind: 'standsUp', by: 6 } })
  expect(finding(cupped.reading, cupped.diagnosis, 0, sizes, plan)).toBe(
    'After Rnd 8: 0.9 cm small, and it cups',
  )
  const short = judged(expected)
  expect(finding(short.reading, short.diagnosis, -3, sizes, plan)).toBe(
    'After Rnd 8: 3 sts short, as large as expected',
  )
})

test('causes and looks in a maker’s words, and never certain', () => {
  const { diagnosis } = judged(122, { counts: [{ round: 8, count: 45 }] })
  expect(causeSentence(diagnosis.causes[0]!, diagnosis.hands, plan)).toMatch(/missed|skipped/)
  expect(lookSentence(diagnosis.look!, plan)).toMatch(/^Count Rnd \d: \d+ or \d+\?$/)
  expect(
    causeSentence(
      { kind: 'missedIncreases', stitches: -1, from: 4, probability: 0.5, counts: [] },
      'asGauge',
      plan,
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

const MAT = familyOf(spec.form).tape
const TUBE = familyOf(tubeSpec({}).form).tape

test('a draft becomes a reading once the size across, and how far the edge stands up, are there', () => {
  const across = withSize(EMPTY_CHECK, 0, 120)
  expect(readingOf(EMPTY_CHECK, taken, MAT, true)).toBeUndefined()
  expect(readingOf({ ...across, edge: 'standsUp' }, taken, MAT, true)).toBeUndefined()
  expect(
    readingOf(
      { ...withSize(withSize(across, 1, 122), 2, 380), edge: 'waves', much: 'lot', counts: { 8: 50 } },
      taken,
      MAT,
      true,
    ),
  ).toEqual({
    ...taken,
    seen: [
      { of: 'across', at: 8, values: [120, 122] },
      { of: 'around', at: 8, values: [380] },
    ],
    edge: { kind: 'waves', much: 'lot' },
    counts: [{ round: 8, count: 50 }],
  })
})

test('a tube is measured at its edge, at its start and along it, and says nothing of how it lies', () => {
  const draft = withSize(withSize(EMPTY_CHECK, 2, 70), 1, 118)
  expect(readingOf(draft, taken, TUBE, false)).toBeUndefined()
  expect(readingOf(withSize(draft, 0, 121), taken, TUBE, false)).toEqual({
    ...taken,
    seen: [
      { of: 'width', at: 8, values: [121] },
      { of: 'width', at: 1, values: [118] },
      { of: 'length', at: 8, values: [70] },
    ],
  })
  expect(tapeLabels(TUBE)).toEqual(['Wide, laid flat', 'Near the start', 'Long'])
  expect(tapeLabels(MAT)).toEqual(['Across', 'A quarter turn on', 'Around, if you can'])
})

test('a draft of before, or with a size no field takes, is put aside', () => {
  expect(draftFits(withSize(EMPTY_CHECK, 0, 120))).toBe(true)
  expect(draftFits(withSize(EMPTY_CHECK, 0, 1e6))).toBe(false)
  expect(draftFits({ edge: 'flat', much: 'little', counts: {}, across: 120 } as never)).toBe(false)
})

test('what is found of a tube, its causes and its ways, in words of a tube', () => {
  const asked = tubeSpec({ girth: 240, length: 160 })
  const made = planPiece(asked)
  const [{ count }] = made.rounds as [(typeof made.rounds)[number]]
  const { w, h } = asked.gauge
  const reading: PieceReading = {
    ...taken,
    seen: [
      { of: 'width', at: 8, values: [(0.93 * count * w) / 2] },
      { of: 'length', at: 8, values: [0.93 * 8 * h] },
    ],
  }
  const diagnosis = diagnose({ spec: asked, rounds: made.rounds.slice(0, 8), readings: [reading] })
  expect(finding(reading, diagnosis, 0, sizes, made)).toMatch(
    /^After Rnd 8: 0.\d cm too short, 0.\d cm too narrow$/,
  )
  const { ways } = waysOut({ spec: asked, hook: 5, plan: made, afterRound: 8, diagnosis })
  const anew = ways.find(({ kind }) => kind === 'goBack')!
  expect(WAY_TITLES.goBack(anew)).toBe('Begin again')
  expect(waySentences(anew, 8, sizes)).toEqual([
    `Pull it all out, ${8 * count} sts, and use that yarn.`,
    `Chain ${anew.plan.rounds[0]!.count}. ${anew.plan.rounds.length} rounds in all.`,
  ])
  expect(wayOutcome(anew)).toBeUndefined()
  expect(
    causeSentence(
      { kind: 'chainMiscounted', stitches: -2, probability: 0.5, counts: [] },
      'asGauge',
      made,
      true,
    ),
  ).toBe('The chain has 2 fewer than planned.')
  expect(
    causeSentence(
      { kind: 'stitchLost', stitches: -1, from: 5, probability: 0.5, counts: [] },
      'asGauge',
      made,
      true,
    ),
  ).toBe('One stitch passed over, in or about Rnd 5.')
})
