import { SpecError } from '../errors/specError.ts'
import { closer, fieldOf, widened, type Field } from './countField.ts'
import { divides, evenPrice, stepPrices, type CountsProblem, type SpreadCounts } from './countsProblem.ts'

/**
 * Integer counts nearest the ideal ones that keep a rhythm, by dynamic programming over
 * (round, count, last increase). Even rounds keep the last increase in mind, so that 6, even, 6 is one
 * rhythm. Ideals may grow, stay or fall: in all but very large problems
 * what is found is the best there is: every count is looked at that alone costs less than the whole of it.
 * @throws SpecError when no counts obey the constraints
 */
export function spreadCounts(problem: CountsProblem): SpreadCounts {
  for (let widening = 1; widening <= 8; widening *= 2) {
    const field = fieldOf(problem, widening)
    // What counts close to the ideals cost bounds what is looked at of all the others.
    const near = solve(problem, closer(field, problem))
    const found = solve(problem, field, near?.cost)
    if (found) return surely(problem, field, found)
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
function surely(problem: CountsProblem, field: Field, found: SpreadCounts): SpreadCounts {
  const wider = widened(problem, field, found)
  const better = wider && solve(problem, wider, found.cost)
  return better && better.cost < found.cost - 1e-9 ? surely(problem, wider, better) : found
}

interface Layer {
  readonly low: number
  readonly width: number
  /** Best cost by (count − low) × slots + slot of the last increase. */
  readonly cost: Float64Array
  /** Slot of the round before on the best way here. */
  readonly cameFrom: Int16Array
  /** The slot by which a count is reached at the least cost, and that cost. */
  readonly cheapestSlot: Int16Array
  readonly cheapest: Float64Array
}

/** The cheapest counts of a field, of those that cost no more than `bound`. */
function solve(
  problem: CountsProblem,
  { windows, least, most }: Field,
  bound = Infinity,
): SpreadCounts | undefined {
  const { ideals } = problem
  const slots = most - least + 1
  const layers: Layer[] = [firstLayer(problem, windows[0]!, least, slots)]
  for (let index = 1; index < ideals.length; index++) {
    layers.push(nextLayer(problem, windows[index]!, index, layers[index - 1]!, { least, slots, bound }))
  }
  return traceBack(problem, layers, least, slots)
}

function emptyLayer([low, high]: readonly [number, number], slots: number): Layer {
  const width = high - low + 1
  return {
    low,
    width,
    cost: new Float64Array(width * slots).fill(Infinity),
    cameFrom: new Int16Array(width * slots),
    cheapestSlot: new Int16Array(width),
    cheapest: new Float64Array(width).fill(Infinity),
  }
}

function firstLayer(
  problem: CountsProblem,
  window: readonly [number, number],
  least: number,
  slots: number,
): Layer {
  const layer = emptyLayer(window, slots)
  for (let offset = 0; offset < layer.width; offset++) {
    const count = layer.low + offset
    if (!allowed(problem, 0, count)) continue
    // The first count is itself "so many more than nothing": 6, then 6 more, is one rhythm.
    const slot = Math.min(slots - 1, Math.max(0, (problem.increaseBefore ?? count) - least))
    layer.cost[offset * slots + slot] = problem.deviationCost(0, count)
    findCheapest(layer, offset, slots)
  }
  return layer
}

/** What a search goes by: the least increase, how many there are from it on, and the cost beyond which none is kept. */
interface Search {
  readonly least: number
  readonly slots: number
  readonly bound: number
}

function nextLayer(
  problem: CountsProblem,
  window: readonly [number, number],
  index: number,
  before: Layer,
  { least, slots, bound }: Search,
): Layer {
  const layer = emptyLayer(worthLooking(problem, window, index, bound), slots)
  const [lowest, highest] = reachedWithin(before, bound)
  const mustBeEven = problem.even?.[index] ?? false
  const prices = stepPrices(problem.beta)
  const even = evenPrice(problem, index)
  for (let offset = 0; offset < layer.width; offset++) {
    const count = layer.low + offset
    if (!allowed(problem, index, count)) continue
    const deviation = problem.deviationCost(index, count)
    if (deviation > bound) continue
    const row = offset * slots
    // Increases whose round below is one of those that the layer before has reached.
    const fewest = problem.grows?.[index] ? -least : 0
    const firstSlot = Math.max(0, fewest, count - highest - least)
    const lastSlot = Math.min(slots - 1, count - lowest - least)
    for (let slot = mustBeEven ? slots : firstSlot; slot <= lastSlot; slot++) {
      const increase = slot + least
      const from = count - increase
      const fromOffset = from - before.low
      if (before.cheapest[fromOffset]! + deviation > bound) continue
      if (increase === 0 || increase > from || -increase > from / 2) continue
      const keeping = before.cost[fromOffset * slots + slot]!
      const changing = before.cheapest[fromOffset]! + prices.changed
      const price = deviation + (from % increase === 0 ? 0 : prices.notUniform)
      layer.cost[row + slot] = price + (keeping <= changing ? keeping : changing)
      layer.cameFrom[row + slot] = keeping <= changing ? slot : before.cheapestSlot[fromOffset]!
    }
    if (count >= lowest && count <= highest) stayEven(layer, row, before, count, deviation + even, slots)
    findCheapest(layer, offset, slots)
  }
  return layer
}

/** A window without the counts at its ends that alone cost too much. */
function worthLooking(
  { deviationCost }: CountsProblem,
  [low, high]: readonly [number, number],
  index: number,
  bound: number,
): readonly [number, number] {
  let [first, last] = [low, high]
  while (first < last && deviationCost(index, first) > bound) first++
  while (last > first && deviationCost(index, last) > bound) last--
  return [first, last]
}

/** The least and the greatest count that a layer reaches at no more than a cost. */
function reachedWithin({ low, width, cheapest }: Layer, bound: number): readonly [number, number] {
  let [first, last] = [0, width - 1]
  const reached = (offset: number) => cheapest[offset]! <= bound && cheapest[offset]! < Infinity
  while (first < width && !reached(first)) first++
  while (last > first && !reached(last)) last--
  return [low + first, low + last]
}

/** An even round: same count as before, the last increase carried along. */
function stayEven(
  layer: Layer,
  row: number,
  before: Layer,
  count: number,
  added: number,
  slots: number,
): void {
  const from = (count - before.low) * slots
  for (let slot = 0; slot < slots; slot++) {
    const cost = before.cost[from + slot]! + added
    if (cost < layer.cost[row + slot]!) {
      layer.cost[row + slot] = cost
      layer.cameFrom[row + slot] = slot + EVEN_MARK
    }
  }
}

function findCheapest({ cost, cheapest, cheapestSlot }: Layer, offset: number, slots: number): void {
  const row = offset * slots
  let best = 0
  for (let slot = 1; slot < slots; slot++) {
    if (cost[row + slot]! < cost[row + best]!) best = slot
  }
  cheapestSlot[offset] = best
  cheapest[offset] = cost[row + best]!
}

/** Added to a slot in `cameFrom` to say that the step was an even round. */
const EVEN_MARK = 10_000

function traceBack(
  problem: CountsProblem,
  layers: readonly Layer[],
  least: number,
  slots: number,
): SpreadCounts | undefined {
  const last = layers.at(-1)!
  let state = 0
  for (let candidate = 1; candidate < last.cost.length; candidate++) {
    if (last.cost[candidate]! < last.cost[state]!) state = candidate
  }
  const cost = last.cost[state]!
  if (!Number.isFinite(cost)) return undefined
  const counts = new Array<number>(problem.ideals.length)
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]!
    const slot = state % slots
    const count = layer.low + (state - slot) / slots
    counts[index] = count
    if (index === 0) break
    const mark = layer.cameFrom[state]!
    const even = mark >= EVEN_MARK
    const from = even ? count : count - (slot + least)
    state = (from - layers[index - 1]!.low) * slots + (even ? mark - EVEN_MARK : mark)
  }
  return { counts, cost }
}

function allowed(problem: CountsProblem, index: number, count: number): boolean {
  const fixed = problem.fixed?.[index]
  if (fixed !== undefined) return count === fixed
  return divides(problem, index, count)
}
