import fc from 'fast-check'
import { workedRounds } from '../../fit/workedRounds.ts'
import { measured } from '../../lay/measures.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { validateSpec } from '../../plan/validateSpec.ts'
import type { PieceSpec, Plan } from '../../plan/plan.ts'
import { chainsAlong } from '../../rounds/spine.ts'
import { countOf } from '../../rounds/round.ts'
import { verify } from '../../rounds/verify.ts'
import { zonesOf } from '../../rounds/zone.ts'
import { ovalSpec, plannedIfAny } from '../../testing/chainSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { mm } from '../../units/millimetres.ts'
import { among, runs } from '../../testing/runs.ts'

/** How long the line is that keeps so far from a straight stretch, mm: walked in small steps all around it. */
function walkAround(stretch: number, off: number): number {
  const points = Array.from({ length: 7200 }, (_, step) => {
    const angle = (2 * Math.PI * step) / 7200
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    // The farthest point of the stretch in that direction, and so far beyond it.
    return [(Math.sign(Math.round(cos * 1e9)) * stretch) / 2 + off * cos, off * sin] as const
  })
  return points.reduce((sum, [x, y], index) => {
    const [toX, toY] = points[(index + 1) % points.length]!
    return sum + Math.hypot(toX - x, toY - y)
  }, 0)
}

const base = ({ rounds }: Plan) => rounds.filter(({ section }) => section === 'base')

/** Any oval that somebody might want; most of them can be worked. */
const anyOval: fc.Arbitrary<PieceSpec> = fc
  .record({
    length: fc.double({ min: 80, max: 600, noNaN: true }),
    share: fc.double({ min: 0.1, max: 0.95, noNaN: true }),
    height: fc.double({ min: 20, max: 200, noNaN: true }),
    w: fc.double({ min: 3, max: 10, noNaN: true }),
    tall: fc.double({ min: 0.92, max: 1.08, noNaN: true }),
    stitch: fc.constantFrom('sc', 'hdc', 'dc'),
    edge: fc.constantFrom('flat', 'crisp', 'rounded'),
    of: fc.constantFrom('outside', 'inside'),
    ends: fc.constantFrom('exact', 'fewer'),
    placement: fc.constantFrom('stacked', 'staggered', 'scattered'),
    rhythm: fc.constantFrom(0, 0.5, 1),
  })
  .map(({ length, share, w, tall, stitch, placement, rhythm, ...form }) => {
    const h = w * tall * { sc: 0.955, hdc: 1.27, dc: 1.91 }[stitch]
    const plain = ovalSpec({ ...form, length, width: length * share })
    return {
      ...plain,
      stitch,
      rhythm,
      gauge: { ...plain.gauge, stitch, w: mm(w), h: mm(h) },
      construction: { ...plain.construction, placement },
    }
  })

test('every round around a chain adds up, zone by zone, the same around both ends', () => {
  let made = 0
  fc.assert(
    fc.property(anyOval, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan) return
      made++
      expect(verify(plan.rounds)).toEqual([])
      plan.rounds.forEach((round, index) => {
        const zones = zonesOf(round)
        expect(zones.reduce((sum, { count }) => sum + count, 0)).toBe(countOf(round))
        if (index === 0 || zones.length === 0) return
        const [side, end, other, last] = zones
        expect([other!.count, last!.count]).toEqual([side!.count, end!.count])
        expect(last!.steps).toEqual(end!.steps)
        // What increases does so around the ends.
        expect(side!.steps.every(({ ops }) => ops.every(({ uses, makes }) => uses === makes))).toBe(true)
      })
    }),
    { numRuns: runs(150), endOnFailure: true },
  )
  expect(made).toBeGreaterThan(among(60))
})

