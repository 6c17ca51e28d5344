import { planPiece } from '../../../core/index.ts'
import { discSpec } from '../../../core/testing/specs.ts'
import type { Bench } from '../../../tools/benchKit.ts'
import { unrolled } from './unrolled.ts'
import { cellsIn } from './cells.ts'

const spec = discSpec(2 * 40 * 7.64)
const plan = planPiece(spec)

export const benches: Bench[] = [
  {
    name: `cells of ${plan.stitches} stitches, against planning them`,
    baseline: () => planPiece(spec),
    run: () => cellsIn(unrolled(plan, { scale: 1, x: 0, y: 0, cut: 0.75, mirrored: false })),
    budgetMs: 25,
  },
]
