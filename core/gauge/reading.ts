/** One number read off the fabric, and what a gauge would make it. */
export interface Reading {
  /** Which way it informs: width, height, or both through the size of a disc. */
  readonly about: 'width' | 'height' | 'size' | 'edge'
  /** Unknowns it depends on. */
  readonly on: readonly number[]
  readonly value: number
  /** Variance of the measuring; of a bound, that of anywhere within it. */
  readonly variance: number
  /** Where it says no more than that a value lies within ± so much of 0, seen to within `blur`. */
  readonly bound?: { readonly within: number; readonly blur: number }
  readonly predict: (unknowns: Float64Array) => number
}

/** A tape is read to ±2 mm. */
export const TAPE_SD = 2