test('rounds of a base are as long as the outline so far from its chain, within a stitch at each end and their rhythm', () => {
  let [outer, strays] = [0, 0]
  fc.assert(
    fc.property(anyOval, (spec) => {
      if (spec.rhythm > 0.5) return
      const plan = plannedIfAny(spec)
      if (!plan) return
      const { w, h } = spec.gauge
      const straight = (zonesOf(plan.rounds[1] ?? plan.rounds[0]!)[0]?.count ?? 0) * w
      const all = base(plan)
      all.forEach(({ number, count }, index) => {
        const around = 2 * Math.PI * number * h
        const off = Math.abs(count * w - walkAround(straight, number * h))
        // An even round among the first may fall behind by as much as it would have grown.
        expect(off).toBeLessThanOrEqual(Math.max(0.2 * around, 4 * w) + 2 * Math.PI * h)
        // The last gives way to the wall that it meets.
        if (index + 1 <= all.length / 2 || index === all.length - 1) return
        outer++
        if (off > Math.max(0.045 * around, 2 * w) + 0.01) strays++
      })
    }),
    { numRuns: runs(160), endOnFailure: true },
  )
  expect(outer).toBeGreaterThan(among(150))
  expect(strays / outer).toBeLessThan(0.03)
})

test('an oval mat comes out as long and as wide as it was to be, its chain as long as the difference', () => {
  const plan = planPiece(ovalSpec({ length: 300, width: 200 }))
  const [long, wide] = [promise(plan.finished, 'endToEnd').value, promise(plan.finished, 'sideToSide').value]
  expect(Math.abs(wide - 200)).toBeLessThan(7.3)
  expect(Math.abs(long - 300)).toBeLessThan(8)
  // Side to side is the rounds alone; by hand: 13 sides of 7.6 mm.
  expect(long - wide).toBeCloseTo(13 * 7.6)
  expect(chainsAlong(plan.rounds[0]!)).toBe(14)
  expect(plan.finished.lie).toBe('flat')
})

test('round 1 has as many in its end chains as lie flat there, or one fewer, in every stitch', () => {
  const inEnds = (stitch: 'sc' | 'hdc' | 'dc', ratio: number, ends: 'exact' | 'fewer') => {
    const { gauge } = ovalSpec({}, {}, ratio)
    const [first] = planPiece(ovalSpec({ ends }, { stitch, gauge: { ...gauge, stitch } }, ratio)).rounds
    const m = chainsAlong(first!)!
    // N₁ = 2(m − 2) + 2e.
    return (first!.count - 2 * (m - 2)) / 2
  }
  expect([inEnds('sc', 0.955, 'exact'), inEnds('hdc', 1.27, 'exact'), inEnds('dc', 1.91, 'exact')]).toEqual([
    4, 5, 7,
  ])
  expect([inEnds('sc', 0.955, 'fewer'), inEnds('hdc', 1.27, 'fewer'), inEnds('dc', 1.91, 'fewer')]).toEqual([
    3, 4, 6,
  ])
})

test('a wall goes as far around as its stitches, and stands as high as it was to', () => {
  const spec = ovalSpec({ length: 250, width: 120, height: 90, edge: 'crisp' })
  const plan = planPiece(spec)
  const last = plan.rounds.at(-1)!
  const { w, h, yarnDiameter } = spec.gauge
  const thickness = 1.8 * yarnDiameter
  expect(promise(plan.finished, 'around').value).toBeCloseTo(last.count * w + Math.PI * thickness, 0)
  expect(Math.abs(promise(plan.finished, 'height').value - 90)).toBeLessThan(h / 2 + 1)
  // Outside 250 × 120: a stadium's girth, by hand.
  const girth = 2 * 130 + Math.PI * 120
  expect(Math.abs(promise(plan.finished, 'around').value - girth)).toBeLessThan(2 * w + 2 * Math.PI * (h / 2))
  expect(plan.rounds.find(({ section }) => section === 'wall')!.hosts[0]!.of).toMatchObject({ loops: 'back' })
})

test('room inside asks for more of the fabric than a size outside', () => {
  const around = (of: 'inside' | 'outside') =>
    promise(planPiece(ovalSpec({ length: 250, width: 120, edge: 'crisp', of })).finished, 'around').value
  expect(around('inside')).toBeGreaterThan(around('outside') + 15)
})

