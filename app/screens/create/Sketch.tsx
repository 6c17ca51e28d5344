import { useCallback } from 'react'
import type { Plan } from '../../../core/index.ts'
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx'
import type { FitWords } from '../../drawing/PlanOverlay.tsx'
import { SockSection } from '../../drawing/SockSection.tsx'
import { ovalFace, sizeOfOval } from '../../drawing/views/oval.ts'
import { rows } from '../../drawing/views/rows.ts'
import { hasPanel, sizeOfSock } from '../../drawing/views/sock.ts'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { bendOf, isOval, isWall, partsOfOval, sizeCutOpen } from '../../drawing/views/viewOf.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sockWords } from '../../words/sockWords.ts'

export const discRadius = (width: number): number =>
  Math.max(60, Math.min(250, (width - 8) / (2 + Math.PI / 2 - 1)))
const TALLEST = 560

interface SketchProps {
  readonly plan: Plan
  readonly width: number
  readonly mirrored: boolean
  readonly guess: boolean
  readonly fitWords: FitWords
}

/** The piece as it would be, as large as there is room. */
export function Sketch(props: SketchProps) {
  if (isOval(props.plan)) return <OvalSketch {...props} />
  return hasPanel(props.plan) ? <SockSketch {...props} /> : <RoundSketch {...props} />
}

/** What lies flat around its chain, as its rows run out of it. */
function OvalSketch({ plan, width, mirrored, guess, fitWords }: SketchProps) {
  const { base } = partsOfOval(plan)
  const { wide, long, tail } = sizeOfOval(base)
  const scale = Math.min((width - 24) / (wide / 2 + Math.max(wide / 2, tail)), TALLEST / long)
  const half = (wide / 2) * scale
  const [x, y] = [mirrored ? width - half - 8 : half + 8, 12 + long * scale - half]
  const viewAt = useCallback(
    () => ovalFace(partsOfOval(plan).base, { scale, x, y, mirrored, unrolls: true }),
    [plan, scale, x, y, mirrored],
  )
  return (
    <PlanDrawing
      {...{ viewAt, width, guess, fitWords }}
      height={long * scale + 24}
      yarns={NO_YARNS}
      onPoint={() => undefined}
    />
  )
}

/** A sock or slipper from the side: its rows lie behind what unrolls of it. */
function SockSketch({ plan, width, mirrored, guess }: SketchProps) {
  const sizes = useSizes()
  const { long, high } = sizeOfSock(plan)
  const scale = Math.min((width - 24) / long, TALLEST / high)
  const height = high * scale + 70
  const says = sockWords(plan, sizes, guess)
  return (
    <svg width={width} height={height} role="img" aria-label={says.all} className="overflow-hidden">
      <SockSection
        {...{ plan, scale, mirrored, guess, says }}
        foot={undefined}
        x={mirrored ? width - 12 : 12}
        floor={height - 46}
        yarns={NO_YARNS}
      />
    </svg>
  )
}

function RoundSketch({ plan, width, mirrored, guess, fitWords }: SketchProps) {
  const last = plan.rounds.at(-1)!
  const wall = isWall(plan)
  const { wide, long } = sizeCutOpen(plan)
  const bend = bendOf(plan)
  const disc = Math.min(bend, last.at.arc)
  const deep = bend === Infinity ? disc : last.at.arc
  const scale = wall
    ? Math.min((width - 40) / wide, TALLEST / long)
    : Math.min(discRadius(width) / disc, TALLEST / (disc + deep))
  const radius = disc * scale
  const viewAt = useCallback(
    () =>
      wall
        ? rows(plan, { scale, x: mirrored ? width - 12 : 12, y: 12, mirrored })
        : unrolled(plan, {
            scale,
            x: mirrored ? width - radius - 4 : radius + 4,
            y: radius + 12,
            cut: UNROLL_CUT,
            mirrored,
            bend,
          }),
    [plan, wall, scale, width, radius, bend, mirrored],
  )
  return (
    <PlanDrawing
      viewAt={viewAt}
      width={width}
      height={wall ? long * scale + 36 : (disc + deep) * scale + 24}
      guess={guess}
      yarns={NO_YARNS}
      fitWords={fitWords}
      onPoint={() => undefined}
    />
  )
}

const NO_YARNS: ReadonlyMap<string, string> = new Map()

/** Before the first size: only the start line and the flat line. */
export function BareLines({ radius }: { radius: number }) {
  return (
    <svg width={radius * 2.6} height={2 * radius + 24} aria-hidden className="max-w-full">
      <g stroke="var(--color-ink)" fill="none">
        <path d={`M${radius} ${radius}H${2 * radius}`} strokeWidth={2.2} />
        <path d={`M${radius} ${radius}l${(radius * Math.PI) / 2} ${radius}`} strokeWidth={1.6} />
        <path
          d={`M${2 * radius} ${radius}A${radius} ${radius} 0 1 0 ${radius} ${2 * radius}h${(radius * Math.PI) / 2}`}
          strokeDasharray="6 6"
        />
      </g>
    </svg>
  )
}
