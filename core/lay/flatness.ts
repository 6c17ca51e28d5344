/** How far a round is from lying flat: N·w / 2πr − 1. Below 0 it cups, above it ruffles. */
export function flatness(count: number, w: number, radius: number): number {
  return (count * w) / (2 * Math.PI * radius) - 1
}

/** Mean flatness of the last third of some rounds, by their stitches: what decides how a piece lies. */
export function flatnessOfLastThird(
  rounds: readonly { readonly count: number; readonly flatness: number }[],
): number {
  const lastThird = rounds.slice(-Math.max(1, Math.ceil(rounds.length / 3)))
  const stitches = lastThird.reduce((sum, { count }) => sum + count, 0)
  return lastThird.reduce((sum, round) => sum + round.count * round.flatness, 0) / stitches
}

/** By what share the larger of two diameters exceeds the smaller; 0 for one. */
export const diametersApart = (across: readonly number[]): number =>
  Math.max(...across) / Math.min(...across) - 1

/** |flatness| up to this lies flat after blocking. */
export const FLAT_TOLERANCE = 0.04

export type Lie = 'cups' | 'dished' | 'flat' | 'softWave' | 'ruffles'

/** In a maker's words, how fabric of this flatness lies: within 4% flat, within 8% slightly off. */
export function lieOf(flatness: number): Lie {
  if (flatness < -2 * FLAT_TOLERANCE) return 'cups'
  if (flatness < -FLAT_TOLERANCE) return 'dished'
  if (flatness <= FLAT_TOLERANCE) return 'flat'
  return flatness <= 2 * FLAT_TOLERANCE ? 'softWave' : 'ruffles'
}
