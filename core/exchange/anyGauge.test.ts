import { anyOutline } from '../testing/specs.ts'
import { FAMILY_NAMES, fieldsOf, type StoredForm } from '../forms/registry.ts'
import fc from 'fast-check'
import { attempt } from '../errors/attempt.ts'
import { planPiece } from '../plan/planPiece.ts'
import { ALL_FIBRES } from '../yarn/fibre.ts'
import { faultOfRecord } from './faultOfRecord.ts'
import { LIMITS } from './limits.ts'
import { newPiece } from './newPiece.ts'
import type { GaugeRecord } from './records.ts'
import { specOf } from './specOf.ts'
import { runs } from '../testing/runs.ts'

const within = ([min, max]: readonly [number, number]) => fc.double({ min, max, noNaN: true })
const whole = ([min, max]: readonly [number, number]) => fc.integer({ min, max })
const pair = fc.record({ count: within([0.25, 1000]), over: within(LIMITS.countedOver) })
/** Counts as people count them, which are the ones that meet odd corners together. */
const usualPair = fc.record({ count: whole([1, 60]), over: fc.constantFrom(25.4, 50, 100, 101.6) })
const taken = fc.record({
  id: fc.constant('one'),
  at: fc.constant(1),
  stitch: fc.constantFrom('sc', 'hdc', 'dc', 'tr'),
  loops: fc.constantFrom('both', 'single', 'post'),
  state: fc.constantFrom('worked', 'washed'),
})

/** Any gauge that the fields of its screens take, sensible or not. */
const gauge: fc.Arbitrary<GaugeRecord> = fc
  .record({
    stitch: fc.constantFrom('sc', 'hdc', 'dc', 'tr'),
    weight: fc.constantFrom(0, 1, 2, 3, 4, 5, 6, 7),
    strands: whole(LIMITS.strands),
    hook: within(LIMITS.hook),
    fibre: fc.constantFrom(...ALL_FIBRES),
    working: fc.constantFrom('joined', 'spiral', 'turned', 'rows'),
    evidence: fc.array(
      fc.tuple(
        taken,
        fc.oneof(pair, usualPair),
        fc.oneof(pair, usualPair),
        fc.constantFrom('rows', 'rounds'),
      ),
      { maxLength: 2 },
    ),
  })
  .map((some) => ({
    ...some,
    id: 'gauge',
    name: 'Any',
    evidence: some.evidence.map(([base, stitches, rounds, worked], index) => ({
      ...base,
      id: `e${index}`,
      kind: 'swatch' as const,
      worked,
      stitches,
      rounds,
    })),
    calibrations: [],
  }))

/** A form of any family, of any size that its fields take, sensible ones among them. */
const anyForm: fc.Arbitrary<StoredForm> = fc.oneof(
  fc
    .oneof(within(LIMITS.across), fc.constantFrom(60, 110, 220, 500, 1000))
    .map((across): StoredForm => ({ family: 'disc', across })),
  ...FAMILY_NAMES.map((family) =>
    fc
      .record(
        Object.fromEntries(
          fieldsOf(family).map((field) => [
            field.key,
            field.kind === 'choice'
              ? fc.constantFrom(...field.choices)
              : field.kind === 'outline'
                ? anyOutline
                : fc.oneof(within([field.least, field.most]), fc.constant(field.usual)),
          ]),
        ),
      )
      .map((values) => ({ family, ...values }) as unknown as StoredForm),
  ),
)
const anyLoops = fc.constantFrom(undefined, 'back' as const, 'front' as const)

/** A plan, or a sentence about a field: never an error of the planner's own. */
function planned(record: GaugeRecord, form: StoredForm, loops?: 'back' | 'front') {
  const made = newPiece({ id: 'mat', projectId: 'mats', gaugeId: 'gauge', yarnId: 'fog', form })
  const construction = { ...made.construction, ...(loops ? { loops } : {}) }
  const piece = { ...made, stitch: record.stitch, construction }
  expect(faultOfRecord('pieces', piece)).toBeUndefined()
  return attempt(() => planPiece(specOf(piece, record, 18)))
}

test('every gauge that its fields accept is planned, or refused with a sentence at a field', () => {
  let plans = 0
  fc.assert(
    fc.property(gauge, anyForm, anyLoops, (record, form, loops) => {
      expect(faultOfRecord('gauges', record)).toBeUndefined()
      const answer = planned(record, form, loops)
      if (!answer.ok) {
        expect(answer.path).not.toBe('')
        expect(answer.unsaid.join(' ').length).toBeGreaterThan(20)
        return
      }
      plans++
      const { rounds, finished } = answer.value
      const sizes = finished.promises.flatMap(({ value, sd }) => [value, sd])
      for (const value of [...sizes, finished.flatness, answer.value.seconds]) {
        expect(Number.isFinite(value)).toBe(true)
      }
      for (const { count, at } of rounds) {
        expect(count).toBeGreaterThan(0)
        expect(Number.isFinite(at.radius + at.z + at.arc + at.sd)).toBe(true)
      }
    }),
    { numRuns: runs(56) },
  )
  expect(plans).toBeGreaterThan(0)
})

test.each([
  [44, 10, 500],
  [44, 10, 220],
  [60, 8, 500],
  [8, 60, 500],
  [30, 7, 1000],
])(
  '%d sts by %d rounds in 10 cm, %d mm across: counted wrong, perhaps, but planned or refused',
  (sts, rnds, size) => {
    const record: GaugeRecord = {
      id: 'gauge',
      name: 'Odd',
      stitch: 'sc',
      weight: 4,
      strands: 1,
      hook: 5,
      fibre: 'cotton',
      working: 'joined',
      evidence: [
        {
          id: 'one',
          at: 1,
          kind: 'swatch',
          stitch: 'sc',
          loops: 'both',
          state: 'worked',
          worked: 'rounds',
          stitches: { count: sts, over: 100 },
          rounds: { count: rnds, over: 100 },
        },
      ],
      calibrations: [],
    }
    const answer = planned(record, { family: 'disc', across: size })
    if (!answer.ok) expect(answer.path).not.toBe('')
    else expect(answer.value.rounds.length).toBeGreaterThan(2)
  },
)
