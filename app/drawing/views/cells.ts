import {
  chainsAlong,
  expandSteps,
  hasMotifs,
  isOffTheEdge,
  STITCHES,
  yarnsIn,
  type Manner,
  type PlannedRound,
  type Unit,
} from '../../../core/index.ts'
import { Points, type Point } from './points.ts'
import { footOf, isAlongRows, stretchBelow, stretchOf, type View } from './view.ts'

const KINDS = ['work', 'inc', 'dec'] as const satisfies readonly Unit['kind'][]
export const [WORK, INC] = [0, 1] as const

/** How a stitch stands in the fabric: level, out of it, behind it, in a bunch, longer than its round, or not at all. */
const RELIEFS = ['level', 'out', 'behind', 'bunch', 'long', 'open'] as const
export type Relief = (typeof RELIEFS)[number]
export const [LEVEL, OUT, BEHIND, BUNCH, LONG, OPEN] = [0, 1, 2, 3, 4, 5] as const

const RELIEF_OF: Readonly<Record<Manner, Relief>> = {
  frontPost: 'out',
  backPost: 'behind',
  popcorn: 'bunch',
  cluster: 'bunch',
  spike: 'long',
  space: 'open',
  slit: 'open',
  skip: 'open',
  reverse: 'level',
  curl: 'bunch',
  picot: 'bunch',
  chain: 'open',
  alongChain: 'level',
  same: 'level',
}

/** Seen from the right side: what was worked to the back on the wrong side stands out. */
function reliefOf({ manner }: Pick<Unit, 'manner'>, side: PlannedRound['side']): number {
  if (!manner) return LEVEL
  const relief = RELIEF_OF[manner]
  if (side === 'wrong' && relief === 'out') return BEHIND
  if (side === 'wrong' && relief === 'behind') return OUT
  return RELIEFS.indexOf(relief)
}

/**
 * Stitches, increases and decreases as they lie in a piece, in working order: a column for each thing that there is
 * to know of them. Corners are points in px, foot first, each line in working order.
 */
export interface Cells {
  readonly count: number
  /** Number of the round, and which unit of it. */
  readonly round: Int32Array
  readonly unit: Int32Array
  /** Index of what it is: `WORK`, `INC`, or a decrease. */
  readonly kind: Uint8Array
  /** Index of how it stands in the fabric: `LEVEL`, `OUT` and so on. */
  readonly relief: Uint8Array
  /** Yarn it shows, and yarn of its strand, by index: with several held together they take turns. */
  readonly yarn: Uint8Array
  readonly strand: Uint8Array
  readonly yarns: readonly string[]
  /** Where the points of its foot and of its top begin; those of the next cell's foot follow. */
  readonly foot: Int32Array
  readonly top: Int32Array
  readonly points: Points
}

/** Every stitch of a plan in its true place: foot on the stitch it stands in, top at its share of the round. */
export function cellsIn(view: View): Cells {
  const { rounds } = view.plan
  const most = rounds.reduce((sum, { count, from }) => sum + Math.max(count, from), 0)
  const cells = roomFor(most)
  rounds.forEach((round) => addRound(cells, view, round, round.side === 'wrong'))
  cells.foot[cells.count] = cells.points.size
  return cells
}

type Growing = { -readonly [K in keyof Cells]: Cells[K] } & { yarns: string[] }

/** Two at its foot and two at its top; a few have more, round a small ring. */
const POINTS_OF_A_CELL = 5

function roomFor(most: number): Growing {
  const [round, unit] = [new Int32Array(most), new Int32Array(most)]
  const [foot, top] = [new Int32Array(most + 1), new Int32Array(most)]
  const [kind, relief] = [new Uint8Array(most), new Uint8Array(most)]
  const [yarn, strand] = [new Uint8Array(most), new Uint8Array(most)]
  return {
    count: 0,
    round,
    unit,
    kind,
    relief,
    yarn,
    strand,
    yarns: [],
    foot,
    top,
    points: new Points(POINTS_OF_A_CELL * most),
  }
}

function indexOf(yarns: string[], yarn: string): number {
  const known = yarns.indexOf(yarn)
  return known >= 0 ? known : yarns.push(yarn) - 1
}

