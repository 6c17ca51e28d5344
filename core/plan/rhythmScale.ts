import { isEdging } from '../stitches/stitch.ts'
import { farthestOffFlat, outerRounds } from './offFlat.ts'
import type { PieceSpec, Round } from './plan.ts'
import { planPiece } from './planPiece.ts'

/** Positions of the rhythm control, from nearest counts to one repeat throughout. */
export const RHYTHM_POSITIONS = [0, 0.25, 0.5, 0.75, 1] as const

export interface RhythmOffer {
  readonly rhythm: number
  /** Largest |flatness| over the outer half. */
  readonly largestDeviation: number
  /** The same in stitches, at the round where it is largest. */
  readonly stitchesOff: number
  /** How many different increases a round the maker has to keep in mind. */
  readonly differentRepeats: number
  /** Rounds whose repeat does not divide the round below. */
  readonly unevenRounds: number
}

/**
 * What each position of the rhythm control buys.
 * @throws SpecError when the spec cannot be planned
 */
export function rhythmScale(spec: PieceSpec): RhythmOffer[] {
  return RHYTHM_POSITIONS.map((rhythm) => ({ rhythm, ...judgeRhythm(planPiece({ ...spec, rhythm }).rounds) }))
}

export function judgeRhythm(rounds: readonly Round[]): Omit<RhythmOffer, 'rhythm'> {
  const shaped = rounds.filter(({ number, stitch }) => number > 1 && !isEdging(stitch))
  const changes = shaped.map(({ count, from }) => count - from)
  return {
    largestDeviation: Math.abs(farthestOffFlat(rounds).flatness),
    stitchesOff: Math.max(...outerRounds(rounds).map(({ count, ideal }) => Math.abs(count - ideal))),
    differentRepeats: new Set(changes).size,
    unevenRounds: rounds.slice(1).filter(({ count, from }) => count !== from && from % (count - from) !== 0)
      .length,
  }
}
