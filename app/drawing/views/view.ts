import { belowOf, chainsAlong, type Plan, type PlannedRound } from '../../../core/index.ts'
import { Points, type Point } from './points.ts'

export type { Point } from './points.ts'

/** The line that row ends meet when counts fit, from the first round's foot to the last one's top. */
export interface FitLine {
  readonly from: Point
  /** Where it ends, or bends: its words run from one to the other. */
  readonly to: Point
  /** On from a bend. */
  readonly on?: readonly Point[]
}

/** Where the edge of the piece is pulled to a larger or smaller size. */
export interface Grip {
  readonly at: Point
  /** Which way its arrows point, degrees from the horizontal. */
  readonly turned: number
  /** How far along the fabric a point lies, mm. */
  readonly along: (point: Point) => number
}

/**
 * A way of drawing a piece: places its stitches, and finds the round under a point. Everything that draws asks
 * this, and knows nothing of what form a piece has.
 */
export interface View {
  readonly plan: Plan
  /** px per mm. */
  readonly scale: number
  /** Left-handers work the other way round: everything is mirrored. */
  readonly mirrored: boolean
  /** Adds points along a round: shares of it from its start, so many mm along the fabric, of rows so long in mm. */
  readonly trace: (from: number, to: number, along: number, row: number, into: Points) => void
  /** Whether a stitch between two shares of a round that far along can be seen at all. */
  readonly shows: (from: number, to: number, along: number) => boolean
  /** Whether a stitch there stands upright over its own top, apart from the rounds before it. */
  readonly apart: (from: number, along: number) => boolean
  readonly roundAt: (point: Point) => PlannedRound | undefined
  /** A line that rounds begin at. */
  readonly startLine: readonly Point[]
  readonly fitLine?: FitLine
  /** Where the row of a round ends, halfway up it, px; leader lines run from there. */
  readonly rowEnd?: (round: PlannedRound) => Point
  readonly grip?: Grip
}

/** Distance along the fabric at which a round begins, mm. */
export const footOf = (plan: Plan, round: PlannedRound): number =>
  belowOf(plan.rounds, round)?.at.arc ?? plan.hole

/** Length of a round as its stitches make it, mm: N·w, with N* = around / w. */
export const rowOf = ({ count, ideal, around }: PlannedRound): number => (count * around) / ideal

/** Length of what a round stands in, mm: the round below, or the ring or chain that the first is worked into. */
export function rowBelow(plan: Plan, round: PlannedRound): number {
  const below = belowOf(plan.rounds, round)
  if (below) return rowOf(below)
  // Both sides of the chain.
  if (chainsAlong(round) !== undefined) return 2 * (round.at.spine ?? 0)
  return round.from > 0 ? rowOf(round) : 2 * Math.PI * plan.hole
}

/** Points along a round, as `trace` has them. */
export function span(view: View, from: number, to: number, along: number, row: number): Point[] {
  const points = new Points()
  view.trace(from, to, along, row, points)
  return points.list()
}

/** The top of a round as one line. */
export const roundLine = (view: View, round: PlannedRound): Point[] =>
  span(view, 0, 1, round.at.arc, rowOf(round))

/** Its own foot, not the top of the round below, mm. */
const ABOVE = 1e-6

/** What a round covers, as a closed outline. */
export function roundOutline(view: View, round: PlannedRound): Point[] {
  const foot = span(view, 0, 1, footOf(view.plan, round) + ABOVE, rowBelow(view.plan, round))
  return [...foot, ...roundLine(view, round).reverse()]
}

/** A place in a round: so much of it worked, halfway up it. */
export function placeIn(view: View, round: PlannedRound, share: number): Point {
  const middle = (footOf(view.plan, round) + round.at.arc) / 2
  return span(view, share, share, middle, rowOf(round))[0]!
}
