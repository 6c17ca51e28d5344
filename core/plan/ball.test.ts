import fc from 'fast-check'
import { plain } from '../rounds/steps.ts'
import { halfEllipse } from '../forms/ball/halfEllipse.ts'
import { SpecError } from '../errors/specError.ts'
import { verify } from '../rounds/verify.ts'
import { ballSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { fillAfter } from './fillAfter.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const inSection = ({ rounds }: Plan, id: string) => rounds.filter(({ section }) => section === id)
const countsIn = (plan: Plan, id: string) => inSection(plan, id).map(({ count }) => count)
const THICK = 4.5

const anyBall = fc
  .record({
    across: fc.double({ min: 70, max: 260, noNaN: true }),
    filling: fc.constantFrom('firm' as const, 'soft' as const, 'none' as const),
    w: fc.double({ min: 4, max: 9, noNaN: true }),
    ratio: fc.double({ min: 0.92, max: 1.05, noNaN: true }),
    rhythm: fc.constantFrom(0, 0.5),
  })
  .map(({ w, ratio, rhythm, ...form }): PieceSpec => {
    const spec = ballSpec(form, { rhythm })
    return { ...spec, gauge: { ...spec.gauge, w: mm(w), h: mm(w * 0.955 * ratio) } }
  })

test('the decreases of a ball undo its increases, and its counts are those of a sphere', () => {
  fc.assert(
    fc.property(anyBall, (spec) => {
      if (spec.form.family !== 'ball') return
      const { across, filling } = spec.form
      const { w, h } = spec.gauge
      const plan = planPiece(spec)
      expect(verify(plan.rounds)).toEqual([])
      const [out, back] = [countsIn(plan, 'out'), countsIn(plan, 'in')]
      expect(back).toEqual([...out].reverse().slice(1))
      // By hand: empty it is smaller by what filling adds; a round so far from the pole is 2πR sin(s/R) around.
      const grows = { firm: 1.04, soft: 1.02, none: 1 }[filling]
      const radius = (across - THICK) / 2 / grows
      inSection(plan, 'out').forEach(({ count, at }) => {
        const ideal = (2 * Math.PI * radius * Math.sin(Math.min(Math.PI / 2, at.arc / radius))) / w
        expect(Math.abs(count - ideal)).toBeLessThanOrEqual(1 + (spec.rhythm > 0 ? 0.13 : 0.02) * ideal)
      })
      // Half way around it is as many rounds as are high.
      expect(Math.abs(out.length * h - (Math.PI / 2) * radius)).toBeLessThan(h)
      // Filled, it measures what was asked, by half a stitch and rhythm; or it says how far off.
      const [{ of, value }] = plan.finished.promises as [Plan['finished']['promises'][number]]
      expect(of).toBe('around')
      const said = plan.notices.some(({ code }) => code === 'sizeMissed')
      expect(said || Math.abs(value - Math.PI * across) < 6).toBe(true)
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('an egg is widest where it is asked to be, and closes on six to eight stitches', () => {
  const plan = planPiece(ballSpec({ longer: 0.5, widest: 0.65 }, { rhythm: 0 }))
  const out = inSection(plan, 'out')
  const widest = Math.max(...plan.rounds.map(({ count }) => count))
  expect(out.at(-1)!.count).toBe(widest)
  expect(out.length).toBeGreaterThan(inSection(plan, 'in').length)
  expect(plan.rounds.at(-1)!.count).toBeGreaterThanOrEqual(5)
  expect(plan.rounds.at(-1)!.count).toBeLessThanOrEqual(9)
})

test('it is filled while two fingers still go in, later than at its widest; what is not filled never is', () => {
  const plan = planPiece(ballSpec({}))
  const after = fillAfter(ballSpec({}), plan)!
  expect(2 * plan.rounds[after - 1]!.at.radius).toBeGreaterThanOrEqual(38)
  expect(2 * plan.rounds[after]!.at.radius).toBeLessThan(38)
  expect(after).toBeGreaterThan(inSection(plan, 'out').length)
  expect(fillAfter(ballSpec({ filling: 'none' }), plan)).toBeUndefined()
})

test('a quarter of a circle is as long as one, and as wide at every place', () => {
  const { length, radius } = halfEllipse(50, 50)
  expect(length).toBeCloseTo((Math.PI / 2) * 50, 2)
  for (const share of [0, 0.2, 0.5, 0.9, 1]) {
    expect(radius(share * length)).toBeCloseTo(50 * Math.sin((share * Math.PI) / 2), 1)
  }
})

test('it is measured around while it widens, then no more until it is filled', () => {
  const plan = planPiece(ballSpec({ across: 200 }))
  const open = inSection(plan, 'out').length
  for (const { afterRound, promises } of plan.checkpoints) {
    expect(afterRound <= open || afterRound === plan.rounds.length).toBe(true)
    expect(promises.map(({ of }) => of)).toEqual(['around'])
  }
})

test('wishes that no ball can fulfil get a sentence that says what would do', () => {
  const refused = (form: Parameters<typeof ballSpec>[0]) => {
    try {
      planPiece(ballSpec(form))
    } catch (error) {
      if (error instanceof SpecError) return [error.path, error.valid]
    }
    return []
  }
  expect(refused({ across: 2 })).toEqual(['form.across', expect.stringContaining('At least')])
  expect(refused({ across: 5000 })).toEqual(['form.across', expect.stringContaining('Up to')])
  expect(refused({ longer: 9 })[0]).toBe('form.longer')
  expect(refused({ widest: 0.01 })[0]).toBe('form.widest')
})

test('planned on from the closing half, it still undoes the way out; a round that went wrong there is paced afresh', () => {
  const spec = ballSpec({})
  const plan = planPiece(spec)
  const widest = plan.rounds.findLast(({ section }) => section === 'out')!.number
  const counts = plan.rounds.map(({ count }) => count)
  for (const last of [widest - 3, widest, widest + 1, widest + 4]) {
    const { radius, z, arc } = plan.rounds[last - 1]!.at
    const edge = { radius: radius * 0.96, z: z * 0.96, sd: 1, along: { arc: arc * 0.96, sd: 1 } }
    const again = planPiece(spec, { rounds: plan.rounds.slice(0, last), edge })
    const back = again.rounds.map(({ count }) => count)
    const out = again.rounds.filter(({ section }) => section === 'out').length
    // By hand: the round k after the widest has the count of the round k before it.
    for (let k = 1; k < out; k++) expect(back[out - 1 + k]).toBe(back[out - 1 - k])
    if (last >= widest) expect(back).toEqual(counts)
  }
  const wrong = plan.rounds.slice(0, widest + 1)
  const off = wrong.map((round, index) =>
    index < widest ? round : { ...round, steps: [...round.steps, { times: 1, ops: [plain('sc')] }] },
  )
  const { radius, z, arc } = wrong.at(-1)!.at
  const afresh = planPiece(spec, { rounds: off, edge: { radius, z, sd: 1, along: { arc, sd: 1 } } })
  expect(afresh.rounds.at(-1)!.count).toBeLessThan(12)
})
