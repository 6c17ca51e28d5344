import type { HeldYarns } from '../../core/index.ts'
import { yarnInk } from './yarnInk.ts'

/** One round cut through: where it lies, px. */
export interface Capsule {
  readonly held: HeldYarns
  readonly x: number
  readonly y: number
  readonly width: number
}

interface RoundCapsulesProps {
  readonly capsules: readonly Capsule[]
  readonly yarns: ReadonlyMap<string, string>
  readonly height: number
  readonly lineWidth: number
  /** Only a guess: outlines in dashes. */
  readonly guess?: boolean
}

/** Rounds cut through: capsules of their yarn, with a core of each yarn that is held beside it. A path for each yarn. */
export function RoundCapsules({ capsules, yarns, height, lineWidth, guess = false }: RoundCapsulesProps) {
  const bodies = new Map<string, string>()
  const cores = new Map<string, string>()
  const add = (to: Map<string, string>, yarn: string, d: string) => to.set(yarn, (to.get(yarn) ?? '') + d)
  for (const { held, x, y, width } of capsules) {
    add(bodies, held.yarn, capsulePath(x, y, width, height, 5))
    const beside = guess ? [] : (held.beside ?? [])
    const part = height / (beside.length + 1)
    beside.forEach((yarn, index) => {
      const wide = Math.max(0, width - lineWidth)
      const top = y + part * (index + 1)
      add(cores, yarn, capsulePath(x + lineWidth / 2, top, wide, part - lineWidth / 2, 3))
    })
  }
  const fillOf = (yarn: string) => yarnInk(yarns.get(yarn) ?? '#FAFCFB').fill
  return (
    <g pointerEvents="none">
      {[...bodies].map(([yarn, d]) => (
        <path
          key={yarn}
          d={d}
          fill={guess ? 'none' : fillOf(yarn)}
          stroke="var(--color-ink)"
          strokeWidth={lineWidth}
          strokeDasharray={guess ? '3 2' : undefined}
        />
      ))}
      {[...cores].map(([yarn, d]) => (
        <path key={`beside ${yarn}`} d={d} fill={fillOf(yarn)} />
      ))}
    </g>
  )
}

const tenth = (value: number) => Math.round(value * 10) / 10

/** A box with round ends. */
function capsulePath(x: number, y: number, width: number, height: number, most: number): string {
  const round = tenth(Math.min(most, width / 2, height / 2))
  const [wide, high] = [tenth(width - 2 * round), tenth(height - 2 * round)]
  const corner = (byX: number, byY: number) => `a${round} ${round} 0 0 1 ${byX} ${byY}`
  return `M${tenth(x + round)} ${tenth(y)}h${wide}${corner(round, round)}v${high}${corner(-round, round)}h${-wide}${corner(-round, -round)}v${-high}${corner(round, -round)}z`
}
