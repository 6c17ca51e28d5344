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

/** Under so many px across, a piece has the finest edge and the smallest post. */
const SMALL = 40

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
  const small = Math.min(drawn.width, drawn.height) < SMALL
  const edge = {
    fill: finished ? (yarns.get(plan.rounds.at(-1)!.yarn) ?? '#FAFCFB') : 'var(--color-film)',
    stroke: 'var(--color-ink)',
    strokeWidth: small ? 1 : 1.2,
    strokeDasharray: finished ? undefined : small ? '2 1.5' : '4 4',
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
            r={small ? 4 : 7}
            fill="var(--color-tape)"
            stroke="var(--color-ink)"
            strokeWidth={small ? 1.6 : 2.6}
          />
        </svg>
      )}
    </span>
  )
}

/** Px between marks that can be told apart, and between numbers. */
const MARK_APART = 4
const NUMBER_APART = 30

/** The front edge of a ledge: marks and numbers as close as they can be read, the finest of them centimetres or inches. */
export function LedgeTape({ width, scale, inches }: { width: number; scale: number; inches: boolean }) {
  const unit = (inches ? MM_PER_INCH : 10) * scale
  const steps = inches ? [1, 4, 12, 24, 48] : [1, 5, 10, 20, 50, 100]
  const apart = (px: number, from: number) =>
    steps.find((step) => step >= from && step * unit >= px) ?? steps.at(-1)!
  const mark = apart(MARK_APART, 1)
  const number = apart(NUMBER_APART, inches ? 4 : 10)
  const { ticks } = tapeTicks(width, mark * unit, 1, mark * unit)
  return (
    <svg width={width} height={LEDGE_TAPE} className="on-tape block" aria-hidden>
      <rect width={width} height={LEDGE_TAPE} fill="var(--color-tape)" />
      {ticks.map(({ at }) => {
        const here = Math.round(at / unit)
        return (
          <g key={here}>
            <path
              d={`M${at} 0v${here % (5 * mark) === 0 || here % number === 0 ? 8 : 5}`}
              stroke="var(--color-ink)"
              strokeWidth={1}
            />
            {here % number === 0 && (
              <text x={at - 3} y={15} textAnchor="end" fontSize={13} className="slab" fill="var(--color-ink)">
                {here}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
