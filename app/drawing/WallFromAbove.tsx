import { yarnsIn, type PlannedRound, type WallFit } from '../../core/index.ts'
import { yarnInk } from './yarnInk.ts'

interface WallFromAboveProps {
  readonly round: PlannedRound
  readonly fit: WallFit
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  /** px it may take. */
  readonly size: number
  readonly label: string
}

/** A wall cut across: its stitches around as thick as they are, and in a hairline what it goes over. */
export function WallFromAbove({ round, fit, yarns, guess, size, label }: WallFromAboveProps) {
  const radius = (perimeter: number) => perimeter / (2 * Math.PI)
  const widest = Math.max(radius(fit.outside), radius(fit.object ?? 0))
  const scale = (size / 2 - 4) / widest
  const [inner, middle, outer] = [fit.inside, fit.middle, fit.outside].map((one) => radius(one) * scale) as [
    number,
    number,
    number,
  ]
  const { count } = round
  const long = Math.max(1, (2 * Math.PI * middle) / count - 1)
  const held = yarnsIn(round)
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`}
      role="img"
      aria-label={label}
    >
      {Array.from({ length: count }, (_, index) => {
        const ink = yarnInk(yarns.get(held[index % held.length]!) ?? '#FAFCFB')
        return (
          <rect
            key={index}
            x={-long / 2}
            y={-outer}
            width={long}
            height={outer - inner}
            rx={Math.min(4, long / 2)}
            fill={guess ? 'none' : ink.fill}
            stroke="var(--color-ink)"
            strokeWidth={0.9}
            strokeDasharray={guess ? '3 2' : undefined}
            transform={`rotate(${(360 * (index + 0.5)) / count})`}
          />
        )
      })}
      {fit.object !== undefined && (
        <circle r={radius(fit.object) * scale} fill="none" stroke="#6F868C" strokeWidth={1.6} />
      )}
    </svg>
  )
}
