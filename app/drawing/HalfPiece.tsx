import { useMemo } from 'react'
import type { Plan } from '../../core/index.ts'
import { pathOf } from './svgPath.ts'
import { StitchCanvas } from './StitchCanvas.tsx'
import { RoundCapsules } from './RoundCapsules.tsx'
import { roundLine, span } from './views/view.ts'
import { standing } from './views/standing.ts'
import { unrolled } from './views/unrolled.ts'
import { rows } from './views/rows.ts'
import { isPart, isStrip, sizeCutOpen, sizeOfPart, sizeStanding, stands } from './views/viewOf.ts'

interface HalfPieceProps {
  readonly plan: Plan
  /** The last round that stays as it is: the tape lies there. */
  readonly keeps: number
  /** Diameter that was asked for, mm. */
  readonly target: number
  readonly width: number
  /** mm that half the width stands for: the same for drawings to be compared. */
  readonly reach: number
  readonly yarns: ReadonlyMap<string, string>
  readonly mirrored: boolean
  /** It is closed at the top. */
  readonly hangs?: boolean
  readonly label: string
}

const SECTION = 44
const TABLE = 12

/** How the piece would be, the tape where it was measured: the upper half of a disc and its section, or a wall. */
export function HalfPiece(props: HalfPieceProps) {
  const { plan, keeps, target, width, reach, yarns, mirrored, hangs = false, label } = props
  const scale = (width / 2 - 10) / reach
  const middle = width / 2
  const wall = stands(plan)
  const { tall } = sizeStanding(plan)
  // Part of a disc hangs from its straight edge, a strip from its chain; of a whole disc the upper half tells as much.
  const whole = isPart(plan) || isStrip(plan)
  const { up, down } = isPart(plan) ? sizeOfPart(plan) : { up: 0, down: plan.rounds.at(-1)!.at.arc }
  const height = Math.ceil((wall ? tall : up + down) * scale + 6)
  const view = useMemo(() => {
    if (wall) return standing(plan, { scale, x: middle, table: hangs ? 3 : height - 1, mirrored, hangs })
    if (isStrip(plan)) {
      const left = (sizeCutOpen(plan).wide / 2) * scale
      return rows(plan, { scale, x: mirrored ? middle + left : middle - left, y: 3, mirrored })
    }
    const y = isPart(plan) ? up * scale + 3 : height - 1
    return unrolled(plan, { scale, x: middle, y, cut: 1, mirrored })
  }, [plan, wall, scale, middle, height, mirrored, hangs, up])
  const measured = plan.rounds[keeps - 1]
  const line =
    measured && pathOf(wall || whole ? roundLine(view, measured) : span(view, 0, 0.5, measured.at.arc, 0))
  return (
    <div role="img" aria-label={label} style={{ width }}>
      <div className="relative overflow-hidden" style={{ width, height }}>
        <StitchCanvas view={view} width={width} height={height} yarns={yarns} shown={{ kind: 'all' }} />
        {line && (
          <svg className="absolute inset-0" width={width} height={height} fill="none" aria-hidden>
            <path d={line} stroke="var(--color-ink)" strokeWidth={4.6} />
            <path d={line} stroke="var(--color-tape)" strokeWidth={2.8} />
          </svg>
        )}
      </div>
      {wall || whole ? (
        <svg width={width} height={TABLE} className="block" aria-hidden>
          <path d={`M6 1H${width - 6}`} stroke="var(--color-ink)" strokeWidth={1.2} />
        </svg>
      ) : (
        <SideView plan={plan} target={target} width={width} scale={scale} yarns={yarns} />
      )}
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
function SideView({ plan, target, width, scale, yarns }: SideViewProps) {
  const middle = width / 2
  const table = SECTION - 10
  const post = (target / 2) * scale
  const highest = Math.max(0, ...plan.rounds.map(({ at }) => at.z))
  const lift = Math.min(scale, highest > 0 ? 22 / highest : scale)
  const capsules = plan.rounds.flatMap((round, index) => {
    const { at } = round
    const inner = plan.rounds[index - 1]?.at.radius ?? 0
    const long = Math.max(1.4, Math.abs(at.radius - inner) * scale - 0.6)
    const y = table - 9 - at.z * lift
    return [middle + inner * scale, middle - inner * scale - long].map((x) => ({
      held: round,
      x,
      y,
      width: long,
    }))
  })
  const thin = capsules.at(-1)!.width < 4
  return (
    <svg width={width} height={SECTION} aria-hidden>
      <RoundCapsules capsules={capsules} yarns={yarns} height={8.5} lineWidth={thin ? 0.5 : 1} />
      <path d={`M6 ${table}H${width - 6}`} stroke="var(--color-ink)" strokeWidth={1.2} />
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={middle + side * post - 2.2}
          y={table - 20}
          width={4.4}
          height={25}
          fill="var(--color-tape)"
          stroke="var(--color-ink)"
          strokeWidth={1.2}
        />
      ))}
    </svg>
  )
}
