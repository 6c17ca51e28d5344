import { useMemo, useState, type PointerEvent, type ReactNode } from 'react'
import type { Constraints } from '../../core/index.ts'
import { EdgeHandle, type Pulled } from './EdgeHandle.tsx'
import { OwnZoneMarks } from './OwnZoneMarks.tsx'
import { PlaceMarks } from './PlaceMarks.tsx'
import { PlanOverlay, type FitWords, type LeaderTo } from './PlanOverlay.tsx'
import { StitchCanvas } from './StitchCanvas.tsx'
import type { Grip, View } from './views/view.ts'
import { roundsNoun } from '../words/roundWords.ts'

/** A size that is pulled at a place of the drawing. */
export interface Handle {
  readonly grip: Grip
  readonly pulled: Pulled
}

interface PlanDrawingProps {
  /** The view of the plan, at a scale of its own when one is held. Kept from one drawing to the next. */
  readonly viewAt: (heldScale?: number) => View
  readonly width: number
  readonly height: number
  readonly guess: boolean
  readonly yarns: ReadonlyMap<string, string>
  readonly fitWords: FitWords
  readonly lit?: number
  readonly onPoint: (round: number | undefined) => void
  /** What pulling its edge changes. */
  readonly pulled?: Pulled
  /** What else of it is pulled, and where. */
  readonly handles?: (view: View) => readonly Handle[]
  readonly leaderTo?: LeaderTo
  /** What the maker asked of it: its places are marked. */
  readonly constraints?: Constraints
  readonly children?: (view: View) => ReactNode
}

/** The piece that unrolls into its rows: stitches painted, everything said about them above. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { viewAt, width, height, guess, yarns, lit, onPoint, pulled, leaderTo, fitWords, children } = props
  const { handles, constraints } = props
  // While the edge is dragged the scale stands still, so that the edge stays under the finger.
  const [heldScale, setHeldScale] = useState<number>()
  const view = useMemo(() => viewAt(heldScale), [viewAt, heldScale])
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    onPoint(view.roundAt({ x: event.clientX - box.x, y: event.clientY - box.y })?.number)
  }
  return (
    <div className="relative" style={{ width, height }}>
      <StitchCanvas
        view={view}
        width={width}
        height={height}
        yarns={yarns}
        shown={guess ? { kind: 'guess' } : { kind: 'all' }}
      />
      <svg
        className="absolute inset-0 overflow-visible"
        width={width}
        height={height}
        role="group"
        aria-label={`Drawing of the piece, ${view.plan.rounds.length} ${roundsNoun(view.plan)}`}
        onPointerMove={point}
        onPointerLeave={() => onPoint(undefined)}
      >
        <PlanOverlay view={view} lit={lit} guess={guess} leaderTo={leaderTo} fitWords={fitWords} />
        <OwnZoneMarks view={view} />
        {constraints && <PlaceMarks view={view} constraints={constraints} />}
        {children?.(view)}
        {[...(pulled && view.grip ? [{ grip: view.grip, pulled }] : []), ...(handles?.(view) ?? [])].map(
          (handle) => (
            <EdgeHandle
              key={handle.pulled.name}
              {...handle}
              onDrag={(dragging) => setHeldScale(dragging ? view.scale : undefined)}
            />
          ),
        )}
      </svg>
    </div>
  )
}
