import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { chooseCheckpoints } from '../plan/chooseCheckpoints.ts'
import { doubtOfRadii } from '../plan/doubtOfRadii.ts'
import { layPiece } from '../plan/layPiece.ts'
import { measureFinished } from '../plan/measureFinished.ts'
import type { PieceSpec, Plan, Round } from '../plan/plan.ts'
import { stepsOf } from '../plan/stepsOf.ts'
import { sumsOf } from '../plan/sumsOf.ts'
import { reachingTo, type Worked } from '../plan/worked.ts'
import { flatness, idealCount } from '../shape/disc.ts'

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
  const last = worked.at(-1)!
  const off = last.count - plan.rounds[worked.length - 1]!.count
  const ahead = plan.rounds
    .slice(worked.length)
    .map((round) => ({ ...round, from: round.from + off, count: round.count + off }))
  const gauges = (stitch: Round['stitch']) => gaugeForStitch(spec.gauge, stitch)
  const laid = layPiece(spec, gauges, { rounds: worked, edge })(ahead)
  const sds = doubtOfRadii(laid, spec.gauge, edge.sd)
  const rounds: Round[] = reachingTo(edge.radius, [
    ...worked.slice(0, -1),
    { ...last, at: { ...last.at, ...edge } },
  ])
  ahead.forEach((round, index) => {
    const { radius, z, arc } = laid.rings[index]!
    rounds.push({
      ...round,
      ideal: idealCount(arc, gauges(round.stitch).w),
      // Staggered against the plan's own rounds below, whatever their counts have become.
      steps:
        off === 0
          ? round.steps
          : stepsOf(round, shapedLike(plan.rounds.slice(0, round.number - 1), rounds), spec.construction),
      at: { radius, z, arc, sd: sds[index]! },
      flatness: flatness(round.count, gauges(round.stitch).w, arc),
    })
  })
  return {
    ...plan,
    rounds,
    finished: measureFinished(rounds),
    checkpoints: chooseCheckpoints(rounds, 0).filter(
      ({ afterRound }) => afterRound > worked.length || afterRound === rounds.length,
    ),
    ...sumsOf(rounds, spec),
    notices: [],
  }
}

/** The rounds below as they were planned to be shaped, with the steps that are really there. */
function shapedLike(planned: readonly Round[], real: readonly Round[]): Round[] {
  return planned.map((round, index) => ({ ...round, steps: real[index]?.steps ?? round.steps }))
}
