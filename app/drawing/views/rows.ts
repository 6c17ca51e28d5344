import type { Plan, PlannedRound } from '../../../core/index.ts'
import { footOf, rowOf, type View } from './view.ts'

/** Where rows lie: px per mm, and the px where the first of them begins, at its foot. */
export interface RowsFrame {
  readonly scale: number
  readonly x: number
  readonly y: number
  readonly mirrored: boolean
}

const PAST_EDGE = 8

/**
 * A wall cut open along its start and laid flat: straight rows, the first on top, each N·w long. Their ends meet the
 * fit line exactly when N = N*.
 */
export function rows(plan: Plan, { scale, x, y, mirrored }: RowsFrame): View {
  const side = mirrored ? -1 : 1
  const last = plan.rounds.at(-1)!
  const begins = footOf(plan, plan.rounds[0]!)
  const at = (along: number, row: number) => ({ x: x + side * row * scale, y: y + (along - begins) * scale })
  const widest = Math.max(...plan.rounds.map(rowOf))
  return {
    plan,
    scale,
    mirrored,
    trace: (from, to, along, row, into) => {
      const down = y + (along - begins) * scale
      into.push(x + side * from * row * scale, down)
      if (from !== to) into.push(x + side * to * row * scale, down)
    },
    shows: () => true,
    apart: () => false,
    roundAt: (point) => {
      const along = begins + (point.y - y) / scale
      const round = along < begins ? undefined : plan.rounds.find(({ at: { arc } }) => arc >= along)
      const right = (side * (point.x - x)) / scale
      return round && right >= 0 && right <= rowOf(round) ? round : undefined
    },
    startLine: [at(begins, 0), { x, y: y + (last.at.arc - begins) * scale + PAST_EDGE }],
    fitLine: {
      from: at(begins, plan.rounds[0]!.around),
      to: { ...at(last.at.arc, last.around), y: y + (last.at.arc - begins) * scale + PAST_EDGE / 2 },
    },
    rowEnd: (round: PlannedRound) =>
      at((footOf(plan, round) + round.at.arc) / 2, Math.max(rowOf(round), round.around)),
    grip: {
      at: at(last.at.arc, widest / 2),
      turned: 90,
      along: (point) => (point.y - y) / scale,
    },
  }
}

/** A tube as it is measured, folded flat: half of each round, its first round on top. */
export function laidFlat(plan: Plan, frame: RowsFrame): View {
  const whole = rows(plan, frame)
  const { startLine, roundAt, trace, grip: _, fitLine: _line, rowEnd: _end, ...others } = whole
  return {
    ...others,
    trace: (from, to, along, row, into) => trace(Math.min(FOLD, from), Math.min(FOLD, to), along, row, into),
    shows: (from, to) => Math.min(from, to) < FOLD - 1e-9,
    roundAt: (point) => {
      const round = roundAt(point)
      const right = ((frame.mirrored ? -1 : 1) * (point.x - frame.x)) / frame.scale
      return round && right <= FOLD * rowOf(round) ? round : undefined
    },
    startLine,
  }
}

/** Half of a round lies in front. */
const FOLD = 0.5
