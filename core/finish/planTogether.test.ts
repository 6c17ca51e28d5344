import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { planTogether } from './planTogether.ts'

test('planned together a piece ends with the count of its partner, and says what that costs', () => {
  const forms = [discSpec(180), tubeSpec({ girth: 300, length: 140 }), vesselSpec({})]
  fc.assert(
    fc.property(fc.constantFrom(...forms), fc.integer({ min: -6, max: 6 }), (spec, off) => {
      const plan = planPiece(spec)
      const { count } = plan.rounds.at(-1)!
      const together = planTogether(spec, count + off)
      if (off === 0) expect(together).toBeDefined()
      if (!together) return
      const changed = planPiece({ ...spec, constraints: together.constraints })
      expect(changed.rounds.at(-1)!.count).toBe(count + off)
      const [is, was] = [changed, plan].map(({ finished }) => finished.promises[0]!.value)
      expect(together.by).toBeCloseTo(is! - was!, 6)
    }),
    { numRuns: 30 },
  )
})

test('four stitches more are planned on a disc and around a tube; twice as many go on neither', () => {
  for (const spec of [discSpec(180), tubeSpec({ girth: 300, length: 140 })]) {
    const { count } = planPiece(spec).rounds.at(-1)!
    expect(planTogether(spec, count + 4)).toBeDefined()
    expect(planTogether(spec, 2 * count)).toBeUndefined()
  }
})
