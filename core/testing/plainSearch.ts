import { evenPrice, stepPrices, type CountsProblem } from '../counts/countsProblem.ts'

/** Counts and their cost, as a search found them. */
export interface Found {
  readonly counts: readonly number[]
  readonly cost: number
}

const allowed = ({ fixed, multiples }: CountsProblem, index: number, count: number): boolean =>
  fixed?.[index] === undefined ? count % (multiples?.[index] ?? 1) === 0 : count === fixed[index]

/**
 * The plain search that `spreadCounts` is measured against: the least cost of every count and last increase,
 * over every count from half to twice the one below, up to twice the largest ideal. Of all last increases
 * only the cheapest can be changed from, so it is found once a count.
 */
export function plainSearch(problem: CountsProblem): number {
  const { ideals, firstCounts, deviationCost, even, beta, increaseBefore } = problem
  const prices = stepPrices(beta)
  const most = Math.ceil(Math.max(...ideals)) * 2
  // Last increases run from −most to most.
  const wide = 2 * most + 1
  let cost = new Float64Array((most + 1) * wide).fill(Infinity)
  for (let count = firstCounts[0]; count <= firstCounts[1]; count++) {
    if (!allowed(problem, 0, count)) continue
    cost[count * wide + (increaseBefore ?? count) + most] = deviationCost(0, count)
  }
  for (let index = 1; index < ideals.length; index++) {
    const next = new Float64Array(cost.length).fill(Infinity)
    for (let from = 1; from <= most; from++) {
      const row = cost.subarray(from * wide, (from + 1) * wide)
      const cheapest = row.reduce((least, one) => Math.min(least, one), Infinity)
      if (cheapest === Infinity) continue
      for (let count = Math.ceil(from / 2); count <= Math.min(most, 2 * from); count++) {
        const increase = count - from
        if (!allowed(problem, index, count) || (even?.[index] && increase !== 0)) continue
        const deviation = deviationCost(index, count)
        if (increase === 0) {
          for (let last = 0; last < wide; last++) {
            const price = row[last]! + evenPrice(problem, index) + deviation
            if (price < next[count * wide + last]!) next[count * wide + last] = price
          }
          continue
        }
        const last = increase + most
        const divides = from % increase === 0 ? 0 : prices.notUniform
        const price = Math.min(row[last]!, cheapest + prices.changed) + divides + deviation
        if (price < next[count * wide + last]!) next[count * wide + last] = price
      }
    }
    cost = next
  }
  return cost.reduce((least, one) => Math.min(least, one), Infinity)
}

/** The judge of the judge: every row of counts there is, tried one after the other. For a handful of rounds. */
export function everyRow(problem: CountsProblem): Found {
  const { ideals, firstCounts, deviationCost, even, beta, increaseBefore } = problem
  const prices = stepPrices(beta)
  const most = Math.ceil(Math.max(...ideals)) * 2
  let best: Found = { counts: [], cost: Infinity }
  const goOn = (counts: readonly number[], last: number, cost: number): void => {
    const index = counts.length
    if (index === ideals.length) {
      if (cost < best.cost) best = { counts, cost }
      return
    }
    const from = counts.at(-1)!
    for (let count = Math.ceil(from / 2); count <= Math.min(most, 2 * from); count++) {
      const increase = count - from
      if (!allowed(problem, index, count) || (even?.[index] && increase !== 0)) continue
      const step =
        increase === 0
          ? evenPrice(problem, index)
          : (increase === last ? 0 : prices.changed) + (from % increase === 0 ? 0 : prices.notUniform)
      goOn([...counts, count], increase === 0 ? last : increase, cost + step + deviationCost(index, count))
    }
  }
  for (let count = firstCounts[0]; count <= firstCounts[1]; count++) {
    if (allowed(problem, 0, count)) goOn([count], increaseBefore ?? count, deviationCost(0, count))
  }
  return best
}
