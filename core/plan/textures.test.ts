import fc from 'fast-check'
import { attempt } from '../errors/attempt.ts'
import { SpecError } from '../errors/specError.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { expandSteps, stitchesConsumed, stitchesProduced } from '../rounds/steps.ts'
import {
  numbersOfTexture,
  opsOfTexture,
  repeatOf,
  sizeOfTexture,
  TEXTURE_KINDS,
  usualTexture,
  type Texture,
} from '../rounds/texture.ts'
import { verify } from '../rounds/verify.ts'
import { BODY_STITCHES, type StitchName } from '../stitches/stitch.ts'
import { capSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { compromises } from './compromises/compromises.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { wallFit } from './wallFit.ts'
import { runs } from '../testing/runs.ts'

const anyTexture: fc.Arbitrary<Texture> = fc
  .constantFrom(...TEXTURE_KINDS)
  .chain((kind) =>
    fc
      .record(
        Object.fromEntries(
          numbersOfTexture(kind).map(({ number, least, most }) => [
            number,
            fc.integer({ min: least, max: most }),
          ]),
        ),
      )
      .map((numbers) => ({ kind, ...numbers })),
  )

const inSection = ({ rounds }: Plan, id: string) => rounds.filter(({ section }) => section === id)

/** A basket whose wall is textured. */
const textured = (texture: Texture, stitch: StitchName = 'dc', base = 240): PieceSpec => {
  const spec = vesselSpec({ base, edge: 'crisp' }, { stitch }, 1.91)
  return { ...spec, sections: { wall: { texture } } }
}

test('a repeat uses as many stitches as it makes and as it says, on either side', () => {
  fc.assert(
    fc.property(
      anyTexture,
      fc.constantFrom(...BODY_STITCHES),
      fc.nat(40),
      fc.constantFrom('right' as const, 'wrong' as const),
      (texture, stitch, index, side) => {
        const steps = [{ times: 1, ops: opsOfTexture(texture, stitch, index, side) }]
        // One stitch alike all around repeats after any number.
        expect(repeatOf(texture) % stitchesProduced(steps)).toBe(0)
        expect(stitchesConsumed(steps)).toBe(stitchesProduced(steps))
      },
    ),
    { numRuns: runs(300) },
  )
})

test('the wall of any basket in any texture adds up, has the girth in its own stitches and the repeat in its count', () => {
  let taken = 0
  fc.assert(
    fc.property(anyTexture, fc.double({ min: 160, max: 400, noNaN: true }), (texture, base) => {
      const spec = textured(texture, 'dc', base)
      const planned = attempt(() => planPiece(spec))
      if (!planned.ok) throw new Error(JSON.stringify(planned))
      taken++
      const plan = planned.value
      expect(verify(plan.rounds)).toEqual([])
      const wall = inSection(plan, 'wall').slice(1)
      const width = wall[0]!.around / wall[0]!.ideal
      for (const { count, ideal } of wall) {
        expect(count % repeatOf(texture)).toBe(0)
        expect(Math.abs(count - ideal)).toBeLessThanOrEqual(repeatOf(texture) / 2 + 0.02 * ideal)
      }
      expect(width).toBeCloseTo(spec.gauge.w * sizeOfTexture(texture).width, 6)
    }),
    { numRuns: runs(60), endOnFailure: true },
  )
  expect(taken).toBe(runs(60))
})

test('a rib goes up in columns, a check is reversed, and both stand on a plain round', () => {
  const worked = (texture: Texture) =>
    inSection(planPiece(textured(texture)), 'wall').map((round) => writeRoundBody(round, 'US'))
  const rib = worked({ kind: 'rib', over: 2 })
  expect(rib[0]).toBe('dc in back loop of each st')
  // The second comes to the count of the texture.
  expect(rib[1]).toMatch(/inc/)
  expect(new Set(rib.slice(2)).size).toBe(1)
  expect(rib[2]).toMatch(/^\(2 FPdc, 2 BPdc\) × \d+$/)
  const check = worked({ kind: 'check', over: 3, rounds: 2 })
  expect(check[2]).toMatch(/^\(3 FPdc, 3 BPdc\) × \d+$/)
  expect(check[3]).toBe(check[2])
  expect(check[4]).toMatch(/^\(3 BPdc, 3 FPdc\) × \d+$/)
  expect(check[6]).toBe(check[2])
})

test('spikes and popcorns never stand side by side, around the round and at its end', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('spike' as const, 'popcorn' as const),
      fc.integer({ min: 1, max: 11 }),
      (kind, over) => {
        const plan = planPiece(textured({ ...usualTexture(kind), over }))
        for (const { steps } of inSection(plan, 'wall')) {
          const raised = expandSteps(steps).map(({ manner }) => manner === kind)
          raised.forEach((is, index) => expect(is && raised[(index + 1) % raised.length]).toBe(false))
        }
      },
    ),
    { numRuns: runs(22) },
  )
})

