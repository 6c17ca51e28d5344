import { familyOf } from '../forms/registry.ts'
import { measured } from '../lay/measures.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { sectionsOf, type PieceToOutline } from './wantedAround.ts'

/** A cord of chain through the holes of a round. Lengths in mm. */
export interface Drawstring {
  /** Number of the round that the holes are in, how many they are, and after how many stitches there is one. */
  readonly round: number
  readonly holes: number
  readonly every: number
  readonly length: number
  readonly chains: number
}

/** What hangs out of either end to be drawn and tied (FIELD §11). */
const TO_TIE = 130
/** A chain is narrower than a stitch. */
const CHAIN_WIDTH = 0.85

/** The cord of a piece that is drawn in by one: as long as it goes around, and enough to tie. */
export function drawstringOf(
  spec: PieceToOutline & Pick<PieceSpec, 'form'>,
  { rounds }: Pick<Plan, 'rounds'>,
): Drawstring | undefined {
  if (!familyOf(spec.form).cord?.(spec.form)) return undefined
  const found = sectionsOf(spec).find(({ holes }) => holes !== undefined)
  const round = found && rounds.find(({ section }) => section === found.id)
  if (!found?.holes || !round) return undefined
  const length = measured('around', round.at) + 2 * TO_TIE
  return {
    round: round.number,
    holes: Math.floor(round.count / found.holes),
    every: found.holes,
    length,
    chains: Math.round(length / (CHAIN_WIDTH * spec.gauge.w)),
  }
}
