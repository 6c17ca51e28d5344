import clsx from 'clsx'
import { useMemo } from 'react'
import { hasMotifs, type Plan, type WorkView } from '../../../core/index.ts'
import { StitchCanvas } from '../../drawing/StitchCanvas.tsx'
import { pathOf } from '../../drawing/svgPath.ts'
import { placeIn, roundLine, shareWorked } from '../../drawing/views/view.ts'
import { wholeIn } from '../../drawing/views/viewOf.ts'
import { useSettings, useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayBare, sayPromised } from '../../words/measureWords.ts'
import { sts } from '../../words/wording.ts'
import { roundTitle } from '../../words/roundWords.ts'

interface CheckpointAheadProps {
  readonly plan: Plan
  /** Stitches, increases and decreases made in the round. */
  readonly unit: number
  readonly now: WorkView
  /** Whether it is closed at the top. */
  readonly hangs: boolean
  /** Px, of the drawing either way. */
  readonly size: number
  readonly className?: string
}

/** The piece so far up to where it will be measured next, and how many stitches are left to there. */
export function CheckpointAhead({ plan, unit, now, hangs, size, className }: CheckpointAheadProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const mirrored = useSettings().hand === 'left'
  const ahead = now.nextCheckpoint
  const afterRound = ahead?.checkpoint.afterRound
  const fitted = useMemo(
    () =>
      afterRound === undefined
        ? undefined
        : wholeIn(
            { ...plan, rounds: plan.rounds.slice(0, afterRound) },
            { width: size, height: size },
            mirrored,
            { margin: 5, hangs },
          ),
    [plan, afterRound, size, mirrored, hangs],
  )
  if (!ahead || !fitted) return null
  const { checkpoint, stitchesTo } = ahead
  const { view, width, height } = fitted
  const line = pathOf(roundLine(view, view.plan.rounds.at(-1)!))
  const here = placeIn(
    view,
    now.round,
    hasMotifs(now.round) ? shareWorked(now.round, unit) : now.made / now.round.count,
  )
  const { promises } = checkpoint
  return (
    <div
      className={clsx(
        'flex shrink-0 flex-col items-end max-lg:flex-row max-lg:items-center max-lg:gap-5 max-sm:min-w-0 max-sm:shrink',
        className,
      )}
    >
      <div className="relative max-sm:[zoom:0.6]" style={{ width, height }} aria-hidden>
        <StitchCanvas
          view={view}
          width={width}
          height={height}
          yarns={colours}
          shown={{ kind: 'madeTo', round: now.round.number, unit, toCome: false }}
        />
        <svg className="absolute inset-0" width={width} height={height} fill="none">
          <path d={line} stroke="var(--color-ink)" strokeWidth={4.6} />
          <path d={line} stroke="var(--color-tape)" strokeWidth={2.8} />
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
        {promises.map((promised) => (
          <p
            key={promised.of}
            className={clsx(
              'slab pt-1 text-right max-lg:text-left max-sm:text-20',
              promises.length === 1 ? 'text-26' : 'text-21',
            )}
          >
            {promises.length === 1 ? sayBare(promised, sizes) : sayPromised(promised, sizes)}
          </p>
        ))}
        <p className="text-right text-21 max-lg:text-left max-sm:text-18">
          <strong>Measure</strong> after {roundTitle(plan, checkpoint.afterRound)}, in {sts(stitchesTo)}
        </p>
      </div>
    </div>
  )
}
