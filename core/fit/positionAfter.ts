import type { Plan } from '../plan/plan.ts'
import type { Position } from '../worklog/logEvent.ts'
import { unitsOf } from '../worklog/moves.ts'

/**
 * Where the hook is once another plan takes over: at the start of the first round it changes, or where it
 * was when that round is begun already and stays as it is.
 * @param keeps the last round that stays
 */
export function positionAfter(before: Plan, after: Plan, { round, unit }: Position, keeps: number): Position {
  const next = after.rounds[keeps]
  if (!next) return { round: after.rounds.length, unit: unitsOf(after.rounds.at(-1)!).length }
  const same =
    round === next.number && JSON.stringify(before.rounds[keeps]?.steps) === JSON.stringify(next.steps)
  return same ? { round, unit } : { round: next.number, unit: 0 }
}
