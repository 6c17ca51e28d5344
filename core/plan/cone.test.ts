import fc from 'fast-check'
import { attempt } from '../errors/attempt.ts'
import { newPiece, withForm } from '../exchange/newPiece.ts'
import { diagnose } from '../fit/diagnose.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { waysOut } from '../fit/waysOut.ts'
import { familyOf } from '../forms/registry.ts'
import { verify } from '../rounds/verify.ts'
import { coneSpec, tubeSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import { endOf } from './endOf.ts'
import { pin, unpin } from './pinnedPlan.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { sizesOf } from './wantedAround.ts'
import { among, runs } from '../testing/runs.ts'

const promised = ({ finished }: Plan, of: string) => finished.promises.find((one) => one.of === of)!.value

const anyCone = fc
  .record({
    begins: fc.constantFrom('point' as const, 'open' as const),
    from: fc.double({ min: 50, max: 220, noNaN: true }),
    to: fc.double({ min: 60, max: 300, noNaN: true }),
    length: fc.double({ min: 80, max: 320, noNaN: true }),
    w: fc.double({ min: 3, max: 11, noNaN: true }),
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    ratio: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
    rhythm: fc.constantFrom(0, 0.5),
  })
  .map(({ w, stitch, ratio, rhythm, ...form }): PieceSpec => {
    const usual = { sc: 0.955, hdc: 1.27, dc: 1.91 }[stitch]
    const spec = coneSpec(form, { stitch, rhythm })
    return { ...spec, gauge: { ...spec.gauge, stitch, w: mm(w), h: mm(w * usual * ratio) } }
  })

test('a cone of any slope has 2πr/w stitches everywhere, and comes as long and wide as asked', () => {
  let taken = 0
  fc.assert(
    fc.property(anyCone, (spec) => {
      if (spec.form.family !== 'cone') return
      const planned = attempt(() => planPiece(spec))
      if (!planned.ok) {
        expect(planned.path).toMatch(/^form\.(length|from|to)$/)
        return
      }
      taken++
      const plan = planned.value
      const { w, h, yarnDiameter } = spec.gauge
      const { begins, from, to, length } = spec.form
      const thickness = 1.8 * yarnDiameter
      const [r0, r1] = [begins === 'point' ? 0 : (from - thickness) / 2, (to - thickness) / 2]
      expect(verify(plan.rounds)).toEqual([])
      plan.rounds.forEach(({ count, number }, index) => {
        if (number < 5) return
        // By hand: the radius so far along the side. A point begins blunt, with four stitches.
        const along = Math.min(length, (index + 1) * h)
        const wanted = (2 * Math.PI * (r0 + ((r1 - r0) * along) / length)) / w
        const blunt = begins === 'point' ? 4 * (1 - along / length) : 0
        expect(Math.abs(count - wanted)).toBeLessThanOrEqual(
          // Few stitches give.
          (wanted < 30 ? 3 : 1) + blunt + (spec.rhythm > 0 ? 0.05 : 0.03) * wanted,
        )
      })
      expect(Math.abs(promised(plan, 'length') - length)).toBeLessThanOrEqual(h / 2 + 1e-6)
      const last = plan.rounds.at(-1)!
      // A few rounds, or nearly flat ones, hold one another; else lay agrees with its stitches within 4%.
      if (plan.rounds.length < 8 || Math.abs(r1 - r0) > 0.8 * length) return
      expect(Math.abs(promised(plan, 'width') / ((last.count * w) / 2) - 1)).toBeLessThan(0.04)
    }),
    { numRuns: runs(120), endOnFailure: true },
  )
  expect(taken).toBeGreaterThan(among(60))
})

test('a constant increase is a cone: +3 of sc rises as sinθ = d·w/2πh says', () => {
  // 3 stitches of 7.6 mm each 7.26 mm: sinθ = 0.5; 150 mm along it, 75 mm out.
  const spec = coneSpec({ to: 150 + 4.5, length: 150 }, { rhythm: 0.5 })
  const plan = planPiece(spec)
  const grown = plan.rounds.slice(4).map(({ count, from }) => count - from)
  expect(Math.abs(grown.reduce((sum, one) => sum + one, 0) / grown.length - 3)).toBeLessThan(0.25)
  const { z, radius } = plan.rounds.at(-1)!.at
  expect(z / (150 * Math.cos(Math.PI / 6))).toBeCloseTo(1, 1)
  expect(radius / 75).toBeCloseTo(1, 1)
})

test('a funnel narrows as well as it widens, from a chain as long as its first round', () => {
  const wide = planPiece(coneSpec({ begins: 'open', from: 160, to: 60, length: 150 }))
  const narrow = planPiece(coneSpec({ begins: 'open', from: 60, to: 160, length: 150 }))
  expect(wide.rounds[0]!.from).toBe(wide.rounds[0]!.count)
  expect(wide.rounds.at(-1)!.count).toBeLessThan(wide.rounds[0]!.count / 2)
  expect(narrow.rounds.at(-1)!.count).toBeGreaterThan(2 * narrow.rounds[0]!.count)
  expect(wide.rounds.every(({ count, from }) => count <= from)).toBe(true)
})

test('what cannot be a cone is refused with what would be right', () => {
  const path = (form: Parameters<typeof coneSpec>[0]) => {
    const planned = attempt(() => planPiece(coneSpec(form)))
    return planned.ok ? undefined : planned.path
  }
  expect(path({ to: 2 })).toBe('form.to')
  expect(path({ to: 5000 })).toBe('form.to')
  expect(path({ to: 300, length: 100 })).toBe('form.length')
  expect(path({ begins: 'open', from: 140, to: 140 })).toBe('form.from')
  expect(path({ begins: 'open', from: 6 })).toBe('form.from')
  expect(path({})).toBeUndefined()
})

test('asked to begin otherwise, a piece begins on what its form can begin on', () => {
  const piece = newPiece({
    id: 'a',
    projectId: 'a',
    gaugeId: 'a',
    yarnId: 'a',
    form: { family: 'cone', to: 140, length: 180, begins: 'point', from: 40, end: 'open' },
  })
  expect(piece.construction.start.kind).toBe('magicRing')
  const open = withForm(piece, { ...piece.form, begins: 'open' } as typeof piece.form)
  expect(open.construction.start.kind).toBe('joinedChain')
  expect(withForm(open, open.form)).toEqual(open)
})

test('measured in work, a cone that comes out narrow is diagnosed and planned on', () => {
  const spec = coneSpec({})
  const plan = planPiece(spec)
  const after = 12
  const { radius, arc } = plan.rounds[after - 1]!.at
  const reading: PieceReading = {
    id: 'a',
    copyId: 'a',
    at: 1,
    planVersion: 1,
    afterRound: after,
    seen: [
      { of: 'width', at: after, values: [Math.PI * radius * 0.93] },
      { of: 'length', at: after, values: [arc * 0.93] },
    ],
  }
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, after), readings: [reading] })
  expect(diagnosis.hands).toBe('tight')
  const { ways } = waysOut({ spec, hook: 5, plan, afterRound: after, diagnosis })
  const replanned = ways.find(({ kind }) => kind === 'replan')!
  expect(Math.abs(promised(replanned.plan, 'length') - 180)).toBeLessThanOrEqual(spec.gauge.h)
  expect(Math.abs(promised(replanned.plan, 'width') / promised(plan, 'width') - 1)).toBeLessThan(0.03)
  expect(unpin(spec, pin(plan))).toEqual(plan)
})

