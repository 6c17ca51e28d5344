import { scaleLinear } from 'd3-scale'

/** A day and the minutes at the hook. */
export interface DayAtWork {
  readonly date: Date
  readonly minutes: number
}

interface DaysAtWorkProps {
  readonly days: readonly DayAtWork[]
  readonly width: number
  readonly sayDay: (date: Date) => string
}

const HIGH = 132
const FOOT = 30
const LEFT = 44

/** Day beside day on one ledge, each as high as the time at the hook; weeks begin with a longer tick. */
export function DaysAtWork({ days, width, sayDay }: DaysAtWorkProps) {
  const most = Math.max(30, ...days.map(({ minutes }) => minutes))
  const up = scaleLinear([0, most], [0, HIGH]).nice(3)
  const pitch = (width - LEFT) / Math.max(1, days.length)
  const ticks = up.ticks(3).filter((tick) => tick > 0)
  return (
    <svg width={width} height={HIGH + FOOT + 10} className="block" aria-hidden>
      {ticks.map((tick) => (
        <g key={tick}>
          <path d={`M${LEFT} ${10 + HIGH - up(tick)}H${width}`} stroke="var(--color-hair)" strokeWidth={1} />
          <text
            x={LEFT - 8}
            y={10 + HIGH - up(tick) + 5}
            textAnchor="end"
            fontSize={14}
            fill="var(--color-ink-2)"
          >
            {tick}
          </text>
        </g>
      ))}
      {days.map(({ date, minutes }, index) => {
        const x = LEFT + index * pitch
        const isMonday = date.getDay() === 1
        return (
          <g key={date.getTime()}>
            <rect
              x={x + Math.max(1, pitch * 0.15)}
              y={10 + HIGH - up(minutes)}
              width={Math.max(2, pitch * 0.7)}
              height={up(minutes)}
              fill="var(--color-ink)"
            />
            <path d={`M${x} ${10 + HIGH}v${isMonday ? 10 : 4}`} stroke="var(--color-ink)" strokeWidth={1} />
            {isMonday && pitch * 7 > 44 && (
              <text x={x + 4} y={10 + HIGH + 22} fontSize={14} fill="var(--color-ink)">
                {sayDay(date)}
              </text>
            )}
          </g>
        )
      })}
      <path d={`M${LEFT} ${10 + HIGH}H${width}`} stroke="var(--color-ink)" strokeWidth={2} />
    </svg>
  )
}
