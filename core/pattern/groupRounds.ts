import { sameYarns } from '../yarn/strands.ts'
import type { Plan, PlannedRound } from '../plan/plan.ts'
import { writeRoundBody } from './writeRound.ts'

/** Fewer rounds alike than this are told one by one. */
const WORTH_GROUPING = 3

/**
 * Rounds as they are told: those alike, one after the other, together. A place to measure ends a group, and so does a
 * new yarn.
 * @returns groups in working order, that have every round once
 */
export function groupRounds({ rounds, checkpoints }: Pick<Plan, 'rounds' | 'checkpoints'>): PlannedRound[][] {
  const measured = new Set(checkpoints.map(({ afterRound }) => afterRound))
  const runs: PlannedRound[][] = []
  for (const round of rounds) {
    const run = runs.at(-1)
    const below = run?.at(-1)
    if (run && below && !measured.has(below.number) && alike(below, round)) run.push(round)
    else runs.push([round])
  }
  return runs.flatMap((run) => (run.length >= WORTH_GROUPING ? [run] : run.map((round) => [round])))
}

const alike = (one: PlannedRound, other: PlannedRound): boolean =>
  one.count === other.count &&
  sameYarns(one, other) &&
  writeRoundBody(one, 'US') === writeRoundBody(other, 'US')
