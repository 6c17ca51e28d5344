import { stepPrices, type PacingProblem } from '../pacing/pacingProblem.ts'

/**
 * The plain solver that `paceCounts` is measured against: the same sums, over every count from 2 to
 * twice the largest ideal and every last increase, kept in maps. Slow, and easy to see right.
 */
export function referencePace(problem: PacingProblem): { counts: readonly number[]; cost: number } {
  interface Way {
    readonly counts: readonly number[]
    readonly cost: number
    readonly last: number
  }
  const { ideals, firstCounts, deviationCost, even, multiples, fixed, beta } = problem
  const prices = stepPrices(beta)
  const most = Math.ceil(Math.max(...ideals)) * 2
  const allowed = (index: number, count: number) =>
    fixed?.[index] === undefined ? count % (multiples?.[index] ?? 1) === 0 : count === fixed[index]
  let ways = new Map<string, Way>()
  const offer = (into: Map<string, Way>, way: Way) => {
    const key = `${way.counts.at(-1)} ${way.last}`
    const known = into.get(key)
    if (!known || way.cost < known.cost) into.set(key, way)
  }
  for (let count = firstCounts[0]; count <= firstCounts[1]; count++) {
    if (allowed(0, count)) offer(ways, { counts: [count], cost: deviationCost(0, count), last: count })
  }
  for (let index = 1; index < ideals.length; index++) {
    const next = new Map<string, Way>()
    for (const { counts, cost, last } of ways.values()) {
      const from = counts.at(-1)!
      for (let count = Math.ceil(from / 2); count <= Math.min(most, 2 * from); count++) {
        const increase = count - from
        if (!allowed(index, count) || (even?.[index] && increase !== 0)) continue
        const price =
          increase === 0
            ? prices.even
            : (increase === last ? 0 : prices.changed) + (from % increase === 0 ? 0 : prices.notUniform)
        offer(next, {
          counts: [...counts, count],
          cost: cost + price + deviationCost(index, count),
          last: increase === 0 ? last : increase,
        })
      }
    }
    ways = next
  }
  return [...ways.values()].reduce((best, way) => (way.cost < best.cost ? way : best))
}
