import type { Plan, PlannedRound } from '../../../core/index.ts'
import {
  footOf,
  mainOf,
  rowBelow,
  rowOf,
  span,
  stretchOf,
  type FitLine,
  type Point,
  type View,
} from './view.ts'

/** Where rows lie: px per mm, and the px where the first of them begins, at its foot. */
export interface RowsFrame {
  readonly scale: number
  readonly x: number
  readonly y: number
  readonly mirrored: boolean
}

const PAST_EDGE = 8

/** Where on a cut-open ring a row ends that takes up a part of it, mm. */
function endOfRow(round: PlannedRound): number {
  const { from, share, ring } = stretchOf(round)
  return (from + share) * ring
}

/**
 * A wall cut open along its start and laid flat: straight rows, the first on top, each N·w long. Their ends meet the
 * fit line exactly when N = N*.
 */
export function rows(plan: Plan, { scale, x, y, mirrored }: RowsFrame): View {
  // A point is no measure of what it narrows from.
  const main = mainOf(plan).filter(({ at }) => (at.from ?? 0) === 0)
  const inset = insetsOf(main)
  const side = mirrored ? -1 : 1
  const last = main.at(-1)!
  const begins = footOf(plan, plan.rounds[0]!)
  const at = (along: number, row: number) => ({
    x: x + side * (row + inset(along)) * scale,
    y: y + (along - begins) * scale,
  })
  const widest = Math.max(...main.map(rowOf))
  return {
    plan,
    scale,
    mirrored,
    trace: (from, to, along, row, into) => {
      const down = y + (along - begins) * scale
      const left = inset(along)
      into.push(x + side * (left + from * row) * scale, down)
      if (from !== to) into.push(x + side * (left + to * row) * scale, down)
    },
    shows: () => true,
    apart: () => false,
    roundAt: (point) => {
      const along = begins + (point.y - y) / scale
      const right = (side * (point.x - x)) / scale - inset(along)
      const isThere = (round: PlannedRound) => {
        const { from, share, ring } = stretchOf(round)
        return right >= from * ring && right <= (from + share) * ring
      }
      return along < begins
        ? undefined
        : plan.rounds.find((round) => round.at.arc >= along && footOf(plan, round) <= along && isThere(round))
    },
    startLine: [...stair(main, begins, at), { ...at(last.at.arc, 0), y: at(last.at.arc, 0).y + PAST_EDGE }],
    fitLine: fitLineOf(main, at, begins, PAST_EDGE / 2 / scale),
    rowEnd: (round: PlannedRound) =>
      at(
        (footOf(plan, round) + round.at.arc) / 2,
        round.closed || !main[0]!.closed ? Math.max(rowOf(round), round.around) : endOfRow(round),
      ),
    grip: {
      at: at(last.at.arc, widest / 2),
      turned: 90,
      along: (point) => (point.y - y) / scale,
    },
  }
}

/** Along the starts of rows: straight down, or in steps where one begins farther in. */
function stair(
  rounds: readonly PlannedRound[],
  begins: number,
  at: (along: number, row: number) => Point,
): readonly Point[] {
  let foot = at(begins, 0)
  return [
    foot,
    ...rounds.flatMap(({ at: { arc } }) => {
      const top = at(arc, 0)
      const corner = { x: top.x, y: foot.y }
      foot = top
      return [corner, top]
    }),
  ]
}

/**
 * How far in the row at a place along the fabric begins, mm: what is taken in over an end is drawn with that end below
 * itself, and what flares or draws in all around with its middle there.
 */
function insetsOf(rounds: readonly PlannedRound[]): (along: number) => number {
  const first = rounds[0]!
  if (first.at.spine === undefined) return () => 0
  const ends = (round: PlannedRound) => rowOf(round) - 2 * (round.at.spine ?? 0)
  const insets = rounds.map(
    (round) => first.at.spine! - (round.at.spine ?? 0) + (ends(first) - ends(round)) / 2,
  )
  const least = Math.min(...insets)
  return (along) => {
    const index = rounds.findIndex(({ at: { arc } }) => arc >= along - 1e-6)
    return insets[index < 0 ? insets.length - 1 : index]! - least
  }
}

/** A girth that strays from the straight line between both ends by more than this share bends on its way. */
const STRAIGHT = 0.01

/** The girth that is wanted at every row: straight from end to end, or round by round where it bends. */
function fitLineOf(
  rounds: readonly PlannedRound[],
  at: (along: number, row: number) => Point,
  begins: number,
  past: number,
): FitLine {
  const [first, last] = [rounds[0]!, rounds.at(-1)!]
  const straightAt = (arc: number) =>
    first.around + ((last.around - first.around) * (arc - begins)) / (last.at.arc - begins)
  const bends = rounds.some(({ around, at: { arc } }) => {
    return Math.abs(around - straightAt(arc)) > STRAIGHT * around + (2 * first.around) / rounds.length ** 2
  })
  const end = at(last.at.arc + past, last.around)
  const from = at(begins, first.around)
  if (!bends) return { from, to: end }
  const on = rounds.slice(1).map((round) => at(round.at.arc, round.around))
  return { from, to: at(first.at.arc, first.around), on: [...on, end] }
}

/**
 * A wall as it is measured, folded flat: half of each round, its first round on top; what widens or narrows does so on
 * both sides.
 */
export function laidFlat(plan: Plan, frame: RowsFrame): View {
  const { startLine, roundAt, grip: _, fitLine: _line, rowEnd: _end, ...others } = rows(plan, frame)
  const { scale, x, y, mirrored } = frame
  const side = mirrored ? -1 : 1
  const begins = footOf(plan, plan.rounds[0]!)
  const widest = Math.max(...mainOf(plan).map(rowOf))
  /** How far in a row begins whose half is shorter than the widest. */
  const inset = (row: number) => (FOLD * (widest - row)) / 2
  return {
    ...others,
    trace: (from, to, along, row, into) => {
      const down = y + (along - begins) * scale
      const push = (share: number) =>
        into.push(x + side * (inset(row) + Math.min(FOLD, share) * row) * scale, down)
      push(from)
      if (from !== to) push(to)
    },
    shows: (from, to) => Math.min(from, to) < FOLD - 1e-9,
    roundAt: (point) => {
      const round = roundAt({ x, y: point.y })
      const right = (side * (point.x - x)) / scale
      const left = round && inset(rowOf(round))
      return round && right >= left! && right <= left! + FOLD * rowOf(round) ? round : undefined
    },
    startLine,
  }
}

/** What a wall that is laid flat covers, as one outline. */
export function outlineFlat(view: View): Point[] {
  const { plan } = view
  const first = plan.rounds[0]!
  const levels = [
    { along: footOf(plan, first), row: rowBelow(plan, first) },
    ...plan.rounds.map((round) => ({ along: round.at.arc, row: rowOf(round) })),
  ]
  const edge = (share: number) => levels.map(({ along, row }) => span(view, share, share, along, row)[0]!)
  return [...edge(0), ...edge(FOLD).reverse()]
}

/** Half of a round lies in front. */
const FOLD = 0.5