function addRound(cells: Growing, view: View, round: PlannedRound, backwards: boolean): void {
  const [inner, outer] = [footOf(view.plan, round), round.at.arc]
  const [head, base] = [stretchOf(round), stretchBelow(view.plan, round)]
  const [topRow, footRow] = [head.ring, base.ring]
  const onTop = (share: number) => head.from + share * head.share
  const onFoot = (share: number) => base.from + share * base.share
  const standsIn = base.count
  const held = yarnsIn(round).map((yarn) => indexOf(cells.yarns, yarn))
  const { points } = cells
  const motifs = hasMotifs(round)
  let made = 0
  let used = 0
  let unit = 0
  const alongChain = chainsAlong(round) !== undefined
  // A row of several stitches stands as high as each of them does; one that others stand on, as high as it is at most.
  const ownHeight = heightsAgainst(round)
  const heightOf = isAlongRows(round)
    ? ownHeight
    : (worked: Unit) => (round.closed ? 1 : Math.min(1, ownHeight(worked)))
  for (const worked of expandSteps(round.steps)) {
    // Several in an end chain are so many stitches that go around it.
    if (alongChain && worked.makes > 1) {
      for (let one = 0; one < worked.makes; one++) {
        const cell = cells.count++
        cells.round[cell] = round.number
        cells.unit[cell] = unit
        cells.kind[cell] = WORK
        cells.relief[cell] = LEVEL
        cells.yarn[cell] = held[one % held.length]!
        cells.strand[cell] = held[(one + 1) % held.length]!
        cells.foot[cell] = points.size
        view.trace((used + 0.35) / standsIn, (used + 0.65) / standsIn, inner, footRow, points)
        cells.top[cell] = points.size
        view.trace((made + one) / round.count, (made + one + 1) / round.count, outer, topRow, points)
      }
      made += worked.makes
      used += worked.uses
      unit++
      continue
    }
    const { kind, uses, makes } = worked
    // What stands free is drawn as a whole: a stitch of it has no place of its own in the fabric.
    if (isOffTheEdge(worked.manner)) {
      unit++
      continue
    }
    const onEdge = motifs ? uses : makes
    const most = motifs ? standsIn : round.count
    const [footFrom, footTo] =
      standsIn > 0 ? [used / standsIn, (used + uses) / standsIn] : [made / most, (made + onEdge) / most]
    const [topFrom, topTo] = [made / most, (made + onEdge) / most]
    made += onEdge
    used += uses
    const [from, to] = backwards ? [onTop(1 - topFrom), onTop(1 - topTo)] : [onTop(topFrom), onTop(topTo)]
    if (view.shows(from, to, outer)) {
      const cell = cells.count++
      cells.round[cell] = round.number
      cells.unit[cell] = unit
      // Several in one stitch are a bunch of their own, not an increase to watch for.
      const several = uses === 1 && makes > 2
      cells.kind[cell] = several ? WORK : KINDS.indexOf(kind)
      cells.relief[cell] = several ? BUNCH : reliefOf(worked, round.side)
      cells.yarn[cell] = held[unit % held.length]!
      cells.strand[cell] = held[(unit + 1) % held.length]!
      cells.foot[cell] = points.size
      if (view.apart(Math.min(from, to), outer)) {
        // The foot is told by the top, which comes after it.
        points.push(0, 0)
        points.push(0, 0)
      } else if (backwards) view.trace(onFoot(1 - footFrom), onFoot(1 - footTo), inner, footRow, points)
      else view.trace(onFoot(footFrom), onFoot(footTo), inner, footRow, points)
      cells.top[cell] = points.size
      const apart = view.apart(Math.min(from, to), outer)
      const high = apart ? 1 : heightOf(worked)
      view.trace(from, to, inner + (outer - inner) * high, topRow, points)
      if (apart) standUpright(points, cells.foot[cell], kind, (outer - inner) * view.scale)
    }
    unit++
  }
}

/** How high stitches stand against the one that a round is named by. */
const heightsAgainst =
  ({ stitch }: PlannedRound) =>
  (worked: Pick<Unit, 'stitch'>): number =>
    STITCHES[worked.stitch].heightOverWidth / STITCHES[stitch].heightOverWidth

/** In a row that has left the disc stitches stand upright; an increase has a narrow foot, a decrease a wide one. */
function standUpright({ data, size }: Points, foot: number, kind: Unit['kind'], height: number): void {
  const [fromX, fromY] = [data[2 * foot + 4]!, data[2 * foot + 5]!]
  const [toX, toY] = [data[2 * size - 2]!, data[2 * size - 1]!]
  const slope = ((toX - fromX) / 4) * (kind === 'inc' ? 1 : kind === 'dec' ? -1 : 0)
  data[2 * foot] = fromX + slope
  data[2 * foot + 1] = fromY - height
  data[2 * foot + 2] = toX - slope
  data[2 * foot + 3] = toY - height
}

/** One cell, spelt out. */
export interface Cell {
  readonly round: number
  readonly unit: number
  readonly kind: Unit['kind']
  readonly relief: Relief
  readonly yarn: string
  readonly strand: string
  readonly foot: readonly Point[]
  readonly top: readonly Point[]
}

/** Cells spelt out one by one, for whoever looks at few of them. */
export const cellList = (cells: Cells): Cell[] =>
  Array.from({ length: cells.count }, (_, cell) => ({
    round: cells.round[cell]!,
    unit: cells.unit[cell]!,
    kind: KINDS[cells.kind[cell]!]!,
    relief: RELIEFS[cells.relief[cell]!]!,
    yarn: cells.yarns[cells.yarn[cell]!]!,
    strand: cells.yarns[cells.strand[cell]!]!,
    foot: cells.points.list(cells.foot[cell], cells.top[cell]),
    top: cells.points.list(cells.top[cell], cells.foot[cell + 1]),
  }))
