import { useMemo } from 'react'
import type { Plan } from '../../core/index.ts'
import { StitchCanvas } from './StitchCanvas.tsx'
import { pathOf } from './svgPath.ts'
import { roundLine } from './views/view.ts'
import { wholeIn } from './views/viewOf.ts'

interface SoFarProps {
  readonly plan: Plan
  /** The last round that is worked. */
  readonly upTo: number
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly mirrored: boolean
  readonly hangs: boolean
  readonly label: string
}

/** A piece as far as it is worked, the tape along its edge: its crown from above, or as it is worn. */
export function SoFar({ plan, upTo, width, height, yarns, mirrored, hangs, label }: SoFarProps) {
  const fitted = useMemo(() => {
    const there = plan.rounds.slice(0, upTo)
    const { section } = there.at(-1)!
    // While its crown is the edge nothing turns it over.
    const rounds = there.map((round) => (round.section === section ? { ...round, at: round.asEdge } : round))
    return wholeIn({ ...plan, rounds }, { width, height }, mirrored, { margin: 6, hangs })
  }, [plan, upTo, width, height, mirrored, hangs])
  const { view } = fitted
  const line = pathOf(roundLine(view, view.plan.rounds.at(-1)!))
  return (
    <div
      className="relative shrink-0"
      style={{ width: fitted.width, height: fitted.height }}
      role="img"
      aria-label={label}
    >
      <StitchCanvas
        view={view}
        width={fitted.width}
        height={fitted.height}
        yarns={yarns}
        shown={{ kind: 'all' }}
      />
      <svg className="absolute inset-0" width={fitted.width} height={fitted.height} fill="none" aria-hidden>
        <path d={line} stroke="var(--color-ink)" strokeWidth={4.6} />
        <path d={line} stroke="var(--color-tape)" strokeWidth={2.8} />
      </svg>
    </div>
  )
}
