import fc from 'fast-check'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { expandSteps } from '../rounds/steps.ts'
import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { discSpec, seenAcross } from '../testing/specs.ts'
import { carryOnPlan } from './carryOnPlan.ts'
import { diagnose } from '../fit/diagnose.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { repairCount } from '../fit/repairCount.ts'
import { waysOut } from '../fit/waysOut.ts'
import { runs } from '../testing/runs.ts'

const construction = { ...discSpec(1).construction, freeLastRounds: 0 as const }
const staggered: PieceSpec = {
  ...discSpec(240, { construction, constraints: { evenRounds: [6, 10] } }),
}
const plan = planPiece(staggered)

/** Where the first increase of a round stands, as a share of a repeat. */
function phase({ steps, count, from }: PlannedRound): number {
  const units = expandSteps(steps)
  const first = units.findIndex(({ kind }) => kind === 'inc')
  return (first / from) * (count - from)
}

test('carrying on after a count that was off keeps the staggering of the plan, even rounds or not', () => {
  const worked = plan.rounds.slice(0, 7)
  const off = worked.map((round, index) =>
    index === 6 ? { ...round, count: round.count - 3, steps: worked[6]!.steps } : round,
  )
  const edge = { radius: worked[6]!.at.radius, z: 0, sd: 1 }
  const carried = carryOnPlan(staggered, plan, off, edge)
  for (const round of carried.rounds.slice(7)) {
    const before = plan.rounds[round.number - 1]!
    if (before.count === before.from) continue
    expect(Math.abs(phase(round) - phase(before))).toBeLessThan(0.2)
  }
})

describe('plans that go on from a measured edge', () => {
  const spec = discSpec(220, { construction: { ...construction, freeLastRounds: 2 } })
  const first = planPiece(spec)
  const reading = (afterRound: number, by: number): PieceReading => ({
    id: 'reading',
    copyId: 'copy',
    at: 1,
    planVersion: 1,
    afterRound,
    seen: seenAcross(afterRound, 2 * by * first.rounds[afterRound - 1]!.at.radius),
    edge: { kind: 'flat' },
    counts: [{ round: afterRound, count: first.rounds[afterRound - 1]!.count }],
  })
  /** N* = 2πs/w: the width a drawing gives to a stitch of a round. */
  const widths = ({ rounds }: Plan) => rounds.map(({ at, ideal }) => (2 * Math.PI * at.arc) / ideal)

  test('keep true stitch widths in every round, and rounds as far apart as they are tall', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 11 }),
        fc.double({ min: 0.93, max: 1.07, noNaN: true }),
        (round, by) => {
          const diagnosis = diagnose({
            spec,
            rounds: first.rounds.slice(0, round),
            readings: [reading(round, by)],
          })
          const { ways } = waysOut({ spec, hook: 5, plan: first, afterRound: round, diagnosis })
          for (const way of ways.filter(({ kind }) => kind !== 'anotherHook')) {
            const ahead = way.plan.rounds.slice(way.keeps)
            widths(way.plan)
              .slice(way.keeps)
              .forEach((width, index) => {
                const { w } = gaugeForStitch(way.spec.gauge, ahead[index]!.stitch)
                expect(Math.abs(width / w - 1)).toBeLessThan(1e-9)
              })
            ahead.forEach(({ at, stitch }, index) => {
              const below = way.plan.rounds[way.keeps + index - 1]!
              const { h } = gaugeForStitch(way.spec.gauge, stitch)
              expect(Math.abs(at.arc - below.at.arc - h)).toBeLessThan(1e-9)
            })
          }
        },
      ),
      { numRuns: runs(15) },
    )
  })
})

