import { scaleLinear } from 'd3-scale'
import type { FoundAgainstPlan } from '../../core/index.ts'

interface FoundChartProps {
  /** In the order in which they were found. */
  readonly found: readonly FoundAgainstPlan[]
  readonly width: number
}

const HIGH = 120
const LEFT = 56
const TOP = 12

/** How far what the tape found lies off the plan, one after the other: the plan is the line, over it is looser. */
export function FoundChart({ found, width }: FoundChartProps) {
  const shares = found.map(({ found: seen, planned }) => (seen / planned - 1) * 100)
  const most = Math.max(2, ...shares.map(Math.abs))
  const y = scaleLinear([-most, most], [HIGH, 0]).nice(4)
  const x = (index: number) => LEFT + ((index + 0.5) * (width - LEFT)) / found.length
  return (
    <svg width={width} height={HIGH + TOP + 26} className="block" aria-hidden>
      {y.ticks(4).map((tick) => (
        <g key={tick} transform={`translate(0 ${TOP + y(tick)})`}>
          <path
            d={`M${LEFT} 0H${width}`}
            stroke={tick === 0 ? 'var(--color-ink)' : 'var(--color-hair)'}
            strokeWidth={tick === 0 ? 2 : 1}
          />
          <text x={LEFT - 8} y={5} textAnchor="end" fontSize={14} fill="var(--color-ink-2)">
            {tick > 0 ? `+${tick}` : `${tick}`.replace('-', '−')}%
          </text>
        </g>
      ))}
      {shares.map((share, index) => (
        <g key={`${found[index]!.copyId} ${found[index]!.at}`}>
          <path
            d={`M${x(index)} ${TOP + y(0)}V${TOP + y(share)}`}
            stroke="var(--color-ink)"
            strokeWidth={1}
          />
          <circle
            cx={x(index)}
            cy={TOP + y(share)}
            r={6}
            fill={found[index]!.finished ? 'var(--color-ink)' : 'var(--color-fog)'}
            stroke="var(--color-ink)"
            strokeWidth={2}
          />
        </g>
      ))}
      <text x={LEFT} y={HIGH + TOP + 22} fontSize={14} fill="var(--color-ink-2)">
        filled: finished
      </text>
    </svg>
  )
}
