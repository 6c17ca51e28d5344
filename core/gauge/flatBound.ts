/** The mean and variance that a bound leaves of a bell curve, and the logarithm of what it lets through. */
export interface Bounded {
  readonly mean: number
  readonly variance: number
  readonly logShare: number
}

/**
 * A bell curve of which only what lies within ±`bound` is let through, where the bound itself is seen to
 * within `blur`: moments of N(m, s²)·[Φ((b − x)/e) − Φ((−b − x)/e)], in closed form
 * (with t² = s² + e²: mean m + s²·∂ ln Z/∂m, variance s² + s⁴·∂² ln Z/∂m²).
 */
export function boundedWithin(mean: number, variance: number, bound: number, blur: number): Bounded {
  const spread = Math.sqrt(variance + blur * blur)
  // The curve is symmetric: with the mean above 0 both tails can be taken from one side.
  const sign = mean < 0 ? -1 : 1
  const far = (bound + sign * mean) / spread
  const near = (sign * mean - bound) / spread
  // Z = Q(near) − Q(far), Q the upper tail; everything over φ(near), which may be too small to write.
  const faded = Math.exp((near * near - far * far) / 2)
  const share = near < DEEP_INSIDE ? Infinity : millsRatio(near) - faded * millsRatio(far)
  const slope = -(1 - faded) / share / spread
  const curve = (near - faded * far) / share / (spread * spread) - slope * slope
  return {
    mean: mean + sign * variance * slope,
    variance: Math.max(1e-12, variance + variance * variance * curve),
    logShare: share === Infinity ? 0 : Math.log(share) - (near * near + Math.log(2 * Math.PI)) / 2,
  }
}

/** So many standard deviations inside, a bound changes nothing. */
const DEEP_INSIDE = -8

/** Upper tail of the standard bell curve over its height: (1 − Φ(x)) / φ(x). */
function millsRatio(x: number): number {
  if (x < 3) return upperTail(x) / (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI))
  // Continued fraction of Laplace: 1/(x + 1/(x + 2/(x + 3/(x + …)))).
  let fraction = x
  for (let term = 40; term >= 1; term--) fraction = x + term / fraction
  return 1 / fraction
}

/** 1 − Φ(x), by the series of Φ about 0 (Φ = ½ + φ·(x + x³/3 + x⁵/15 + …)); x below 3. */
function upperTail(x: number): number {
  if (x < -3) return 1 - upperTail(-x)
  let term = x
  let sum = x
  for (let odd = 3; Math.abs(term) > 1e-17 * Math.abs(sum) && odd < 200; odd += 2) {
    term *= (x * x) / odd
    sum += term
  }
  return 0.5 - (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * sum
}
