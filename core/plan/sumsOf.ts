import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { timeOf, yarnOf } from './yarnAndTime.ts'

/** What rounds come to in all. */
export function sumsOf(
  rounds: readonly PlannedRound[],
  spec: PieceSpec,
): Pick<Plan, 'yarn' | 'stitches' | 'seconds'> {
  return {
    yarn: yarnOf(rounds, spec),
    stitches: rounds.reduce((sum, { count }) => sum + count, 0),
    seconds: timeOf(rounds, spec),
  }
}
