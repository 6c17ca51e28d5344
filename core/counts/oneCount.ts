import { divides, stepPrices, type CountsProblem, type SpreadCounts } from './countsProblem.ts'
import { noCountsFit } from './spreadCounts.ts'

/**
 * The one count that costs least along a wall that keeps its count: what `spreadCounts` finds there, without looking at
 * ways that no wall may take. Where rounds are worked already the first is a fact, and the others step to theirs at once.
 * @param goesOn whether the first round is worked already
 * @throws SpecError when no count obeys the constraints
 */
export function oneCount(problem: CountsProblem, goesOn: boolean): SpreadCounts {
  const { ideals, deviationCost, fixed, firstCounts } = problem
  const first = goesOn ? 1 : 0
  const asked = fixed?.[first]
  const [least, most] = goesOn ? [Math.ceil(fixed![0]! / 2), 2 * fixed![0]!] : firstCounts
  const [low, high] = asked === undefined ? [least, most] : [asked, asked]
  let best: SpreadCounts | undefined
  for (let count = Math.max(2, low); count <= high; count++) {
    const allowed = ideals.every(
      (_, index) => index < first || ((fixed?.[index] ?? count) === count && divides(problem, index, count)),
    )
    if (!allowed) continue
    const step = goesOn ? stepCost(problem, fixed![0]!, count) : 0
    let cost = goesOn ? deviationCost(0, fixed![0]!) + step : 0
    for (let index = first; index < ideals.length; index++) cost += deviationCost(index, count)
    if (!best || cost < best.cost) {
      best = { counts: ideals.map((_, index) => (index < first ? fixed![0]! : count)), cost }
    }
  }
  if (!best) throw noCountsFit()
  return best
}

/** What the one step costs: nothing where there is none. */
function stepCost({ beta, increaseBefore }: CountsProblem, from: number, to: number): number {
  const by = to - from
  if (by === 0) return 0
  const { changed, notUniform } = stepPrices(beta)
  return (by === increaseBefore ? 0 : changed) + (from % by === 0 ? 0 : notUniform)
}
