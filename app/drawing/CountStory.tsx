import { expandSteps, titleOf, zonesOf, type PlannedRound } from '../../core/index.ts'
import { alongZone } from '../words/zoneWords.ts'

interface CountStoryProps {
  readonly round: PlannedRound
  readonly width: number
}

const TAPE = 26
const TOP = 22
/** Px that a letter takes about. */
const LETTER = 7.4

/** How a round comes to its count: zone by zone along a tape of its stitches, what is shaped standing on it. */
export function CountStory({ round, width }: CountStoryProps) {
  const zones = zonesOf(round)
  if (zones.length === 0) return null
  const long = width - 62
  const at = (stitches: number) => (stitches / round.count) * long + 1
  let made = 0
  const placed = zones.map((zone) => ({ ...zone, from: made, to: (made += zone.count) }))
  let stitch = 0
  const shaped = expandSteps(round.steps).flatMap(({ kind, makes, uses }) => {
    const from = stitch
    stitch += makes
    return kind === 'work' && !(uses === 1 && makes > 2) ? [] : [{ kind, from, to: stitch }]
  })
  const says = zones.map((one) => `${one.count} ${alongZone(one)}`)
  return (
    <figure>
      <svg
        width={width}
        height={TOP + TAPE + 4}
        role="img"
        aria-label={`${titleOf(round)}: ${says.join(' + ')} = ${round.count}`}
        fill="var(--color-ink)"
      >
        {placed.map(({ count, from, to, ...one }, index) => (
          <g key={index}>
            {at(to) - at(from) > 20 && (
              <text x={at(from) + 2} y={15} className="text-14">
                {index > 0 && '+ '}
                <tspan className="slab">{count}</tspan>
                {at(to) - at(from) > LETTER * (alongZone(one).length + 5) && ` ${alongZone(one)}`}
              </text>
            )}
            {index > 0 && (
              <path d={`M${at(from)} ${TOP - 4}V${TOP + TAPE}`} stroke="var(--color-ink)" strokeWidth={1.6} />
            )}
          </g>
        ))}
        <rect
          x={1}
          y={TOP}
          width={long}
          height={TAPE}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth={2}
        />
        <path
          d={Array.from({ length: round.count - 1 }, (_, index) => `M${at(index + 1)} ${TOP + 1}v6`).join('')}
          stroke="var(--color-ink)"
          strokeWidth={1}
        />
        {shaped.map(({ kind, from, to }) => {
          const [left, right] = [at(from), at(to)]
          const bottom = TOP + TAPE - 3
          return kind === 'dec' ? (
            <path
              key={from}
              d={`M${left + 1} ${TOP + 10}H${right - 1}L${right + 3} ${bottom}H${left - 3}Z`}
              fill="var(--color-film)"
              stroke="var(--color-dec)"
              strokeWidth={2}
            />
          ) : (
            <path
              key={from}
              d={`M${left} ${TOP + 10}H${right}L${right - 3} ${bottom}H${left + 3}Z`}
              fill="var(--color-inc)"
            />
          )
        })}
        <text x={long + 8} y={TOP + 19} className="slab text-18">
          = {round.count}
        </text>
      </svg>
    </figure>
  )
}
