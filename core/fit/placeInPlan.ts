import type { Plan } from '../plan/plan.ts'
import type { Position } from '../worklog/logEvent.ts'
import { unitsOf } from '../worklog/moves.ts'
import { stitchesMade } from '../worklog/workView.ts'

/** How much of each round is made at a position: 0 to 1. */
export function placeInPlan(plan: Plan, { round: current, unit }: Position) {
  return {
    share: (number: number): number => {
      if (number !== current) return number < current ? 1 : 0
      const round = plan.rounds[number - 1]!
      return stitchesMade(unitsOf(round), unit) / round.count
    },
  }
}
