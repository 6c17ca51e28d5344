import { pathOf } from './svgPath.ts'
import type { Point } from './views/view.ts'

interface SectionCapsuleProps {
  /** The top of the round below, and its own, px. */
  readonly from: Point
  readonly to: Point
  readonly thick: number
  /** How wide its outline is. */
  readonly ink: number
  readonly fill: string
}

/** One round cut through, as a capsule that stays within the round's own length. */
export function SectionCapsule({ from, to, thick, ink, fill }: SectionCapsuleProps) {
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  // Its caps are round.
  const trim = Math.min(0.49, (thick / 2 + 0.6) / Math.max(long, 1))
  const at = (share: number) => ({ x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share })
  const line = pathOf([at(trim), at(Math.max(trim + 0.01, 1 - trim))])
  return (
    <g fill="none" strokeLinecap="round">
      <path d={line} stroke="var(--color-edge)" strokeWidth={thick + ink / 2} />
      <path d={line} stroke={fill} strokeWidth={Math.max(1.2, thick - ink / 2)} />
    </g>
  )
}
