import { belowOf, type Plan, type PlannedRound } from '../../../core/index.ts'
import type { Point, Points } from './points.ts'
import { footOf, isFlat, mainOf, rowOf, stretchOf, type View } from './view.ts'

/** Where a drawing lies on its canvas: px per mm, and the middle of the disc in px. */
export interface DrawingFrame {
  readonly scale: number
  readonly x: number
  readonly y: number
  /** Share of each round that is drawn round the disc; the rest runs straight. 1 for a whole disc. */
  readonly cut: number
  readonly mirrored: boolean
  /** Where the piece turns into a wall, mm along the fabric: from there on only the straight part of rows is drawn. */
  readonly bend?: number
}

/** Three quarters round, then off on the tangent. */
export const UNROLL_CUT = 0.75

/** A frame with the ring's own turns: where on it rows are cut, where they end, and the turn at which they begin. */
interface Turns extends DrawingFrame {
  readonly end: number
  readonly begin: number
  /** How far along the fabric rows go around; beyond it lies what goes along their ends, of a part that is whole. */
  readonly curved: number
}

function turnsOf(plan: Plan, frame: DrawingFrame): Turns {
  const { cut } = frame
  const end = plan.rounds[0]!.at.share ?? 1
  const last = mainOf(plan).at(-1)!.at.arc
  // A part that is drawn whole hangs down from its straight edge.
  if (cut >= 1) return { ...frame, cut: end, end, begin: end < 1 ? UNROLL_CUT - end / 2 : 0, curved: last }
  return {
    ...frame,
    cut: cut * end,
    end,
    begin: UNROLL_CUT - cut * end,
    // Rows on a flat edge go on around it.
    bend: Math.min(frame.bend ?? Infinity, isFlat(plan) && end === 1 ? Infinity : last),
    curved: Infinity,
  }
}

const WIDEST_SEGMENT = Math.PI / 120
/** How far beyond the edge the start line and the flat line go, px. */
const PAST_EDGE = { start: 8, fit: 4 }
/** Where the grip sits on the edge: half way up the far side of the start, clear of everything else. */
const GRIP_TURN = 0.375

/** What comes after the bend lies so far beyond it at the least, mm. */
const BEYOND = 1e-7

/**
 * A piece that unrolls into its rows: round n lies at its distance along the fabric, N·w long, three quarters round the
 * disc and then straight along the tangent. Its end meets the flat line exactly when N = N*. Where a wall begins the
 * flat line bends, and rows go on straight below the disc, the last quarter of each.
 */
export function unrolled(plan: Plan, drawn: DrawingFrame): View {
  const frame = turnsOf(plan, drawn)
  const { scale, cut, end, mirrored, x, y, bend = Infinity } = frame
  const main = mainOf(plan)
  const last = main.at(-1)!
  const edge = Math.min(last.at.arc, bend, frame.curved)
  const reach = (ring: number) => x + (mirrored ? -1 : 1) * (end - cut) * ring * scale
  const fitAt = (ring: number, along: number): Point => ({ x: reach(ring), y: y + along * scale })
  const beyond = main.filter(({ at }) => at.arc > bend + BEYOND)
  const walls = beyond.length > 0
  return {
    plan,
    scale,
    mirrored,
    trace: (from, to, along, row, into) => {
      const least = along > bend + BEYOND ? cut : 0
      arc(frame, Math.max(least, from), Math.max(least, to), along, row, into)
    },
    shows: (from, to, along) => along <= bend + BEYOND || Math.max(from, to) > cut + 1e-9,
    apart: (from, along) => from >= cut || along > bend + BEYOND,
    roundAt: (point) => roundAt(plan, frame, point),
    startLine: [{ x, y }, place(frame, 0, edge + PAST_EDGE.start / scale, 0)],
    ...(drawn.cut < 1
      ? {
          fitLine: {
            from: fitAt(2 * Math.PI * plan.hole, plan.hole),
            to: walls
              ? fitAt(wantedBefore(plan, beyond[0]!) / end, edge)
              : fitAt(2 * Math.PI * (edge + PAST_EDGE.fit / scale), edge + PAST_EDGE.fit / scale),
            ...(walls ? { on: wallLine(plan, beyond).map(([row, along]) => fitAt(row / end, along)) } : {}),
          },
          rowEnd: (round: PlannedRound): Point => {
            const middle = (footOf(plan, round) + round.at.arc) / 2
            const wanted = round.at.arc > bend + BEYOND ? round.around / end : 2 * Math.PI * middle
            const { share, from, ring } = stretchOf(round)
            const there =
              end < 1 || round.closed
                ? Math.max(ring, wanted)
                : from + share > cut
                  ? ((from + share - cut) / (end - cut)) * ring
                  : 0
            return { x: reach(there), y: y + middle * scale }
          },
        }
      : {}),
    grip: walls
      ? {
          at: { x: reach(rowOf(last) / end / 2), y: y + last.at.arc * scale },
          turned: 90,
          along: (point) => (point.y - y) / scale,
        }
      : {
          at: place(frame, GRIP_TURN * end, edge, 0),
          turned: mirrored ? -45 : 45,
          along: (point) => Math.hypot(point.x - x, point.y - y) / scale,
        },
  }
}

