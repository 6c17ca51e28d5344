import { attempt, planPiece, specOf } from '../../../core/index.ts'
import type { PieceView } from '../../store/queries.ts'

/** The plan on the hook, or else the one that would be begun. */
export function planFor({ piece, gauge, others, copies, versions }: PieceView, pace: number) {
  const working = copies.find(({ finishedAt }) => finishedAt === undefined)
  const pinned = versions.find(({ version }) => version === working?.planVersion)
  if (pinned) return pinned
  const planned = attempt(() => {
    const spec = specOf(piece, gauge, pace, others)
    return { spec, plan: planPiece(spec) }
  })
  return planned.ok ? planned.value : undefined
}