test('a texture takes its width, height, yarn and time: by hand from the table', () => {
  const plain = planPiece({ ...textured(usualTexture('rib')), sections: {} })
  const wall = (plan: Plan) => inSection(plan, 'wall').at(-1)!
  const check = planPiece(textured(usualTexture('check')))
  // 0.92 as wide: so many more around; 0.72 as high: so many more up.
  expect(Math.abs(wall(check).ideal / wall(plain).ideal - 1 / 0.92)).toBeLessThan(0.01)
  const rise = (plan: Plan) => wall(plan).at.arc - inSection(plan, 'wall').at(-2)!.at.arc
  expect(rise(check) / rise(plain)).toBeCloseTo(0.72, 2)
  expect(check.seconds).toBeGreaterThan(plain.seconds * 1.4)
  const [lot] = check.yarn
  const [less] = plain.yarn
  expect(lot!.metres / less!.metres).toBeGreaterThan(1.2)
  // Nobody has measured it: within 10%, 19 times of 20.
  const doubt = (plan: Plan) => plan.finished.promises[0]!.sd / plan.finished.promises[0]!.value
  expect(doubt(check)).toBeGreaterThan(0.04)
  expect(doubt(check)).toBeGreaterThan(2 * doubt(plain))
})

test('what cannot be: posts in sc, a texture that grows, a number that no texture has', () => {
  const refused = (spec: PieceSpec) => {
    try {
      planPiece(spec)
    } catch (error) {
      if (error instanceof SpecError) return error
    }
    throw new Error('it was planned')
  }
  expect(refused(textured({ kind: 'rib', over: 1 }, 'sc')).message).toContain('no post')
  const base = { ...textured(usualTexture('mesh')), sections: { base: { texture: usualTexture('mesh') } } }
  expect(refused(base).message).toContain('grows')
  expect(refused(textured({ kind: 'check', over: 0, rounds: 3 })).message).toContain('number')
  expect(refused(textured({ kind: 'check', over: 3 })).message).toContain('number')
})

test('a ribbed brim: 5% fewer, an even count, and it stretches over the head', () => {
  const spec = capSpec({ brim: 'ribbed', depth: 240 })
  const plan = planPiece(spec)
  const [wall, brim] = [inSection(plan, 'wall'), inSection(plan, 'brim')]
  expect(brim.every(({ stitch }) => stitch === 'dc')).toBe(true)
  expect(brim[0]!.count / wall[0]!.count).toBeCloseTo(0.95, 1)
  expect(brim[0]!.count % 2).toBe(0)
  expect(writeRoundBody(brim[1]!, 'US')).toBe(`(FPdc, BPdc) × ${brim[1]!.count / 2}`)
  expect(writeRoundBody(brim[1]!, 'UK')).toBe(`(FPtr, BPtr) × ${brim[1]!.count / 2}`)
  const { rib, snug } = wallFit(spec, plan)
  // A stitch of 7.6 mm: 0.8 as wide by itself, 1.1 stretched.
  expect(rib!.relaxed / (brim[1]!.count * 7.6 * 0.8)).toBeCloseTo(1, 1)
  expect(rib!.stretched).toBeCloseTo(brim[1]!.count * 7.6 * 1.1, 6)
  expect(rib!.stretched).toBeGreaterThan(570)
  expect(snug).toBeLessThan(0.1)
  const folded = planPiece(capSpec({ brim: 'folded', depth: 240 }))
  expect(inSection(folded, 'brim').length).toBeGreaterThan(1.7 * brim.length)
})

test('where a repeat does not go into the girth: the counts on either side, not one without it', () => {
  const spec = { ...tubeSpec({ girth: 333, length: 100 }, { stitch: 'dc' }), sections: {} }
  const of = { kind: 'check', over: 4, rounds: 2 } as const
  const asked: PieceSpec = {
    ...spec,
    gauge: { ...spec.gauge, w: mm(8), h: mm(15) },
    sections: { wall: { texture: of } },
  }
  const found = compromises(asked)
  expect(found?.fight).toMatchObject({ kind: 'count', of: 8 })
  expect(found!.ways.map(({ kind }) => kind)).toEqual(['fewer', 'more'])
  for (const { count, spec: next } of found!.ways) {
    expect(count % 8).toBe(0)
    expect(new Set(planPiece(next).rounds.map((round) => round.count))).toEqual(new Set([count]))
  }
})

test('on a crisp base too, where its wall steps to the count of the texture', () => {
  const found = compromises(textured({ kind: 'check', over: 5, rounds: 2 }, 'dc', 240))
  const { fight } = found!
  if (fight.kind !== 'count') throw new Error('a repeat fights a girth')
  expect(fight.of).toBe(10)
  expect(found!.ways.map(({ count }) => count % 10)).toEqual([0, 0])
  expect(found!.ways[1]!.count - found!.ways[0]!.count).toBe(10)
  for (const { around, off } of found!.ways) expect(around! - off).toBeCloseTo(fight.around, 6)
})

test('a gauge that was measured in the texture itself is taken as it is, with its own doubt', () => {
  const spec = textured(usualTexture('check'))
  const wall = { ...spec.sections!['wall']!, gauge: { ...spec.gauge, w: mm(7), h: mm(11) } }
  const [plain, measured] = [wall, { ...wall, measured: true as const }].map((work) =>
    planPiece({ ...spec, sections: { wall: work } }),
  )
  const width = ({ rounds }: Plan) => rounds.at(-1)!.around / rounds.at(-1)!.ideal
  expect(width(measured!)).toBeCloseTo(7, 6)
  expect(width(plain!)).toBeCloseTo(7 * 0.92, 6)
  const doubt = (plan: Plan) => plan.finished.promises[0]!.sd / plan.finished.promises[0]!.value
  expect(doubt(measured!)).toBeLessThan(0.6 * doubt(plain!))
})
