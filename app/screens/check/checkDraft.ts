import type { EdgeLies, PieceReading } from '../../../core/index.ts'

/** A measurement of a piece as far as it is filled in. Lengths in mm. */
export interface CheckDraft {
  readonly across?: number
  readonly acrossTurned?: number
  readonly around?: number
  readonly hole?: number
  readonly edge: EdgeLies['kind']
  readonly standsUp?: number
  readonly much: 'little' | 'lot'
  /** Counted stitches by round. */
  readonly counts: Readonly<Record<number, number>>
}

export const EMPTY_CHECK: CheckDraft = { edge: 'flat', much: 'little', counts: {} }

/** The draft as a reading; nothing while the measure across, or how far the edge stands up, is missing. */
export function readingOf(
  draft: CheckDraft,
  taken: Pick<PieceReading, 'id' | 'copyId' | 'at' | 'planVersion' | 'afterRound'>,
): PieceReading | undefined {
  const { across, acrossTurned, around, hole, edge, standsUp, much, counts } = draft
  if (across === undefined || (edge === 'standsUp' && standsUp === undefined)) return undefined
  const counted = Object.entries(counts).map(([round, count]) => ({ round: Number(round), count }))
  return {
    ...taken,
    across: [across, ...(acrossTurned === undefined ? [] : [acrossTurned])],
    ...(around === undefined ? {} : { around }),
    ...(hole === undefined ? {} : { hole }),
    edge:
      edge === 'flat'
        ? { kind: 'flat' }
        : edge === 'standsUp'
          ? { kind: 'standsUp', by: standsUp! }
          : { kind: 'waves', much },
    ...(counted.length > 0 ? { counts: counted } : {}),
  }
}
