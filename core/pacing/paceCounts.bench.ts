import type { Bench } from '../../tools/benchKit.ts'
import { referencePace } from '../testing/referencePace.ts'
import { paceCounts } from './paceCounts.ts'
import { betaOf, deviationFrom, type PacingProblem } from './pacingProblem.ts'

function problem(rounds: number): PacingProblem {
  const ideals = Array.from({ length: rounds }, (_, index) => 5.53 * (index + 1))
  return { ideals, firstCounts: [4, 7], beta: betaOf(0.5), deviationCost: deviationFrom(ideals, 0.5) }
}

export const benches: Bench[] = [
  {
    name: 'pacing 13 rounds, against the plain search',
    baseline: () => referencePace(problem(13)),
    run: () => paceCounts(problem(13)),
    atMost: 0.2,
  },
]
