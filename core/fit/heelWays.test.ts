import { heelFit } from '../plan/heelFit.ts'
import { planPiece } from '../plan/planPiece.ts'
import { verify } from '../rounds/verify.ts'
import { bootieSpec } from '../testing/chainSpecs.ts'
import { sockSpec, slipperSpec } from '../testing/rowSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { heelWays } from './heelWays.ts'

/** A bootie whose opening is too tight: 105% of the foot where a heel wants 125%. */
const tight = bootieSpec({ opening: 1.05 })

test('a heel that will not pass: wider, ribbed, or larger; after each of them it passes, and nothing is lost before', () => {
  const plan = planPiece(tight)
  const now = heelFit(tight, plan.rounds)!
  expect(now.stretched).toBeLessThan(now.passes)
  const afterRound = plan.rounds.length - 2
  const ways = heelWays({ spec: tight, hook: 3.5, plan, afterRound })
  expect(ways.map(({ kind }) => kind)).toContain('openWider')
  for (const { kind, plan: next, spec, keeps, pulledOut, hook } of ways) {
    expect(verify(next.rounds)).toEqual([])
    const fit = heelFit(spec, next.rounds)!
    // By hand: 1.25 × 10.5 cm.
    expect(fit.stretched).toBeGreaterThan(0.97 * 131)
    expect(next.rounds.slice(0, keeps).map(({ steps }) => steps)).toEqual(
      plan.rounds.slice(0, keeps).map(({ steps }) => steps),
    )
    const out = plan.rounds.slice(keeps, afterRound).reduce((sum, { count }) => sum + count, 0)
    expect(pulledOut).toBe(out)
    if (kind === 'openWider') {
      const toe = ({ rounds }: typeof plan) => rounds.filter(({ section }) => section === 'instep').length
      expect(toe(next)).toBeLessThan(toe(plan))
    }
    expect(hook === undefined).toBe(kind !== 'largerHook')
    if (hook !== undefined) expect(hook).toBeGreaterThan(3.5)
  }
})

test('before its toe is closed so far nothing has to be pulled out', () => {
  const plan = planPiece(tight)
  const first = plan.rounds.find(({ section }) => section === 'instep')!.number
  const [wider] = heelWays({ spec: tight, hook: 3.5, plan, afterRound: first })
  expect(wider).toMatchObject({ kind: 'openWider', pulledOut: 0, keeps: first })
})

test('told that it will not, though it should: it is made to stretch farther than was thought', () => {
  const spec = bootieSpec({ opening: 1.4 })
  const plan = planPiece(spec)
  const now = heelFit(spec, plan.rounds)!
  expect(now.stretched).toBeGreaterThan(now.passes)
  const ways = heelWays({ spec, hook: 3.5, plan, afterRound: plan.rounds.length - 1 })
  expect(ways.length).toBeGreaterThan(0)
  for (const way of ways) {
    expect(heelFit(way.spec, way.plan.rounds)!.stretched).toBeGreaterThan(1.03 * now.stretched)
  }
})

test('a sock is worked on a larger hook from its ankle; where no heel passes there is no way to ask for', () => {
  const spec = sockSpec({ ease: -0.08 })
  const plan = planPiece(spec)
  const ways = heelWays({ spec, hook: 5, plan, afterRound: plan.rounds.length - 3 })
  expect(ways.map(({ kind }) => kind)).toContain('openWider')
  const slipper = slipperSpec()
  expect(heelWays({ spec: slipper, hook: 5, plan: planPiece(slipper), afterRound: 10 })).toEqual([])
  const mat = discSpec(200)
  expect(heelWays({ spec: mat, hook: 5, plan: planPiece(mat), afterRound: 10 })).toEqual([])
})
