import { chainsAlong, zonesOf, type PlannedRound } from '../../core/index.ts'
import { zoneName } from '../words/zoneWords.ts'
import { footOf, span, type View } from './views/view.ts'

interface ZoneMarksProps {
  readonly view: View
  /** A round whose zones are told. */
  readonly round: PlannedRound
}

/** Px over a wall that its zones are told in. */
const OVER = 8
/** Fewer px have no room for a zone's name. */
const ROOM = 44

/** The zones of a wall cut open: dotted lines between them, each named with its count over the rows. */
export function WallZones({ view, round }: ZoneMarksProps) {
  const zones = zonesOf(round)
  const foot = footOf(view.plan, view.plan.rounds[0]!)
  const down = span(view, 0, 0, round.at.arc, 0)[0]!.y
  let made = 0
  const placed = zones.map((one) => {
    const { count } = one
    const [from, to] = [made / round.count, (made += count) / round.count]
    const [left, right] = span(view, from, to, foot, (round.count * round.around) / round.ideal)
    return { says: zoneName(one), count, left: left!, right: right ?? left! }
  })
  return (
    <g fill="var(--color-ink)" pointerEvents="none">
      {placed.map(({ says, count, left, right }, index) => (
        <g key={index}>
          {index > 0 && (
            <path
              d={`M${left.x} ${left.y - 22}V${down}`}
              stroke="var(--color-ink)"
              strokeWidth={1.6}
              strokeDasharray="1.6 3.4"
            />
          )}
          {Math.abs(right.x - left.x) > ROOM && (
            <text x={(left.x + right.x) / 2} y={left.y - OVER} textAnchor="middle" className="text-16">
              {says} <tspan className="slab">{count}</tspan>
            </text>
          )}
        </g>
      ))}
    </g>
  )
}

/** The zones of an oval face-on: dotted lines through the ends of its chain, names and counts in its margin. */
export function FaceZones({
  view,
  round,
  x,
  mirrored,
}: ZoneMarksProps & {
  /** Px of the margin's outer edge, and whether that is on the right. */
  readonly x: number
  readonly mirrored: boolean
}) {
  const zones = zonesOf(round)
  if (zones.length < 4) return null
  const row = (round.count * round.around) / round.ideal
  // Where each of them begins, as a share of the round: it goes along a side first, or around the near end.
  let made = 0
  const begins = zones.map(({ count }) => (made += count) / round.count - count / round.count)
  const at = (share: number) => span(view, share, share, round.at.arc, row)[0]!
  const sideFirst = zones[0]!.zone === 'side'
  const [far, near] = sideFirst ? [1, 3] : [2, 0]
  const side = zones[sideFirst ? 0 : 1]!
  const [top, high, low] = [
    at((begins[far]! + begins[far + 1]!) / 2),
    at(begins[far]!),
    at(sideFirst ? 0 : begins[1]!),
  ]
  const anchor = mirrored ? 'end' : 'start'
  const left = x + (mirrored ? -4 : 4)
  const [over, under] = [at(begins[far + 1]!), at(sideFirst ? begins[near]! : 0)]
  const says = [
    { y: (top.y + high.y) / 2, ...zones[far]! },
    { y: (high.y + low.y) / 2, ...side },
    { y: low.y + (high.y - top.y) / 2, ...zones[near]! },
  ]
  return (
    <g fill="var(--color-ink)" pointerEvents="none">
      {[
        [high, over],
        [low, under],
      ].map((both, index) => {
        const inner = mirrored ? Math.min(both[0]!.x, both[1]!.x) : Math.max(both[0]!.x, both[1]!.x)
        const outer = mirrored ? Math.max(both[0]!.x, both[1]!.x) : Math.min(both[0]!.x, both[1]!.x)
        return (
          <path
            key={index}
            d={`M${x} ${both[0]!.y}H${index === 0 ? inner : outer}`}
            stroke="var(--color-ink)"
            strokeWidth={1.6}
            strokeDasharray="1.6 3.4"
          />
        )
      })}
      {says.map(({ y, count, ...one }, index) => (
        <text key={index} x={left} y={y} textAnchor={anchor}>
          <tspan className="text-16">{zoneName(one)}</tspan>
          <tspan x={left} dy={19} className="slab text-16">
            {count}
          </tspan>
        </text>
      ))}
    </g>
  )
}

/** The chain that an oval grows around, bead by bead. */
export function ChainBeads({ view }: { readonly view: View }) {
  const [first] = view.plan.rounds
  const chains = chainsAlong(first!)
  if (chains === undefined || chains < 2) return null
  const [from, to] = span(view, 0, first!.at.spine! / (2 * first!.at.spine!), 0, 2 * first!.at.spine!)
  const step = (to!.y - from!.y) / (chains - 1)
  const long = Math.abs(step) / 2
  return (
    <g fill="var(--color-fog)" stroke="var(--color-ink)" strokeWidth={1.4} pointerEvents="none">
      {Array.from({ length: chains }, (_, index) => (
        <ellipse
          key={index}
          cx={from!.x}
          cy={from!.y + index * step}
          rx={Math.min(3.4, long * 0.5)}
          ry={long}
        />
      ))}
    </g>
  )
}
