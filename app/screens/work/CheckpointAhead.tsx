import clsx from 'clsx'
import type { Plan, Position, WorkView } from '../../../core/index.ts'
import { StitchCanvas } from '../../drawing/StitchCanvas.tsx'
import { drawnRadius, place, type DrawingFrame } from '../../drawing/unrolledDisc.ts'
import { useSettings, useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sts } from '../../ui/wording.ts'

interface CheckpointAheadProps {
  readonly plan: Plan
  readonly position: Position
  readonly now: WorkView
  readonly className?: string
}

const SIZE = 190

/** The piece so far inside the ring where it will be measured next, and how many stitches are left to there. */
export function CheckpointAhead({ plan, position, now, className }: CheckpointAheadProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const { hand } = useSettings()
  const ahead = now.nextCheckpoint
  if (!ahead) return null
  const { checkpoint, stitchesTo } = ahead
  const ring = drawnRadius(plan.rounds[checkpoint.afterRound - 1]!)
  const frame: DrawingFrame = {
    scale: (SIZE / 2 - 5) / ring,
    x: SIZE / 2,
    y: SIZE / 2,
    cut: 1,
    mirrored: hand === 'left',
  }
  const below = plan.rounds[position.round - 2]
  const here = place(
    frame,
    now.made / now.round.count,
    below ? (drawnRadius(below) + drawnRadius(now.round)) / 2 : drawnRadius(now.round) / 2,
    0,
  )
  return (
    <div
      className={clsx(
        'flex shrink-0 flex-col items-end max-lg:flex-row max-lg:items-center max-lg:gap-5 max-sm:min-w-0 max-sm:shrink',
        className,
      )}
    >
      <div className="relative max-sm:[zoom:0.6]" style={{ width: SIZE, height: SIZE }} aria-hidden>
        <StitchCanvas
          plan={plan}
          frame={frame}
          width={SIZE}
          height={SIZE}
          yarns={colours}
          shown={{ kind: 'madeTo', ...position, toCome: false }}
        />
        <svg className="absolute inset-0" width={SIZE} height={SIZE}>
          <circle
            cx={frame.x}
            cy={frame.y}
            r={ring * frame.scale}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={4.6}
          />
          <circle
            cx={frame.x}
            cy={frame.y}
            r={ring * frame.scale}
            fill="none"
            stroke="var(--color-tape)"
            strokeWidth={2.8}
          />
          <circle
            cx={here.x}
            cy={here.y}
            r={8}
            fill="var(--color-tape)"
            stroke="var(--color-ink)"
            strokeWidth={3}
          />
        </svg>
      </div>
      <div className="min-w-0">
        <p className="slab pt-1 text-right text-26 max-lg:text-left max-sm:text-20">
          {sizes.withDoubt(checkpoint.across, checkpoint.plusMinus)}
        </p>
        <p className="text-right text-21 max-lg:text-left max-sm:text-18">
          <strong>Measure</strong> after Rnd {checkpoint.afterRound}, in {sts(stitchesTo)}
        </p>
      </div>
    </div>
  )
}
