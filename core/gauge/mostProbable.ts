import { observe, varianceAlong, type Gaussian, type LinearReading } from './gaussian.ts'
import type { Reading } from './reading.ts'

const ITERATIONS = 8
const STEP = 1e-5

/** The most probable unknowns and their covariance after some readings (Gauss–Newton). */
export function mostProbable(prior: Gaussian, all: readonly Reading[]): Gaussian {
  const readings = sharingBounds(all)
  let belief = prior
  for (let iteration = 0; iteration < ITERATIONS; iteration++) {
    const at = belief.mean
    belief = readings.reduce((known, reading) => observe(known, linearised(reading, at)), prior)
    const moved = belief.mean.reduce(
      (most, mean, unknown) => Math.max(most, Math.abs(mean - at[unknown]!)),
      0,
    )
    if (moved < 1e-10) break
  }
  return belief
}

/** The reading that an edge lies flat, somewhere within the tolerance. */
export const isFlatBound = ({ about, value }: Reading): boolean => about === 'edge' && value === 0

/** The reading as a straight line near where the unknowns are. */
export function linearised(reading: Reading, at: Float64Array): LinearReading {
  const { on, value, variance, predict } = reading
  const moved = at.slice()
  const here = predict(at)
  let offset = value - here
  const slopes = on.map((unknown) => {
    moved[unknown] = at[unknown]! + STEP
    const ahead = predict(moved)
    moved[unknown] = at[unknown]! - STEP
    const slope = (ahead - predict(moved)) / (2 * STEP)
    moved[unknown] = at[unknown]!
    offset += slope * at[unknown]!
    return [unknown, slope] as const
  })
  return { slopes, value: offset, variance }
}

/** Lying flat is a bound, not a measurement: several discs that do tell as much as one. */
function sharingBounds(all: readonly Reading[]): readonly Reading[] {
  const bounds = all.filter(isFlatBound).length
  return bounds < 2
    ? all
    : all.map((reading) =>
        isFlatBound(reading) ? { ...reading, variance: reading.variance * bounds } : reading,
      )
}

/**
 * How well a prior foretold some readings: the logarithm of their probability density, linearised where
 * they put the unknowns. Comparable between models of the same readings.
 */
export function logEvidence(prior: Gaussian, all: readonly Reading[], at: Float64Array): number {
  let belief = prior
  let sum = 0
  for (const reading of sharingBounds(all)) {
    const linear = linearised(reading, at)
    const spread = varianceAlong(belief, linear.slopes) + linear.variance
    const expected = linear.slopes.reduce(
      (total, [unknown, slope]) => total + slope * belief.mean[unknown]!,
      0,
    )
    sum -= 0.5 * ((linear.value - expected) ** 2 / spread + Math.log(2 * Math.PI * spread))
    belief = observe(belief, linear)
  }
  return sum
}
