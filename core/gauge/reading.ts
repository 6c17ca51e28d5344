/** One number read off the fabric, and what a gauge would make it. */
export interface Reading {
  /** Which way it informs: width, height, or both through the size of a disc. */
  readonly about: 'width' | 'height' | 'size' | 'edge'
  /** Unknowns it depends on. */
  readonly on: readonly number[]
  readonly value: number
  /** Variance of the measuring. */
  readonly variance: number
  readonly predict: (unknowns: Float64Array) => number
}

/** A tape is read to ±2 mm. */
export const TAPE_SD = 2
