import { motifsOn, type EdgePoint, type PlannedRound } from '../../core/index.ts'
import { pathOf } from './svgPath.ts'
import { footOf, span, stitchWidthOf, type Point, type View } from './views/view.ts'

/** What stands free along the edge, at its true size and place: in the colour of its yarn, cased in ink. */
export function MotifMarks({ view, yarns }: { view: View; yarns: ReadonlyMap<string, string> }) {
  const round = view.plan.rounds.at(-1)!
  const motifs = motifsOn(round, stitchWidthOf(round))
  return (
    <g pointerEvents="none">
      {motifs
        .filter(({ from }) => view.shows(from / round.from, from / round.from, round.at.arc))
        .map(({ from, outline }) => (
          <path
            key={from}
            d={pathOf(placed(view, round, from, outline), true)}
            fill={yarns.get(round.yarn) ?? 'var(--color-fog)'}
            stroke="var(--color-ink)"
            strokeWidth={1.4}
            strokeLinejoin="round"
          />
        ))}
    </g>
  )
}

/** An outline as it stands on the edge: out is away from the fabric there. */
function placed(view: View, round: PlannedRound, from: number, outline: readonly EdgePoint[]): Point[] {
  const { arc } = round.at
  const edge = round.from * stitchWidthOf(round)
  const at = (share: number, along: number) => span(view, share, share, along, edge)[0]!
  const share = from / round.from
  const [foot, top, next] = [
    at(share, footOf(view.plan, round)),
    at(share, arc),
    at(Math.min(1, share + 1 / round.from), arc),
  ]
  const out = unit(foot, top)
  const towards = unit(top, next)
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