/** The perimeter wanted where a wall begins, mm: that of the round below its first. */
const wantedBefore = (plan: Plan, first: PlannedRound): number =>
  (belowOf(plan.rounds, first) ?? first).around

/** The perimeter wanted along a wall, and how far along the fabric, round by round. */
const wallLine = (plan: Plan, wall: readonly PlannedRound[]): [number, number][] => [
  ...wall.flatMap((round): [number, number][] => [
    [round.around, footOf(plan, round)],
    [round.around, round.at.arc],
  ]),
]

/**
 * A point of the unrolled disc in px: `turn` is the share of the round from its start, `radius` in mm,
 * `straight` the mm of row per whole turn once past the cut.
 */
function place(frame: Turns, turn: number, radius: number, straight: number): Point {
  const { scale, cut, begin, mirrored } = frame
  const angle = 2 * Math.PI * (begin + Math.min(turn, cut))
  const past = Math.max(0, turn - cut) * straight
  // Work begins at 3 o'clock and goes anticlockwise; past the cut it leaves along the tangent.
  const right = radius * Math.cos(angle) - past * Math.sin(angle)
  const up = radius * Math.sin(angle) + past * Math.cos(angle)
  return { x: frame.x + (mirrored ? -right : right) * scale, y: frame.y - up * scale }
}

/** Adds points along a round from one turn to another, close enough together to look round. */
function arc(frame: Turns, from: number, to: number, radius: number, straight: number, into: Points): void {
  const { cut, begin, scale, curved: edge } = frame
  if (radius > edge) {
    for (const turn of [from, to]) {
      const { x, y } = alongEnds(frame, turn, radius - edge)
      into.push(x, y)
    }
    return
  }
  const add = (turn: number) => {
    const angle = 2 * Math.PI * (begin + Math.min(turn, cut))
    const past = Math.max(0, turn - cut) * straight
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    const right = radius * cos - past * sin
    into.push(
      frame.x + (frame.mirrored ? -right : right) * scale,
      frame.y - (radius * sin + past * cos) * scale,
    )
  }
  const curved = Math.abs(Math.min(to, cut) - Math.min(from, cut)) * 2 * Math.PI
  // A chord over angle a stands off its arc by about r·a²/8: near enough when that is a tenth of a pixel.
  const widest = Math.max(WIDEST_SEGMENT, Math.sqrt(0.8 / Math.max(1, radius * scale)))
  const segments = Math.max(1, Math.ceil(curved / widest))
  const crosses = (from - cut) * (to - cut) < 0
  add(from)
  for (let segment = 1; segment <= segments; segment++) {
    const [before, next] = [
      from + ((to - from) * (segment - 1)) / segments,
      from + ((to - from) * segment) / segments,
    ]
    // The corner where it leaves the disc is one of its points.
    if (crosses && (before - cut) * (next - cut) < 0) add(cut)
    add(segment === segments ? to : next)
  }
}

/** A point so far out from both straight edges of a part, which are gone along from the end of its rows to their start. */
function alongEnds(frame: Turns, turn: number, out: number): Point {
  const { scale, end, begin, curved, mirrored, x, y } = frame
  const along = 1 - (2 * turn) / end
  const radius = Math.abs(along) * curved
  const angle = 2 * Math.PI * (begin + (along > 0 ? end : 0))
  // Away from the fabric: on in the direction that rows end in, or back from where they begin.
  const past = along > 0 ? out : -out
  const right = radius * Math.cos(angle) - past * Math.sin(angle)
  const up = radius * Math.sin(angle) + past * Math.cos(angle)
  return { x: x + (mirrored ? -right : right) * scale, y: y - up * scale }
}

/** The round under a point of the drawing, if any. */
function roundAt(plan: Plan, frame: Turns, { x, y }: Point): PlannedRound | undefined {
  const right = (frame.mirrored ? frame.x - x : x - frame.x) / frame.scale
  const down = (y - frame.y) / frame.scale
  const inRows = frame.cut < frame.end && right > 0 && down > 0
  const radius = inRows ? down : Math.hypot(right, down)
  const round = plan.rounds.find(({ at }) => at.arc >= radius)
  if (!round || radius < plan.hole || (!inRows && radius > (frame.bend ?? Infinity))) return undefined
  return inRows && right > (frame.end - frame.cut) * (rowOf(round) / frame.end) ? undefined : round
}
