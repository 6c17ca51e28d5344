import { beliefFromEvidence, sizeOf } from '../gauge/gaugeFromEvidence.ts'
import type { RoundEvidence } from '../gauge/evidence.ts'
import { diagnose } from '../fit/diagnose.ts'
import { learnFromPiece } from '../fit/learnFromPiece.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import type { PieceSpec, Plan, Start } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec, promise, seenAcross } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { startOfFabric } from './startOfFabric.ts'

const ring = (chains: number): Start => ({ kind: 'chainRing', chains })
const begun = (start: Start, across = 100, stitch: PieceSpec['stitch'] = 'sc', ratio = 0.955): PieceSpec => ({
  ...discSpec(across, { stitch }, ratio),
  construction: { ...discSpec(1).construction, start },
})
const asPlanned = (plan: Plan, afterRound: number): PieceReading => {
  const { at } = plan.rounds[afterRound - 1]!
  return {
    id: 'reading',
    copyId: 'copy',
    at: 1,
    planVersion: 1,
    afterRound,
    seen: seenAcross(afterRound, 2 * at.radius, 2 * at.radius),
    edge: { kind: 'flat' },
  }
}

test('twelve dc in a ring of four chains, then 24, 36: for counts a filled ring is closed', () => {
  const { rounds, hole } = planPiece(begun(ring(4), 2 * 4 * 8 * 1.91, 'dc', 1.91))
  expect(hole).toBe(0)
  expect(rounds.slice(0, 3).map(({ count }) => count)).toEqual([12, 24, 36])
})

test.each([3, 4, 5])('a ring of %i chains is paced as a magic ring, and begins 0.45 sc out', (chains) => {
  const counts = (start: Start) => planPiece(begun(start)).rounds.map(({ count }) => count)
  const filled = counts(ring(chains))
  expect(filled).toEqual(counts({ kind: 'magicRing' }).slice(0, filled.length))
  expect(startOfFabric(ring(chains), 'sc', 8, 7.64)).toEqual({
    hole: 0,
    centre: expect.closeTo(0.45 * 7.64, 9),
    sd: expect.closeTo(0.2 * 7.64, 9),
  })
  // Its dc stand on the same few chains.
  expect(startOfFabric(ring(chains), 'dc', 8, 8 * 1.91).centre).toBeCloseTo(0.45 * 7.64, 9)
})

test('from six chains on a hole stays, three chains less and 0.85 of a stitch each', () => {
  expect(startOfFabric(ring(6), 'sc', 8, 7.64).hole).toBeCloseTo((3 * 0.85 * 8) / (2 * Math.PI), 9)
  expect(startOfFabric(ring(20), 'sc', 8, 7.64).hole).toBeCloseTo((17 * 0.85 * 8) / (2 * Math.PI), 9)
  const plan = planPiece(begun(ring(12), 150))
  const first = plan.rounds[0]!
  expect(plan.hole).toBeCloseTo((9 * 0.85 * 8) / (2 * Math.PI), 9)
  expect(first.at.arc).toBeCloseTo(plan.hole + 7.64, 9)
})

describe.each([4, 6, 8, 12])('a mat on %i chains that measures exactly as planned', (chains) => {
  const spec = begun(ring(chains), 150)
  const plan = planPiece(spec)
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, 6), readings: [asPlanned(plan, 6)] })

  test('is as planned, and no ring is said to stand open', () => {
    expect(diagnosis.causes[0]!.kind).toBe('hands')
    expect(diagnosis.hands).toBe('asGauge')
    expect(diagnosis.causes.map(({ kind }) => kind)).not.toContain('openCentre')
    expect(diagnosis.undecided).toBe(false)
  })

  test('is expected as large as the plan says', () => {
    expect(Math.abs(diagnosis.expected[0]!.value - 2 * plan.rounds[5]!.at.radius)).toBeLessThan(0.7)
  })

  test('teaches its gauge the stitches that were planned with', () => {
    const evidence = learnFromPiece(asPlanned(plan, plan.rounds.length), plan, spec, 'mat')!
    expect(evidence).toMatchObject({ start: ring(chains) })
    // A label that says the same: what is learned must not pull away from it.
    const label = beliefFromEvidence({ weight: 4, strands: 1, hook: 6.1 }, [evidence], { mean: 0, sd: 0.02 })
    const { w, h } = sizeOf(label.belief, 'sc', 'both', 'worked')
    expect(Math.abs(h / w / 0.955 - 1)).toBeLessThan(0.02)
    expect(Math.abs(h / 7.64 - 1)).toBeLessThan(0.025)
  })
})

test('a round swatch on eight chains and one in a closed ring teach the same stitches', () => {
  const taught = (start: Start) => {
    const spec = begun(start, 150)
    const plan = planPiece(spec)
    const evidence: RoundEvidence = {
      id: 'swatch',
      at: 1,
      across: asPlanned(plan, plan.rounds.length).seen[0]!.values,
      edge: { kind: 'flat' },
      kind: 'round',
      stitch: 'sc',
      loops: 'both',
      state: 'worked',
      start,
      counts: plan.rounds.map(({ count }) => count),
    }
    const { belief } = beliefFromEvidence({ weight: 4, strands: 1, hook: 5 }, [evidence], {
      mean: 0,
      sd: 0.02,
    })
    return sizeOf(belief, 'sc', 'both', 'worked')
  }
  const [closed, open] = [taught({ kind: 'magicRing' }), taught(ring(8))]
  expect(Math.abs(open.h / closed.h - 1)).toBeLessThan(0.015)
  expect(Math.abs(open.w / closed.w - 1)).toBeLessThan(0.015)
})

test('rounds go on from the measured edge whatever they were begun in', () => {
  const spec = {
    ...begun(ring(10), 180),
    form: { family: 'disc' as const, across: mm(180) },
    tolerance: mm(3),
  }
  const plan = planPiece(spec)
  const worked = plan.rounds.slice(0, 6)
  const { radius } = worked[5]!.at
  const again = planPiece(spec, { rounds: worked, edge: { radius, z: 0, sd: 1 } })
  expect(promise(again.finished).value).toBeCloseTo(promise(plan.finished).value, -1)
})
