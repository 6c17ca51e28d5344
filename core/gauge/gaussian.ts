/** A bell curve over several unknowns at once. */
export interface Gaussian {
  readonly mean: Float64Array
  /** Covariance, row by row. */
  readonly covariance: Float64Array
}

/** One reading, linear near where it is taken: value = Σ slope·unknown + noise. */
export interface LinearReading {
  /** Unknowns it depends on and by how much. */
  readonly slopes: readonly (readonly [unknown: number, slope: number])[]
  readonly value: number
  /** Variance of the noise. */
  readonly variance: number
}

/** What is believed after one more reading (Bayes' rule for bell curves). */
export function observe(
  { mean, covariance }: Gaussian,
  { slopes, value, variance }: LinearReading,
): Gaussian {
  const size = mean.length
  const gain = new Float64Array(size)
  for (let row = 0; row < size; row++) {
    let sum = 0
    for (const [unknown, slope] of slopes) sum += covariance[row * size + unknown]! * slope
    gain[row] = sum
  }
  let spread = variance
  let expected = 0
  for (const [unknown, slope] of slopes) {
    spread += slope * gain[unknown]!
    expected += slope * mean[unknown]!
  }
  const surprise = (value - expected) / spread
  const after = covariance.slice()
  for (let row = 0; row < size; row++) {
    for (let column = 0; column < size; column++) {
      after[row * size + column] = after[row * size + column]! - (gain[row]! * gain[column]!) / spread
    }
  }
  return { mean: mean.map((known, row) => known + gain[row]! * surprise), covariance: after }
}

/** Variance of Σ slope·unknown. */
export function varianceAlong({ mean, covariance }: Gaussian, slopes: LinearReading['slopes']): number {
  let sum = 0
  for (const [one, slopeOne] of slopes) {
    for (const [other, slopeOther] of slopes) {
      sum += slopeOne * slopeOther * covariance[one * mean.length + other]!
    }
  }
  return Math.max(0, sum)
}
