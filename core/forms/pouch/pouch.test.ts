import fc from 'fast-check'
import { drawstringOf } from '../../plan/drawstringOf.ts'
import { planPiece } from '../../plan/planPiece.ts'
import type { PieceSpec, Plan } from '../../plan/plan.ts'
import { validateSpec } from '../../plan/validateSpec.ts'
import { expandSteps } from '../../rounds/steps.ts'
import { verify } from '../../rounds/verify.ts'
import { inStitches, plannedIfAny, pouchSpec } from '../../testing/chainSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { among, runs } from '../../testing/runs.ts'

const anyPouch: fc.Arbitrary<PieceSpec> = fc
  .record({
    wide: fc.double({ min: 60, max: 300, noNaN: true }),
    high: fc.double({ min: 60, max: 300, noNaN: true }),
    edgeHeight: fc.double({ min: 6, max: 40, noNaN: true }),
    flare: fc.double({ min: 0.2, max: 1, noNaN: true }),
    edge: fc.constantFrom('frilled', 'plain'),
    cord: fc.constantFrom('drawstring', 'none'),
    w: fc.double({ min: 3, max: 9, noNaN: true }),
    tall: fc.double({ min: 0.93, max: 1.07, noNaN: true }),
    stitch: fc.constantFrom('sc', 'hdc', 'dc'),
  })
  .map(({ w, tall, stitch, ...form }) => {
    const spec = pouchSpec(form, { stitch })
    return inStitches(spec, stitch, w, tall)
  })

const holesOf = ({ steps }: Plan['rounds'][number]) =>
  expandSteps(steps).filter(({ manner }) => manner === 'space').length

test('a pouch of any size adds up: its walls even, an even number of holes, its frill so many more', () => {
  let made = 0
  fc.assert(
    fc.property(anyPouch, (spec) => {
      const { form, gauge } = spec
      const plan = plannedIfAny(spec)
      if (!plan || form.family !== 'pouch') return
      made++
      expect(verify(plan.rounds)).toEqual([])
      const of = (section: string) => plan.rounds.filter((round) => round.section === section)
      const count = of('wall')[0]!.count
      for (const round of [...of('wall'), ...of('holes')]) expect(round.count).toBe(count)
      // Laid flat, half of it lies on top; holes may cost it half of what lies between four of them.
      const every = form.cord === 'drawstring' ? Math.floor(30 / gauge.w) : 1
      expect(Math.abs((count * gauge.w) / 2 - form.wide)).toBeLessThanOrEqual(
        (Math.max(2, every) * gauge.w) / 2 + gauge.w,
      )
      if (form.cord === 'drawstring') {
        const cord = drawstringOf(spec, plan)!
        const [round] = of('holes')
        expect(of('holes')).toHaveLength(1)
        expect(holesOf(round!)).toBe(cord.holes)
        expect(cord.holes % 2).toBe(0)
        // By hand: as far as it goes around, over the fabric, and 13 cm to tie at either end.
        expect(cord.length).toBeGreaterThan(count * gauge.w + 260 - 1)
        expect(cord.length).toBeLessThan(count * gauge.w * 1.1 + 260 + 20)
      } else {
        expect(drawstringOf(spec, plan)).toBeUndefined()
        expect(plan.rounds.every((round) => holesOf(round) === 0)).toBe(true)
      }
      const edge = of('edge').at(-1)!
      const more = form.edge === 'frilled' ? 1 + form.flare : 1
      expect(Math.abs(edge.count - more * count)).toBeLessThanOrEqual(1)
    }),
    { numRuns: runs(120), endOnFailure: true },
  )
  expect(made).toBeGreaterThan(among(60))
})

test('it is as long as its rounds, and as wide laid flat as half of its stitches', () => {
  const spec = pouchSpec()
  const plan = planPiece(spec)
  const { w, h } = spec.gauge
  expect(Math.abs(promise(plan.finished, 'length').value - 135)).toBeLessThan(h)
  // Clear of its frill, which draws the rounds below it.
  const walls = plan.rounds.filter(({ section }) => section === 'wall')
  const wall = walls[Math.floor(walls.length / 2)]!
  const flat = Math.PI * wall.at.radius + wall.at.spine!
  expect(Math.abs(flat - (wall.count * w) / 2)).toBeLessThan(0.02 * flat)
})

test.each([
  [{ wide: 0 }, 'form.wide', 'too little'],
  [{ high: 2 }, 'form.high', 'rounds of this stitch'],
  [{ flare: 3 }, 'form.flare', 'up to twice'],
  [{ edgeHeight: 0 }, 'form.edgeHeight', 'is none'],
])('refuses %j in a sentence', (form, path, says) => {
  expect(() => validateSpec(pouchSpec(form))).toThrow(
    expect.objectContaining({ path, message: expect.stringContaining(says) as string }) as Error,
  )
})
