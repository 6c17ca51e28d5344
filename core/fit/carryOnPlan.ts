import { chooseCheckpoints } from '../plan/chooseCheckpoints.ts'
import { layRounds } from '../plan/layRounds.ts'
import { measureFinished } from '../plan/measureFinished.ts'
import type { GoesOn, PieceSpec, Plan } from '../plan/plan.ts'
import { asBelow, stepsOf, type RoundBelow } from '../plan/stepsOf.ts'
import { sumsOf } from '../plan/sumsOf.ts'
import type { Worked } from '../plan/worked.ts'
import { countOf, loopsBelow, topOf, type Round } from '../rounds/round.ts'

/**
 * The piece if its remaining rounds are worked as they were planned: the same increases on top of what is
 * really there, staggered as they were, by the maker's gauge in this piece.
 */
export function carryOnPlan(
  spec: PieceSpec,
  plan: Plan,
  worked: readonly Round[],
  edge: Worked['edge'],
): Plan {
  const off = countOf(worked.at(-1)!) - plan.rounds[worked.length - 1]!.count
  const rounds = [...worked]
  for (const round of plan.rounds.slice(worked.length)) {
    const { fabric: stitch, from, count } = round
    const into = loopsBelow(round)
    const before = shapedLike(plan.rounds.slice(0, rounds.length), rounds)
    rounds.push({
      ...round,
      hosts: [topOf(rounds.at(-1)!, into)],
      // Staggered against the plan's own rounds below, whatever their counts have become.
      steps:
        off === 0
          ? round.steps
          : stepsOf({ stitch, from: from + off, count: count + off }, before, spec.construction, into),
    })
  }
  const goesOn: GoesOn = { after: worked.length, ...edge }
  const laid = layRounds(spec, rounds, goesOn)
  return {
    ...plan,
    rounds: laid,
    goesOn,
    finished: measureFinished(spec, laid),
    checkpoints: chooseCheckpoints(spec, laid, 0).filter(
      ({ afterRound }) => afterRound > worked.length || afterRound === laid.length,
    ),
    ...sumsOf(laid, spec),
    notices: [],
  }
}

/** The rounds below as they were planned to be shaped, with the steps that are really there. */
function shapedLike(planned: readonly Round[], real: readonly Round[]): RoundBelow[] {
  return planned.map((round, index) => ({
    shapes: asBelow(round).shapes,
    steps: real[index]?.steps ?? round.steps,
  }))
}
