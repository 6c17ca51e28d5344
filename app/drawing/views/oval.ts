import { belowOf, zonesOf, type Plan, type PlannedRound } from '../../../core/index.ts'
import type { Point, Points } from './points.ts'
import { footOf, rowOf, type View } from './view.ts'

/** Where an oval lies: px per mm, and the px of the chain's end that its rounds begin at; the other end lies above. */
export interface OvalFrame {
  readonly scale: number
  readonly x: number
  readonly y: number
  readonly mirrored: boolean
  /** Whether the last quarter of each round leaves it along the tangent. */
  readonly unrolls: boolean
  /** A wall stands on its edge, and is pulled in place of it. */
  readonly walled?: boolean
}

const WIDEST_SEGMENT = Math.PI / 60
const PAST_EDGE = 8
/** Half of the near end's stitches go around it; the others run straight. */
const HALF = 0.5

/** How much of a round each of its parts is: a side, an end, the other side, the other end. */
interface Parts {
  readonly side: number
  readonly end: number
}

const partsOf = (spine: number, row: number): Parts => {
  const side = Math.min(0.5, row > 0 ? spine / row : 0.5)
  return { side, end: 0.5 - side }
}

/** Whether rounds go around a chain the other way round: of the other one of a pair, drawn as the mirror image that it is. */
export const goesTheOtherWay = ({ rounds }: Pick<Plan, 'rounds'>): boolean =>
  zonesOf(rounds[0]!)[0]?.zone !== 'side'

/**
 * A disc pulled apart by its chain: up along one side, around the far end, down along the other, and around the near end,
 * whose last quarter may run straight into its row.
 */
export function ovalFace(plan: Plan, asked: OvalFrame): View {
  const backwards = goesTheOtherWay(plan)
  const frame = backwards ? { ...asked, mirrored: !asked.mirrored } : asked
  const { scale, x, y, mirrored, unrolls } = frame
  const last = plan.rounds.at(-1)!
  const spine = last.at.spine ?? 0
  const out = (right: number, up: number): Point => ({
    x: x + (mirrored ? -right : right) * scale,
    y: y - up * scale,
  })
  /** A place in the near end's last quarter: so far along its row from where that leaves the oval. */
  const straightFrom = (row: number) => {
    const { side, end } = partsOf(spine, row)
    return unrolls ? 2 * side + end + end * HALF : 1
  }
  const place = (share: number, along: number, row: number): Point => {
    const turn = backwards ? 1 - share : share
    const { side, end } = partsOf(spine, row)
    const from = straightFrom(row)
    if (turn > from) return out((turn - from) * row, -along)
    if (turn <= side) return out(along, side > 0 ? (turn / side) * spine : 0)
    const around = turn - side
    if (around <= end) {
      const angle = (Math.PI * around) / end
      return out(along * Math.cos(angle), spine + along * Math.sin(angle))
    }
    const back = around - end
    if (back <= side) return out(-along, spine * (1 - (side > 0 ? back / side : 0)))
    const angle = Math.PI + (Math.PI * (back - side)) / Math.max(end, 1e-9)
    return out(along * Math.cos(angle), along * Math.sin(angle))
  }
  const trace = (from: number, to: number, along: number, row: number, into: Points) => {
    const add = (turn: number) => {
      const point = place(turn, along, row)
      into.push(point.x, point.y)
    }
    const { side, end } = partsOf(spine, row)
    const turns = [side, side + end, 2 * side + end, straightFrom(row)]
    const corners = backwards ? turns.map((turn) => 1 - turn) : turns
    add(from)
    if (from === to) return
    const stops = corners
      .filter((corner) => (corner - from) * (corner - to) < 0)
      .sort((one, other) => (from < to ? one - other : other - one))
    let at = from
    for (const stop of [...stops, to]) {
      const middle = backwards ? 1 - (at + stop) / 2 : (at + stop) / 2
      const bends =
        (middle > side && middle < side + end) || (middle > 2 * side + end && middle < straightFrom(row))
      const turned = bends && end > 0 ? (Math.abs(stop - at) / end) * Math.PI : 0
      const pieces = Math.max(1, Math.ceil(turned / WIDEST_SEGMENT))
      for (let piece = 1; piece <= pieces; piece++)
        add(piece === pieces ? stop : at + ((stop - at) * piece) / pieces)
      at = stop
    }
  }
  const edge = last.at.arc
  const fitAt = (along: number): Point => out((Math.PI * along) / 2, -along)
  return {
    plan,
    scale,
    mirrored,
    trace,
    shows: () => true,
    apart: () => false,
    roundAt: (point) => roundAt(plan, frame, spine, point),
    startLine: [out(0, 0), out(edge + PAST_EDGE / scale, 0)],
    ...(unrolls
      ? {
          fitLine: { from: fitAt(0), to: fitAt(edge + PAST_EDGE / 2 / scale) },
          // What comes in from the other side ends away from its line of the ledger.
          ...(backwards
            ? {}
            : {
                rowEnd: (round: PlannedRound): Point => {
                  const middle = (footOf(plan, round) + round.at.arc) / 2
                  const row = rowOf(round)
                  const tail = (1 - straightFrom(row)) * row
                  return out(Math.max(tail, (Math.PI * middle) / 2), -middle)
                },
              }),
        }
      : {}),
    ...(asked.walled
      ? {}
      : {
          grip: {
            at: out(-edge, spine / 2),
            turned: 0,
            along: (point: Point) => Math.abs(point.x - x) / scale,
          },
        }),
  }
}

