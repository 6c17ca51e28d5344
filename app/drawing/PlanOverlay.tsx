import { sameYarns, type PlannedRound } from '../../core/index.ts'
import { pathOf } from './svgPath.ts'
import { footOf, roundLine, roundOutline, span, type FitLine, type Point, type View } from './views/view.ts'

/** What the line that row ends meet is called, and what it says. */
export interface FitWords {
  readonly name: string
  readonly says: string
}

/** Where the line of a round begins, px, and the x at which what comes from far above it goes down. */
export interface LineOfRound extends Point {
  readonly downAt?: number
}

/** Where each ledger row is; nothing for one out of sight. */
export type LeaderTo = (round: number) => LineOfRound | undefined

interface PlanOverlayProps {
  readonly view: View
  readonly lit?: number
  readonly guess: boolean
  readonly fitWords: FitWords
  /** Where each ledger row is, px; leader lines run to it. */
  readonly leaderTo?: LeaderTo
}

/** What is said about the stitches: start line, flat line, checkpoints, yarn changes, the round pointed at. */
export function PlanOverlay({ view, lit, guess, leaderTo, fitWords }: PlanOverlayProps) {
  const { plan, fitLine } = view
  const outer = plan.rounds.at(-1)!
  const numbered = (wanted: number | undefined) => plan.rounds.find(({ number }) => number === wanted)
  const litRound = numbered(lit)
  return (
    <>
      {leaderTo && <Leaders view={view} leaderTo={leaderTo} />}
      {guess &&
        plan.rounds.map((round) => (
          <path
            key={round.number}
            d={pathOf(roundLine(view, round))}
            fill="none"
            stroke={round === outer ? 'var(--color-ink)' : 'var(--color-hair)'}
            strokeDasharray="6 5"
          />
        ))}
      {(guess ? [] : plan.checkpoints).map(({ afterRound }) => (
        <CheckpointRing key={afterRound} line={pathOf(roundLine(view, numbered(afterRound)!))} />
      ))}
      <StartLine line={view.startLine} />
      <NewYarnMarks view={view} />
      {fitLine && <FitLineMark view={view} line={fitLine} words={fitWords} />}
      {litRound && <LitRound view={view} round={litRound} />}
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

function StartLine({ line }: { line: View['startLine'] }) {
  return <path d={pathOf(line)} fill="none" stroke="var(--color-ink)" strokeWidth={2.2} />
}

/** Diamonds on the start line where a yarn takes over. */
function NewYarnMarks({ view }: { view: View }) {
  const { rounds } = view.plan
  const changes = rounds.filter((round, index) => index > 0 && !sameYarns(round, rounds[index - 1]!))
  return changes.map((round) => {
    const { x, y } = span(view, 0, 0, footOf(view.plan, round), 0)[0]!
    return <NewYarnMark key={round.number} x={x} y={y} />
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

const isUpright = ({ from, to }: FitLine): boolean => Math.abs(to.x - from.x) < 1

/** Leaders begin past the words on an upright line, px; a round lies far below its line from here on. */
const PAST_WORDS = 34
const FAR_BELOW = 60
/** Lines that go down side by side are so far apart, px. */
const LANE = 5

/** A flat line of this many px has room for all that it says. */
const ROOM_TO_SAY = 470
const ROOM_FOR_NAME = 150

/** The straight line that row ends meet when the counts fit. */
function FitLineMark({
  view,
  line: { from, to, on },
  words,
}: {
  view: View
  line: FitLine
  words: FitWords
}) {
  const outer = view.plan.rounds.at(-1)!
  const { mirrored } = view
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const slope = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
  const upright = isUpright({ from, to })
  const text =
    length > ROOM_TO_SAY ? `${words.name}: ${words.says}` : length > ROOM_FOR_NAME ? words.name : ''
  // A row ends upright, so its lower corner stands over the line by so much of its height: words keep clear of it.
  const rowHeight = (outer.at.arc * view.scale) / outer.number
  const clear = 5 + rowHeight * Math.abs(Math.cos((slope * Math.PI) / 180))
  const turned = mirrored && !upright
  const past = on && pathOf([to, ...on])
  return (
    <>
      {past && (
        <g fill="none">
          <path d={past} stroke="var(--color-tape)" strokeWidth={6} strokeDasharray="26 12" />
          <path d={past} stroke="var(--color-ink)" strokeWidth={1.6} />
        </g>
      )}
      <g transform={`translate(${from.x} ${from.y}) rotate(${turned ? slope - 180 : slope})`}>
        <line
          x2={turned ? -length : length}
          y1={2.4}
          y2={2.4}
          stroke="var(--color-tape)"
          strokeWidth={4}
          strokeDasharray="26 12"
        />
        <line x2={turned ? -length : length} stroke="var(--color-ink)" strokeWidth={1.6} />
        <text
          x={(turned ? -1 : 1) * (length - (length > ROOM_TO_SAY ? 42 : 20))}
          y={upright ? (mirrored ? 20 : -8) : -clear}
          textAnchor={turned ? 'start' : 'end'}
          className="text-16 font-medium"
          fill="var(--color-ink)"
          stroke="var(--color-film)"
          strokeWidth={4}
          paintOrder="stroke"
        >
          {text}
        </text>
      </g>
    </>
  )
}

function LitRound({ view, round }: { view: View; round: PlannedRound }) {
  return (
    <path
      d={pathOf(roundOutline(view, round), true)}
      fill="var(--color-tape)"
      fillOpacity={0.28}
      stroke="var(--color-ink)"
      strokeWidth={2.4}
      pointerEvents="none"
    />
  )
}

/** Hairlines from row ends to their ledger rows, rounds told together held by a bracket; fewer where rows are thin. */
function Leaders({ view, leaderTo }: { view: View; leaderTo: NonNullable<PlanOverlayProps['leaderTo']> }) {
  const { plan, mirrored, rowEnd } = view
  if (!rowEnd) return null
  const pitch = (plan.rounds.at(-1)!.at.arc * view.scale) / plan.rounds.length
  const every = pitch >= 9 ? 1 : 5
  const upright = view.fitLine !== undefined && isUpright(view.fitLine)
  return toldTogether(plan.rounds, leaderTo).map(({ rounds, to }, lane) => {
    const number = rounds.at(-1)!.number
    if (every > 1 && rounds.length === 1 && number % every !== 0) return null
    const [first, last] = [rowEnd(rounds[0]!), rowEnd(rounds.at(-1)!)]
    const gap = upright ? PAST_WORDS : 12
    const x = Math[mirrored ? 'min' : 'max'](first.x, last.x) + (mirrored ? -gap : gap)
    const y = (first.y + last.y) / 2
    // What lies far below its line goes up to it at once, clear of what stands beside the drawing.
    const bend = y - to.y > FAR_BELOW ? x : to.x + (mirrored ? 46 : -46)
    const passes = mirrored ? x >= bend : x <= bend
    // A row that ends beside its own line needs no way to it; one far off would only cross the others.
    if (!passes && Math.abs(to.y - y) > 24) return null
    const half = rounds.length > 1 ? (last.y - first.y + pitch) / 2 - 2 : 0
    const inward = mirrored ? 5 : -5
    const bracket = half > 0 ? `M${x + inward} ${y - half}H${x}V${y + half}H${x + inward}` : ''
    // What lies far above its line goes down in a lane of its own, the first of them outermost.
    const down = to.downAt === undefined ? undefined : to.downAt + (mirrored ? 1 : -1) * lane * LANE
    if (down !== undefined && to.y - y > FAR_BELOW && (mirrored ? x > down : x < down)) {
      return (
        <path
          key={number}
          d={`${bracket}M${x} ${y}H${down}V${to.y}H${to.x}`}
          fill="none"
          stroke="var(--color-hair)"
          strokeWidth={1}
        />
      )
    }
    const line = passes ? `M${x} ${y}H${bend}L${to.x} ${to.y}` : `M${x} ${y}L${to.x} ${to.y}`
    return <path key={number} d={bracket + line} fill="none" stroke="var(--color-hair)" strokeWidth={1} />
  })
}

/** Rounds one after the other whose lines are one and the same. */
function toldTogether(
  rounds: readonly PlannedRound[],
  leaderTo: LeaderTo,
): { rounds: PlannedRound[]; to: LineOfRound }[] {
  const groups: { rounds: PlannedRound[]; to: LineOfRound }[] = []
  for (const round of rounds) {
    const to = leaderTo(round.number)
    if (!to) continue
    const last = groups.at(-1)
    if (last && Math.abs(last.to.y - to.y) < 1) last.rounds.push(round)
    else groups.push({ rounds: [round], to })
  }
  return groups
}
