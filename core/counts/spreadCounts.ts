import { SpecError } from '../errors/specError.ts'
import {
  affordable,
  closer,
  fieldOf,
  leastCosts,
  SAME,
  widened,
  type Field,
  type LeastCosts,
} from './countField.ts'
import { divides, evenPrice, stepPrices, type CountsProblem, type SpreadCounts } from './countsProblem.ts'

/**
 * Integer counts nearest the ideal ones that keep a rhythm, by dynamic programming over
 * (round, count, last increase). Even rounds keep the last increase in mind, so that 6, even, 6 is one
 * rhythm. Ideals may grow, stay or fall: in all but very large problems
 * what is found is the best there is: every count is looked at that the others leave room for at their least.
 * @throws SpecError when no counts obey the constraints
 */
export function spreadCounts(problem: CountsProblem): SpreadCounts {
  const costs = leastCosts(problem)
  for (let widening = 1; widening <= 8; widening *= 2) {
    const field = fieldOf(problem, widening)
    // What counts close to the ideals cost bounds what is looked at of all the others.
    const near = solve(problem, closer(field, problem), costs)
    const found = solve(problem, field, costs, near?.cost)
    if (found) return surely(problem, field, costs, found)
  }
  throw noCountsFit()
}

export const noCountsFit = (): SpecError =>
  new SpecError(
    'constraints',
    'No counts fit all of these rounds at once.',
    'Free one of the fixed counts, multiples or even rounds.',
  )

/** What was found, or what a field that is sure to hold the best has instead. */
function surely(problem: CountsProblem, field: Field, costs: LeastCosts, found: SpreadCounts): SpreadCounts {
  const wider = widened(problem, field, found, costs)
  const better = wider && solve(problem, wider, costs, found.cost)
  return better && better.cost < found.cost - SAME ? surely(problem, wider, costs, better) : found
}

/** What a search goes by: the field, and how many increases there are in it from the least one on. */
interface Search {
  readonly windows: Field['windows']
  readonly least: number
  readonly slots: number
}

/** What the counts of one round cost. Two of them are used in turn. */
interface Layer {
  low: number
  high: number
  /** Best cost by (count − low) × slots + slot of the last increase. */
  readonly cost: Float64Array
  /** The slot by which a count is reached at the least cost, and that cost. */
  readonly cheapestSlot: Int16Array
  readonly cheapest: Float64Array
}

/** The cheapest counts of a field, of those that cost no more than `bound`. */
function solve(
  problem: CountsProblem,
  field: Field,
  costs: LeastCosts,
  bound = Infinity,
): SpreadCounts | undefined {
  const { windows, least, most } = bound < Infinity ? affordable(field, problem, costs, bound) : field
  const search = { windows, least, slots: most - least + 1 }
  const cameFrom = windows.map(([low, high]) => new Int16Array((high - low + 1) * search.slots))
  let [layer, next] = [emptyLayer(search), emptyLayer(search)]
  firstLayer(problem, search, layer)
  for (let index = 1; index < windows.length; index++) {
    // What is left for the rounds up to here, when all after it cost as little as they can.
    nextLayer(problem, search, index, layer, next, cameFrom[index]!, bound - costs.from[index + 1]! + SAME)
    ;[layer, next] = [next, layer]
  }
  return traceBack(search, layer, cameFrom)
}

/** Room for the widest round of a field. */
function emptyLayer({ windows, slots }: Search): Layer {
  let width = 0
  for (const [low, high] of windows) width = Math.max(width, high - low + 1)
  return {
    low: 0,
    high: -1,
    cost: new Float64Array(width * slots),
    cheapestSlot: new Int16Array(width),
    cheapest: new Float64Array(width),
  }
}

/** No count of a round is reached yet. */
function clear(layer: Layer, [low, high]: readonly [number, number], slots: number): void {
  layer.low = low
  layer.high = high
  layer.cost.fill(Infinity, 0, (high - low + 1) * slots)
  layer.cheapest.fill(Infinity, 0, high - low + 1)
}

function firstLayer(problem: CountsProblem, { windows, least, slots }: Search, layer: Layer): void {
  clear(layer, windows[0]!, slots)
  for (let count = layer.low; count <= layer.high; count++) {
    if (!allowed(problem, 0, count)) continue
    const offset = count - layer.low
    // The first count is itself "so many more than nothing": 6, then 6 more, is one rhythm.
    const slot = Math.min(slots - 1, Math.max(0, (problem.increaseBefore ?? count) - least))
    const cost = problem.deviationCost(0, count)
    layer.cost[offset * slots + slot] = cost
    layer.cheapest[offset] = cost
    layer.cheapestSlot[offset] = slot
  }
}

