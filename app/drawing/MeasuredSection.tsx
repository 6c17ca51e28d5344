import type { PlannedRound } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { Tape } from './Tape.tsx'

interface MeasuredSectionProps {
  readonly width: number
  readonly rounds: readonly PlannedRound[]
  /** Diameter by the tape, mm; where the tape should be laid when not given. */
  readonly measured: number | undefined
  readonly standsUp: number
  readonly sizes: Sizes
}

/** So many times as wide as planned, or as narrow, is no piece to draw but a slip to ask about. */
const FAR = 3
const TABLE = 66
const TAPE = 28

/** The piece cut through on the tape, what it measures, and where the plan thought its edge would be. */
export function MeasuredSection({ width, rounds, measured, standsUp, sizes }: MeasuredSectionProps) {
  const edge = rounds.at(-1)!.at
  const planned = 2 * edge.radius
  const drawn =
    measured !== undefined && measured > planned / FAR && measured < planned * FAR ? measured : undefined
  const shown = drawn ?? planned
  const scale = (width - 96) / Math.max(shown, planned)
  const plusMinus = 4 * edge.sd
  const stretch = shown / planned
  const lift = Math.min(30, standsUp * scale)
  const planX = planned * scale
  const middle = (shown * scale) / 2
  return (
    <svg
      width={width}
      height={TABLE + TAPE + 8}
      role="img"
      aria-label={
        drawn === undefined
          ? `Lay the tape through the centre; the plan expects ${sizes.withDoubt(planned, plusMinus)}.`
          : `${sizes.full(drawn)} measured, ${sizes.withDoubt(planned, plusMinus)} planned.`
      }
    >
      <g transform="translate(4 0)">
        {rounds.flatMap(({ number, at }, index) => {
          const inner = (rounds[index - 1]?.at.radius ?? 0) * stretch * scale
          const long = Math.max(2, at.radius * stretch * scale - inner - 1)
          const rise = lift * (at.radius / edge.radius) ** 2
          return [1, -1].map((side) => (
            <rect
              key={`${number} ${side}`}
              x={side > 0 ? middle + inner + 0.5 : middle - inner - long - 0.5}
              y={TABLE - 15 - rise}
              width={long}
              height={14}
              rx={Math.min(6, long / 2)}
              fill={drawn === undefined ? 'none' : '#FAFCFB'}
              stroke="var(--color-ink)"
              strokeWidth={1.2}
              strokeDasharray={drawn === undefined ? '3 2' : undefined}
            />
          ))
        })}
        <g transform={`translate(0 ${TABLE})`}>
          <Tape
            length={Math.max(shown, planned) * scale + 16}
            height={TAPE}
            inches={sizes.unit === 'in'}
            perMm={scale}
          />
        </g>
        {drawn !== undefined && (
          <>
            <path
              d={`M0 12V${TABLE + TAPE}M${shown * scale} 12V${TABLE + TAPE}`}
              stroke="var(--color-ink)"
              strokeWidth={1.8}
            />
            <path
              d={`M0 18H${middle - 70}M${middle + 70} 18H${shown * scale}M8 14.5L0 18L8 21.5M${shown * scale - 8} 14.5L${shown * scale} 18L${shown * scale - 8} 21.5`}
              stroke="var(--color-ink)"
              strokeWidth={1.2}
              fill="none"
            />
            <text
              x={middle}
              y={24}
              textAnchor="middle"
              className="slab"
              fontSize={18}
              fill="var(--color-ink)"
            >
              {sizes.bare(drawn)} measured
            </text>
          </>
        )}
        <path d={`M${planX} ${TABLE - 44}V${TABLE + TAPE}`} stroke="var(--color-ink)" strokeWidth={1.8} />
        <path
          d={`M${planX - plusMinus * scale} ${TABLE - 8}v-6H${planX + plusMinus * scale}v6`}
          stroke="var(--color-ink)"
          fill="none"
          strokeWidth={1.3}
        />
        <text x={planX + 8} y={TABLE - 43} fontSize={14} fill="var(--color-ink-2)">
          plan
        </text>
        <text x={planX + 8} y={TABLE - 28} fontSize={15} className="slab" fill="var(--color-ink)">
          {sizes.bare(planned)} ± {sizes.doubt(plusMinus)}
        </text>
      </g>
    </svg>
  )
}
