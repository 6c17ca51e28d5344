import fc from 'fast-check'
import { diagnose } from '../fit/diagnose.ts'
import { waysOut } from '../fit/waysOut.ts'
import { verify } from '../rounds/verify.ts'
import { anyOutline, drawnSpec, points, vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { offTheLine } from './offTheLine.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { attempt } from '../errors/attempt.ts'
import { among, runs } from '../testing/runs.ts'

const W = 7.6
const H = 7.6 * 0.955
/** Yarn of the specs is 2.5 mm thick, and sc fabric 1.8 times as much. */
const THICK = 4.5
const countsOf = ({ rounds }: Plan) => rounds.map(({ count }) => count)
const worst = (spec: PieceSpec, plan: Plan) =>
  Math.max(...offTheLine(spec, plan)!.map(({ off }) => Math.abs(off)))

test('any drawn shape is planned in whole stitches that go around it, or refused at its outline', () => {
  let planned = 0
  const shape = fc.record({
    outline: anyOutline,
    of: fc.constantFrom('object' as const, 'itself' as const),
    between: fc.constantFrom('curved' as const, 'straight' as const),
    foot: fc.constantFrom('rounded' as const, 'crisp' as const, 'open' as const),
    ease: fc.constantFrom(-0.1, 0, 0.06),
  })
  fc.assert(
    fc.property(shape, (form) => {
      const spec = drawnSpec(form, { rhythm: 0 })
      const answer = attempt(() => planPiece(spec))
      if (!answer.ok) {
        expect(answer.path).toBe('form.outline')
        return
      }
      planned++
      const { rounds } = answer.value
      expect(verify(rounds)).toEqual([])
      // Half a stitch, and what a round can change by where the line runs level; the first two are a ring.
      rounds.slice(2).forEach(({ count, ideal, number, section }, index) => {
        const before = rounds[index + 1]!.ideal
        const slack = 1.5 + Math.abs(ideal - before)
        if (section === rounds[number - 2]!.section)
          expect(Math.abs(count - ideal)).toBeLessThanOrEqual(slack)
      })
    }),
    { numRuns: runs(45), endOnFailure: true },
  )
  expect(planned).toBeGreaterThan(among(15))
})

describe('shapes that have a closed form', () => {
  test('a straight outline is the basket of the same sizes, round by round', () => {
    const drawn = planPiece(drawnSpec({ outline: points([240, 0], [240, 160]), foot: 'crisp' }))
    const basket = planPiece(vesselSpec({ base: 240, height: 160 }))
    expect(countsOf(drawn)).toEqual(countsOf(basket))
  })

  test('from a point evenly out it is the cone: N = 2πs·sinθ/w', () => {
    const spec = drawnSpec({ outline: points([0, 0], [140, 165]), between: 'straight' }, { rhythm: 0 })
    const plan = planPiece(spec)
    const wide = (140 - THICK) / 2
    const slope = wide / Math.hypot(wide, 165 - THICK / 2)
    plan.rounds.slice(2).forEach(({ count, number }) => {
      expect(Math.abs(count - (2 * Math.PI * number * H * slope) / W)).toBeLessThanOrEqual(1)
    })
    expect(worst(spec, plan)).toBeLessThan(2.5)
  })

  test('points on a sphere, joined by curves, are the sphere: N = 2πR·sin(s/R)/w within a stitch and a half', () => {
    const radius = 80
    const on = (angle: number): [number, number] => [
      2 * radius * Math.sin(angle) + THICK,
      radius * (1 - Math.cos(angle)) + (angle > 0 ? THICK / 2 : 0),
    ]
    const angles = Array.from({ length: 11 }, (_, index) => (index * 2.3) / 10)
    const outline = points([0, 0], ...angles.slice(1).map(on))
    const plan = planPiece(drawnSpec({ outline }, { rhythm: 0 }))
    plan.rounds.slice(2, -1).forEach(({ count, number }) => {
      const ideal = (2 * Math.PI * radius * Math.sin((number * H) / radius)) / W
      expect(Math.abs(count - ideal)).toBeLessThanOrEqual(1.5)
    })
  })
})

test('around a thing it goes as far as the thing and its own thickness, less its ease', () => {
  const spec = drawnSpec(
    { outline: points([100, 0], [100, 150]), of: 'object', ease: 0.04, foot: 'open' },
    { rhythm: 0 },
  )
  const { rounds } = planPiece(spec)
  // By hand: 96 mm and 4.5 mm of fabric is 100.5 across its middle.
  for (const { count } of rounds) expect(count).toBe(Math.round((Math.PI * 100.5) / W))
})

test('fabric says where it cannot follow: a shoulder that turns sharply inward bulges, a gentle one does not', () => {
  const sharp = drawnSpec({
    outline: points([120, 0], [120, 100], [60, 100], [60, 150]),
    between: 'straight',
  })
  const gentle = drawnSpec({ outline: points([120, 0], [118, 70], [100, 120], [90, 160]), foot: 'crisp' })
  const plan = planPiece(sharp)
  const off = offTheLine(sharp, plan)!
  const most = off.reduce((far, one) => (Math.abs(one.off) > Math.abs(far.off) ? one : far))
  expect(Math.abs(most.off)).toBeGreaterThan(8)
  expect(plan.rounds[most.round - 1]!.section).toBe('wall')
  expect(worst(gentle, planPiece(gentle))).toBeLessThan(6)
  expect(offTheLine(vesselSpec({}), planPiece(vesselSpec({})))).toBeUndefined()
})

test('beyond a rounded foot the side follows its line within 2.5 % of the foot, or half a stitch; only the corner itself is rounder', () => {
  const shape = fc.record({
    foot: fc.double({ min: 80, max: 280, noNaN: true }),
    belly: fc.double({ min: 0.95, max: 1.4, noNaN: true }),
    neck: fc.double({ min: 0.6, max: 0.95, noNaN: true }),
    w: fc.double({ min: 5, max: 10, noNaN: true }),
  })
  fc.assert(
    fc.property(shape, ({ foot, belly, neck, w }) => {
      const outline = points([foot, 0], [foot * belly, 0.6 * foot], [foot * neck, 1.3 * foot])
      const made = drawnSpec({ outline }, { rhythm: 0 })
      const spec = { ...made, gauge: { ...made.gauge, w: mm(w), h: mm(0.955 * w) } }
      const plan = planPiece(spec)
      const offs = offTheLine(spec, plan)!.filter(({ round }) => plan.rounds[round - 1]!.section === 'wall')
      // Past a tenth of the side: rounds of the corner lie inside of it, the last ends where whole rounds end.
      const side = offs.slice(Math.ceil(offs.length / 10) + 2, -2)
      for (const { off } of side) expect(Math.abs(off)).toBeLessThan(Math.max(3.5, 0.6 * w, 0.025 * foot))
    }),
    { numRuns: runs(40), endOnFailure: true },
  )
})

test('measured around while it is worked, the rest is planned on to the drawn height', () => {
  const spec = drawnSpec({ outline: points([120, 0], [150, 90], [130, 200]) }, { tolerance: 4 as never })
  const plan = planPiece(spec)
  const after = plan.rounds.filter(({ section }) => section === 'base').length + 8
  const promise = (of: string) => {
    const { at } = plan.rounds[after - 1]!
    return of === 'around' ? 2 * Math.PI * at.radius + Math.PI * THICK : at.z + THICK / 2
  }
  const seen = (['around', 'height'] as const).map((of) => ({ of, at: after, values: [promise(of) * 1.06] }))
  const rounds = plan.rounds.slice(0, after)
  const reading = { id: 'r', copyId: 'c', at: 1, planVersion: 1, afterRound: after, seen }
  const diagnosis = diagnose({ spec, rounds, readings: [reading] })
  expect(diagnosis.hands).toBe('loose')
  const { ways } = waysOut({ spec, hook: 5, plan, afterRound: after, diagnosis })
  const replanned = ways.find(({ kind }) => kind === 'replan')!.plan
  expect(verify(replanned.rounds)).toEqual([])
  const height = replanned.finished.promises.find(({ of }) => of === 'height')!.value
  expect(Math.abs(height - 200)).toBeLessThan(0.8 * H * 1.06)
  // Looser stitches: fewer of them reach the same width at its edge.
  expect(replanned.rounds.at(-1)!.count).toBeLessThan(plan.rounds.at(-1)!.count)
})
