import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { planTogether } from './planTogether.ts'
import { runs } from '../testing/runs.ts'

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
      const changes = changed.finished.promises.map(
        ({ value }, index) => value - plan.finished.promises[index]!.value,
      )
      expect(changes).toContain(together.by)
      expect(Math.abs(together.by)).toBe(Math.max(...changes.map(Math.abs)))
    }),
    { numRuns: runs(15) },
  )
})

test('by hand: four stitches more around a basket are 4·w around, and w·4/π across its mouth', () => {
  const spec = vesselSpec({})
  const { count } = planPiece(spec).rounds.at(-1)!
  const { by } = planTogether(spec, count + 4)!
  expect(by).toBeGreaterThan((spec.gauge.w * 4) / Math.PI / 2)
  expect(by).toBeLessThan(spec.gauge.w * 4 * 1.2)
})

test('four stitches more are planned on a disc and around a tube; twice as many go on neither', () => {
  for (const spec of [discSpec(180), tubeSpec({ girth: 300, length: 140 })]) {
    const { count } = planPiece(spec).rounds.at(-1)!
    expect(planTogether(spec, count + 4)).toBeDefined()
    expect(planTogether(spec, 2 * count)).toBeUndefined()
  }
})
