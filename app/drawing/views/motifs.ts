import { motifsOn, type EdgePoint, type PlannedRound } from '../../../core/index.ts'
import { footOf, span, stitchWidthOf, type Point, type View } from './view.ts'

/** What stands free along an edge, as it lies in a drawing. */
export interface MotifInView {
  readonly round: number
  /** The unit of its round that is made when it is. */
  readonly unit: number
  readonly yarn: string
  /** Its closed outline, px. */
  readonly outline: readonly Point[]
}

/** Everything that stands free along the last round, at its true size and place. */
export function motifsIn(view: View): MotifInView[] {
  const round = view.plan.rounds.at(-1)!
  return motifsOn(round, stitchWidthOf(round))
    .filter(({ from }) => view.shows(from / round.from, from / round.from, round.at.arc))
    .map(({ from, lastUnit, outline }) => ({
      round: round.number,
      unit: lastUnit,
      yarn: round.yarn,
      outline: placed(view, round, from, outline),
    }))
}

/** An outline as it stands on the edge: out is away from the fabric there. */
function placed(view: View, round: PlannedRound, from: number, outline: readonly EdgePoint[]): Point[] {
  const { arc } = round.at
  const edge = round.from * stitchWidthOf(round)
  const at = (share: number, along: number) => span(view, share, share, along, edge)[0]!
  const share = from / round.from
  const [foot, top] = [at(share, footOf(view.plan, round)), at(share, arc)]
  const out = unit(foot, top)
  const towards = unit(top, at(Math.min(1, share + 1 / round.from), arc))
  return outline.map((point) => ({
    x: top.x + (towards.x * point.along + out.x * point.out) * view.scale,
    y: top.y + (towards.y * point.along + out.y * point.out) * view.scale,
  }))
}

function unit(from: Point, to: Point): Point {
  const [x, y] = [to.x - from.x, to.y - from.y]
  const length = Math.max(1e-6, Math.hypot(x, y))
  return { x: x / length, y: y / length }
}
