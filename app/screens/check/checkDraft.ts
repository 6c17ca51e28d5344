import { LIMITS, type PieceReading } from '../../../core/index.ts'
import { edgeOf, type EdgeDraft } from '../../ui/edgeDraft.ts'

/** A measurement of a piece as far as it is filled in. Lengths in mm. */
export interface CheckDraft extends EdgeDraft {
  readonly across?: number
  readonly acrossTurned?: number
  readonly around?: number
  readonly hole?: number
  readonly join?: PieceReading['join']
  /** Counted stitches by round. */
  readonly counts: Readonly<Record<number, number>>
}

export const EMPTY_CHECK: CheckDraft = { edge: 'flat', much: 'little', counts: {} }

/** The draft as a reading; nothing while the measure across, or how far the edge stands up, is missing. */
export function readingOf(
  draft: CheckDraft,
  taken: Pick<PieceReading, 'id' | 'copyId' | 'at' | 'planVersion' | 'afterRound'>,
): PieceReading | undefined {
  const { across, acrossTurned, around, hole, join, counts } = draft
  const edge = edgeOf(draft)
  if (across === undefined || !edge) return undefined
  const counted = Object.entries(counts).map(([round, count]) => ({ round: Number(round), count }))
  return {
    ...taken,
    across: [across, ...(acrossTurned === undefined ? [] : [acrossTurned])],
    ...(around === undefined ? {} : { around }),
    ...(hole === undefined ? {} : { hole }),
    ...(join === undefined ? {} : { join }),
    edge,
    ...(counted.length > 0 ? { counts: counted } : {}),
  }
}

/** Whether a kept draft can be shown: older ones may hold lengths that no field takes any more. */
export function draftFits(draft: CheckDraft): boolean {
  const within = (value: number | undefined, [least, most]: readonly [number, number]) =>
    value === undefined || (value >= least && value <= most)
  return (
    within(draft.across, LIMITS.across) &&
    within(draft.acrossTurned, LIMITS.across) &&
    within(draft.around, LIMITS.around) &&
    within(draft.hole, LIMITS.hole) &&
    within(draft.standsUp, LIMITS.standsUp) &&
    Object.values(draft.counts).every((count) => Number.isInteger(count) && count >= 1 && count <= 100_000)
  )
}
