import { useMemo } from 'react'
import type { Plan } from '../../core/index.ts'
import { StitchCanvas } from './StitchCanvas.tsx'
import type { DrawingFrame } from './unrolledDisc.ts'
import { RoundCapsule } from './RoundCapsule.tsx'

interface HalfPieceProps {
  readonly plan: Plan
  /** The last round that stays as it is: the tape lies there. */
  readonly keeps: number
  readonly target: number
  readonly width: number
  /** mm that half the width stands for: the same for drawings to be compared. */
  readonly reach: number
  readonly yarns: ReadonlyMap<string, string>
  readonly mirrored: boolean
  readonly label: string
}

const SECTION = 44

/** The upper half of the piece as it would be, the tape where it was measured, and its section on the table. */
export function HalfPiece({ plan, keeps, target, width, reach, yarns, mirrored, label }: HalfPieceProps) {
  const scale = (width / 2 - 10) / reach
  const middle = width / 2
  const outer = plan.rounds.at(-1)!.at.arc * scale
  const height = Math.ceil(outer + 6)
  const frame = useMemo(
    (): DrawingFrame => ({ scale, x: middle, y: height - 1, cut: 1, mirrored }),
    [scale, middle, height, mirrored],
  )
  const tape = plan.rounds[keeps - 1]?.at.arc
  const arc =
    tape === undefined
      ? undefined
      : `M${middle - tape * scale} ${height - 1}A${tape * scale} ${tape * scale} 0 0 1 ${middle + tape * scale} ${height - 1}`
  return (
    <div role="img" aria-label={label} style={{ width }}>
      <div className="relative overflow-hidden" style={{ width, height }}>
        <StitchCanvas
          plan={plan}
          frame={frame}
          width={width}
          height={height}
          yarns={yarns}
          shown={{ kind: 'all' }}
        />
        {arc && (
          <svg className="absolute inset-0" width={width} height={height} fill="none" aria-hidden>
            <path d={arc} stroke="#0E2730" strokeWidth={4.6} />
            <path d={arc} stroke="#FFC21A" strokeWidth={2.8} />
          </svg>
        )}
      </div>
      <SideView plan={plan} target={target} width={width} scale={scale} yarns={yarns} />
    </div>
  )
}

interface SideViewProps {
  readonly plan: Plan
  readonly target: number
  readonly width: number
  readonly scale: number
  readonly yarns: ReadonlyMap<string, string>
}

/** The piece cut through on the table: one capsule a round, lifted where it stands up, posts at the target. */
export function SideView({ plan, target, width, scale, yarns }: SideViewProps) {
  const middle = width / 2
  const table = SECTION - 10
  const post = (target / 2) * scale
  const highest = Math.max(0, ...plan.rounds.map(({ at }) => at.z))
  const lift = Math.min(scale, highest > 0 ? 22 / highest : scale)
  return (
    <svg width={width} height={SECTION} aria-hidden>
      {plan.rounds.flatMap((round, index) => {
        const { number, at } = round
        const inner = plan.rounds[index - 1]?.at.radius ?? 0
        const long = Math.max(1.4, Math.abs(at.radius - inner) * scale - 0.6)
        return [1, -1].map((side) => (
          <RoundCapsule
            key={`${number} ${side}`}
            held={round}
            yarns={yarns}
            x={side > 0 ? middle + inner * scale : middle - inner * scale - long}
            y={table - 9 - at.z * lift}
            width={long}
            height={8.5}
            lineWidth={long < 4 ? 0.5 : 1}
          />
        ))
      })}
      <path d={`M6 ${table}H${width - 6}`} stroke="#0E2730" strokeWidth={1.2} />
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={middle + side * post - 2.2}
          y={table - 20}
          width={4.4}
          height={25}
          fill="#FFC21A"
          stroke="#0E2730"
          strokeWidth={1.2}
        />
      ))}
    </svg>
  )
}
