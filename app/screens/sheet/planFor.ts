import { attempt, forCopy, planPiece, specOf } from '../../../core/index.ts'
import type { PieceView } from '../../store/queries.ts'

/** The plan on the hook, or else the one that would be begun; of a pair always as its first is worked. */
export function planFor({ piece, gauge, others, copies, versions }: PieceView, pace: number) {
  const working = copies.find(({ finishedAt }) => finishedAt === undefined)
  const pinned = versions.find(({ version }) => version === working?.planVersion)
  if (pinned) return forCopy(pinned.spec, pinned.plan, 1)
  const planned = attempt(() => {
    const spec = specOf(piece, gauge, pace, others)
    return { spec, plan: planPiece(spec) }
  })
  return planned.ok ? planned.value : undefined
}
