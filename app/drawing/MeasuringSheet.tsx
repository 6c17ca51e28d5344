import { HOOKS, MM_PER_INCH } from '../../core/index.ts'
import { Rings } from './ScreenMeasures.tsx'
import { Tape } from './Tape.tsx'

const WIDE = 190
const TALL = 252
const TARGET = 180
const HOLE_GAP = 3.6

/**
 * One page at true size: a 10 cm and a 4 in ruler, a round target with rings every 5 mm, and holes to find
 * a hook by. Drawn in millimetres, which print to a few thousandths.
 */
export function MeasuringSheet() {
  const holes = HOOKS.filter(({ millimetres }) => millimetres >= 2 && millimetres <= 10)
  const wide = holes.reduce((sum, { millimetres }) => sum + millimetres + HOLE_GAP, -HOLE_GAP)
  let x = (WIDE - wide) / 2
  return (
    <svg
      width={`${WIDE}mm`}
      height={`${TALL}mm`}
      viewBox={`0 0 ${WIDE} ${TALL}`}
      className="block bg-white"
      role="img"
      aria-label="Rulers of 10 cm and 4 inches, a round target with rings every 5 mm, and holes for hooks from 2 to 10 mm"
    >
      <Ruler x={2} length={100} label="10 cm" inches={false} />
      <Ruler x={2} y={17} length={4 * MM_PER_INCH} label="4 in" inches />
      <g fontSize={3.4} fill="#0E2730">
        <text x={119} y={6}>
          Uzel. Check the ruler with your own tape first.
        </text>
        <text x={119} y={11}>
          Lay the piece on the rings, flat, not stretched.
        </text>
        <text x={119} y={16}>
          Rings every 5 mm across, numbers in cm.
        </text>
        <text x={119} y={21}>
          A hook just passes the hole of its size.
        </text>
      </g>
      <g transform={`translate(${WIDE / 2} ${38 + TARGET / 2})`}>
        <Rings across={TARGET} />
      </g>
      <g transform="translate(0 232)">
        {holes.map(({ millimetres, letter }) => {
          const centre = x + millimetres / 2
          x += millimetres + HOLE_GAP
          return (
            <g key={millimetres} fill="#0E2730" textAnchor="middle">
              <circle cx={centre} cy={0} r={millimetres / 2} fill="none" stroke="#0E2730" strokeWidth={0.2} />
              <text x={centre} y={9.5} fontSize={2.5}>
                {millimetres}
              </text>
              {letter && (
                <text x={centre} y={13} fontSize={2.5}>
                  {letter}
                </text>
              )}
            </g>
          )
        })}
      </g>
    </svg>
  )
}

interface RulerProps {
  readonly x: number
  readonly y?: number
  readonly length: number
  readonly label: string
  readonly inches: boolean
}

function Ruler({ x, y = 0, length, label, inches }: RulerProps) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <Tape length={length} height={11} inches={inches} />
      <path d={`M0 0v13M${length} 0v13`} stroke="#0E2730" strokeWidth={0.2} />
      <path d={`M0 0H${length}`} stroke="#0E2730" strokeWidth={0.25} data-ruler={label} />
      <text x={length + 1.5} y={10} fontSize={3.4} fill="#0E2730">
        {label}
      </text>
    </g>
  )
}
