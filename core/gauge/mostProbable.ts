import { observe, varianceAlong, type Gaussian, type LinearReading } from './gaussian.ts'
import { boundedWithin } from './flatBound.ts'
import type { Reading } from './reading.ts'

const ITERATIONS = 8
const STEP = 1e-5
/** Unknowns are logarithms: less than this is no difference in any size. */
const SETTLED = 1e-8

/**
 * The most probable unknowns and their covariance after some readings (Gauss–Newton). Lying flat is a bound,
 * not a measurement: each cuts the curve off at what the other readings leave, and several discs that lie
 * flat tell as much as one.
 */
export function mostProbable(prior: Gaussian, all: readonly Reading[]): Gaussian {
  const measured = all.filter(({ bound }) => !bound)
  const bounds = all.filter(({ bound }) => bound)
  let belief = prior
  for (let iteration = 0; iteration < ITERATIONS; iteration++) {
    const at = belief.mean
    const known = measured.reduce((so, reading) => observe(so, linearised(reading, at)), prior)
    belief = withinBounds(known, bounds, at)
    const moved = belief.mean.reduce(
      (most, mean, unknown) => Math.max(most, Math.abs(mean - at[unknown]!)),
      0,
    )
    if (moved < SETTLED) break
  }
  return belief
}

/** What the rest makes so likely already tells nothing by being seen. */
const SURE = Math.log(0.85)

/** The belief cut off at the bounds, the one that cuts most first; those that it then meets cut no more. */
function withinBounds(known: Gaussian, bounds: readonly Reading[], at: Float64Array): Gaussian {
  const byCut = bounds
    .map((reading) => ({ reading, logShare: siteOf(known, reading, at).logShare }))
    .sort((one, other) => one.logShare - other.logShare)
  return byCut.reduce((so, { reading }, index) => {
    const { site, logShare } = siteOf(so, reading, at)
    return site && (index === 0 || logShare < SURE) ? observe(so, site) : so
  }, known)
}

/** The reading that would do to a belief what a bound does to it, and how much of it the bound lets through. */
function siteOf(
  belief: Gaussian,
  reading: Reading,
  at: Float64Array,
): { readonly site?: LinearReading; readonly logShare: number } {
  const { slopes, value } = linearised(reading, at)
  const { within, blur } = reading.bound!
  const mean = slopes.reduce((sum, [unknown, slope]) => sum + slope * belief.mean[unknown]!, 0) - value
  const variance = varianceAlong(belief, slopes)
  if (variance < 1e-14) return { logShare: 0 }
  const cut = boundedWithin(mean, variance, within, blur)
  const precision = 1 / cut.variance - 1 / variance
  // A bound that changes next to nothing is no reading.
  if (precision * variance < 1e-6) return { logShare: cut.logShare }
  const seen = (cut.mean / cut.variance - mean / variance) / precision
  return { site: { slopes, value: seen + value, variance: 1 / precision }, logShare: cut.logShare }
}

/** The reading as a straight line near where the unknowns are. */
export function linearised(reading: Reading, at: Float64Array): LinearReading {
  const { on, value, variance, predict } = reading
  const moved = at.slice()
  const here = predict(at)
  let offset = value - here
  const slopes = on.map((unknown) => {
    moved[unknown] = at[unknown]! + STEP
    const slope = (predict(moved) - here) / STEP
    moved[unknown] = at[unknown]!
    offset += slope * at[unknown]!
    return [unknown, slope] as const
  })
  return { slopes, value: offset, variance }
}

/**
 * How well a prior foretold some readings: the logarithm of their probability density, linearised where
 * they put the unknowns. Comparable between models of the same readings.
 */
export function logEvidence(prior: Gaussian, all: readonly Reading[], at: Float64Array): number {
  let belief = prior
  let sum = 0
  for (const reading of all.filter(({ bound }) => !bound)) {
    const linear = linearised(reading, at)
    const spread = varianceAlong(belief, linear.slopes) + linear.variance
    const expected = linear.slopes.reduce(
      (total, [unknown, slope]) => total + slope * belief.mean[unknown]!,
      0,
    )
    sum -= 0.5 * ((linear.value - expected) ** 2 / spread + Math.log(2 * Math.PI * spread))
    belief = observe(belief, linear)
  }
  for (const reading of all.filter(({ bound }) => bound)) {
    const { site, logShare } = siteOf(belief, reading, at)
    sum += logShare
    if (site) belief = observe(belief, site)
  }
  return sum
}
