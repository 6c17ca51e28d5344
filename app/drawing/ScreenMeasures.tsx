import { Tape } from './Tape.tsx'

const CARD = { long: 85.6, short: 53.98, corner: 3.18 }

interface AtTrueSize {
  /** CSS pixels in a true millimetre. */
  readonly pxPerMm: number
}

/** A tape across the window. */
export function ScreenTape({ width, pxPerMm, inches }: AtTrueSize & { width: number; inches: boolean }) {
  return (
    <svg width={width} height={52} role="img" aria-label={`Ruler in ${inches ? 'inches' : 'centimetres'}`}>
      <Tape length={width} height={50} inches={inches} perMm={pxPerMm} />
      <path d={`M0 .9H${width}`} stroke="#0E2730" strokeWidth={1.8} />
    </svg>
  )
}

/** The outline of a bank card; upright where the screen is too narrow for it. */
export function CardOutline({ pxPerMm, room }: AtTrueSize & { room: number }) {
  const upright = CARD.long * pxPerMm > room
  const wide = upright ? CARD.short : CARD.long
  const tall = upright ? CARD.long : CARD.short
  return (
    <svg
      role="img"
      aria-label="Outline of a bank card"
      width={(wide + 2) * pxPerMm}
      height={(tall + 2) * pxPerMm}
      viewBox={`-1 -1 ${wide + 2} ${tall + 2}`}
    >
      <rect
        width={wide}
        height={tall}
        rx={CARD.corner}
        fill="#FAFCFB"
        stroke="#0E2730"
        strokeWidth={0.5}
        data-testid="card"
      />
      <path
        d={`M0 ${tall / 2}h${wide}M${wide / 2} 0v${tall}`}
        stroke="#8FA4A8"
        strokeWidth={0.25}
        strokeDasharray="2 2"
      />
    </svg>
  )
}

interface RingsProps extends AtTrueSize {
  /** The largest ring, mm. */
  readonly across: number
  /** The ring on the tape, mm. */
  readonly marked: number
  readonly inches: boolean
}

/** Rings every 5 mm across, with the tape from the middle and one ring marked. */
export function RingsOnScreen({ pxPerMm, across, marked, inches }: RingsProps) {
  const radius = across / 2
  return (
    <svg
      role="img"
      aria-label={`Rings up to ${Math.floor(across / 5) * 5} mm across`}
      width={across * pxPerMm}
      height={across * pxPerMm}
      viewBox={`${-radius} ${-radius} ${across} ${across}`}
    >
      <Rings across={across} />
      <circle r={marked / 2} fill="none" stroke="#0E2730" strokeWidth={1.7} data-testid="ring" />
      <circle r={marked / 2} fill="none" stroke="#FFC21A" strokeWidth={1} />
      <g transform="translate(0 -3)">
        <Tape length={radius} height={6} inches={inches} smallest={3.6} />
      </g>
    </svg>
  )
}

/** Rings every 5 mm across; every second one stronger, with its diameter in cm. */
export function Rings({ across }: { across: number }) {
  const rings = Array.from({ length: Math.floor(across / 5) }, (_, index) => (index + 1) * 5)
  return (
    <g fill="none" stroke="#0E2730">
      {rings.map((ring) => (
        <circle key={ring} r={ring / 2} strokeWidth={ring % 10 === 0 ? 0.3 : 0.12} />
      ))}
      {rings
        .filter((ring) => ring % 20 === 0)
        .map((ring) => (
          <text
            key={ring}
            y={-ring / 2 + 3.1}
            fontSize={3.8}
            textAnchor="middle"
            fill="#0E2730"
            stroke="#FFFFFF"
            strokeWidth={0.8}
            paintOrder="stroke"
          >
            {ring / 10}
          </text>
        ))}
      <path d={`M-2 0H2M0 -2V2`} strokeWidth={0.25} />
    </g>
  )
}
