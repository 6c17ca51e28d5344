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
  const last = after.rounds.at(-1)!
  if (!next) return { round: last.id, unit: unitsOf(last).length }
  const there = before.rounds[keeps]
  const same = round === there?.id && JSON.stringify(there.steps) === JSON.stringify(next.steps)
  return { round: next.id, unit: same ? unit : 0 }
}
