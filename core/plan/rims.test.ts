import fc from 'fast-check'
import { carryOnPlan } from './carryOnPlan.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { RIMS, repeatOfRim, rimSteps, type Rim } from '../rounds/rim.ts'
import { stitchesConsumed, stitchesProduced } from '../rounds/steps.ts'
import { verify } from '../rounds/verify.ts'
import { capSpec, discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import type { PieceSpec } from './plan.ts'
import { pin, unpin } from './pinnedPlan.ts'
import { planPiece } from './planPiece.ts'

const edged = (spec: PieceSpec, rim: Rim): PieceSpec => ({
  ...spec,
  construction: { ...spec.construction, rim },
})

test('an edging uses every stitch below it, whatever the count', () => {
  fc.assert(
    fc.property(fc.constantFrom(...RIMS), fc.integer({ min: 6, max: 300 }), (rim, count) => {
      expect(stitchesConsumed(rimSteps(rim, count))).toBe(count)
    }),
  )
  // By hand from the table: what 12 stitches become.
  const makes = Object.fromEntries(RIMS.map((rim) => [rim, stitchesProduced(rimSteps(rim, 12))]))
  expect(makes).toEqual({ slst: 12, reverse: 12, curl: 12, picot: 12, frill: 24, scallop: 36, shell: 12 })
  expect(RIMS.map(repeatOfRim)).toEqual([1, 1, 1, 3, 2, 2, 6])
})

test('a piece with an edging is as large as one without, its last round divides, and the edging goes around evenly', () => {
  const forms = [
    discSpec(220),
    vesselSpec({}),
    capSpec({ brim: 'plain', crown: 'flat' }),
    tubeSpec({ girth: 300, length: 140 }),
  ]
  for (const spec of forms) {
    for (const rim of RIMS) {
      const plan = planPiece(edged(spec, rim))
      const plain = planPiece(spec)
      const [last, round] = plan.rounds.slice(-2)
      expect(verify(plan.rounds)).toEqual([])
      expect(last!.count % repeatOfRim(rim)).toBe(0)
      expect(round!.steps).toHaveLength(1)
      // Half a round of the body, and what that many more stitches may take.
      const [one, other] = [plan.finished.promises[0]!, plain.finished.promises[0]!]
      expect(Math.abs(one.value - other.value)).toBeLessThanOrEqual(
        (one.of === 'across' ? 2 : 1) * spec.gauge.h + 0.03 * other.value,
      )
      expect(unpin(edged(spec, rim), pin(plan))).toEqual(plan)
    }
  }
})

test('it is said in crochet words, in the terms of either country', () => {
  const said = (rim: Rim, terms: 'US' | 'UK' = 'US') =>
    writeRoundBody(planPiece(edged(vesselSpec({}), rim)).rounds.at(-1)!, terms)
  expect(said('slst')).toBe('sl st in each st')
  expect(said('reverse')).toBe('reverse sc in each st')
  expect(said('curl')).toBe('(sc, ch 1, sl st) in one st, all around')
  expect(said('picot')).toMatch(/^\(2 sc, sc with a ch-3 picot\) × \d+$/)
  expect(said('frill')).toMatch(/^\(3 dc in one st, dc\) × \d+$/)
  expect(said('scallop', 'UK')).toMatch(/^\(5 tr in one st, ss\) × \d+$/)
  expect(said('shell', 'UK')).toMatch(/^\(ss, miss 2, 5 tr in one st, miss 2\) × \d+$/)
})

test('it takes its own yarn and time, and is kept when work goes on from a measure', () => {
  const [plain, frill] = [planPiece(edged(discSpec(220), 'slst')), planPiece(edged(discSpec(220), 'frill'))]
  expect(frill.yarn[0]!.metres).toBeGreaterThan(plain.yarn[0]!.metres * 1.15)
  expect(frill.seconds).toBeGreaterThan(plain.seconds)
  const spec = edged(discSpec(220), 'shell')
  const plan = planPiece(spec)
  for (const last of [6, plan.rounds.length - 1, plan.rounds.length]) {
    const { radius, z, arc } = plan.rounds[last - 1]!.at
    const edge = { radius, z, sd: 1, along: { arc, sd: 1 } }
    const again = planPiece(spec, { rounds: plan.rounds.slice(0, last), edge })
    const edgings = again.rounds.filter(({ steps }) =>
      steps.some(({ ops }) => ops.some((op) => op.makes === 5)),
    )
    expect(edgings.map(({ number }) => number)).toEqual([again.rounds.length])
    if (last > 6) continue
    const carried = carryOnPlan(spec, plan, plan.rounds.slice(0, last), edge)
    expect(carried.rounds.at(-1)!.steps).toEqual(plan.rounds.at(-1)!.steps)
  }
})
