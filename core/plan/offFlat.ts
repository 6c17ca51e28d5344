import { inOuterHalf } from '../counts/countsProblem.ts'
import { isEdging } from '../stitches/stitch.ts'
import type { PlannedRound } from './plan.ts'

/** Rounds of the outer half that could wave or cup: an edging of slip stitches cannot. */
export function outerRounds(rounds: readonly PlannedRound[]): readonly PlannedRound[] {
  const outer = rounds.filter(({ stitch }, index) => inOuterHalf(index, rounds.length) && !isEdging(stitch))
  return outer.length > 0 ? outer : rounds
}

/** The outer round that is farthest from lying flat. */
export const farthestOffFlat = (rounds: readonly PlannedRound[]): PlannedRound =>
  outerRounds(rounds).reduce((most, round) =>
    Math.abs(round.flatness) > Math.abs(most.flatness) ? round : most,
  )
