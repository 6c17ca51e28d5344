import { longestRepeat } from '../rounds/longestRepeat.ts'

/** Gaps that a person can keep in mind: no more repeats in a round than this. */
export const MOST_REPEATS = 3
export const LONGEST_PERIOD = 6

/**
 * Plain stitches before each of so many shapings: `plain` shared out evenly, the larger gaps spread out
 * among the smaller ones as far as that still reads as a few repeats; else in three runs, the larger in the
 * middle.
 */
export function readableGaps(plain: number, shapings: number): number[] {
  const even = spread(plain, shapings)
  if (repeatsToRead(even) <= MOST_REPEATS - 1) return even
  const small = Math.floor(plain / shapings)
  const large = plain - small * shapings
  const before = Math.ceil((shapings - large) / 2)
  return Array.from({ length: shapings }, (_, index) =>
    index >= before && index < before + large ? small + 1 : small,
  )
}

/** `whole` cut into `parts` as evenly as whole numbers allow, the larger ones spread out. */
function spread(whole: number, parts: number): number[] {
  return Array.from(
    { length: parts },
    (_, part) => Math.floor(((part + 1) * whole) / parts) - Math.floor((part * whole) / parts),
  )
}

/** How many repeats a row of gaps takes to say, each as long as it goes. */
function repeatsToRead(gaps: readonly number[]): number {
  let repeats = 0
  for (let at = 0; at < gaps.length; repeats++) {
    const { period, times } = longestRepeat(gaps, at, LONGEST_PERIOD)
    at += period * times
  }
  return repeats
}
