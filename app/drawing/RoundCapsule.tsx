import type { HeldYarns } from '../../core/index.ts'
import { yarnInk } from './yarnInk.ts'

interface RoundCapsuleProps {
  readonly held: HeldYarns
  readonly yarns: ReadonlyMap<string, string>
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly lineWidth: number
  /** Only a guess: an outline in dashes. */
  readonly guess?: boolean
  readonly onPoint?: (pointed: boolean) => void
}

/** One round cut through: a capsule of its yarn, with a core of each yarn that is held beside it. */
export function RoundCapsule(props: RoundCapsuleProps) {
  const { held, yarns, x, y, width, height, lineWidth, guess = false, onPoint } = props
  const fillOf = (yarn: string) => yarnInk(yarns.get(yarn) ?? '#FAFCFB').fill
  const beside = guess ? [] : (held.beside ?? [])
  const part = height / (beside.length + 1)
  return (
    <g onPointerEnter={() => onPoint?.(true)} onPointerLeave={() => onPoint?.(false)}>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={Math.min(5, width / 2)}
        fill={guess ? 'none' : fillOf(held.yarn)}
        stroke="var(--color-ink)"
        strokeWidth={lineWidth}
        strokeDasharray={guess ? '3 2' : undefined}
      />
      {beside.map((yarn, index) => (
        <rect
          key={index}
          x={x + lineWidth / 2}
          y={y + part * (index + 1)}
          width={Math.max(0, width - lineWidth)}
          height={part - lineWidth / 2}
          rx={Math.min(3, width / 2)}
          fill={fillOf(yarn)}
        />
      ))}
    </g>
  )
}
