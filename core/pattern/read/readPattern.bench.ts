import type { Bench } from '../../../tools/benchKit.ts'
import { betaOf, deviationFrom } from '../../counts/countsProblem.ts'
import { plainSearch } from '../../testing/plainSearch.ts'
import { findingsOf } from '../check/findings.ts'
import { readPattern } from './readPattern.ts'

const ideals = Array.from({ length: 13 }, (_, index) => 6 * (index + 1))
const searched = () =>
  plainSearch({ ideals, firstCounts: [5, 8], beta: betaOf(0.5), deviationCost: deviationFrom(ideals, 0.5) })

const ROUNDS = 150
const LINES = [
  'Rnd 1: 6 sc in magic ring (6)',
  ...Array.from({ length: ROUNDS - 1 }, (_, index) =>
    index < 24
      ? `Rnd ${index + 2}: *sc in next ${index + 1} sts, 2 sc in next st; rep from * around, join with sl st in first sc (${6 * (index + 2)})`
      : `Rnd ${index + 2}: ch 1, sc in each st around, join with sl st in first sc (150)`,
  ),
]
let typed = 0

/** A pattern of 150 rounds read again while it is typed: one line is new. Budget: 50 ms. */
export const benches: Bench[] = [
  {
    name: 'pattern of 150 rounds read again',
    baseline: searched,
    run: () => findingsOf(readPattern([...LINES, `Note ${typed++}`].join('\n'))),
    budgetMs: 50,
  },
]
