import { sameYarns, type Plan, type PlannedRound } from '../../core/index.ts'
import { pathOf } from './svgPath.ts'
import {
  drawnRadius,
  flatRowLength,
  innerRadius,
  place,
  roundLine,
  rowLength,
  type DrawingFrame,
  type Point,
} from './unrolledDisc.ts'

interface PlanOverlayProps {
  readonly plan: Plan
  readonly frame: DrawingFrame
  readonly lit?: number
  readonly guess: boolean
  /** Where each ledger row is, px; leader lines run to it. */
  readonly leaderTo?: (round: number) => Point | undefined
}

/** What is said about the stitches: start line, flat line, checkpoints, yarn changes, the round pointed at. */
export function PlanOverlay({ plan, frame, lit, guess, leaderTo }: PlanOverlayProps) {
  const outer = plan.rounds.at(-1)!
  const litRound = lit === undefined ? undefined : plan.rounds[lit - 1]
  return (
    <>
      {leaderTo && <Leaders plan={plan} frame={frame} leaderTo={leaderTo} />}
      {guess &&
        plan.rounds.map((round) => (
          <path
            key={round.number}
            d={pathOf(roundLine(round, frame))}
            fill="none"
            stroke={round === outer ? 'var(--color-ink)' : 'var(--color-hair)'}
            strokeDasharray="6 5"
          />
        ))}
      {(guess ? [] : plan.checkpoints).map(({ afterRound }) => (
        <CheckpointRing key={afterRound} line={pathOf(roundLine(plan.rounds[afterRound - 1]!, frame))} />
      ))}
      <StartLine outer={outer} frame={frame} />
      <NewYarnMarks plan={plan} frame={frame} />
      {frame.cut < 1 && <FlatLine outer={outer} hole={innerRadius(plan)} frame={frame} />}
      {litRound && <LitRound plan={plan} round={litRound} frame={frame} />}
    </>
  )
}

/** A cased tape ring that straightens under its row. */
function CheckpointRing({ line }: { line: string }) {
  return (
    <>
      <path d={line} fill="none" stroke="var(--color-ink)" strokeWidth={4.6} />
      <path d={line} fill="none" stroke="var(--color-tape)" strokeWidth={2.8} />
    </>
  )
}

function StartLine({ outer, frame }: { outer: PlannedRound; frame: DrawingFrame }) {
  const end = place(frame, 0, drawnRadius(outer) + 8 / frame.scale, 0)
  return <line x1={frame.x} y1={frame.y} x2={end.x} y2={end.y} stroke="var(--color-ink)" strokeWidth={2.2} />
}

/** Diamonds on the start line where a yarn takes over. */
function NewYarnMarks({ plan, frame }: { plan: Plan; frame: DrawingFrame }) {
  const changes = plan.rounds.filter(
    (round, index) => index > 0 && !sameYarns(round, plan.rounds[index - 1]!),
  )
  return changes.map(({ number }) => {
    const { x, y } = place(frame, 0, drawnRadius(plan.rounds[number - 2]!), 0)
    return <NewYarnMark key={number} x={x} y={y} />
  })
}

/** Left half old, right half new. */
export function NewYarnMark({ x, y }: Point) {
  return (
    <g transform={`translate(${x} ${y})`} stroke="var(--color-ink)" strokeWidth={1.4}>
      <path d="M0 -7L7 0L0 7L-7 0Z" fill="var(--color-film)" />
      <path d="M0 -7L7 0L0 7Z" fill="var(--color-ink)" />
    </g>
  )
}

/** The straight line that row ends meet when the counts fit the radius. */
function FlatLine({ outer, hole, frame }: { outer: PlannedRound; hole: number; frame: DrawingFrame }) {
  const at = (radius: number) => place(frame, 1, radius, 2 * Math.PI * radius)
  const from = at(hole)
  const to = at(drawnRadius(outer) + 4 / frame.scale)
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const slope = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
  const text =
    length > 470 ? 'Flat line: rows short of it cup, rows past it ruffle' : length > 150 ? 'Flat line' : ''
  const mirrored = frame.mirrored
  // A row ends upright, so its lower corner stands over the line by so much of its height: words keep clear of it.
  const rowHeight = (drawnRadius(outer) * frame.scale) / outer.number
  const clear = 5 + rowHeight * Math.abs(Math.cos((slope * Math.PI) / 180))
  return (
    <g transform={`translate(${from.x} ${from.y}) rotate(${mirrored ? slope - 180 : slope})`}>
      <line
        x2={mirrored ? -length : length}
        y1={2.4}
        y2={2.4}
        stroke="var(--color-tape)"
        strokeWidth={4}
        strokeDasharray="26 12"
      />
      <line x2={mirrored ? -length : length} stroke="var(--color-ink)" strokeWidth={1.6} />
      <text
        x={(mirrored ? -1 : 1) * (length - (length > 470 ? 42 : 20))}
        y={-clear}
        textAnchor={mirrored ? 'start' : 'end'}
        className="text-16 font-medium"
        fill="var(--color-ink)"
        stroke="var(--color-film)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  )
}

function LitRound({ plan, round, frame }: { plan: Plan; round: PlannedRound; frame: DrawingFrame }) {
  const below = plan.rounds[round.number - 2]
  const inside = below
    ? roundLine(below, frame)
    : [place(frame, 0, innerRadius(plan), 0), place(frame, 1, innerRadius(plan), 0)]
  const outside = roundLine(round, frame)
  return (
    <path
      d={pathOf([...inside, ...outside.reverse()], true)}
      fill="var(--color-tape)"
      fillOpacity={0.28}
      stroke="var(--color-ink)"
      strokeWidth={2.4}
      pointerEvents="none"
    />
  )
}

/** Hairlines from row ends to their ledger rows; fewer where rows are thin. */
function Leaders({ plan, frame, leaderTo }: Required<Pick<PlanOverlayProps, 'plan' | 'frame' | 'leaderTo'>>) {
  const pitch = (drawnRadius(plan.rounds.at(-1)!) * frame.scale) / plan.rounds.length
  const every = pitch >= 9 ? 1 : 5
  return plan.rounds.map((round, index) => {
    const to = leaderTo(round.number)
    if (!to || (every > 1 && round.number % every !== 0)) return null
    const inner = index === 0 ? innerRadius(plan) : drawnRadius(plan.rounds[index - 1]!)
    const middle = (inner + drawnRadius(round)) / 2
    const y = frame.y + middle * frame.scale
    const reach = Math.max(rowLength(round, frame.cut), flatRowLength(middle, frame.cut))
    const x = frame.x + (frame.mirrored ? -1 : 1) * (reach * frame.scale + 12)
    const bend = frame.mirrored ? to.x + 46 : to.x - 46
    const passes = frame.mirrored ? x > bend : x < bend
    // A row that ends beside its own line needs no way to it; one far off would only cross the others.
    if (!passes && Math.abs(to.y - y) > 24) return null
    const d = passes ? `M${x} ${y}H${bend}L${to.x} ${to.y}` : `M${x} ${y}L${to.x} ${to.y}`
    return <path key={round.number} d={d} fill="none" stroke="var(--color-hair)" strokeWidth={1} />
  })
}
