import { attempt } from '../errors/attempt.ts'
import type { Constraints, PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'

/** What a piece is asked so that it ends with so many stitches, and by how much the size that changes most does, mm. */
export interface PlannedTogether {
  readonly constraints: Constraints
  readonly by: number
}

/** What one plan comes out larger than another by, of the size that changes most, mm. */
function farthestOff(was: Plan, is: Plan): number {
  const changes = is.finished.promises.map(
    ({ of, value }) => value - (was.finished.promises.find((one) => one.of === of)?.value ?? value),
  )
  return changes.reduce((most, by) => (Math.abs(by) > Math.abs(most) ? by : most), 0)
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
    return { constraints, by: farthestOff(plan, tried.value) }
  }
  return undefined
}
