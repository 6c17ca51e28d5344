import fc from 'fast-check'
import type { Evidence } from '../../../core/index.ts'
import { UNMEASURED_GAUGE } from '../../../core/index.ts'
import { belongsTo, conflictSentence, evidenceName } from '../../words/gaugeWords.ts'
import { draftOf, emptyDraft, evidenceOf, missingIn } from './measureDraft.ts'

const empty = emptyDraft('sc', 6)
const size = fc.integer({ min: 10, max: 400 })
const pair = fc.record({ count: fc.integer({ min: 1, max: 60 }), over: size })
const taken = fc.record({
  id: fc.constant('one'),
  at: fc.integer({ min: 0, max: 1e12 }),
  stitch: fc.constantFrom('sc', 'hdc', 'dc', 'tr'),
  loops: fc.constantFrom('both', 'single', 'post'),
  state: fc.constantFrom('worked', 'washed'),
})
const edge = fc.oneof(
  fc.constant({ kind: 'flat' as const }),
  fc.record({ kind: fc.constant('standsUp' as const), by: size }),
  fc.record({ kind: fc.constant('waves' as const), much: fc.constantFrom('little', 'lot') }),
)
const evidence: fc.Arbitrary<Evidence> = fc.oneof(
  fc.tuple(taken, pair, pair, fc.constantFrom('rows', 'rounds')).map(([base, stitches, rounds, worked]) => ({
    ...base,
    kind: 'swatch' as const,
    worked,
    stitches,
    rounds,
  })),
  fc.tuple(taken, pair, fc.option(pair, { nil: undefined })).map(([base, along, out]) => ({
    ...base,
    kind: 'marks' as const,
    along,
    ...(out ? { out } : {}),
  })),
  fc
    .tuple(
      taken,
      fc.integer({ min: 2, max: 20 }),
      fc.integer({ min: 3, max: 16 }),
      fc.array(size, { minLength: 1, maxLength: 2 }),
      edge,
    )
    .map(([base, rounds, perRound, across, lies]) => ({
      ...base,
      kind: 'round' as const,
      counts: Array.from({ length: rounds }, (_, index) => perRound * (index + 1)),
      across,
      edge: lies,
    })),
)

test('evidence opened to be changed and kept again is what it was', () => {
  fc.assert(
    fc.property(evidence, (one) => {
      const draft = draftOf(one, empty)
      expect(missingIn(draft)).toEqual([])
      expect(evidenceOf(draft, 'another', one.at)).toEqual(one)
    }),
  )
})

test('a form says what is missing, in the order it is asked for, and is no evidence before', () => {
  expect(missingIn(empty)).toEqual(['stitches', 'their length', 'rows', 'their length'])
  expect(evidenceOf({ ...empty, stitches: 12, stitchesOver: 85 }, 'id', 1)).toBeUndefined()
  expect(missingIn({ ...empty, kind: 'marks', rounds: 10 })).toEqual(['a count and its length'])
  expect(missingIn({ ...empty, kind: 'round', across: 118, edge: 'standsUp' })).toEqual([
    'how far the edge stands up',
  ])
})

test('a gauge says what it belongs to, a piece goes by its own name, and a conflict by how much', () => {
  const gauge = { ...UNMEASURED_GAUGE, id: 'gauge', strands: 2, fibre: 'cotton' } as const
  expect(belongsTo(gauge, 'US')).toBe('sc in joined rounds, 2 strands of medium cotton, 5 mm hook (H)')
  expect(belongsTo({ ...gauge, hook: 7 }, 'UK')).toMatch(/^dc in joined rounds, .* 7 mm hook$/)
  const disc = { kind: 'round', from: 'Kettle trivet' } as Evidence
  expect(evidenceName(disc)).toBe('Kettle trivet')
  expect(conflictSentence({ id: 'x', about: 'width', off: -0.09, sigmas: 4.2 }, false)).toBe(
    '9.0% narrower than all the rest says, 4.2 times the doubt.',
  )
})
