import { isEdging } from '../stitches/stitch.ts'
import { farthestOffFlat, outerRounds } from './offFlat.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'
import { planPiece } from './planPiece.ts'

/** Positions of the rhythm control, from nearest counts to one repeat throughout. */
export const RHYTHM_POSITIONS = [0, 0.25, 0.5, 0.75, 1] as const

export interface RhythmOffer {
  /** Positions that give the same counts, from the most precise. */
  readonly positions: readonly number[]
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
 * What the positions of the rhythm control buy; those with the same outcome are one offer.
 * @throws SpecError when the spec cannot be planned
 */
export function rhythmScale(spec: PieceSpec): RhythmOffer[] {
  const offers: { counts: string; offer: RhythmOffer }[] = []
  for (const rhythm of RHYTHM_POSITIONS) {
    const { rounds } = planPiece({ ...spec, rhythm })
    const counts = rounds.map(({ count, stitch }) => `${count} ${stitch}`).join()
    const last = offers.at(-1)
    if (last?.counts === counts) {
      offers.pop()
      offers.push({ counts, offer: { ...last.offer, positions: [...last.offer.positions, rhythm] } })
    } else offers.push({ counts, offer: { positions: [rhythm], ...judgeRhythm(rounds) } })
  }
  return offers.map(({ offer }) => offer)
}

export function judgeRhythm(rounds: readonly PlannedRound[]): Omit<RhythmOffer, 'positions'> {
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
