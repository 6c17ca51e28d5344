import {
  belowOf,
  chainsAlong,
  countAround,
  expandSteps,
  hasMotifs,
  roundNamed,
  type Plan,
  type PlannedRound,
} from '../../../core/index.ts'
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
  /** Adds points along a ring: shares of it from its start, so many mm along the fabric, of rings so long in mm. */
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

/** A stretch of a ring: where on it it begins and how much of it it takes, as shares, and how long the ring is, mm. */
export interface Stretch {
  readonly from: number
  readonly share: number
  readonly ring: number
  /** How many stitches lie there. */
  readonly count: number
}

/** Beyond what has the same place along the fabric, mm. */
const ABOVE = 1e-6

/** Whether it goes along the ends of rows. */
export const isAlongRows = ({ hosts }: Pick<PlannedRound, 'hosts'>): boolean =>
  hosts[0]?.of.kind === 'rowEnds'

/** Whether it lies flat on a table when it is made as it should be. */
export const isFlat = ({ finished }: Pick<Plan, 'finished'>): boolean => finished.lie !== undefined

/** The rounds that make the shape of a piece: without rows that stand on a part of its edge, or go along others. */
export const mainOf = ({ rounds }: Pick<Plan, 'rounds'>): readonly PlannedRound[] =>
  rounds.every(({ closed }) => closed)
    ? rounds
    : rounds.filter((round) => (round.closed || !rounds[0]!.closed) && !isAlongRows(round))

/** The round whose top a round begins in, if it does. */
function hostOf(plan: Plan, round: PlannedRound): PlannedRound | undefined {
  const [host] = round.hosts
  return host?.of.kind === 'top' ? roundNamed(plan.rounds, host.of.round) : undefined
}

/** Distance along the fabric at which a round begins, mm. */
export function footOf(plan: Plan, round: PlannedRound): number {
  if (isAlongRows(round)) return (belowOf(plan.rounds, round)?.at.arc ?? plan.hole) + ABOVE
  return (hostOf(plan, round) ?? belowOf(plan.rounds, round))?.at.arc ?? plan.hole
}

/** Width of a stitch in a round, mm: N* = around / w. */
export const stitchWidthOf = ({ ideal, around }: PlannedRound): number => around / ideal

/** Length of a round as its stitches make it, mm. */
export const rowOf = (round: PlannedRound): number => countAround(round) * stitchWidthOf(round)

/** The stretch of a ring that a round takes up: all of it, if it closes. */
export function stretchOf(round: PlannedRound): Stretch {
  const { share = 1, from = 0 } = round.at
  return { share, from, ring: rowOf(round) / share, count: round.count }
}

/** The stretch that a round stands in: all of the one below, or as much of it as it is worked into. */
export function stretchBelow(plan: Plan, round: PlannedRound): Stretch {
  const own = stretchOf(round)
  if (isAlongRows(round)) return { ...own, count: round.from }
  const below = hostOf(plan, round) ?? belowOf(plan.rounds, round)
  // Both sides of the chain.
  const begun = chainsAlong(round) !== undefined ? 2 * (round.at.spine ?? 0) : 2 * Math.PI * plan.hole
  if (!below) {
    const ring = round.from > 0 && chainsAlong(round) === undefined ? own.ring : begun
    return { ...own, ring, count: round.from }
  }
  const all = stretchOf(below)
  const [run] = round.hosts
  if (!run || run.of.kind !== 'top' || round.hosts.length > 1) return all
  const [first, count] = [Math.min(run.from, run.to), Math.abs(run.to - run.from)]
  if (count === below.count) return all
  // A row that shows its wrong side goes back along its ring.
  const before = below.side === 'wrong' && !below.closed ? below.count - first - count : first
  return {
    ...all,
    from: all.from + (before / below.count) * all.share,
    share: (count / below.count) * all.share,
    count,
  }
}

/** Length of what a round stands in, mm: the round below, or the ring or chain that the first is worked into. */
export function rowBelow(plan: Plan, round: PlannedRound): number {
  const { ring, share } = stretchBelow(plan, round)
  return ring * share
}

/** Points along a round, as `trace` has them. */
export function span(view: View, from: number, to: number, along: number, row: number): Point[] {
  const points = new Points()
  view.trace(from, to, along, row, points)
  return points.list()
}

/** Points along a stretch of a ring, all of it unless told from where to where, as shares of the stretch. */
const along = (view: View, { from, share, ring }: Stretch, arc: number, [begin, end] = [0, 1]): Point[] =>
  span(view, from + begin * share, from + end * share, arc, ring)

/** The top of a round as one line. */
export const roundLine = (view: View, round: PlannedRound): Point[] =>
  along(view, stretchOf(round), round.at.arc)

/** What a round covers, as a closed outline. */
export function roundOutline(view: View, round: PlannedRound): Point[] {
  // Its own foot, not the top of the round below.
  const foot = along(view, stretchBelow(view.plan, round), footOf(view.plan, round) + ABOVE)
  return [...foot, ...roundLine(view, round).reverse()]
}

/** How much of a round is worked after so many of its units, as a share of what it goes around. */
export function shareWorked(round: PlannedRound, unit: number): number {
  if (!hasMotifs(round)) return unit / Math.max(1, round.count)
  const used = expandSteps(round.steps)
    .slice(0, unit)
    .reduce((sum, { uses }) => sum + uses, 0)
  return used / Math.max(1, round.from)
}

/** A place in a round: so much of it worked, halfway up it. */
export function placeIn(view: View, round: PlannedRound, share: number): Point {
  const middle = (footOf(view.plan, round) + round.at.arc) / 2
  const there = round.side === 'wrong' && !round.closed ? 1 - share : share
  return along(view, stretchOf(round), middle, [there, there])[0]!
}
