import type { Round, RoundId } from '../rounds/round.ts'

/** Where the hook is: in which round, and how many of its stitches, increases and decreases are made. */
export interface Position {
  readonly round: RoundId
  readonly unit: number
}

interface Entry {
  readonly id: string
  readonly copyId: string
  /** Running number within the copy, from 1; the log has no gaps. */
  readonly seq: number
  /** Milliseconds since 1970. */
  readonly at: number
}

interface Move extends Entry {
  readonly from: Position
  readonly to: Position
}

/**
 * One line of the append-only log of a copy. Moves carry where they began and ended, so that the
 * log is a chain: each `from` is the `to` before it.
 */
export type LogEvent =
  | (Entry & { readonly type: 'start'; readonly planVersion: number; readonly to: Position })
  | (Move & { readonly type: 'work'; readonly by: 'stitch' | 'repeat' | 'round' })
  | (Move & { readonly type: 'nextRound' })
  | (Move & { readonly type: 'goTo' })
  | (Move & { readonly type: 'undo'; readonly undoes: string })
  /** From here on the piece is worked to another version of its plan. */
  | (Move & { readonly type: 'replan'; readonly planVersion: number; readonly fromVersion: number })
  | (Entry & {
      readonly type: 'count'
      readonly round: RoundId
      readonly counted: number
      readonly expected: number
    })
  | (Entry & { readonly type: 'note'; readonly position: Position; readonly text: string })
  | (Entry & { readonly type: 'finish' })
  | (Entry & { readonly type: 'reopen' })

/** A new event before the log gives it its place. */
export type NewEvent = LogEvent extends infer E
  ? E extends LogEvent
    ? Omit<E, 'id' | 'copyId' | 'seq' | 'at'>
    : never
  : never

/** Before the first stitch of a piece. */
export const startOf = (rounds: readonly Pick<Round, 'id'>[]): Position => ({ round: rounds[0]!.id, unit: 0 })

export const samePosition = (one: Position, other: Position): boolean =>
  one.round === other.round && one.unit === other.unit