describe('mends', () => {
  const joined = discSpec(240, { construction })
  const planned = planPiece(joined)
  const mend = (round: number, off: number, spec = joined, of = planned) =>
    repairCount(spec, of, round, of.rounds[round - 1]!.count + off)
  const unitsOf = (round: PlannedRound) => expandSteps(round.steps).map(({ kind }) => kind)

  test('a surplus before an increasing round leaves increases out, and never works two together', () => {
    for (const off of [1, 2]) {
      for (const { number, count, from } of planned.rounds.slice(7, -1)) {
        const { mending } = mend(number, off)
        if (!mending) continue
        const kinds = unitsOf(mending)
        expect(kinds).not.toContain('dec')
        expect(kinds.filter((kind) => kind === 'inc')).toHaveLength(count - from - off)
      }
    }
  })

  test('before an even round two are worked together, off the join, never side by side', () => {
    const even = discSpec(240, { construction, constraints: { evenRounds: [9] } })
    const of = planPiece(even)
    for (const off of [1, 2, 3]) {
      const kinds = unitsOf(mend(8, off, even, of).mending!)
      const at = kinds.flatMap((kind, index) => (kind === 'dec' ? [index] : []))
      expect(at).toHaveLength(off)
      expect(Math.min(...at)).toBeGreaterThan(0)
      expect(Math.max(...at)).toBeLessThan(kinds.length - 1)
      at.slice(1).forEach((place, index) => expect(place - at[index]!).toBeGreaterThan(kinds.length / 6))
    }
  })

  test('no two together stands beside an increase, whatever the round and however far it is off', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: planned.rounds.length - 1 }),
        fc.integer({ min: -3, max: 3 }),
        (round, off) => {
          const { mending } = mend(round, off)
          if (!mending) return
          const kinds = unitsOf(mending)
          kinds.forEach((kind, index) => {
            if (kind === 'dec') expect([kinds[index - 1], kinds[index + 1]]).not.toContain('inc')
          })
        },
      ),
    )
  })

  test('nothing is taken up in the first textured round, nor in a slip stitch edging', () => {
    const textured = { ...joined, constraints: { multiples: [{ fromRound: 9, of: 6 }] } }
    expect(mend(8, 1, textured)).toMatchObject({ advice: 'goBack', why: 'texture' })
    expect(mend(8, 1, textured).mended).toBeUndefined()
    expect(mend(7, 1, textured).why).toBe('hides')
    const edged: Plan = {
      ...planned,
      rounds: planned.rounds.map((round) => (round.number === 9 ? { ...round, stitch: 'slst' } : round)),
    }
    expect(mend(8, 1, joined, edged)).toMatchObject({ advice: 'carryOn', why: 'edging' })
    expect(mend(8, 9, joined, edged)).toMatchObject({ advice: 'goBack', why: 'tooMany' })
  })

  test('the sums of a mended plan are those of its rounds', () => {
    const { mended } = mend(8, 2)
    expect(mended!.stitches).toBe(mended!.rounds.reduce((sum, { count }) => sum + count, 0))
    expect(mended!.stitches).toBe(planned.stitches + 2)
    expect(mended!.yarn[0]!.metres).toBeGreaterThan(planned.yarn[0]!.metres)
    expect(mended!.seconds).toBeGreaterThan(planned.seconds)
  })
})

test('lying flat as planned reads as planned, at any flatness a plan may have', () => {
  let read = 0
  for (let percent = -4; percent <= 4; percent += 0.5) {
    for (const rounds of [7, 10, 14]) {
      // A fixed recipe of six a round in hands that want a little more or fewer.
      const ratio = 0.955 / (1 + percent / 100)
      const spec = discSpec(2 * rounds * 8 * ratio, { rhythm: 1, constraints: { firstCount: 6 } }, ratio)
      const of = planPiece(spec)
      const after = of.rounds.length - 1
      const { radius } = of.rounds[after - 1]!.at
      const { hands, causes } = diagnose({
        spec,
        rounds: of.rounds.slice(0, after),
        readings: [
          {
            id: 'r',
            copyId: 'c',
            at: 1,
            planVersion: 1,
            afterRound: after,
            seen: seenAcross(after, 2 * radius),
            edge: { kind: 'flat' },
          },
        ],
      })
      expect([percent, rounds, hands, causes[0]!.kind]).toEqual([percent, rounds, 'asGauge', 'hands'])
      read++
    }
  }
  expect(read).toBe(51)
})
