import { scaleLinear } from 'd3-scale'
import clsx from 'clsx'
import type { ReactNode } from 'react'
import { Funnel, Interval, SumTag } from './EvidenceMarks.tsx'

/** A size with its standard deviation, as stitches over the gauge length. */
export interface CountSpread {
  readonly value: number
  /** Ends of what holds 19 times of 20. */
  readonly low: number
  readonly high: number
}

export interface EvidenceRow {
  readonly key: string
  readonly name: string
  readonly detail: string
  readonly note?: string
  /** Text at the end: what it makes of the target. */
  readonly consequence: string
  readonly says: { readonly stitches?: CountSpread; readonly rounds?: CountSpread }
  readonly soFar: { readonly stitches: CountSpread; readonly rounds: CountSpread }
  readonly counted: boolean
  readonly chosen: boolean
  readonly onChoose?: () => void
}

interface EvidenceChartProps {
  readonly rows: readonly EvidenceRow[]
  readonly width: number
  /** In normal print, px. */
  readonly rowHeight: number
  /** Print against normal: 1.5 for the largest. */
  readonly print: number
  readonly consequenceHeading: string
  /** What stands under the last row. */
  readonly sum: { readonly title: string; readonly detail: string; readonly consequence: ReactNode }
}

/** Heights in normal print, px. */
const AXIS_HEIGHT = 30
const FOOT_HEIGHT = 52
const TEXT_HEIGHT = 44
/** Text beside the chart, and what comes of it; under so much width they stand above the rows instead. */
const TEXT_WIDTH = 274
const CONSEQUENCE_WIDTH = 118
const NARROW = 560

/**
 * Evidence on one axis of counts. Capped lines are what each says (19 times of 20), stitches as an open
 * cell, rounds as a filled capsule; the funnels are all so far, and end in the tape.
 */
