import type { MeasureKind } from '../../lay/measures.ts'
import type { SectionId } from '../../rounds/round.ts'
import type { Finished, PieceSpec, Plan } from '../plan.ts'

/** Wishes that cannot all be had. Lengths in mm. */
export type Fight =
  /**
   * How far around a wall goes, halfway through its fabric, which asks so many stitches, and what its count is to divide
   * by, or is to be.
   */
  | {
      readonly kind: 'count'
      readonly of: number
      readonly asked?: number
      readonly ideal: number
      readonly around: number
    }
  /** What lies flat in whole rounds, and how wide the wall is that stands at its edge: that would take so many of them. */
  | { readonly kind: 'bend'; readonly section: SectionId; readonly rounds: number; readonly across: number }
  /** A size of the piece, and whole rounds. */
  | { readonly kind: 'rounds'; readonly of: MeasureKind; readonly wanted: number }

/** One way out: what gives, and by how much. */
export interface Compromise {
  /**
   * The count or size that is asked for stays as planned, or accepted as it comes; fewer or more stitches or rounds; the
   * count without what it was held to; last rounds of another stitch.
   */
  readonly kind: 'asked' | 'fewer' | 'more' | 'free' | 'trimmed'
  /** What is asked for then; its plan has the count. */
  readonly spec: PieceSpec
  /** Stitches around the wall, rounds of what lies flat, or rounds in all. */
  readonly count: number
  /** What is measured: around the wall, across what lies flat, or the size; and by how much it is off (+: larger). */
  readonly value: number
  readonly off: number
  /** Stitches that are left over when a repeat has gone around. */
  readonly over: number
  /** What lies flat is there farthest off flat, as a share of its girth; nothing where that is not asked. */
  readonly offFlat?: number
  /** How far around the wall goes then, halfway through its fabric. */
  readonly around?: number
  /** It is what is planned now. */
  readonly taken: boolean
  readonly finished: Finished
}

export interface Compromises {
  readonly fight: Fight
  readonly ways: readonly Compromise[]
}

/** A spec with its plan. */
export interface PlannedSpec {
  readonly spec: PieceSpec
  readonly plan: Plan
}
