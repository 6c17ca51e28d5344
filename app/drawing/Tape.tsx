import { MM_PER_INCH } from '../../core/index.ts'

interface TapeProps {
  /** Length of the tape, in the drawing's units. */
  readonly length: number
  /** How thick it is drawn. */
  readonly height: number
  readonly inches: boolean
  /** Drawing units in a millimetre. */
  readonly perMm?: number
  /** Numerals are no smaller than this, in the drawing's units. */
  readonly smallest?: number
}

/** A stretch of the measuring tape from 0, marked in centimetres or inches at its own scale. */
export function Tape({ length, height, inches, perMm = 1, smallest = 0 }: TapeProps) {
  const unit = (inches ? MM_PER_INCH : 10) * perMm
  const parts = inches ? 8 : 10
  const ticks: string[] = []
  for (let part = 1; (part * unit) / parts < length - 1e-6; part++) {
    const x = (part * unit) / parts
    const share = part % parts === 0 ? 0.42 : part % (parts / 2) === 0 ? 0.32 : 0.18
    ticks.push(`M${x.toFixed(3)} 0v${(height * share).toFixed(3)}`)
  }
  const whole = Math.floor(length / unit + 1e-6)
  // Numbers stand only where they have room.
  const numeral = Math.max(height * 0.55, smallest)
  const every = Math.max(1, Math.ceil((numeral * 1.64) / unit))
  return (
    <g>
      <rect width={length} height={height} fill="#FFC21A" />
      <path d={ticks.join('')} stroke="#0E2730" strokeWidth={height * 0.035} />
      {Array.from({ length: whole }, (_, index) => index + 1)
        .filter((number) => number % every === 0)
        .map((number) => (
          <text
            key={number}
            x={number * unit - height * 0.06}
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
