import { useState, type PointerEvent, type ReactNode } from 'react'
import type { Plan } from '../../core/index.ts'
import { EdgeHandle } from './EdgeHandle.tsx'
import { PlanOverlay } from './PlanOverlay.tsx'
import { StitchCanvas } from './StitchCanvas.tsx'
import { drawnRadius, roundAt, type DrawingFrame, type Point } from './unrolledDisc.ts'

interface PlanDrawingProps {
  readonly plan: Plan
  readonly width: number
  readonly height: number
  /** Radius of the drawn disc in px, and its centre. */
  readonly radius: number
  readonly centre: Point
  readonly cut: number
  readonly mirrored: boolean
  readonly turned: boolean
  readonly guess: boolean
  readonly yarns: ReadonlyMap<string, string>
  readonly target: number
  readonly roundHeight: number
  readonly sizeLabel: (across: number) => string
  readonly lit?: number
  readonly onPoint: (round: number | undefined) => void
  readonly onTarget?: (across: number) => void
  readonly leaderTo?: (round: number) => Point | undefined
  readonly children?: (frame: DrawingFrame) => ReactNode
}

/** The piece that unrolls into its rows: stitches painted, everything said about them above. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { plan, width, height, radius, centre, cut, mirrored, turned, guess, yarns, lit, onPoint } = props
  const { target, roundHeight, sizeLabel, onTarget, leaderTo, children } = props
  // While the edge is dragged the scale stands still, so that the edge stays under the finger.
  const [heldScale, setHeldScale] = useState<number>()
  const edge = drawnRadius(plan.rounds.at(-1)!)
  const scale = heldScale ?? radius / edge
  const frame: DrawingFrame = { scale, x: centre.x, y: centre.y, cut, mirrored }
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    onPoint(roundAt(plan, frame, { x: event.clientX - box.x, y: event.clientY - box.y })?.number)
  }
  return (
    <div className="relative" style={{ width, height }}>
      <StitchCanvas
        plan={plan}
        frame={frame}
        width={width}
        height={height}
        yarns={yarns}
        shown={guess ? { kind: 'guess' } : { kind: 'all' }}
        turned={turned}
      />
      <svg
        className="absolute inset-0 overflow-visible"
        width={width}
        height={height}
        role="group"
        aria-label={`Drawing of the piece, ${plan.rounds.length} rounds`}
        onPointerMove={point}
        onPointerLeave={() => onPoint(undefined)}
      >
        <PlanOverlay plan={plan} frame={frame} lit={lit} guess={guess} leaderTo={leaderTo} />
        {children?.(frame)}
        {onTarget && (
          <EdgeHandle
            frame={frame}
            radius={edge}
            roundHeight={roundHeight}
            across={target}
            label={sizeLabel}
            onDrag={(dragging) => setHeldScale(dragging ? scale : undefined)}
            onChange={onTarget}
          />
        )}
      </svg>
    </div>
  )
}