/** Reaches the counts of a round from those of the one before, at no more than `most`; `cameFrom` keeps by which way. */
function nextLayer(
  problem: CountsProblem,
  { windows, least, slots }: Search,
  index: number,
  before: Layer,
  layer: Layer,
  cameFrom: Int16Array,
  most: number,
): void {
  clear(layer, windows[index]!, slots)
  const [lowest, highest] = reachedWithin(before, most)
  const mustBeEven = problem.even?.[index] ?? false
  const { changed, notUniform } = stepPrices(problem.beta)
  const even = evenPrice(problem, index)
  const { cost, low } = layer
  const beforeLow = before.low
  // Increases whose round below is one of those that the layer before has reached.
  const fewest = problem.grows?.[index] ? Math.max(0, -least) : 0
  for (let count = low; count <= layer.high; count++) {
    if (!allowed(problem, index, count)) continue
    const deviation = problem.deviationCost(index, count)
    if (deviation > most) continue
    const row = (count - low) * slots
    let cheapest = Infinity
    let cheapestSlot = 0
    const lastSlot = mustBeEven ? -1 : Math.min(slots - 1, count - lowest - least)
    for (let slot = Math.max(fewest, count - highest - least); slot <= lastSlot; slot++) {
      const increase = slot + least
      const from = count - increase
      const at = from - beforeLow
      if (increase === 0 || increase > from || -increase > from / 2) continue
      const keeping = before.cost[at * slots + slot]!
      const changing = before.cheapest[at]! + changed
      const reached = keeping <= changing ? keeping : changing
      if (reached + deviation > most) continue
      const found = deviation + (from % increase === 0 ? 0 : notUniform) + reached
      cost[row + slot] = found
      cameFrom[row + slot] = keeping <= changing ? slot : before.cheapestSlot[at]!
      if (found < cheapest) {
        cheapest = found
        cheapestSlot = slot
      }
    }
    if (count >= lowest && count <= highest && before.cheapest[count - beforeLow]! + deviation <= most) {
      // An even round: same count as before, the last increase carried along.
      const stays = (count - beforeLow) * slots
      for (let slot = 0; slot < slots; slot++) {
        const stayed = before.cost[stays + slot]! + (deviation + even)
        if (stayed >= cost[row + slot]!) continue
        cost[row + slot] = stayed
        cameFrom[row + slot] = slot + EVEN_MARK
        if (stayed < cheapest || (stayed === cheapest && slot < cheapestSlot)) {
          cheapest = stayed
          cheapestSlot = slot
        }
      }
    }
    layer.cheapest[count - low] = cheapest
    layer.cheapestSlot[count - low] = cheapestSlot
  }
}

/** The least and the greatest count that a layer reaches at no more than a cost. */
function reachedWithin({ low, high, cheapest }: Layer, most: number): readonly [number, number] {
  let [first, last] = [low, high]
  while (first <= high && !(cheapest[first - low]! <= most && cheapest[first - low]! < Infinity)) first++
  while (last > first && !(cheapest[last - low]! <= most && cheapest[last - low]! < Infinity)) last--
  return [first, last]
}

/** Added to a slot in `cameFrom` to say that the step was an even round. */
const EVEN_MARK = 10_000

function traceBack(
  { windows, least, slots }: Search,
  { low, high, cost: last }: Layer,
  cameFrom: readonly Int16Array[],
): SpreadCounts | undefined {
  let state = 0
  for (let candidate = 1; candidate < (high - low + 1) * slots; candidate++) {
    if (last[candidate]! < last[state]!) state = candidate
  }
  const cost = last[state]!
  if (!Number.isFinite(cost)) return undefined
  const counts = new Array<number>(windows.length)
  for (let index = windows.length - 1; index >= 0; index--) {
    const slot = state % slots
    const count = windows[index]![0] + (state - slot) / slots
    counts[index] = count
    if (index === 0) break
    const mark = cameFrom[index]![state]!
    const even = mark >= EVEN_MARK
    const from = even ? count : count - (slot + least)
    state = (from - windows[index - 1]![0]) * slots + (even ? mark - EVEN_MARK : mark)
  }
  return { counts, cost }
}

function allowed(problem: CountsProblem, index: number, count: number): boolean {
  const fixed = problem.fixed?.[index]
  if (fixed !== undefined) return count === fixed
  return divides(problem, index, count)
}
