import { attempt } from '../errors/attempt.ts'
import type { Constraints, PieceSpec } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'

/** What a piece is asked so that it ends with so many stitches, and by how much its size changes for it, mm. */
export interface PlannedTogether {
  readonly constraints: Constraints
  readonly by: number
}

/** So far from its own count, as a share, a piece is planned for another. */
const FARTHEST = 0.2

/**
 * Plans a piece for an edge that is joined to one of so many stitches: by the count of its wall, or of its last round
 * alone.
 * @returns nothing where it cannot end so
 */
export function planTogether(spec: PieceSpec, count: number): PlannedTogether | undefined {
  const plan = planPiece(spec)
  const { count: now } = plan.rounds.at(-1)!
  // Beyond that it would not lie as it should: a joint gathers sooner.
  if (Math.abs(count / now - 1) > FARTHEST) return undefined
  const { wallCount: _, lastCount: __, ...others } = spec.constraints ?? {}
  const ways: readonly Constraints[] = [
    { ...others, wallCount: count },
    { ...others, lastCount: count },
  ]
  for (const constraints of ways) {
    const tried = attempt(() => planPiece({ ...spec, constraints }))
    if (!tried.ok || tried.value.rounds.at(-1)!.count !== count) continue
    const [was, is] = [plan, tried.value].map(({ finished }) => finished.promises[0]!.value)
    return { constraints, by: is! - was! }
  }
  return undefined
}
