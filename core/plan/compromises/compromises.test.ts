import fc from 'fast-check'
import { attempt } from '../../errors/attempt.ts'
import { capSpec, discSpec, tubeSpec, vesselSpec } from '../../testing/specs.ts'
import { compromises } from './compromises.ts'
import { mm } from '../../units/millimetres.ts'
import type { PieceSpec } from '../plan.ts'
import { planPiece } from '../planPiece.ts'
import { familyOf } from '../../forms/registry.ts'
import { sectionsOf, sizesOf, wallOf } from '../wantedAround.ts'
import { among, runs } from '../../testing/runs.ts'

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
      if (found?.fight.kind !== 'count') return
      fights++
      const { of, ideal, around } = found.fight
      const { ways } = found
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
        expect(compromises(asked)?.fight.kind).not.toBe('count')
      }
    }),
    { numRuns: runs(30), endOnFailure: true },
  )
  expect(fights).toBeGreaterThan(among(8))
})

test('a cap keeps its head and gives by its ease, a basket by its base', () => {
  const cap = compromises(capSpec({ head: 560, ease: 0.05 }, repeat(12)))!
  for (const { spec, around } of cap.ways.filter(({ kind }) => kind !== 'free')) {
    if (spec.form.family !== 'cap') throw new Error('a cap stays a cap')
    expect(spec.form.head).toBe(560)
    expect(560 * (1 - spec.form.ease)).toBeCloseTo(around!, 6)
  }
  const basket = compromises(vesselSpec({ base: 235 }, repeat(12)))!
  const [{ spec, around }] = basket.ways as [(typeof basket.ways)[number]]
  if (spec.form.family !== 'vessel') throw new Error('a vessel stays one')
  expect(Math.PI * (spec.form.base - 4.5)).toBeCloseTo(around!, 6)
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

const anyWalled = fc
  .record({
    size: fc.integer({ min: 420, max: 640 }),
    share: fc.double({ min: 0.8, max: 1.2, noNaN: true }),
    of: fc.constantFrom(1, 1, 4, 6, 7),
    make: fc.constantFrom(
      (size: number, more: Partial<PieceSpec>) => capSpec({ head: size, crown: 'flat', depth: 260 }, more),
      (size: number, more: Partial<PieceSpec>) => vesselSpec({ base: size / 3 }, more),
      (size: number, more: Partial<PieceSpec>) => vesselSpec({ base: size / 3, edge: 'crisp' }, more),
    ),
  })
  .map(({ size, share, of, make }) => {
    const around = wallOf(make(size, {})).guide.perimeter(0)
    const wallCount = Math.round((around / make(size, {}).gauge.w) * share)
    return make(size, {
      constraints: { wallCount, ...(of > 1 ? { multiples: [{ fromRound: 2, of }] } : {}) },
    })
  })

test('a count that is settled on is what goes around the wall; where its girth asks another, both are offered', () => {
  fc.assert(
    fc.property(anyWalled, (spec) => {
      const asked = spec.constraints!.wallCount!
      const wall = wallOf(spec)
      const plan = planPiece(spec)
      const counts = plan.rounds.filter(({ section }) => section === wall.id).map(({ count }) => count)
      expect(new Set(counts)).toEqual(new Set([asked]))
      const of = spec.constraints!.multiples?.[0]?.of ?? 1
      const ideal = wall.guide.perimeter(0) / spec.gauge.w
      const agrees = Math.abs(asked - ideal) <= 0.5 && asked % of === 0
      const found = compromises(spec)
      if (agrees) return expect(found?.fight.kind).not.toBe('count')
      if (found?.fight.kind !== 'count') throw new Error('they fight')
      const [kept, ...others] = found.ways
      expect([kept!.kind, kept!.count, kept!.taken]).toEqual(['asked', asked, true])
      expect(kept!.off).toBeCloseTo((asked - ideal) * spec.gauge.w, 6)
      expect(kept!.over).toBe(asked % of)
      for (const { kind, count, spec: next } of others) {
        expect(count % of).toBe(0)
        // Without it the best count may be the same by the rhythm of its base.
        if (kind !== 'free') expect(count).not.toBe(asked)
        expect(Math.abs(count - ideal)).toBeLessThan(of + 0.04 * ideal)
        expect(next.constraints?.wallCount).toBeUndefined()
      }
      // Each is at peace, but for a count that no size of this form has.
      for (const { spec: next } of found.ways) {
        if (next !== spec) expect(compromises(next)?.fight.kind).not.toBe('count')
      }
    }),
    { numRuns: runs(14), endOnFailure: true },
  )
})

test('a count that is no wall of this size, or does not take what is worked in it, is refused', () => {
  const wallOf70 = (wallCount: number) => () =>
    planPiece(capSpec({ head: 560 }, { constraints: { wallCount } }))
  const refused = (plan: () => unknown) => {
    const answer = attempt(plan)
    return answer.ok ? '' : `${answer.path}: ${answer.unsaid.join(' ')}`
  }
  expect(refused(wallOf70(20))).toMatch(/^constraints.wallCount: 20 stitches do not go around.*From 54 to 89/)
  expect(refused(wallOf70(70.5))).toMatch(/70.5 stitches/)
  const checked = vesselSpec(
    { base: 240 },
    { stitch: 'dc', sections: { wall: { texture: { kind: 'check', over: 3, rounds: 2 } } } },
  )
  expect(refused(() => planPiece({ ...checked, constraints: { wallCount: 110 } }))).toMatch(
    /110 .* divide by 6.*108 or 114/,
  )
  expect(refused(() => planPiece(discSpec(200, { constraints: { wallCount: 40 } })))).toMatch(/one count/)
})

test('what has begun keeps its count, whatever is settled on for the wall afterwards', () => {
  const spec = capSpec({ head: 560, crown: 'flat' })
  const plan = planPiece(spec)
  const begun = plan.rounds.findIndex(({ section }) => section === 'wall') + 2
  const worked = { rounds: plan.rounds.slice(0, begun), edge: { ...plan.rounds[begun - 1]!.at, sd: 1 } }
  const next = planPiece({ ...spec, constraints: { wallCount: 66 } }, worked)
  expect(next.rounds.slice(0, begun).map(({ count }) => count)).toEqual(
    worked.rounds.map(({ count }) => count),
  )
})

test('a crown or base whose wall stands between two rounds: the walls on either side at whose edge it lies flat', () => {
  let fights = 0
  fc.assert(
    fc.property(
      fc.integer({ min: 300, max: 640 }),
      fc.constantFrom(
        (size: number) => capSpec({ head: size + 100, crown: 'flat', depth: 260 }),
        (size: number) => vesselSpec({ base: size / 3 }),
        (size: number) => vesselSpec({ base: size / 3, edge: 'crisp', lean: size % 2 ? 0 : 0.1 }),
      ),
      (size, make) => {
        const spec = make(size)
        const found = compromises(spec)
        if (found?.fight.kind !== 'bend') return
        fights++
        const { rounds, across, section } = found.fight
        const { h } = spec.gauge
        const flat = sectionsOf(spec)[0]!
        expect(section).toBe(flat.id)
        expect(rounds * h).toBeCloseTo(flat.guide.length, 6)
        expect(found.ways[0]).toMatchObject({ kind: 'asked', taken: true })
        expect(Math.abs(found.ways[0]!.offFlat!)).toBeGreaterThan(0.04)
        for (const { kind, count, value, off, offFlat, spec: next } of found.ways.slice(1)) {
          expect(count).toBe(kind === 'fewer' ? Math.floor(rounds) : Math.ceil(rounds))
          // By hand: two rounds wider for every round.
          expect(value - across).toBeCloseTo(2 * h * (count - rounds), 6)
          expect(off).toBeCloseTo(value - across, 6)
          expect(Math.abs(offFlat!)).toBeLessThanOrEqual(0.04)
          expect(sectionsOf(next)[0]!.guide.length / h).toBeCloseTo(count, 6)
          expect(compromises(next)?.fight.kind).not.toBe('bend')
        }
      },
    ),
    { numRuns: runs(60), endOnFailure: true },
  )
  expect(fights).toBeGreaterThan(among(5))
})

test('a size that falls between two rounds: as it comes, a round more or fewer, or last rounds of another stitch', () => {
  let fights = 0
  fc.assert(
    fc.property(
      fc.integer({ min: 150, max: 400 }),
      fc.constantFrom(
        (size: number, more: Partial<PieceSpec>) => capSpec({ depth: 200 + size / 10 }, more),
        (size: number, more: Partial<PieceSpec>) => vesselSpec({ base: 180, height: size / 2 }, more),
        (size: number, more: Partial<PieceSpec>) => discSpec(size, more),
        (size: number, more: Partial<PieceSpec>) => tubeSpec({ girth: 300, length: size / 2 }, more),
      ),
      (size, make) => {
        const construction = { ...make(size, {}).construction, freeLastRounds: 0 as const }
        const spec = make(size, { tolerance: mm(2), construction })
        const found = compromises(spec)
        if (found?.fight.kind !== 'rounds') return
        fights++
        const { wanted, of } = found.fight
        const plan = planPiece(spec)
        const comes = plan.finished.promises.find((one) => one.of === of)!.value
        const [asked, ...others] = found.ways
        expect(asked!.value).toBeCloseTo(comes, 0)
        for (const way of others) {
          expect(way.off).toBeCloseTo(way.value - wanted, 9)
          if (way.kind === 'trimmed') expect(Math.abs(way.off)).toBeLessThan(Math.abs(asked!.off))
          else {
            // On the other side of what was wanted, and asked for as it comes.
            expect(Math.sign(way.off)).toBe(-Math.sign(comes - wanted))
            const [target] = familyOf(way.spec.form).targets(way.spec.form, sizesOf(way.spec))
            expect(target.value).toBeCloseTo(way.value, 0)
          }
        }
        for (const { spec: next } of found.ways) expect(compromises(next)?.fight.kind).not.toBe('rounds')
      },
    ),
    { numRuns: runs(40), endOnFailure: true },
  )
  expect(fights).toBeGreaterThan(among(10))
})