export function EvidenceChart(props: EvidenceChartProps) {
  const { rows, width, print, consequenceHeading, sum } = props
  const [AXIS, FOOT] = [AXIS_HEIGHT * print, FOOT_HEIGHT * print]
  const narrow = width < NARROW * print
  const rowHeight = props.rowHeight * (narrow ? 1 : print)
  const left = narrow ? 0 : TEXT_WIDTH * print
  const right = (narrow ? 64 : CONSEQUENCE_WIDTH) * print
  const spreads = rows.flatMap(({ soFar, says }) => [
    soFar.stitches,
    soFar.rounds,
    ...(says.stitches ? [says.stitches] : []),
    ...(says.rounds ? [says.rounds] : []),
  ])
  const x = scaleLinear()
    .domain([Math.min(...spreads.map(({ low }) => low)), Math.max(...spreads.map(({ high }) => high))])
    .nice(6)
    .range([left + 14, width - right - 14])
  const ticks = x.ticks(narrow ? 4 : 7)
  const textHeight = narrow ? TEXT_HEIGHT * print : 0
  const step = rowHeight + textHeight
  const height = AXIS + rows.length * step
  const last = rows.at(-1)!.soFar
  const top = (row: number) => AXIS + row * step + textHeight
  return (
    <div className="relative" style={{ width, height: height + FOOT }}>
      <svg width={width} height={height + FOOT} className="absolute inset-0" aria-hidden>
        <defs>
          <pattern
            id="hatch"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V7" stroke="var(--color-hair)" strokeWidth="2.4" />
          </pattern>
        </defs>
        {ticks.map((tick) => (
          <line
            key={tick}
            x1={x(tick)}
            x2={x(tick)}
            y1={AXIS}
            y2={height}
            stroke="var(--color-hair)"
            strokeDasharray="1 5"
            strokeWidth={1.2}
          />
        ))}
        <Funnel
          rows={rows}
          which="stitches"
          x={x}
          top={top}
          rowHeight={rowHeight}
          fill="#B9C9C8"
          apart={narrow}
        />
        <Funnel
          rows={rows}
          which="rounds"
          x={x}
          top={top}
          rowHeight={rowHeight}
          fill="url(#hatch)"
          apart={narrow}
        />
        {rows.map(({ key, says, counted }, index) => (
          <g key={key} opacity={counted ? 1 : 0.4}>
            {says.stitches && <Interval spread={says.stitches} x={x} y={top(index) + rowHeight * 0.3} open />}
            {says.rounds && <Interval spread={says.rounds} x={x} y={top(index) + rowHeight * 0.72} />}
          </g>
        ))}
        <line x1={0} x2={width} y1={AXIS} y2={AXIS} stroke="var(--color-ink)" strokeWidth={2} />
        {rows.slice(1).map(({ key }, index) => (
          <line
            key={key}
            x1={0}
            x2={width}
            y1={AXIS + (index + 1) * step}
            y2={AXIS + (index + 1) * step}
            stroke="var(--color-hair)"
          />
        ))}
        <SumTag spread={last.stitches} x={x} y={height} other={last.rounds} word="sts" width={width} />
        <SumTag spread={last.rounds} x={x} y={height} other={last.stitches} word="rnds" width={width} />
      </svg>
      <div className="absolute inset-x-0 top-0 flex h-[1.6rem] items-end text-14 text-ink-2" aria-hidden>
        {ticks.map((tick) => (
          <span key={tick} className="tabular absolute -translate-x-1/2" style={{ left: x(tick), top: 5 }}>
            {tick}
          </span>
        ))}
        {!narrow && <span className="pl-3.5">evidence</span>}
        <span className="absolute right-0 text-right" style={{ width: right }}>
          {consequenceHeading}
        </span>
      </div>
      <ol>
        {rows.map((row, index) => (
          <li key={row.key} className="absolute inset-x-0" style={{ top: AXIS + index * step, height: step }}>
            <RowText row={row} left={left} right={right} narrow={narrow} />
          </li>
        ))}
      </ol>
      <div className="absolute inset-x-0 flex items-center" style={{ top: height + 6, height: FOOT - 6 }}>
        {!narrow && (
          <p className="pl-3.5 leading-tight" style={{ width: left }}>
            <span className="slab block text-20">{sum.title}</span>
            <span className="text-14 text-ink-2">{sum.detail}</span>
          </p>
        )}
        <p className="slab absolute right-0 text-right text-24" style={{ width: right }}>
          {sum.consequence}
        </p>
      </div>
    </div>
  )
}

interface RowTextProps {
  readonly row: EvidenceRow
  readonly left: number
  readonly right: number
  readonly narrow: boolean
}

function RowText({ row, left, right, narrow }: RowTextProps) {
  const text = (
    <>
      <span className={clsx('slab block truncate text-18 leading-tight', !row.counted && 'line-through')}>
        {row.name}
      </span>
      <span className="block truncate text-14 leading-tight text-ink-2">
        {row.detail}
        {row.note && <span className="text-ink"> {row.note}</span>}
      </span>
    </>
  )
  const style = { width: narrow ? '100%' : left }
  return (
    <div
      className={clsx(
        'flex h-full justify-between border-l-[6px]',
        row.chosen ? 'border-tape' : 'border-transparent',
        narrow ? 'items-start' : 'items-center',
      )}
    >
      {row.onChoose ? (
        <button
          type="button"
          aria-pressed={row.chosen}
          className="min-h-11 min-w-0 py-0.5 pr-2 pl-2 text-left hover:bg-film-2"
          style={style}
          onClick={row.onChoose}
        >
          {text}
        </button>
      ) : (
        <div className="min-w-0 py-0.5 pl-2" style={style}>
          {text}
        </div>
      )}
      <span className={clsx('slab text-right text-18', narrow && 'self-end pb-2')} style={{ width: right }}>
        {row.consequence}
      </span>
    </div>
  )
}
