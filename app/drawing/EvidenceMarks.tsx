import type { CountSpread, EvidenceRow } from './EvidenceChart.tsx'

type Scale = (count: number) => number

export function Funnel({
  rows,
  which,
  x,
  top,
  rowHeight,
  fill,
  apart,
}: {
  readonly rows: readonly EvidenceRow[]
  readonly which: 'stitches' | 'rounds'
  readonly x: Scale
  readonly top: (row: number) => number
  readonly rowHeight: number
  readonly fill: string
  /** Whether text stands between the rows, which the funnel must leave free. */
  readonly apart: boolean
}) {
  if (apart) {
    return rows.map(({ key, soFar }, index) => (
      <rect
        key={key}
        x={x(soFar[which].low)}
        width={x(soFar[which].high) - x(soFar[which].low)}
        y={top(index)}
        height={rowHeight - 4}
        fill={fill}
        fillOpacity={0.55}
        stroke="#6F868C"
        strokeWidth={0.8}
      />
    ))
  }
  const side = (end: 'low' | 'high') =>
    rows.flatMap(({ soFar }, index) => {
      const at = x(soFar[which][end])
      return [`${at} ${top(index) + 4}`, `${at} ${top(index) + rowHeight - 4}`]
    })
  return (
    <path
      d={`M${side('low').join('L')}L${side('high').reverse().join('L')}Z`}
      fill={fill}
      fillOpacity={0.55}
      stroke="#6F868C"
      strokeWidth={0.8}
    />
  )
}

export function Interval({
  spread,
  x,
  y,
  open = false,
}: {
  spread: CountSpread
  x: Scale
  y: number
  open?: boolean
}) {
  const { value, low, high } = spread
  return (
    <g stroke="var(--color-ink)" strokeWidth={1.6}>
      <path d={`M${x(low)} ${y}H${x(high)}M${x(low)} ${y - 5}v10M${x(high)} ${y - 5}v10`} fill="none" />
      {open ? (
        <rect x={x(value) - 5.5} y={y - 6.5} width={11} height={13} rx={3.5} fill="var(--color-fog)" />
      ) : (
        <rect x={x(value) - 7} y={y - 4.5} width={14} height={9} rx={4.5} fill="var(--color-ink)" />
      )}
    </g>
  )
}

const TAG_WIDTH = 122

/** The end of a funnel, on the tape. Two tags that would meet stand apart. */
export function SumTag({
  spread,
  other,
  x,
  y,
  word,
  width,
}: {
  readonly spread: CountSpread
  readonly other: CountSpread
  readonly x: Scale
  readonly y: number
  readonly word: string
  readonly width: number
}) {
  const at = x(spread.value)
  const apart = x(other.value) - at
  const shove = Math.abs(apart) < TAG_WIDTH + 6 ? (TAG_WIDTH + 6 - Math.abs(apart)) / 2 : 0
  const aside = apart > 0 || (apart === 0 && word === 'sts') ? -shove : shove
  const middle = Math.min(width - TAG_WIDTH / 2 - 2, Math.max(TAG_WIDTH / 2 + 2, at + aside))
  const plusMinus = (spread.high - spread.low) / 2
  return (
    <g className="on-tape">
      <path d={`M${at} ${y + 2}l8 9h-16z`} fill="var(--color-tape)" />
      <rect x={middle - TAG_WIDTH / 2} y={y + 10} width={TAG_WIDTH} height={32} fill="var(--color-tape)" />
      <text x={middle} y={y + 33} textAnchor="middle" fill="var(--color-ink)">
        <tspan className="slab" fontSize={21}>
          {spread.value.toFixed(1)}
        </tspan>
        <tspan fontSize={14}>{` ${word} ± ${plusMinus.toFixed(1)}`}</tspan>
      </text>
    </g>
  )
}