test('a chain that is settled on is kept, and sizes say what it makes', () => {
  const spec = ovalSpec({ length: 300, width: 200 })
  const longer = planPiece({ ...spec, constraints: { chains: 16 } })
  expect(chainsAlong(longer.rounds[0]!)).toBe(16)
  expect(
    promise(longer.finished, 'endToEnd').value - promise(planPiece(spec).finished, 'endToEnd').value,
  ).toBeCloseTo(2 * 7.6)
})

test('a textured wall divides by its repeat, whatever the parity of its sides', () => {
  const spec = ovalSpec(
    { length: 250, width: 120, edge: 'crisp' },
    { sections: { wall: { stitch: 'dc', texture: { kind: 'check', over: 3, rounds: 3 } } } },
  )
  const wall = planPiece(spec).rounds.filter(({ section }) => section === 'wall')
  expect(wall.slice(1).map(({ count }) => count % 6)).toEqual(wall.slice(1).map(() => 0))
})

test('worked rounds are gone on from, around the chain that is there', () => {
  const spec = ovalSpec({ length: 300, width: 200 })
  const plan = planPiece(spec)
  const rounds = plan.rounds.slice(0, 5)
  const { radius } = rounds.at(-1)!.at
  const tight = { ...spec, gauge: { ...spec.gauge, h: mm(spec.gauge.h * 0.94), w: mm(spec.gauge.w * 0.94) } }
  const again = planPiece(
    { ...tight, constraints: { chains: chainsAlong(rounds[0]!)! } },
    { rounds, edge: { radius: 0.94 * radius, z: 0, sd: 1 } },
  )
  expect(again.rounds.slice(0, 5).map(({ count }) => count)).toEqual(rounds.map(({ count }) => count))
  expect(verify(again.rounds)).toEqual([])
  expect(again.rounds.length).toBeGreaterThan(plan.rounds.length - 1)
  expect(Math.abs(promise(again.finished, 'sideToSide').value - 200)).toBeLessThan(8)
})

test('after a stitch too many the rest goes on in whole stitches, and both ends are alike again', () => {
  const spec = ovalSpec({ length: 300, width: 200, edge: 'crisp' })
  const planned = planPiece(spec)
  for (const off of [1, -1]) {
    const counts = planned.rounds.slice(0, 5).map(({ count }, index) => count + (index === 4 ? off : 0))
    const rounds = workedRounds(planned.rounds, counts, spec)
    const { radius } = planned.rounds[4]!.at
    const again = planPiece(spec, { rounds, edge: { radius, z: 0, sd: 1 } })
    expect(verify(again.rounds)).toEqual([])
    again.rounds.forEach(({ steps }) =>
      steps.forEach(({ ops }) => ops.forEach(({ times }) => expect(Number.isInteger(times)).toBe(true))),
    )
    expect(again.rounds[4]!.count).toBe(counts[4])
    const [side, end, other, last] = zonesOf(again.rounds[6]!)
    expect([other!.count, last!.count]).toEqual([side!.count, end!.count])
  }
})

test.each([
  [{ length: 205, width: 200 }, 'form.length', 'nearly round'],
  [{ length: 300, width: 16 }, 'form.width', 'along each side'],
  [{ length: 0, width: 100 }, 'form.length', 'nearly round'],
  [{ length: 300, width: 150, height: 5, edge: 'crisp' as const }, 'form.height', 'rounds of this stitch'],
])('refuses %j in a sentence', (form, path, says) => {
  expect(() => validateSpec(ovalSpec(form))).toThrow(
    expect.objectContaining({ path, message: expect.stringContaining(says) as string }) as Error,
  )
})

test('refuses a chain that is not as long as the base', () => {
  expect(() => validateSpec(ovalSpec({}, { constraints: { chains: 3 } }))).toThrow('3 chains are too short')
})

test('what a tape finds of an oval follows from its ends and its sides', () => {
  const place = { radius: 50, z: 20, arc: 70, spine: 80 }
  expect(measured('endToEnd', place)).toBe(180)
  expect(measured('sideToSide', place)).toBe(100)
  expect(measured('around', place)).toBeCloseTo(walkAround(80, 50), 1)
})
