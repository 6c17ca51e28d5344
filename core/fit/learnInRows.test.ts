import { beliefFromEvidence } from '../gauge/gaugeFromEvidence.ts'
import type { MeasureKind } from '../lay/measures.ts'
import { lastMeasured } from '../plan/lastMeasured.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { slipperSpec, sockSpec, strapSpec, wedgeSpec } from '../testing/rowSpecs.ts'
import { learnFromPiece } from './learnFromPiece.ts'

/** What a piece teaches that came out so many times as large as it was planned, around and along. */
function taught(spec: PieceSpec, sizes: Partial<Record<MeasureKind, number>>) {
  const plan = planPiece(spec)
  const afterRound = lastMeasured(plan)
  const seen = Object.entries(sizes).map(([of, by]) => {
    const { value } = plan.finished.promises.find((one) => one.of === of)!
    return { of: of as MeasureKind, at: afterRound, values: [value * by] }
  })
  const reading = { id: 'r', copyId: 'c', at: 1, planVersion: 1, afterRound, seen }
  return learnFromPiece(reading, plan, spec, 'Pot rest')
}

const sizeOf = ({ count, over }: { readonly count: number; readonly over: number }) => over / count

test.each([
  ['a half round', wedgeSpec({ radius: 120 }), { toTheCurve: 1.1 }],
  ['a strap', strapSpec(), { length: 1.1, alongRow: 1.05 }],
  ['a sock', sockSpec(), { leg: 1.1, width: 1.05 }],
  ['a slipper', slipperSpec(), { sole: 1.1 }],
] as const)('%s that came out larger teaches stitches that are as much larger', (_, spec, sizes) => {
  const learned = taught(spec, sizes)
  if (learned?.kind !== 'marks') throw new Error('Nothing is learned.')
  const { w, h } = spec.gauge
  expect(sizeOf(learned.out!) / h).toBeGreaterThan(1.07)
  expect(sizeOf(learned.out!) / h).toBeLessThan(1.13)
  if (learned.along) {
    expect(sizeOf(learned.along) / w).toBeGreaterThan(1.02)
    expect(sizeOf(learned.along) / w).toBeLessThan(1.08)
  }
  // What was worked in rows says so: it tells of rounds only what rows can.
  expect(learned.rows).toBe(spec.form.family === 'wedge' || spec.form.family === 'strap' ? true : undefined)
})

test('a height read from rows tells less of rounds than one read from rounds', () => {
  const marks = { id: 'm', at: 1, stitch: 'sc', loops: 'both', state: 'worked', kind: 'marks' } as const
  const out = { count: 20, over: 160 }
  const doubt = (rows: boolean) => {
    const evidence = [{ ...marks, out, ...(rows ? { rows: true as const } : {}) }]
    const { belief } = beliefFromEvidence({ weight: 4, strands: 1, hook: 5 }, evidence, { mean: 0, sd: 0.02 })
    // Unknown 3 is ln h of sc, after both of sl st and ln w of sc.
    const side = Math.sqrt(belief.covariance.length)
    return belief.covariance[3 * side + 3]!
  }
  expect(doubt(true)).toBeGreaterThan(1.5 * doubt(false))
})
