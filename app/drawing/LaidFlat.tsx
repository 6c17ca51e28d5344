import { useMemo } from 'react'
import { measured, type Plan } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { StitchCanvas } from './StitchCanvas.tsx'
import { Tape } from './Tape.tsx'
import { laidFlat, outlineFlat } from './views/rows.ts'
import { footOf, roundOutline } from './views/view.ts'
import { pathOf } from './svgPath.ts'

interface LaidFlatProps {
  readonly plan: Plan
  /** The last round that is there: all of them when none is named. */
  readonly upTo?: number
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  readonly mirrored: boolean
  readonly sizes: Sizes
  /** What its sizes are said to be. */
  readonly label: string
  readonly lit?: number
  /** What the tape found, mm: told on the tapes, against what was planned. */
  readonly found?: { readonly width?: number | undefined; readonly length?: number | undefined }
}

const TAPE = 24
const GAP = 4
/** Ticks closer than this are only black. */
const FINEST = 2.4

/** Where the tape was read: an ink line cased in film, through the work and its tape. */
function FoundMark({ d }: { d: string }) {
  return (
    <>
      <path d={d} stroke="var(--color-film)" strokeWidth={5} />
      <path d={d} stroke="var(--color-ink)" strokeWidth={2.2} />
    </>
  )
}

/** A wall as it is measured: folded flat, one tape under it from fold to fold, one along it. */
export function LaidFlat(props: LaidFlatProps) {
  const { plan, upTo, width, height, yarns, guess, mirrored, sizes, label, lit, found } = props
  const there = useMemo(
    () => (upTo === undefined ? plan : { ...plan, rounds: plan.rounds.slice(0, upTo) }),
    [plan, upTo],
  )
  const last = there.rounds.at(-1)!
  const wide = Math.max(...there.rounds.map(({ at }) => measured('width', at)))
  const long = last.at.arc - footOf(there, there.rounds[0]!)
  const scale = Math.min((width - 2 * TAPE - GAP) / wide, (height - TAPE - GAP) / long)
  const [across, along] = [wide * scale, long * scale]
  const left = mirrored ? width - TAPE - GAP - across : TAPE + GAP
  const view = useMemo(
    () => laidFlat(there, { scale, x: mirrored ? left + across : left, y: 0, mirrored }),
    [there, scale, left, across, mirrored],
  )
  const litRound = lit === undefined ? undefined : there.rounds[lit - 1]
  const inches = sizes.unit === 'in'
  return (
    <div role="img" aria-label={label} className="relative" style={{ width, height: along + GAP + TAPE }}>
      <StitchCanvas
        view={view}
        width={width}
        height={along + 2}
        yarns={yarns}
        shown={guess ? { kind: 'guess' } : { kind: 'all' }}
      />
      <svg
        className="absolute inset-0 overflow-visible"
        width={width}
        height={along + GAP + TAPE}
        aria-hidden
      >
        <path
          d={pathOf(outlineFlat(view), true)}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth={1.4}
          strokeDasharray={guess ? '6 5' : undefined}
        />
        {litRound && (
          <path
            d={pathOf(roundOutline(view, litRound), true)}
            fill="var(--color-tape)"
            fillOpacity={0.28}
            stroke="var(--color-ink)"
            strokeWidth={2}
          />
        )}
        <g transform={`translate(${left} ${along + GAP})`}>
          <Tape length={across} height={TAPE} inches={inches} perMm={scale} finest={FINEST} />
        </g>
        <g transform={`translate(${mirrored ? left + across + GAP + TAPE : left - GAP} 0) rotate(90)`}>
          <Tape length={along} height={TAPE} inches={inches} perMm={scale} finest={FINEST} />
        </g>
        {found?.width !== undefined && found.width < 2 * wide && (
          <FoundMark
            d={`M${mirrored ? left + across - found.width * scale : left + found.width * scale} 0V${along + GAP + TAPE}`}
          />
        )}
        {found?.length !== undefined && found.length < 2 * long && (
          <FoundMark
            d={`M${mirrored ? left : left - GAP - TAPE} ${found.length * scale}H${mirrored ? left + across + GAP + TAPE : left + across}`}
          />
        )}
      </svg>
    </div>
  )
}
