import { pathOf } from './svgPath.ts'
import { Tape } from './Tape.tsx'
import { OVERLAP, SHEET, type BlockingOutline, type Sheet } from './views/blocking.ts'

/** Under each sheet: what it is, and on the first a ruler to check the printer by, mm. */
const FOOT = 16
const RULER = 100
const CROSS = 4

interface BlockingSheetProps {
  readonly outline: BlockingOutline
  readonly sheet: Sheet
  readonly of: { readonly rows: number; readonly columns: number }
  readonly says: string
  readonly inches: boolean
}

/** One sheet of a true-size outline: its part of it, crosses where neighbours meet, and a ruler. */
export function BlockingSheet({ outline, sheet, of, says, inches }: BlockingSheetProps) {
  const { row, column, x, y } = sheet
  const first = row === 0 && column === 0
  // Sheets are laid over one another so that the crosses in their overlap meet.
  const meets = [
    ...(column > 0 ? [OVERLAP / 2] : []),
    ...(column < of.columns - 1 ? [SHEET.width - OVERLAP / 2] : []),
  ]
  const meetsDown = [
    ...(row > 0 ? [OVERLAP / 2] : []),
    ...(row < of.rows - 1 ? [SHEET.height - OVERLAP / 2] : []),
  ]
  const crosses = [
    ...meets.flatMap((at) => [SHEET.height / 4, (3 * SHEET.height) / 4].map((down) => ({ x: at, y: down }))),
    ...meetsDown.flatMap((down) =>
      [SHEET.width / 4, (3 * SHEET.width) / 4].map((at) => ({ x: at, y: down })),
    ),
  ]
  const clip = `sheet-${row}-${column}`
  return (
    <svg
      width={`${SHEET.width}mm`}
      height={`${SHEET.height + FOOT}mm`}
      viewBox={`0 0 ${SHEET.width} ${SHEET.height + FOOT}`}
      className={first ? 'block bg-white' : 'block bg-white [break-before:page]'}
      role="img"
      aria-label={`Sheet ${column + 1} of ${of.columns} in row ${row + 1} of ${of.rows}`}
    >
      <clipPath id={clip}>
        <rect width={SHEET.width} height={SHEET.height} />
      </clipPath>
      <g clipPath={`url(#${clip})`} fill="none" stroke="#0E2730">
        <g transform={`translate(${-x} ${-y})`}>
          {outline.lines.map((line, index) => (
            <path key={index} d={pathOf(line, true)} strokeWidth={index === 0 ? 0.5 : 0.3} />
          ))}
        </g>
      </g>
      <rect
        width={SHEET.width}
        height={SHEET.height}
        fill="none"
        stroke="#8FA4A8"
        strokeWidth={0.2}
        strokeDasharray="2 2"
      />
      {crosses.map((at) => (
        <path
          key={`${at.x} ${at.y}`}
          d={`M${at.x - CROSS} ${at.y}h${2 * CROSS}M${at.x} ${at.y - CROSS}v${2 * CROSS}`}
          stroke="#0E2730"
          strokeWidth={0.2}
        />
      ))}
      <g transform={`translate(0 ${SHEET.height + 3})`} fill="#0E2730" fontSize={3.4}>
        <text x={first ? RULER + 4 : 0} y={4}>
          {says}
        </text>
        <text x={first ? RULER + 4 : 0} y={9}>
          {of.rows * of.columns === 1
            ? 'Pin to the line.'
            : `Row ${row + 1} of ${of.rows}, sheet ${column + 1} of ${of.columns}: lay crosses on crosses.`}
        </text>
        {first && <Tape length={RULER} height={10} inches={inches} />}
      </g>
    </svg>
  )
}
