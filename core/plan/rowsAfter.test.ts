import fc from 'fast-check'
import { countOf, stitchesIn } from '../rounds/round.ts'
import { verify } from '../rounds/verify.ts'
import { zonesOf } from '../rounds/zone.ts'
import { caseSpec, inStitches, plannedIfAny } from '../testing/chainSpecs.ts'
import { capSpec } from '../testing/specs.ts'
import type { Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { bundleByRound } from './yarnAndTime.ts'
import { runs } from '../testing/runs.ts'

const rowsOf = ({ rounds }: Plan, section: string) => rounds.filter((round) => round.section === section)

const anyEars = fc
  .record({
    head: fc.double({ min: 350, max: 640, noNaN: true }),
    w: fc.double({ min: 3, max: 10, noNaN: true }),
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    tall: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
  })
  .map(({ head, w, stitch, tall }) =>
    inStitches(capSpec({ head, depth: 0.42 * head, brim: 'earFlaps' }, { stitch }), stitch, w, tall),
  )

test('ear flaps: as FIELD sets them around the head, mirror images, of equal counts and yarn', () => {
  fc.assert(
    fc.property(anyEars, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan) return
      expect(verify(plan.rounds)).toEqual([])
      const edge = plan.rounds.findLast(({ closed }) => closed)!
      const [left, right] = [rowsOf(plan, 'flap'), rowsOf(plan, 'flap-2')]
      expect(left.map(({ count }) => count)).toEqual(right.map(({ count }) => count))
      const [one] = left[0]!.hosts
      const [other] = right[0]!.hosts
      // As many before the first as after the second; between both the front, 34% of the way around, behind 32%.
      expect(one!.from).toBe(edge.count - other!.to)
      expect(Math.abs((other!.from - one!.to) / edge.count - 0.34)).toBeLessThan(2.1 / edge.count)
      expect(Math.abs((2 * one!.from) / edge.count - 0.32)).toBeLessThan(2.1 / edge.count)
      const yarn = bundleByRound(plan.rounds, spec)
      const sum = (rows: typeof left) => rows.reduce((all, { number }) => all + yarn[number - 1]!, 0)
      expect(sum(left)).toBeCloseTo(sum(right), 9)
      // Every stitch of the edge is worked into or said to wait.
      for (const [first] of [left, right]) {
        expect(stitchesIn(first!.hosts) + stitchesIn(first!.left!)).toBe(edge.count)
      }
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('a flap narrows by one at each of its edges in every other row, and lies under the middle of what it stands in', () => {
  const plan = planPiece(capSpec({ brim: 'earFlaps' }))
  const flap = rowsOf(plan, 'flap')
  flap.slice(1).forEach((row, index) => {
    expect([0, 2]).toContain(flap[index]!.count - row.count)
    if (row.count < flap[index]!.count) expect(row.side).toBe('wrong')
  })
  // By hand: 12 st of 7.6 mm to 25 mm; 0.13 × 57 cm in rows of 7.26 mm.
  expect([flap[0]!.count, flap.at(-1)!.count]).toEqual([12, 4])
  expect(flap).toHaveLength(Math.round((0.13 * 570) / (7.6 * 0.955)))
  const middles = flap.map(({ at }) => at.from! + at.share! / 2)
  for (const middle of middles) expect(middle).toBeCloseTo(middles[0]!, 9)
  const edge = plan.rounds.findLast(({ closed }) => closed)!
  flap.forEach(({ at }, row) => {
    expect(at.arc).toBeCloseTo(edge.at.arc + (row + 1) * 7.6 * 0.955, 6)
    expect(at.radius).toBe(edge.at.radius)
  })
})

test('what a cap measures is said of its edge, before the flaps; a plain cap has the same', () => {
  const [flapped, plain] = [planPiece(capSpec({ brim: 'earFlaps' })), planPiece(capSpec({}))]
  expect(flapped.finished).toEqual(plain.finished)
  expect(flapped.checkpoints).toEqual(plain.checkpoints)
  expect(flapped.rounds.slice(0, plain.rounds.length).map(countOf)).toEqual(plain.rounds.map(countOf))
  expect(flapped.stitches).toBeGreaterThan(plain.stitches)
})

test('a flap of a case stands on the stitches at its back, and reaches over the top down to where it closes', () => {
  const spec = caseSpec({ closing: 'flap', thick: 50, high: 110, opens: 0.6 })
  const plan = planPiece(spec)
  const flap = rowsOf(plan, 'flap')
  const edge = plan.rounds.findLast(({ closed }) => closed)!
  const [front, end, back] = zonesOf(edge)
  const [run] = flap[0]!.hosts
  // As wide as the object's 9 of 28 cm around, about the middle of its back.
  expect(Math.abs((run!.to - run!.from) / edge.count - 90 / 280)).toBeLessThanOrEqual(0.5 / edge.count)
  const middle = front!.count + end!.count + back!.count / 2
  expect(Math.abs((run!.from + run!.to) / 2 - middle)).toBeLessThanOrEqual(0.5)
  expect(Math.abs(flap.length * spec.gauge.h - (50 + 0.4 * 110))).toBeLessThanOrEqual(spec.gauge.h / 2)
  expect(new Set(flap.map(({ count }) => count))).toEqual(new Set([run!.to - run!.from]))
  expect(verify(plan.rounds)).toEqual([])
})

test('an edging and flaps on the same edge are refused in a sentence', () => {
  const { construction } = capSpec({})
  expect(() =>
    planPiece(capSpec({ brim: 'earFlaps' }, { construction: { ...construction, rim: 'slst' } })),
  ).toThrow(/cannot stand on an edging/)
})
