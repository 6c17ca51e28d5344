import { expandSteps, yarnsIn, type Plan, type PlannedRound, type Unit } from '../../core/index.ts'

/** Where a drawing lies on its canvas: px per mm, and the centre of the disc in px. */
export interface DrawingFrame {
  readonly scale: number
  readonly x: number
  readonly y: number
  /** Share of each round that is drawn round the disc; the rest runs straight. 1 for a whole disc. */
  readonly cut: number
  /** Left-handers work clockwise: everything is mirrored. */
  readonly mirrored: boolean
}

/** Three quarters round, then off on the tangent. */
export const UNROLL_CUT = 0.75

export interface Point {
  readonly x: number
  readonly y: number
}

/** One stitch, increase or decrease as it lies in the piece. Corners in px, foot first, in working order. */
export interface Cell {
  readonly round: number
  /** Which unit of the round, in working order. */
  readonly unit: number
  readonly kind: Unit['kind']
  /** Yarn it shows, and yarn of its strand: with several held together they take turns. */
  readonly yarn: string
  readonly strand: string
  readonly foot: readonly Point[]
  readonly top: readonly Point[]
}

/** Radius of a round's top as drawn: along the fabric, so that row ends can be held against the flat line. */
export const drawnRadius = (round: PlannedRound): number => round.at.arc

/** Radius at which round 1 begins as drawn. */
export const innerRadius = (plan: Plan): number => plan.hole

/** Width of a stitch of the round, mm: N* = 2π·arc / w. */
const stitchWidth = ({ at, ideal }: PlannedRound): number => (2 * Math.PI * at.arc) / ideal

/** Length of the straight part of a round's row, mm. */
export function rowLength(round: PlannedRound, cut = UNROLL_CUT): number {
  return (1 - cut) * round.count * stitchWidth(round)
}

/** Length the row would have if it lay exactly flat: where it would meet the flat line. */
export function flatRowLength(radius: number, cut = UNROLL_CUT): number {
  return (1 - cut) * 2 * Math.PI * radius
}

const WIDEST_SEGMENT = Math.PI / 120

/**
 * A point of the unrolled disc in px: `turn` is the share of the round from its start, `radius` in mm,
 * `straight` the mm of row per whole turn once past the cut.
 */
export function place(frame: DrawingFrame, turn: number, radius: number, straight: number): Point {
  const { scale, cut, mirrored } = frame
  const angle = 2 * Math.PI * Math.min(turn, cut)
  const past = Math.max(0, turn - cut) * straight
  // Work begins at 3 o'clock and goes anticlockwise; past the cut it leaves along the tangent.
  const right = radius * Math.cos(angle) - past * Math.sin(angle)
  const up = radius * Math.sin(angle) + past * Math.cos(angle)
  return { x: frame.x + (mirrored ? -right : right) * scale, y: frame.y - up * scale }
}

/** Every stitch of the plan in its true place: foot on the stitch it stands in, top at its share of the round. */
export function cellsOf(plan: Plan, frame: DrawingFrame, turned = false): Cell[] {
  return plan.rounds.flatMap((round, index) =>
    cellsOfRound(round, plan.rounds[index - 1], innerRadius(plan), frame, turned && index % 2 === 1),
  )
}

function cellsOfRound(
  round: PlannedRound,
  below: PlannedRound | undefined,
  hole: number,
  frame: DrawingFrame,
  backwards: boolean,
): Cell[] {
  const inner = below ? drawnRadius(below) : hole
  const outer = drawnRadius(round)
  const topStraight = round.count * stitchWidth(round)
  const footStraight = below ? below.count * stitchWidth(below) : 2 * Math.PI * hole
  const turnOf = (share: number) => (backwards ? 1 - share : share)
  const held = yarnsIn(round)
  let made = 0
  let used = 0
  return expandSteps(round.steps).map(({ kind, uses, makes }, unit): Cell => {
    const shares = below
      ? [used / below.count, (used + uses) / below.count]
      : [made / round.count, (made + makes) / round.count]
    const [footFrom, footTo] = shares.map(turnOf) as [number, number]
    const topFrom = turnOf(made / round.count)
    const topTo = turnOf((made + makes) / round.count)
    made += makes
    used += uses
    const top = arc(frame, topFrom, topTo, outer, topStraight)
    const upright = Math.min(topFrom, topTo) >= frame.cut
    return {
      round: round.number,
      unit,
      kind,
      yarn: held[unit % held.length]!,
      strand: held[(unit + 1) % held.length]!,
      foot: upright
        ? footBelow(kind, top, (outer - inner) * frame.scale)
        : arc(frame, footFrom, footTo, inner, footStraight),
      top,
    }
  })
}

/** In a row that has left the disc stitches stand upright; an increase has a narrow foot, a decrease a wide one. */
function footBelow(kind: Unit['kind'], top: readonly Point[], height: number): Point[] {
  const [from, to] = [top[0]!, top.at(-1)!]
  const slope = ((to.x - from.x) / 4) * (kind === 'inc' ? 1 : kind === 'dec' ? -1 : 0)
  return [
    { x: from.x + slope, y: from.y - height },
    { x: to.x - slope, y: to.y - height },
  ]
}

/** Points along a round from one turn to another, close enough together to look round. */
export function arc(
  frame: DrawingFrame,
  from: number,
  to: number,
  radius: number,
  straight: number,
): Point[] {
  const { cut, scale } = frame
  const curved = Math.abs(Math.min(to, cut) - Math.min(from, cut)) * 2 * Math.PI
  // A chord over angle a stands off its arc by about r·a²/8: near enough when that is a tenth of a pixel.
  const widest = Math.max(WIDEST_SEGMENT, Math.sqrt(0.8 / Math.max(1, radius * scale)))
  const segments = Math.max(1, Math.ceil(curved / widest))
  const crosses = (from - cut) * (to - cut) < 0
  if (segments === 1 && !crosses) {
    return [place(frame, from, radius, straight), place(frame, to, radius, straight)]
  }
  const turns = [from, to]
  for (let segment = 1; segment < segments; segment++) turns.push(from + ((to - from) * segment) / segments)
  if (crosses) turns.push(cut)
  turns.sort((one, other) => (from <= to ? one - other : other - one))
  return turns.map((turn) => place(frame, turn, radius, straight))
}

/** The top of a round as one line: round the disc, then out along its row. */
export function roundLine(round: PlannedRound, frame: DrawingFrame): Point[] {
  return arc(frame, 0, 1, drawnRadius(round), round.count * stitchWidth(round))
}

/** The round under a point of the drawing, if any. */
export function roundAt(plan: Plan, frame: DrawingFrame, { x, y }: Point): PlannedRound | undefined {
  const right = (frame.mirrored ? frame.x - x : x - frame.x) / frame.scale
  const down = (y - frame.y) / frame.scale
  const inRows = frame.cut < 1 && right > 0 && down > 0
  const radius = inRows ? down : Math.hypot(right, down)
  const round = plan.rounds.find((candidate) => drawnRadius(candidate) >= radius)
  if (!round || radius < innerRadius(plan)) return undefined
  return inRows && right > rowLength(round, frame.cut) ? undefined : round
}
