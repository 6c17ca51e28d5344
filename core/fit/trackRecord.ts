/** One finished piece: what was foretold, and what it measured. Diameters in mm. */
export interface Outcome {
  readonly predicted: number
  readonly measured: number
}

export interface TrackRecord {
  readonly pieces: number
  /** Mean of measured against predicted, as a share (+: came out larger). */
  readonly mean: number
  /** Standard deviation of the same; absent for a single piece. */
  readonly sd?: number
}

const LATEST = 6

/** How well the last pieces came out as foretold: "your last six pieces: +0.4% ± 1.6%". */
export function trackRecord(outcomes: readonly Outcome[]): TrackRecord | undefined {
  const off = outcomes.slice(-LATEST).map(({ predicted, measured }) => measured / predicted - 1)
  if (off.length === 0) return undefined
  const mean = off.reduce((sum, one) => sum + one, 0) / off.length
  if (off.length === 1) return { pieces: 1, mean }
  const sd = Math.sqrt(off.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (off.length - 1))
  return { pieces: off.length, mean, sd }
}
