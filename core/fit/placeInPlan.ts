import type { Plan } from '../plan/plan.ts'
import type { Position } from '../worklog/logEvent.ts'
import { unitsOf } from '../worklog/moves.ts'
import { placeOf } from '../rounds/inOrder.ts'
import { stitchesMade } from '../worklog/workView.ts'

/** How much of each round is made at a position: 0 to 1. */
export function placeInPlan(plan: Plan, { round: id, unit }: Position) {
  const current = placeOf(plan.rounds, id) + 1
  return {
    share: (number: number): number => {
      if (number !== current) return number < current ? 1 : 0
      const round = plan.rounds[number - 1]!
      return stitchesMade(unitsOf(round), unit) / round.count
    },
  }
}
