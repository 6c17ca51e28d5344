import { MM_PER_INCH } from '../../core/index.ts'
import { tapeTicks } from './tapeTicks.ts'

interface TapeProps {
  /** Length of the tape, in the drawing's units. */
  readonly length: number
  /** How thick it is drawn. */
  readonly height: number
  readonly inches: boolean
  /** Drawing units in a millimetre. */
  readonly perMm?: number
  /** Numerals are no smaller than this, and ticks no closer, in the drawing's units. */
  readonly smallest?: number
  readonly finest?: number
}

/** A stretch of the measuring tape from 0, marked in centimetres or inches at its own scale. */
export function Tape({ length, height, inches, perMm = 1, smallest = 0, finest = 0 }: TapeProps) {
  const unit = (inches ? MM_PER_INCH : 10) * perMm
  // Numbers stand only where they have room.
  const numeral = Math.max(height * 0.55, smallest)
  const parts = [inches ? 8 : 10, 2].find((some) => unit / some >= finest) ?? 1
  const { ticks, numerals } = tapeTicks(length, unit, parts, numeral * 1.64)
  const marks = ticks.map(({ at, share }) => `M${at.toFixed(3)} 0v${(height * share).toFixed(3)}`)
  return (
    <g>
      <rect width={length} height={height} fill="#FFC21A" />
      <path d={marks.join('')} stroke="#0E2730" strokeWidth={height * 0.035} />
      {numerals.map(({ at, number }) => (
        <text
          key={number}
          x={at - height * 0.06}
          y={height * 0.9}
          textAnchor="end"
          fontSize={numeral}
          fill="#0E2730"
          className="slab"
        >
          {number}
        </text>
      ))}
    </g>
  )
}
