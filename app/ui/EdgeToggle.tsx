import { ToggleGroup } from 'radix-ui'
import type { EdgeLies } from '../../core/index.ts'

const EDGES: readonly (readonly [EdgeLies['kind'], string])[] = [
  ['flat', 'lies flat'],
  ['standsUp', 'stands up'],
  ['waves', 'waves'],
]

interface EdgeToggleProps {
  readonly value: EdgeLies['kind']
  readonly onChange: (edge: EdgeLies['kind']) => void
}

/** What the edge of a piece does on the table, seen from the side. */
export function EdgeToggle({ value, onChange }: EdgeToggleProps) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      onValueChange={(edge) => edge && onChange(edge as EdgeLies['kind'])}
      aria-label="What the edge does"
      className="grid grow grid-cols-3"
    >
      {EDGES.map(([edge, words]) => (
        <ToggleGroup.Item
          key={edge}
          value={edge}
          className="grid justify-items-center text-16 text-ink-2 data-[state=on]:font-bold data-[state=on]:text-ink [&>svg]:max-w-full"
        >
          <EdgeLine lies={edge} />
          <span className="border-b-4 border-transparent px-1 [[data-state=on]>&]:border-ink">{words}</span>
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

/** How an edge lies: nine stitches on a table. */
function EdgeLine({ lies }: { lies: EdgeLies['kind'] }) {
  return (
    <svg width={100} height={34} viewBox="0 0 100 34" aria-hidden>
      {Array.from({ length: 9 }, (_, index) => {
        const out = (index - 4) / 4
        const lift = lies === 'flat' ? 0 : lies === 'standsUp' ? 15 * out * out : 5 + 5 * Math.sin(out * 9)
        const tilt = lies === 'flat' ? 0 : lies === 'standsUp' ? -out * 32 : -Math.cos(out * 9) * 28
        return (
          <rect
            key={index}
            x={-4.6}
            y={-3.6}
            width={9.2}
            height={7.2}
            rx={3}
            transform={`translate(${50 + out * 42} ${24 - lift}) rotate(${tilt})`}
            fill="var(--color-fog)"
            stroke="var(--color-ink)"
            strokeWidth={1.2}
          />
        )
      })}
      <path d="M2 29H98" stroke="var(--color-ink)" />
    </svg>
  )
}