test('an end is joined in pairs, or gathered to a hole that is told, and said to be too wide from 24 sc on', () => {
  const tube = (girth: number, end: 'flat' | 'gathered' | 'open') => {
    const spec = tubeSpec({ girth, end, of: 'tube' })
    const plan = planPiece(spec)
    return { spec, plan, end: endOf(spec, plan) }
  }
  const flat = tube(200, 'flat')
  expect(flat.end).toEqual({ kind: 'flat', pairs: 12, odd: true })
  expect(flat.plan.rounds.at(-1)!.count).toBe(25)
  const small = tube(96, 'gathered')
  // By hand: 12 stitches of 2.5 mm yarn, 12·2.5/π.
  expect(small.end).toMatchObject({ kind: 'gathered', stitches: 12, tooWide: false })
  expect(small.end?.kind === 'gathered' && small.end.hole).toBeCloseTo(9.55, 2)
  expect(tube(240, 'gathered').end).toMatchObject({ stitches: 30, tooWide: true })
  expect(tube(240, 'open').end).toBeUndefined()
  const { plan, spec } = small
  expect(whatIsAhead(plan.rounds, plan.rounds.length - 1, spec)).toMatchObject({ end: { kind: 'gathered' } })
  expect(whatIsAhead(plan.rounds, plan.rounds.length - 2, spec)).toBeUndefined()
})

test('asked for by its angle, it is as long as that takes, and opens so', () => {
  const anyCone = fc.record({
    to: fc.double({ min: 60, max: 400, noNaN: true }),
    from: fc.double({ min: 20, max: 55, noNaN: true }),
    begins: fc.constantFrom('point' as const, 'open' as const),
    degrees: fc.double({ min: 5, max: 140, noNaN: true }),
  })
  fc.assert(
    fc.property(anyCone, ({ degrees, ...form }) => {
      const spec = coneSpec(form)
      const { angle } = familyOf(spec.form)
      const sizes = sizesOf(spec)
      const asked = angle!.towards(spec.form, sizes, degrees)
      expect(angle!.of(asked, sizes)).toBeCloseTo(degrees, 6)
      // By hand: half the difference of the ends, less the fabric of a closed one, over the sine of half the angle.
      const narrow = form.begins === 'point' ? 0 : (form.from - 4.5) / 2
      const half = (degrees / 2 / 180) * Math.PI
      expect('length' in asked && asked.length).toBeCloseTo(
        ((form.to - 4.5) / 2 - narrow) / Math.sin(half),
        6,
      )
    }),
  )
  // 60 degrees from a point: as long along its side as wide at its end.
  const made = coneSpec({ to: 150 + 4.5 })
  const asked = familyOf(made.form).angle!.towards(made.form, sizesOf(made), 60)
  const plan = planPiece({ ...made, form: asked })
  const last = plan.rounds.at(-1)!
  expect(Math.abs(last.at.arc - 2 * last.at.radius)).toBeLessThan(0.06 * last.at.arc)
})
