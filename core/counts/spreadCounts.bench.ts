import type { Bench } from '../../tools/benchKit.ts'
import { plainSearch } from '../testing/plainSearch.ts'
import { spreadCounts } from './spreadCounts.ts'
import { betaOf, deviationFrom, type CountsProblem } from './countsProblem.ts'

function problem(rounds: number): CountsProblem {
  const ideals = Array.from({ length: rounds }, (_, index) => 5.53 * (index + 1))
  return { ideals, firstCounts: [4, 7], beta: betaOf(0.5), deviationCost: deviationFrom(ideals, 0.5) }
}

export const benches: Bench[] = [
  {
    name: 'counts of 13 rounds, against the plain search',
    baseline: () => plainSearch(problem(13)),
    run: () => spreadCounts(problem(13)),
    atMost: 0.2,
  },
]
