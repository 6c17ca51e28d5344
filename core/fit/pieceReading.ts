import type { EdgeLies } from '../gauge/evidence.ts'

/** What was measured on a piece in work, after a round. Lengths in mm. */
export interface PieceReading {
  readonly id: string
  readonly copyId: string
  /** Milliseconds since 1970. */
  readonly at: number
  /** The plan version that the round was worked to. */
  readonly planVersion: number
  readonly afterRound: number
  /** Diameters: one, or two at right angles. */
  readonly across: readonly number[]
  /** Length around the edge. */
  readonly around?: number
  readonly edge: EdgeLies
  /** Width of the hole in the middle, where there should be none. */
  readonly hole?: number
  /** The join, looked at: a stitch worked into it, the first stitch skipped (or the last hidden), or neither. */
  readonly join?: 'worked' | 'skipped' | 'right'
  /** Rounds whose stitches were counted, this one or others. */
  readonly counts?: readonly { readonly round: number; readonly count: number }[]
}
