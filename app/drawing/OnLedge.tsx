import { useMemo } from 'react'
import { MM_PER_INCH, roundNamed, type Plan, type Position } from '../../core/index.ts'
import { pathOf } from './svgPath.ts'
import { StitchCanvas } from './StitchCanvas.tsx'
import { tapeTicks } from './tapeTicks.ts'
import { placeIn, shareWorked } from './views/view.ts'
import {
  farthestOf,
  isPart,
  isStrip,
  outlineOfPart,
  outlineOfStrip,
  outlineStanding,
  sizeCutOpen,
  sizeOfPart,
  sizeStanding,
  stands,
  wholeIn,
} from './views/viewOf.ts'

/** Px that a ledge's tape is high. */
export const LEDGE_TAPE = 18

/** How much of the ledge a piece takes, mm: flats stand face-on, walls as they stand. */
export function sizeOnLedge(plan: Plan): { readonly width: number; readonly height: number } {
  if (stands(plan)) {
    const { wide, tall } = sizeStanding(plan)
    return { width: wide, height: tall }
  }
  if (isStrip(plan)) {
    const { wide, long } = sizeCutOpen(plan)
    return { width: wide, height: long }
  }
  if (isPart(plan)) {
    const { wide, up, down } = sizeOfPart(plan)
    return { width: wide, height: up + down }
  }
  const across = 2 * farthestOf(plan)
  return { width: across, height: across }
}

interface OnePieceProps {
  readonly plan: Plan
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly position?: Position
  readonly finished: boolean
  /** Whether its stitches show; the ones behind are only an edge. */
  readonly detailed: boolean
  readonly mirrored: boolean
  /** It is closed at the top. */
  readonly hangs: boolean
}

/** One piece as it lies or stands: made in yarn, to come in outline inside a dashed edge, the hook where it is. */
export function OnePiece(props: OnePieceProps) {
  const { plan, width, height, yarns, position, finished, detailed, mirrored, hangs } = props
  const { view, ...drawn } = useMemo(
    () => wholeIn(plan, { width, height }, mirrored, { hangs }),
    [plan, width, height, mirrored, hangs],
  )
  // What is narrower than its room, with its margins, stands on the ledge all the same.
  const place = { left: (width - drawn.width) / 2, bottom: 0, width: drawn.width, height: drawn.height }
  const round = position && roundNamed(plan.rounds, position.round)
  const here = round && !finished ? placeIn(view, round, shareWorked(round, position.unit)) : undefined
  const edge = {
    fill: finished ? (yarns.get(plan.rounds.at(-1)!.yarn) ?? '#FAFCFB') : 'var(--color-film)',
    stroke: 'var(--color-ink)',
    strokeWidth: 1.2,
    strokeDasharray: finished ? undefined : '4 4',
  }
  return (
    <span className="absolute block" style={place}>
      <svg className="absolute inset-0" width={width} height={height}>
        {stands(plan) ? (
          <path d={pathOf(outlineStanding(view), true)} {...edge} />
        ) : isStrip(plan) ? (
          <path d={pathOf(outlineOfStrip(view), true)} {...edge} />
        ) : isPart(plan) ? (
          <path d={pathOf(outlineOfPart(view), true)} {...edge} />
        ) : (
          <circle
            cx={width / 2}
            cy={height / 2}
            r={Math.min(width / 2 - 1, plan.rounds.at(-1)!.at.arc * view.scale)}
            {...edge}
          />
        )}
      </svg>
      {detailed && (
        <StitchCanvas
          view={view}
          width={width}
          height={height}
          yarns={yarns}
          shown={
            finished
              ? { kind: 'all' }
              : { kind: 'madeTo', round: round?.number ?? 1, unit: position?.unit ?? 0, toCome: true }
          }
        />
      )}
      {here && (
        <svg className="absolute inset-0 overflow-visible" width={width} height={height}>
          <circle
            cx={here.x}
            cy={here.y}
            r={7}
            fill="var(--color-tape)"
            stroke="var(--color-ink)"
            strokeWidth={2.6}
          />
        </svg>
      )}
    </span>
  )
}

/** The front edge of a ledge. */
export function LedgeTape({ width, scale, inches }: { width: number; scale: number; inches: boolean }) {
  const unit = (inches ? MM_PER_INCH : 10) * scale
  const { ticks } = tapeTicks(width, unit, 1, unit)
  return (
    <svg width={width} height={LEDGE_TAPE} className="on-tape block" aria-hidden>
      <rect width={width} height={LEDGE_TAPE} fill="var(--color-tape)" />
      {ticks.map(({ at }) => {
        const number = Math.round(at / unit)
        const named = number % 10 === 0 || (inches && number % 4 === 0)
        return (
          <g key={number}>
            <path d={`M${at} 0v${number % 5 === 0 ? 8 : 5}`} stroke="var(--color-ink)" strokeWidth={1} />
            {named && (
              <text x={at - 3} y={15} textAnchor="end" fontSize={13} className="slab" fill="var(--color-ink)">
                {number}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
