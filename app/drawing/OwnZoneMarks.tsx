import { zonesOf, type Plan, type PlannedRound, type ZoneCount } from '../../core/index.ts'
import { footOf, span, stretchOf, type Point, type View } from './views/view.ts'

interface ZonedRound {
  readonly round: PlannedRound
  readonly zones: readonly ZoneCount[]
}

/** Px beyond the edge at which a zone is named. */
const BEYOND = 16

const isOwn = ({ zone }: ZoneCount): boolean => zone === 'own'

/** The rounds of a plan that have zones of the maker's own. */
const zonedIn = ({ rounds }: Plan): ZonedRound[] =>
  rounds.map((round) => ({ round, zones: zonesOf(round) })).filter(({ zones }) => zones.some(isOwn))

/** Zones that the maker named: a dotted line along where each begins and ends, and its name with its stitches at the edge. */
export function OwnZoneMarks({ view }: { readonly view: View }) {
  const zoned = zonedIn(view.plan)
  const names = [...new Set(zoned.flatMap(({ zones }) => zones.filter(isOwn).map(({ name }) => name!)))]
  return (
    <g pointerEvents="none">
      {names.flatMap((name) =>
        (['from', 'to'] as const).map((end) => (
          <path
            key={`${name}-${end}`}
            d={lineOf(view, zoned, name, end)}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={1.6}
            strokeDasharray="1.6 3.4"
          />
        )),
      )}
      {names.map((name) => {
        const edge = zoned.findLast((one) => middleShown(view, one, name))
        if (!edge) return null
        const { from, to } = placeOf(edge, name)!
        const { x, y } = beyond(view, edge.round, (from + to) / 2)
        return (
          <text
            key={name}
            x={x}
            y={y}
            textAnchor="middle"
            className="text-16"
            fill="var(--color-ink)"
            stroke="var(--color-film)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {name} <tspan className="slab">{edge.zones.find((zone) => zone.name === name)!.count}</tspan>
          </text>
        )
      })}
    </g>
  )
}

/** Where a zone begins and ends in a round, as shares of it. */
function placeOf({ round, zones }: ZonedRound, name: string) {
  let made = 0
  for (const zone of zones) {
    const from = made
    made += zone.count
    if (zone.name === name) return { from: from / round.count, to: made / round.count }
  }
  return undefined
}

/** Whether a view has the middle of a zone in a round: what is unrolled shows a part of its wall. */
function middleShown(view: View, one: ZonedRound, name: string): boolean {
  const place = placeOf(one, name)
  if (!place) return false
  const middle = (place.from + place.to) / 2
  return view.shows(middle, middle, one.round.at.arc)
}

function at(view: View, round: PlannedRound, share: number, along: number): Point {
  const { from, share: whole, ring } = stretchOf(round)
  return span(view, from + share * whole, from + share * whole, along, ring)[0]!
}

/** A place outside the top of a round, as its fabric goes there. */
function beyond(view: View, round: PlannedRound, share: number): Point {
  const [inner, outer] = [footOf(view.plan, round), round.at.arc].map((along) =>
    at(view, round, share, along),
  )
  const [right, down] = [outer!.x - inner!.x, outer!.y - inner!.y]
  const by = BEYOND / Math.max(1, Math.hypot(right, down))
  return { x: outer!.x + right * by, y: outer!.y + down * by }
}

/** One end of a zone from round to round; where rounds begin there is a line already. */
function lineOf(view: View, zoned: readonly ZonedRound[], name: string, end: 'from' | 'to'): string {
  let below: PlannedRound | undefined
  return zoned
    .flatMap((one) => {
      const share = placeOf(one, name)?.[end]
      if (share === undefined || !view.shows(share, share, one.round.at.arc)) return []
      const on = below?.number === one.round.number - 1
      below = one.round
      const [foot, top] = [footOf(view.plan, one.round), one.round.at.arc].map((along) =>
        at(view, one.round, share, along),
      )
      return [`${on ? 'L' : 'M'}${foot!.x} ${foot!.y}L${top!.x} ${top!.y}`]
    })
    .join('')
}
