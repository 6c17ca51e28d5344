import clsx from 'clsx'
import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import {
  budgetOf,
  inWorkingOrder,
  movedMotif,
  roomOfMotif,
  usedByMotif,
  type EdgeBudget,
} from '../../../core/index.ts'

interface EdgeTapeProps {
  readonly edge: EdgeBudget
  /** Stitches of the edge. */
  readonly count: number
  /** Which motif is in hand, by its place in working order. */
  readonly held: number | undefined
  readonly onHold: (index: number) => void
  readonly onChange: (edge: EdgeBudget) => void
  readonly onRemove: (index: number) => void
}

/** Every so manieth stitch has a longer tick. */
const LONG = 10

/** The edge unrolled as a tape, from its first stitch to its last; motifs are dragged along it, or moved by keys. */
export function EdgeTape({ edge, count, held, onHold, onChange, onRemove }: EdgeTapeProps) {
  const tape = useRef<HTMLDivElement>(null)
  const drag = useRef<{ readonly index: number; readonly grabbed: number } | undefined>(undefined)
  const parts = budgetOf(edge, count) ?? []
  const motifs = inWorkingOrder(edge)
  const stitchAt = ({ clientX }: PointerEvent) => {
    const { left, width } = tape.current!.getBoundingClientRect()
    return ((clientX - left) / width) * count
  }
  const move = (index: number, from: number) => onChange(movedMotif(edge, count, index, from))
  const byKey = (event: KeyboardEvent, index: number, from: number) => {
    const [least, most] = roomOfMotif(edge, count, index)
    const to = { ArrowLeft: from - 1, ArrowRight: from + 1, Home: least, End: most }[event.key]
    if (to !== undefined) {
      event.preventDefault()
      move(index, to)
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      onRemove(index)
    }
  }
  return (
    <div
      ref={tape}
      role="group"
      aria-label={`The edge, ${count} stitches`}
      className="relative mx-3 mt-2 mb-1 h-16 touch-none select-none"
    >
      <svg
        className="absolute inset-x-0 top-4 h-9 w-full"
        viewBox={`0 0 ${count} 36`}
        preserveAspectRatio="none"
        aria-hidden
      >
        <rect width={count} height={36} fill="var(--color-white)" />
        {Array.from({ length: count - 1 }, (_, index) => (
          <line
            key={index}
            x1={index + 1}
            x2={index + 1}
            y2={(index + 1) % LONG === 0 ? 16 : 7}
            stroke="var(--color-ink)"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <div aria-hidden className="absolute inset-x-0 top-4 h-9 border-[1.5px] rule" />
      {edge.mirrored &&
        edge.axis !== undefined &&
        [edge.axis, edge.axis + 0.5].map((share) => (
          <span
            key={share}
            aria-hidden
            className="absolute top-0 h-[3.9rem] border-l-2 border-dashed rule"
            style={{ left: `${share * 100}%` }}
          />
        ))}
      {parts.map(({ from, stitches, motif }, part) =>
        motif === undefined ? (
          stitches / count > 0.045 && (
            <span
              key={part}
              aria-hidden
              className="tabular absolute top-[1.9rem] -translate-x-1/2 text-14 text-ink-2"
              style={{ left: `${((from + stitches / 2) / count) * 100}%` }}
            >
              {stitches}
            </span>
          )
        ) : (
          <div
            key={part}
            role="slider"
            tabIndex={0}
            aria-label={`${motifs[motif]!.name} ${motif + 1} of ${motifs.length}`}
            aria-valuemin={roomOfMotif(edge, count, motif)[0] + 1}
            aria-valuemax={roomOfMotif(edge, count, motif)[1] + 1}
            aria-valuenow={from + 1}
            aria-valuetext={`${stitches === 1 ? 'stitch' : 'from stitch'} ${from + 1} of ${count}`}
            className="absolute top-2 h-[3.25rem] min-w-3 cursor-grab outline-offset-2"
            style={{ left: `${(from / count) * 100}%`, width: `${(stitches / count) * 100}%` }}
            onFocus={() => onHold(motif)}
            onKeyDown={(event) => byKey(event, motif, from)}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId)
              event.currentTarget.focus()
              drag.current = { index: motif, grabbed: stitchAt(event) - from }
            }}
            onPointerMove={(event) => {
              const now = drag.current
              if (now?.index !== motif) return
              const to = Math.round(stitchAt(event) - now.grabbed)
              if (to !== from) move(motif, to)
            }}
            onPointerUp={() => (drag.current = undefined)}
            onPointerCancel={() => (drag.current = undefined)}
          >
            <span
              className={clsx(
                'absolute inset-y-2 inset-x-0 border-[1.5px] rule',
                held === motif ? 'bg-tape' : 'bg-ink',
              )}
            />
            {held === motif && (
              <span className="slab absolute top-[3.1rem] left-1/2 -translate-x-1/2 text-14 whitespace-nowrap">
                {usedByMotif(motifs[motif]!) === 1 ? from + 1 : `${from + 1}–${from + stitches}`}
              </span>
            )}
          </div>
        ),
      )}
    </div>
  )
}
