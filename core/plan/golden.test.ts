import { readFileSync } from 'node:fs'
import { specOf } from '../exchange/specOf.ts'
import type { ProjectFile } from '../exchange/records.ts'
import { goldenPlan, type GoldenPlan } from '../testing/goldenPlans.ts'
import { specOfAsked, type AskedDisc } from '../testing/specs.ts'

type Kept = GoldenPlan | { readonly refused: string }

const read = (path: string): unknown => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8'))
const golden = read('../testing/goldenPlans.json') as {
  readonly discs: readonly { readonly asked: AskedDisc; readonly plan: Kept }[]
  readonly demo: readonly { readonly piece: string; readonly plan: Kept }[]
}

/** A maker's plan is not changed behind their back: whoever means to, writes the golden plans anew and says why. */
describe('plans stay as they were', () => {
  test('and there are three hundred of them', () => expect(golden.discs).toHaveLength(300))

  test.each([0, 100, 200])('of the hundred discs from the %ith on', (first) => {
    const changed = golden.discs
      .slice(first, first + 100)
      .map(({ asked, plan }, index) => ({
        index: first + index,
        was: plan,
        is: goldenPlan(specOfAsked(asked)),
      }))
      .filter(({ was, is }) => JSON.stringify(was) !== JSON.stringify(is))
    expect(changed).toEqual([])
  })

  test('of the demo', () => {
    const demo = read('../../demo/skarn-hut.uzel.json') as ProjectFile
    for (const { piece: id, plan } of golden.demo) {
      const piece = demo.pieces.find((one) => one.id === id)!
      const gauge = demo.gauges.find((one) => one.id === piece.gaugeId)!
      expect(goldenPlan(specOf(piece, gauge, 16))).toEqual(plan)
    }
  })
})
