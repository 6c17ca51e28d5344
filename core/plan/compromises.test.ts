import fc from 'fast-check'
import { capSpec, discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { compromises } from './compromises.ts'
import type { PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'

const repeat = (of: number): Partial<PieceSpec> => ({ constraints: { multiples: [{ fromRound: 2, of }] } })

const anySpec = fc
  .record({
    size: fc.integer({ min: 420, max: 640 }),
    of: fc.constantFrom(4, 6, 8, 10, 12),
    make: fc.constantFrom(
      (size: number, of: number) => capSpec({ head: size, ease: 0.05 }, repeat(of)),
      (size: number, of: number) =>
        tubeSpec({ girth: size, of: 'object', ease: 0.05, length: 120 }, repeat(of)),
      (size: number, of: number) => vesselSpec({ base: size / 3 }, repeat(of)),
    ),
  })
  .map(({ size, of, make }) => make(size, of))

test('a repeat that does not go into a girth has a count on either side, a size for each, and one without it', () => {
  let fights = 0
  fc.assert(
    fc.property(anySpec, (spec) => {
      const found = compromises(spec)
      if (!found) return
      fights++
      const { of, ideal, around, ways } = found
      const w = spec.gauge.w
      expect(ideal).toBeCloseTo(around / w, 9)
      const [fewer, more, free] = (['fewer', 'more', 'free'] as const).map((kind) =>
        ways.find((way) => way.kind === kind),
      )
      // By hand: the multiples below and above, and what they are around.
      if (fewer) expect([fewer.count, fewer.over]).toEqual([Math.floor(ideal / of) * of, 0])
      if (more) expect([more.count, more.over]).toEqual([Math.ceil(ideal / of) * of, 0])
      expect(Math.abs(free!.count - ideal)).toBeLessThan(0.5 + 0.04 * ideal)
      expect(free!.over).toBe(free!.count % of)
      for (const { off, count, spec: asked, kind } of ways) {
        expect(off).toBeCloseTo(count * w - around, 6)
        if (kind === 'free') continue
        // Taken, it is what is planned, and nothing fights any more.
        expect(planPiece(asked).rounds.at(-1)!.count).toBe(count)
        expect(compromises(asked)).toBeUndefined()
      }
    }),
    { numRuns: 40, endOnFailure: true },
  )
  expect(fights).toBeGreaterThan(10)
})

test('a cap keeps its head and gives by its ease, a basket by its base', () => {
  const cap = compromises(capSpec({ head: 560, ease: 0.05 }, repeat(12)))!
  for (const { spec, around } of cap.ways.filter(({ kind }) => kind !== 'free')) {
    if (spec.form.family !== 'cap') throw new Error('a cap stays a cap')
    expect(spec.form.head).toBe(560)
    expect(560 * (1 - spec.form.ease)).toBeCloseTo(around, 6)
  }
  const basket = compromises(vesselSpec({ base: 235 }, repeat(12)))!
  const [{ spec, around }] = basket.ways as [(typeof basket.ways)[number]]
  if (spec.form.family !== 'vessel') throw new Error('a vessel stays one')
  expect(Math.PI * (spec.form.base - 4.5)).toBeCloseTo(around, 6)
})

test('nothing fights where the repeat goes in, where none is asked for, or where there is no wall', () => {
  expect(compromises(capSpec({}))).toBeUndefined()
  expect(compromises(discSpec(200, repeat(6)))).toBeUndefined()
  const exact = {
    ...tubeSpec({ girth: 48 * 7.6, of: 'tube', length: 100 }, repeat(6)),
    gauge: capSpec({}).gauge,
  }
  expect(compromises(exact)).toBeUndefined()
})
