import fc from 'fast-check'
import { planSmallPart, SMALL_PART_LIMITS, validateSmallPart, type SmallPart } from './smallParts.ts'

const yarn = { w: 7, yarnDiameter: 2.5 }
const within = ([min, max]: readonly [number, number]) => fc.integer({ min, max })
const { long, opening, across, strands, turns, stitches } = SMALL_PART_LIMITS
const anyPart: fc.Arbitrary<SmallPart> = fc.oneof(
  fc.record({ kind: fc.constant('cord' as const), long: within(long), firm: fc.boolean() }),
  fc.record({ kind: fc.constant('loop' as const), opening: within(opening), over: fc.boolean() }),
  fc.record({ kind: fc.constant('braid' as const), long: within(long), strands: within(strands) }),
  fc.record({ kind: fc.constant('tassel' as const), long: within(long), turns: within(turns) }),
  fc.record({ kind: fc.constant('pompom' as const), across: within(across) }),
  fc.record({ kind: fc.constant('dot' as const), stitches: within(stitches) }),
)

test('by hand: chains of a cord, of a loop and over it, strands of a braid, turns of a pompom', () => {
  // 30 cm of chains of 7 mm: 43; back along it as many, and one to turn.
  expect(planSmallPart({ kind: 'cord', long: 300, firm: false }, yarn, 16)).toMatchObject({ chains: 43 })
  expect(planSmallPart({ kind: 'cord', long: 300, firm: true }, yarn, 16)).toMatchObject({
    chains: 44,
    stitches: 43,
  })
  // FIELD §13: chain c opens c·w/π across, and takes about 2.5 sc a chain: c 8 → 20 sc.
  expect(planSmallPart({ kind: 'loop', opening: 17.8, over: true }, yarn, 16)).toMatchObject({
    chains: 8,
    stitches: 20,
  })
  expect(planSmallPart({ kind: 'braid', long: 200, strands: 7 }, yarn, 16)).toMatchObject({
    strands: { count: 9, each: 360 },
    metres: 3.24,
  })
  expect(planSmallPart({ kind: 'dot', stitches: 6 }, yarn, 16)).toMatchObject({ stitches: 6 })
  expect(planSmallPart({ kind: 'dot', stitches: 18 }, yarn, 16)).toMatchObject({ chains: 6, stitches: 18 })
  // A tassel of 20 turns around 10 cm is 4 m, and what ties it.
  expect(planSmallPart({ kind: 'tassel', long: 100, turns: 20 }, yarn, 16).metres).toBeCloseTo(4.6)
  // A pompom of 5 cm in medium yarn: some ninety turns, about nine metres.
  const pompom = planSmallPart({ kind: 'pompom', across: 50 }, yarn, 16)
  expect(pompom.turns!.count).toBeGreaterThan(70)
  expect(pompom.turns!.count).toBeLessThan(110)
  expect(pompom.metres).toBeCloseTo(9, 0)
})

test('a larger part takes no less yarn and no less time, in any yarn', () => {
  fc.assert(
    fc.property(
      anyPart,
      fc.double({ min: 3, max: 20, noNaN: true }),
      fc.double({ min: 0.8, max: 8, noNaN: true }),
      (part, w, yarnDiameter) => {
        const larger = {
          ...part,
          ...('long' in part ? { long: part.long * 1.5 } : {}),
          ...('opening' in part ? { opening: part.opening * 1.5 } : {}),
          ...('across' in part ? { across: part.across * 1.5 } : {}),
        }
        const [one, other] = [part, larger].map((each) => planSmallPart(each, { w, yarnDiameter }, 16))
        expect(one!.metres).toBeGreaterThan(0)
        expect(other!.metres).toBeGreaterThanOrEqual(one!.metres)
        expect(other!.seconds).toBeGreaterThanOrEqual(one!.seconds)
      },
    ),
  )
})

test('no pompom, tassel or long cord for whoever puts things into their mouth', () => {
  fc.assert(
    fc.property(anyPart, (part) => {
      const dangerous =
        part.kind === 'pompom' ||
        part.kind === 'tassel' ||
        ((part.kind === 'cord' || part.kind === 'braid') && part.long > 200)
      const refuse = expect(() => validateSmallPart(part, true))
      if (dangerous) refuse.toThrow(/swallowed|neck/)
      else refuse.not.toThrow()
      expect(() => validateSmallPart(part, false)).not.toThrow()
    }),
  )
})
