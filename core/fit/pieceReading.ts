import type { EdgeLies } from '../gauge/evidence.ts'
import { meanOf, type MeasureKind, type Seen } from '../lay/measures.ts'

/** What was measured on a piece in work, after a round. Lengths in mm. */
export interface PieceReading {
  readonly id: string
  readonly copyId: string
  /** Milliseconds since 1970. */
  readonly at: number
  /** The plan version that the round was worked to. */
  readonly planVersion: number
  readonly afterRound: number
  /** It was washed and dried before: of a finished piece. */
  readonly washed?: true
  /** What the tape found, at its edge or at other rounds. */
  readonly seen: readonly Seen[]
  /** How the edge of flat fabric lies. */
  readonly edge?: EdgeLies
  /** Width of the hole in the middle, where there should be none. */
  readonly hole?: number
  /** The join, looked at: a stitch worked into it, the first stitch skipped (or the last hidden), or neither. */
  readonly join?: 'worked' | 'skipped' | 'right'
  /** Rounds whose stitches were counted, this one or others. */
  readonly counts?: readonly { readonly round: number; readonly count: number }[]
}

/** What a reading found of a size at its edge, once or several times; nothing where it was not measured. */
export const seenOf = ({ seen, afterRound }: PieceReading, of: MeasureKind): readonly number[] =>
  seen.find((one) => one.of === of && one.at === afterRound)?.values ?? []

/** The same as one number, mm. */
export function sizeSeen(reading: PieceReading, of: MeasureKind): number | undefined {
  const values = seenOf(reading, of)
  return values.length > 0 ? meanOf(values) : undefined
}
