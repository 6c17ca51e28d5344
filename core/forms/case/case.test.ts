import fc from 'fast-check'
import { hingeOf } from '../../plan/hingeOf.ts'
import { planPiece } from '../../plan/planPiece.ts'
import type { PieceSpec } from '../../plan/plan.ts'
import { validateSpec } from '../../plan/validateSpec.ts'
import { verify } from '../../rounds/verify.ts'
import { caseSpec, inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { among, runs } from '../../testing/runs.ts'

const anyCase: fc.Arbitrary<PieceSpec> = fc
  .record({
    long: fc.double({ min: 50, max: 300, noNaN: true }),
    share: fc.double({ min: 0.12, max: 0.9, noNaN: true }),
    high: fc.double({ min: 60, max: 300, noNaN: true }),
    corners: fc.constantFrom('boxy', 'rounded', 'round'),
    ease: fc.double({ min: 0, max: 0.08, noNaN: true }),
    base: fc.constantFrom('full', 'slim'),
    opens: fc.double({ min: 0.4, max: 0.8, noNaN: true }),
    w: fc.double({ min: 3, max: 8, noNaN: true }),
    tall: fc.double({ min: 0.93, max: 1.07, noNaN: true }),
    stitch: fc.constantFrom('sc', 'hdc', 'dc'),
  })
  .map(({ long, share, w, tall, stitch, ...form }) => {
    const thick = long * share
    const spec = caseSpec({ ...form, long, thick, radius: thick / 4 }, { stitch })
    return inStitches(spec, stitch, w, tall)
  })

const asLid = (spec: PieceSpec): PieceSpec =>
  spec.form.family === 'case' ? { ...spec, form: { ...spec.form, part: 'lid' } } : spec

/** Around a box with rounded corners, mm: straight sides and four quarter circles. */
function around(long: number, thick: number, radius: number): number {
  return 2 * (long - 2 * radius) + 2 * (thick - 2 * radius) + 2 * Math.PI * radius
}

test('a case goes around what it holds within two stitches, and its lid has as many as its body', () => {
  let made = 0
  fc.assert(
    fc.property(anyCase, (spec) => {
      const { form, gauge } = spec
      const [body, lid] = [plannedIfAny(spec), plannedIfAny(asLid(spec))]
      if (!body || form.family !== 'case') return
      made++
      expect(verify(body.rounds)).toEqual([])
      const wall = body.rounds.filter(({ section }) => section === 'wall')
      expect(new Set(wall.map(({ count }) => count)).size).toBe(1)
      // By hand: the inside is N·w less π times the fabric's thickness (FIELD §3).
      const inside = wall[0]!.count * gauge.w - Math.PI * 1.8 * gauge.yarnDiameter
      const radius = form.corners === 'boxy' ? 0 : form.corners === 'round' ? form.thick / 2 : form.radius
      const object = around(form.long, form.thick, radius) * (1 - form.ease)
      expect(Math.abs(inside - object)).toBeLessThanOrEqual(2 * gauge.w)
      if (lid) expect(lid.rounds.at(-1)!.count).toBe(wall[0]!.count)
    }),
    { numRuns: runs(150), endOnFailure: true },
  )
  expect(made).toBeGreaterThan(among(70))
})

test('a headlamp of 9 × 5 × 11 cm: body and lid part at its opening line, and are as high as it together', () => {
  const spec = caseSpec({ long: 90, thick: 50, high: 110, opens: 0.65 })
  const [body, lid] = [planPiece(spec), planPiece(asLid(spec))]
  const high = promise(body.finished, 'height').value + promise(lid.finished, 'height').value
  const thickness = 1.8 * spec.gauge.yarnDiameter
  // Each in whole rounds: a round of both may be off.
  expect(Math.abs(high - (110 + 2 * thickness))).toBeLessThan(spec.gauge.h + 2)
  expect(Math.abs(promise(body.finished, 'height').value - (0.65 * 110 + thickness))).toBeLessThan(
    spec.gauge.h,
  )
})

test('the hinge lies in the middle of the back, as much of the way around as was asked', () => {
  const spec = caseSpec({ hinge: 0.25 })
  const plan = planPiece(spec)
  const { stitches, from } = hingeOf(spec, plan)!
  const last = plan.rounds.at(-1)!
  expect(Math.abs(stitches / last.count - 0.25)).toBeLessThan(0.5 / last.count + 1e-9)
  // The back is the second side: its middle is three quarters of the way less a quarter of what goes around an end.
  const sides = 2 * Math.round(plan.rounds[0]!.at.spine! / spec.gauge.w)
  const middle = (3 * sides) / 4 + (last.count - sides) / 2
  expect(Math.abs(from - 1 + stitches / 2 - middle)).toBeLessThanOrEqual(1)
  expect(hingeOf(caseSpec({ closing: 'none' }), plan)).toBeUndefined()
})

test.each([
  [{ long: 0 }, 'form.long', 'no size'],
  [{ long: 50, thick: 90 }, 'form.thick', 'thicker than long'],
  [{ opens: 0.99 }, 'form.opens', 'no body, or no lid'],
  [{ high: 14, part: 'lid' as const, opens: 0.9 }, 'form.opens', 'rounds high'],
  [{ corners: 'rounded' as const, radius: 40 }, 'form.radius', 'No corner'],
  [{ long: 52, thick: 50, corners: 'round' as const }, 'form.long', 'too nearly'],
])('refuses %j in a sentence', (form, path, says) => {
  expect(() => validateSpec(caseSpec(form))).toThrow(
    expect.objectContaining({ path, message: expect.stringContaining(says) as string }) as Error,
  )
})
