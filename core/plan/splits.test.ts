import fc from 'fast-check'
import { attempt } from '../errors/attempt.ts'
import { partOf } from '../rounds/round.ts'
import { verify } from '../rounds/verify.ts'
import { ballSpec, capSpec, coneSpec, discSpec, drawnSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { learnFromPiece } from '../fit/learnFromPiece.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import type { Constraints, Opening, PieceSpec, SectionWork } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { alongAt, beginnings, withSplits } from './splits.ts'
import { maySplit, partsOf, sectionsOf } from './wantedAround.ts'
import { runs } from '../testing/runs.ts'

const anySpec = fc
  .record({
    size: fc.integer({ min: 200, max: 400 }),
    make: fc.constantFrom(
      (size: number) => discSpec(size),
      (size: number) => capSpec({ head: size + 150, depth: 260 }),
      (size: number) => vesselSpec({ base: size / 2, height: 160 }),
      (size: number) => vesselSpec({ base: size / 2, height: 160, edge: 'crisp', lean: 0.1 }),
      (size: number) => tubeSpec({ girth: size, length: 160 }),
      (size: number) => coneSpec({ to: size / 2, length: 180 }),
      (size: number) => drawnSpec({}, { rhythm: size % 2 ? 0 : 0.5 }),
    ),
  })
  .map(({ size, make }) => make(size))

/** The last part split somewhere within it. */
const split = (spec: PieceSpec, share: number): PieceSpec => {
  const part = partsOf(spec).at(-1)!
  return { ...spec, constraints: { splits: [{ part: part.id, along: share * part.guide.length }] } }
}

test('split sections want together what their part wants, one after the other', () => {
  fc.assert(
    fc.property(anySpec, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (spec, share) => {
      const part = partsOf(spec).at(-1)!
      const sections = sectionsOf(split(spec, share))
      expect(sections.map(({ id }) => id)).toEqual([...partsOf(spec).map(({ id }) => id), `${part.id}-2`])
      const [one, other] = sections.slice(-2)
      expect(one!.guide.length + other!.guide.length).toBeCloseTo(part.guide.length, 9)
      expect(other!.guide.perimeter(3)).toBeCloseTo(part.guide.perimeter(share * part.guide.length + 3), 9)
      expect([other!.even, other!.crisp]).toEqual([part.even === true ? true : undefined, undefined])
    }),
    { numRuns: runs(60) },
  )
})

test('split and worked alike it comes out as before; with a larger hook from there on it has fewer rounds and stitches', () => {
  fc.assert(
    fc.property(anySpec, fc.double({ min: 0.35, max: 0.65, noNaN: true }), (spec, share) => {
      const plain = planPiece(spec)
      const alike = planPiece(split(spec, share))
      expect(verify(alike.rounds)).toEqual([])
      // Each section comes in whole rounds of its own.
      expect(Math.abs(alike.rounds.length - plain.rounds.length)).toBeLessThanOrEqual(2)
      plain.finished.promises.forEach(({ of, value }, index) => {
        const there = alike.finished.promises[index]!
        expect(there.of).toBe(of)
        expect(Math.abs(there.value / value - 1)).toBeLessThan(0.08)
      })
      const { id } = partsOf(spec).at(-1)!
      const larger = { ...spec.gauge, w: mm(spec.gauge.w * 1.2), h: mm(spec.gauge.h * 1.2) }
      const work: SectionWork = { gauge: larger }
      const hooked = planPiece({ ...split(spec, share), sections: { ...spec.sections, [`${id}-2`]: work } })
      expect(verify(hooked.rounds)).toEqual([])
      const own = ({ rounds }: typeof plain) => rounds.filter(({ section }) => section === `${id}-2`)
      // A base that dishes under its wall may leave more of the height to it.
      expect(own(hooked).length).toBeLessThanOrEqual(own(alike).length + 1)
      // A fifth wider stitches: a fifth fewer of them go around its edge.
      const [edge, before] = [own(hooked).at(-1)!, own(alike).at(-1)!]
      expect(edge.count / before.count).toBeGreaterThan(1 / 1.2 - 0.09)
      expect(edge.count / before.count).toBeLessThan(1 / 1.2 + 0.09)
      const ahead = whatIsAhead(hooked.rounds, own(hooked)[0]!.number - 2, {
        ...split(spec, share),
        sections: { [`${id}-2`]: work },
      })
      expect(ahead).toMatchObject({ rounds: 1, section: `${id}-2`, tools: true })
    }),
    { numRuns: runs(40), endOnFailure: true },
  )
})

test('by hand: a tube of 20 rounds split after its twelfth, 4 in a stitch twice as tall after it', () => {
  const tube = tubeSpec({ girth: 300, of: 'tube', length: 20 * 8 }, { tolerance: mm(5) })
  const spec: PieceSpec = {
    ...tube,
    gauge: { ...tube.gauge, h: mm(8) },
    constraints: { splits: [{ part: 'wall', along: 96 }] },
    sections: { 'wall-2': { gauge: { ...tube.gauge, h: mm(16) } } },
  }
  const { rounds } = planPiece(spec)
  expect(rounds.map(({ section }) => section)).toEqual([
    ...new Array<string>(12).fill('wall'),
    ...new Array<string>(4).fill('wall-2'),
  ])
  expect(rounds.map(({ number }) => alongAt(spec, rounds, number)).slice(10, 15)).toEqual([
    80, 88, 96, 112, 128,
  ])
  // Two fabrics in one teach neither.
  const reading = {
    id: 'r',
    copyId: 'c',
    at: 1,
    afterRound: 16,
    seen: [{ of: 'length', at: 16, values: [160] }],
  } as unknown as Parameters<typeof learnFromPiece>[0]
  expect(learnFromPiece(reading, planPiece(spec), spec, 'tube')).toBeUndefined()
})

test('a count that is settled on holds for all of a wall in one gauge, and not where another begins', () => {
  const settled = { wallCount: 76, splits: [{ part: 'wall', along: 40 }] }
  const cap = capSpec({ head: 560, crown: 'flat', depth: 260 }, { constraints: settled })
  const around = (spec: PieceSpec, id: string) => [
    ...new Set(planPiece(spec).rounds.flatMap(({ section, count }) => (section === id ? [count] : []))),
  ]
  expect([around(cap, 'wall'), around(cap, 'wall-2')]).toEqual([[76], [76]])
  const wide = { ...cap.gauge, w: mm(cap.gauge.w * 1.25) }
  const wider: PieceSpec = { ...cap, sections: { 'wall-2': { gauge: wide } } }
  expect(around(wider, 'wall')).toEqual([76])
  const [count] = around(wider, 'wall-2')
  // By hand: 56 cm less 3%, in stitches a quarter wider.
  expect(Math.abs(count! - (560 * 0.97) / wide.w)).toBeLessThan(3)
})

test('each section is as sure as its own gauge: by hand, 96 mm to 2% and 64 mm to 10%', () => {
  const tube = tubeSpec({ girth: 300, of: 'tube', length: 160 })
  const { gauge } = tube
  const sure = { ...gauge, h: mm(8), varLnH: 0.02 ** 2, varLnW: 0.02 ** 2, covLnWLnH: 0 }
  const guess = { ...sure, varLnH: 0.1 ** 2, varLnW: 0.1 ** 2 }
  const { rounds } = planPiece({
    ...tube,
    gauge: sure,
    constraints: { splits: [{ part: 'wall', along: 96 }] },
    sections: { 'wall-2': { gauge: guess } },
  })
  const edge = rounds.at(-1)!.at
  expect(rounds[11]!.at.sdArc).toBeCloseTo(0.02 * 96, 0)
  expect(edge.sdArc).toBeCloseTo(Math.hypot(0.02 * 96, 0.1 * 64), 0)
  expect(edge.sd / edge.radius).toBeGreaterThan(0.08)
  expect(rounds[5]!.at.sd / rounds[5]!.at.radius).toBeLessThan(0.03)
})

test('a split taken in, moved or out leaves every section its way of working and every opening its place', () => {
  const opening: Opening = { section: 'wall', along: 100, at: 0.5, width: 40 }
  const piece = { sections: { wall: { stitch: 'hdc' as const } }, constraints: { openings: [opening] } }
  const once = withSplits(piece, 'wall', [{ along: 60, like: 0 }])
  expect(once).toEqual({
    sections: { wall: { stitch: 'hdc' }, 'wall-2': { stitch: 'hdc' } },
    constraints: {
      openings: [{ ...opening, section: 'wall-2', along: 40 }],
      splits: [{ part: 'wall', along: 60 }],
    },
  })
  const changed = { ...once, sections: { ...once.sections, 'wall-2': { stitch: 'dc' as const } } }
  // One before it: what was the second is the third, and as it was.
  const twice = withSplits(changed, 'wall', [
    { along: 60, like: 1 },
    { along: 30, like: 0 },
  ])
  expect(beginnings(twice.constraints, 'wall')).toEqual([0, 30, 60])
  expect(twice.sections).toEqual({
    wall: { stitch: 'hdc' },
    'wall-2': { stitch: 'hdc' },
    'wall-3': { stitch: 'dc' },
  })
  const back = withSplits(twice, 'wall', [])
  expect(back).toEqual(piece)
  type Bare = { readonly sections?: Readonly<Record<string, SectionWork>>; readonly constraints: Constraints }
  const bare: Bare = { constraints: {} }
  const dc: SectionWork = { stitch: 'dc' }
  expect(withSplits<SectionWork, Bare>(bare, 'brim', [{ along: 20, like: 0 }], dc)).toEqual({
    sections: { 'brim-2': { stitch: 'dc' } },
    constraints: { splits: [{ part: 'brim', along: 20 }] },
  })
})

test('what closes again, a lip and what is beyond its part are refused', () => {
  const refused = (spec: PieceSpec, part: string, along: number) => {
    const answer = attempt(() => planPiece({ ...spec, constraints: { splits: [{ part, along }] } }))
    return answer.ok ? '' : `${answer.path}: ${answer.unsaid.join(' ')}`
  }
  for (const { id } of partsOf(ballSpec({})))
    expect(refused(ballSpec({}), id, 20)).toMatch(/cannot be worked/)
  expect(refused(vesselSpec({ edge: 'lip' }), 'lip', 1)).toMatch(/cannot be worked/)
  expect(refused(discSpec(200), 'wall', 20)).toMatch(/constraints.splits/)
  expect(refused(discSpec(200), 'flat', 300)).toMatch(/beyond its part.*Up to/)
  const parts = partsOf(capSpec({}))
  expect(parts.filter((part) => maySplit(part, parts)).map(({ id }) => partOf(id))).toEqual(['crown', 'wall'])
})
