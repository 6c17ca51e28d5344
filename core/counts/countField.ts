import type { CountsProblem, SpreadCounts } from './countsProblem.ts'

/** The counts looked at in each round, and the increases between them. */
export interface Field {
  readonly windows: readonly (readonly [number, number])[]
  readonly least: number
  readonly most: number
}

/** The counts near the ideals of every round, so many times as far as is usual. */
export function fieldOf(problem: CountsProblem, widening: number): Field {
  const windows = problem.ideals.map((_, index) => countWindow(problem, widening, index))
  return { windows, ...increaseRange(problem) }
}

/** The counts next to the ideals, of those that a field holds. */
export function closer({ windows, least, most }: Field, { ideals, fixed }: CountsProblem): Field {
  const near = windows.map(([low, high], index): [number, number] => {
    if (index === 0 || fixed?.[index] !== undefined) return [low, high]
    const reach = Math.ceil((high - low) / 8)
    const middle = Math.min(high, Math.max(low, Math.round(ideals[index]!)))
    return [Math.max(low, middle - reach), Math.min(high, middle + reach)]
  })
  return { windows: near, least, most }
}

/** What no count of a round costs less than, and what none of the rounds from it on do together. */
export interface LeastCosts {
  readonly of: Float64Array
  readonly from: Float64Array
}

/** What every round costs at the least: at the integers next to its ideal, or at the count that is fixed. */
export function leastCosts({ ideals, fixed, deviationCost }: CountsProblem): LeastCosts {
  const of = Float64Array.from(ideals, (ideal, index) => {
    const only = fixed?.[index]
    return only === undefined
      ? Math.min(deviationCost(index, Math.floor(ideal)), deviationCost(index, Math.ceil(ideal)))
      : deviationCost(index, only)
  })
  const from = new Float64Array(ideals.length + 1)
  for (let index = ideals.length - 1; index >= 0; index--) from[index] = from[index + 1]! + of[index]!
  return { of, from }
}

/** Sums that are meant to be equal differ by less. */
export const SAME = 1e-9

/** What a round may cost when all of them together may cost so much. */
export const mostFor = ({ of, from }: LeastCosts, index: number, all: number): number =>
  all - from[0]! + of[index]! + SAME

/** A field without the counts, and the increases between them, that no way within a cost can take. */
export function affordable(
  { windows, least, most }: Field,
  problem: CountsProblem,
  costs: LeastCosts,
  all: number,
): Field {
  const { deviationCost, increaseBefore } = problem
  const narrow = windows.map(([low, high], index): [number, number] => {
    const may = mostFor(costs, index, all)
    let [first, last] = [low, high]
    while (first < last && deviationCost(index, first) > may) first++
    while (last > first && deviationCost(index, last) > may) last--
    return [first, last]
  })
  // The first count is an increase as well, by which the next may go on.
  let [fewest, greatest] = increaseBefore === undefined ? narrow[0]! : [increaseBefore, increaseBefore]
  for (let index = 1; index < narrow.length; index++) {
    fewest = Math.min(fewest, narrow[index]![0] - narrow[index - 1]![1])
    greatest = Math.max(greatest, narrow[index]![1] - narrow[index - 1]![0])
  }
  return { windows: narrow, least: Math.max(least, fewest), most: Math.min(most, greatest) }
}

/** More states than this are not worth being sure. */
const MOST_STATES = 2e5

/**
 * The field that is sure to hold what is best, where the first one is not: every count that with the least of all
 * other rounds costs less than what was found, and increases well beyond those that it takes.
 */
export function widened(
  problem: CountsProblem,
  { windows, least, most }: Field,
  found: SpreadCounts,
  costs: LeastCosts,
): Field | undefined {
  const { ideals, deviationCost, fixed } = problem
  let grew = false
  const wider = windows.map(([low, high], index): [number, number] => {
    if (fixed?.[index] !== undefined || index === 0) return [low, high]
    const may = mostFor(costs, index, found.cost)
    let [from, to] = [low, high]
    while (from > Math.max(2, ideals[index]! / 2) && deviationCost(index, from - 1) < may) from--
    while (to < 2 * ideals[index]! && deviationCost(index, to + 1) < may) to++
    grew ||= from < low || to > high
    return [from, to]
  })
  const taken = found.counts.slice(1).map((count, index) => count - found.counts[index]!)
  const edges = taken.some((one) => one <= least + 1 || one >= most - 1)
  if (!grew && !edges) return undefined
  const reach = Math.ceil((most - least) / 2)
  const field = { windows: wider, least: least - reach, most: most + reach }
  const states = wider.reduce((sum, [low, high]) => sum + high - low + 1, 0) * (field.most - field.least)
  return states > MOST_STATES ? undefined : field
}

/**
 * Counts worth looking at: about an eighth either side of the ideal, more around small ones. A run of
 * even rounds shares one count with the round before it, so all of them look at the whole run.
 */
function countWindow(problem: CountsProblem, widening: number, index: number): [number, number] {
  const { ideals, even, multiples, fixed, firstCounts } = problem
  const only = fixed?.[index]
  if (only !== undefined) return [only, only]
  if (index === 0) return [firstCounts[0], firstCounts[1]]
  let first = index
  while (first > 0 && even?.[first]) first--
  let last = index
  while (last + 1 < ideals.length && even?.[last + 1]) last++
  const half = (ideal: number) =>
    (Math.min(0.16 * ideal, 8 + 0.045 * ideal) + 3 + (multiples?.[index] ?? 1)) * widening
  const [least, most] = [
    Math.min(...ideals.slice(first, last + 1)),
    Math.max(...ideals.slice(first, last + 1)),
  ]
  return [Math.max(2, Math.floor(least - half(least))), Math.ceil(most + half(most))]
}

/** Increases a round may take: from the steepest stretch of the ideal, doubled where even rounds hand theirs on. */
function increaseRange({ ideals, even, fixed, multiples, firstCounts, increaseBefore }: CountsProblem): {
  least: number
  most: number
} {
  let steepest = increaseBefore ?? firstCounts[1]
  let fall = 0
  let evenRun = 0
  let reference = fixed?.[0] ?? ideals[0]!
  for (let index = 1; index < ideals.length; index++) {
    evenRun = even?.[index] ? evenRun + 1 : 0
    const target = fixed?.[index] ?? ideals[index]!
    const rise = target - reference
    if (evenRun === 0) {
      const slack = fixed?.[index] === undefined && fixed?.[index - 1] === undefined ? 3 : 0.1 * target + 3
      steepest = Math.max(steepest, rise * 1.4 + slack + (multiples?.[index] ?? 1))
      fall = Math.min(fall, rise - slack)
      reference = target
    }
  }
  if (multiples?.some((multiple) => multiple > 1)) fall = Math.min(fall, -Math.max(...multiples))
  return { least: Math.floor(fall), most: Math.ceil(steepest) }
}
