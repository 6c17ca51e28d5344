import type { Bench } from '../../tools/benchKit.ts'
import { plainSearch } from '../testing/plainSearch.ts'
import { discSpec } from '../testing/specs.ts'
import { betaOf, deviationFrom } from '../counts/countsProblem.ts'
import { planPiece } from './planPiece.ts'

const ideals = Array.from({ length: 13 }, (_, index) => 6 * (index + 1))
const searched = () =>
  plainSearch({ ideals, firstCounts: [5, 8], beta: betaOf(0.5), deviationCost: deviationFrom(ideals, 0.5) })

const construction = { ...discSpec(1).construction, freeLastRounds: 2 as const }

/** Whole plans, as multiples of the plain search for 13 rounds alone. Budgets: 2 ms everyday, 50 ms at 200 rounds. */
export const benches: Bench[] = [
  {
    name: 'plan of 13 rounds',
    baseline: searched,
    run: () => planPiece(discSpec(183, { construction }, 0.88)),
    budgetMs: 2,
  },
  {
    name: 'plan of 60 rounds',
    baseline: searched,
    run: () => planPiece(discSpec(845, { construction }, 0.88)),
    budgetMs: 20,
  },
  {
    name: 'plan of 200 rounds, 110,000 stitches',
    baseline: searched,
    run: () => planPiece(discSpec(2816, { construction }, 0.88)),
    budgetMs: 50,
  },
]
