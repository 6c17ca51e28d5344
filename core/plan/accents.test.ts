import fc from 'fast-check'
import { attempt } from '../errors/attempt.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { expandSteps } from '../rounds/steps.ts'
import { repeatOf, TEXTURE_KINDS, usualAccent, worksIn, type TextureKind } from '../rounds/texture.ts'
import { verify } from '../rounds/verify.ts'
import { BODY_STITCHES } from '../stitches/stitch.ts'
import { capSpec, coneSpec, discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { repairCount } from '../fit/repairCount.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import type { Accent, PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const anyForm = fc
  .record({
    size: fc.integer({ min: 180, max: 420 }),
    stitch: fc.constantFrom(...BODY_STITCHES),
    make: fc.constantFrom(
      (size: number, more: Partial<PieceSpec>) => discSpec(size, more),
      (size: number, more: Partial<PieceSpec>) => capSpec({ head: size + 150, depth: 260 }, more),
      (size: number, more: Partial<PieceSpec>) => vesselSpec({ base: size / 2, height: 150 }, more),
      (size: number, more: Partial<PieceSpec>) => tubeSpec({ girth: size, length: 160 }, more),
    ),
  })
  .map(({ size, stitch, make }) => make(size, { stitch }))

const withAccents = (spec: PieceSpec, accents: readonly Accent[]): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, accents },
})

test('an accent round is even and repeats, its neighbours take its increases over, and the size stays', () => {
  fc.assert(
    fc.property(
      anyForm,
      fc.double({ min: 0.35, max: 0.9, noNaN: true }),
      fc.constantFrom(...TEXTURE_KINDS),
      (spec, share, kind) => {
        const texture = usualAccent(kind)
        if (!worksIn(texture, spec.stitch)) return
        const plain = planPiece(spec)
        const round = Math.max(3, Math.round(share * plain.rounds.length))
        // A lip, a trim and an edge that turns are what they are.
        const at = plain.rounds[round - 1]!
        if (at.stitch !== spec.stitch || at.section !== plain.rounds[round - 2]!.section) return
        const plan = planPiece(withAccents(spec, [{ round, texture }]))
        const accent = plan.rounds[round - 1]!
        if (accent.stitch !== spec.stitch) return
        expect(accent.count).toBe(accent.from)
        expect(accent.count % repeatOf(texture)).toBe(0)
        expect(expandSteps(accent.steps).some(({ manner }) => manner !== undefined)).toBe(true)
        expect(verify(plan.rounds)).toEqual([])
        const plainOnes = plan.rounds.filter(({ number }) => number !== round)
        expect(plainOnes.every(({ steps }) => expandSteps(steps).every(({ manner }) => !manner))).toBe(true)
        // What it is measured by stays within what whole rounds of it allow.
        plain.finished.promises.forEach(({ of, value }, index) => {
          const off = Math.abs(plan.finished.promises[index]!.value - value)
          const room = of === 'around' ? 2 * Math.PI : of === 'width' ? Math.PI : 2
          expect(off).toBeLessThan(room * spec.gauge.h * 2 + repeatOf(texture) * spec.gauge.w)
        })
      },
    ),
    { numRuns: runs(120), endOnFailure: true },
  )
})

test('a mat of 13 rounds of 6 keeps its size with three accents, by hand: 24, 36 and 36 where 30 and 36 were', () => {
  const accents: Accent[] = [
    { round: 6, texture: usualAccent('popcorn') },
    { round: 9, texture: usualAccent('cluster') },
  ]
  const plain = planPiece(discSpec(200))
  const plan = planPiece(withAccents(discSpec(200), accents))
  expect(plain.rounds.map(({ count }) => count).slice(3, 7)).toEqual([24, 30, 36, 42])
  // Rnd 6 is even and a multiple of 4: its increases go to Rnd 5.
  expect(plan.rounds.map(({ count }) => count).slice(3, 7)).toEqual([24, 36, 36, 42])
  expect(plan.rounds[8]!.count % 2).toBe(0)
  expect(Math.abs(plan.finished.promises[0]!.value / plain.finished.promises[0]!.value - 1)).toBeLessThan(
    0.02,
  )
  expect(plan.finished.lie).toBe('flat')
  expect(writeRoundBody(plan.rounds[5]!, 'US')).toBe('(3 sc, 5-sc popcorn) × 9')
  expect(writeRoundBody(plan.rounds[8]!, 'US')).toMatch(/^\(3-sc cluster, ch 1 and skip 1\) × \d+$/)
  expect(writeRoundBody(plan.rounds[8]!, 'UK')).toMatch(/^\(3-dc cluster, ch 1 and miss 1\) × \d+$/)
  // Five times the yarn for every popcorn.
  expect(plan.yarn[0]!.metres).toBeGreaterThan(1.1 * plain.yarn[0]!.metres)
})

test('it is told two rounds ahead, and takes no lost stitch up', () => {
  const spec = withAccents(discSpec(220), [{ round: 9, texture: usualAccent('spike') }])
  const plan = planPiece(spec)
  const told = plan.rounds.map((_, place) => whatIsAhead(plan.rounds, place, spec)?.accent)
  expect(told.slice(5, 9)).toEqual([undefined, 'spike', 'spike', undefined])
  expect(repairCount(spec, plan, 8, plan.rounds[7]!.count + 1)).toMatchObject({
    advice: 'goBack',
    why: 'texture',
  })
})

test('what cannot be an accent is refused with what could', () => {
  const refused = (spec: PieceSpec, accents: readonly Accent[]) => {
    const answer = attempt(() => planPiece(withAccents(spec, accents)))
    return answer.ok ? '' : `${answer.path}: ${answer.unsaid.join(' ')}`
  }
  const popcorn = usualAccent('popcorn')
  expect(refused(discSpec(200), [{ round: 1, texture: popcorn }])).toMatch(
    /Round 1 cannot be an accent.*round 2/,
  )
  expect(
    refused(discSpec(200), [
      { round: 5, texture: popcorn },
      { round: 5, texture: popcorn },
    ]),
  ).toMatch(/Round 5 has two textures/)
  expect(refused(discSpec(200), [{ round: 5, texture: usualAccent('rib') }])).toMatch(/no post/)
  expect(refused(discSpec(200), [{ round: 5, texture: { ...popcorn, over: 40 } }])).toMatch(/From 1 to 11/)
  // One that the piece has no round for is there when the piece grows.
  const far: Accent[] = [{ round: 400, texture: popcorn }]
  expect(planPiece(withAccents(discSpec(200), far)).rounds).toEqual(planPiece(discSpec(200)).rounds)
  const kinds: TextureKind[] = ['popcorn', 'cluster', 'spike', 'mesh']
  for (const kind of kinds) expect(refused(coneSpec({}), [{ round: 6, texture: usualAccent(kind) }])).toBe('')
})
