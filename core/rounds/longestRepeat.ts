/** A repeat from some place on: how many items it has, and how often it comes. */
export interface Repeat {
  readonly period: number
  readonly times: number
}

/**
 * The repeat that covers most of a list from `at` on, the shortest of those; one item once when nothing
 * repeats.
 * @param longest most items a repeat may have
 */
export function longestRepeat<T>(
  items: readonly T[],
  at: number,
  longest: number,
  same: (one: T, other: T) => boolean = Object.is,
): Repeat {
  let best: Repeat = { period: 1, times: 1 }
  for (let period = 1; period <= longest; period++) {
    let times = 1
    while (comesAgain(items, at, at + period * times, period, same)) times++
    if (times > 1 && period * times > best.period * best.times) best = { period, times }
  }
  return best
}

function comesAgain<T>(
  items: readonly T[],
  from: number,
  other: number,
  length: number,
  same: (one: T, other: T) => boolean,
): boolean {
  if (other + length > items.length) return false
  for (let index = 0; index < length; index++) {
    if (!same(items[from + index]!, items[other + index]!)) return false
  }
  return true
}