/** The round under a point, if any. */
function roundAt(
  { rounds }: Plan,
  { x, y, scale, mirrored, unrolls }: OvalFrame,
  spine: number,
  point: Point,
): PlannedRound | undefined {
  const right = (mirrored ? x - point.x : point.x - x) / scale
  const up = (y - point.y) / scale
  const inRows = unrolls && right > 0 && up < 0
  const out = inRows ? -up : Math.hypot(right, up - Math.min(spine, Math.max(0, up)))
  const round = rounds.find(({ at }) => at.arc >= out)
  return round && inRows && right > Math.max(round.at.arc * (Math.PI / 2), 1) * 1.1 ? undefined : round
}

/**
 * How far an oval lies from its middle on the side where its zones are told and on the other one, mm: its rows come in
 * from there when it goes the other way round.
 */
export function reachOfOval(plan: Plan, unrolls: boolean): Readonly<Record<'before' | 'after', number>> {
  const { wide, tail } = sizeOfOval(plan)
  const rows = Math.max(wide / 2, unrolls ? tail : 0)
  return goesTheOtherWay(plan) ? { before: rows, after: wide / 2 } : { before: wide / 2, after: rows }
}

/** How large an oval is, mm, and how far its rows reach past its middle. */
export function sizeOfOval({ rounds }: Plan): Readonly<Record<'wide' | 'long' | 'tail', number>> {
  const { arc, spine = 0 } = rounds.at(-1)!.at
  return { wide: 2 * arc, long: 2 * arc + spine, tail: (Math.PI * arc) / 2 }
}

/** The rounds of a plan that some sections have, as a plan of its own. */
export function partOfPlan(plan: Plan, has: (round: PlannedRound) => boolean): Plan {
  const rounds = plan.rounds.filter(has)
  const [first] = rounds
  const numbers = new Set(rounds.map(({ number }) => number))
  return {
    ...plan,
    rounds,
    hole: (first && belowOf(plan.rounds, first)?.at.arc) ?? plan.hole,
    checkpoints: plan.checkpoints.filter(({ afterRound }) => numbers.has(afterRound)),
  }
}

/** A place of an oval cut along its chain, mm: along it from the near end's chain stitch, and over the table. */
export interface PlaceAlong {
  readonly x: number
  readonly z: number
}

/**
 * Where the rounds of an oval lie that is cut along its chain, mm: of its near end, and of its far one, which comes back
 * and rises by what is left of a round's height where that is taken in.
 */
export function placesAlong(
  rounds: readonly PlannedRound[],
): { readonly near: PlaceAlong; readonly far: PlaceAlong }[] {
  let below: PlannedRound | undefined
  let rise = 0
  return rounds.map((round) => {
    const { at } = round
    const reach = ({ radius, spine = 0 }: PlannedRound['at']) => radius + spine
    const back = below ? reach(below.at) - reach(at) : 0
    const up = below ? at.z - below.at.z : 0
    // What comes back by more than a round is high lies level.
    const taken = below !== undefined && (at.spine ?? 0) < (below.at.spine ?? 0) - 1e-6
    rise += taken ? Math.sqrt(Math.max(0, (at.arc - below!.at.arc) ** 2 - back ** 2)) : up
    below = round
    return { near: { x: -at.radius, z: at.z }, far: { x: reach(at), z: rise } }
  })
}
