import { MM_PER_INCH } from '../../core/index.ts'

interface EdgeRulerProps {
  /** mm. */
  readonly long: number
  readonly inches: boolean
}

const WIDE = 11

/** A ruler down the edge of a sheet at its true size: a tick a millimetre, or an eighth of an inch. */
export function EdgeRuler({ long, inches }: EdgeRulerProps) {
  const [unit, parts] = inches ? [MM_PER_INCH, 8] : [10, 10]
  const whole = Math.floor(long / unit)
  const ticks = Array.from({ length: whole * parts + 1 }, (_, part) => {
    const isWhole = part % parts === 0
    const reach = isWhole ? 4.5 : part % (parts / 2) === 0 ? 3 : 1.6
    return `M0.3 ${0.3 + (part * unit) / parts}h${reach}`
  })
  return (
    <svg
      width={`${WIDE}mm`}
      height={`${whole * unit + 2}mm`}
      viewBox={`0 0 ${WIDE} ${whole * unit + 2}`}
      className="block"
      aria-hidden
    >
      <path d={`M0.3 0.3v${whole * unit}`} stroke="#000" strokeWidth={0.35} />
      <path d={ticks.join('')} stroke="#000" strokeWidth={0.25} />
      {Array.from({ length: whole }, (_, index) => (
        <text
          key={index}
          x={5.2}
          y={0.3 + (index + 1) * unit + 1.35}
          fontSize={3.8}
          fontWeight={700}
          fill="#000"
        >
          {index + 1}
        </text>
      ))}
    </svg>
  )
}
