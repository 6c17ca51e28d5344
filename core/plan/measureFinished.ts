import { flatnessOfLastThird, lieOf } from '../shape/disc.ts'
import { isEdging } from '../stitches/stitch.ts'
import type { Measurements, PlannedRound } from './plan.ts'

/** What the piece measures when done. The last third of the rounds decides how it lies. */
export function measureFinished(rounds: readonly PlannedRound[]): Measurements {
  const edge = rounds.at(-1)!
  const fabric = rounds.filter(({ stitch }) => !isEdging(stitch))
  const mean = flatnessOfLastThird(fabric.length > 0 ? fabric : rounds)
  return {
    across: 2 * edge.at.radius,
    plusMinus: 2 * 2 * edge.at.sd,
    height: edge.at.z,
    flatness: mean,
    lie: lieOf(mean),
  }
}
