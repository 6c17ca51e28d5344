/** A two-dimensional bell curve over (ln w, ln h). */
export interface Belief {
  readonly lnW: number
  readonly lnH: number
  readonly varLnW: number
  readonly varLnH: number
  readonly covLnWLnH: number
}

/** One reading that is linear in the logarithms: value = onLnW·ln w + onLnH·ln h + noise. */
export interface Observation {
  readonly onLnW: number
  readonly onLnH: number
  readonly value: number
  /** Variance of the noise. */
  readonly variance: number
}

/**
 * The belief after one more reading (Bayes' rule for Gaussians; the order of readings does not matter).
 */
export function observe(belief: Belief, { onLnW, onLnH, value, variance }: Observation): Belief {
  const gainTopW = belief.varLnW * onLnW + belief.covLnWLnH * onLnH
  const gainTopH = belief.covLnWLnH * onLnW + belief.varLnH * onLnH
  const spread = onLnW * gainTopW + onLnH * gainTopH + variance
  const surprise = value - (onLnW * belief.lnW + onLnH * belief.lnH)
  return {
    lnW: belief.lnW + (gainTopW / spread) * surprise,
    lnH: belief.lnH + (gainTopH / spread) * surprise,
    varLnW: belief.varLnW - (gainTopW * gainTopW) / spread,
    varLnH: belief.varLnH - (gainTopH * gainTopH) / spread,
    covLnWLnH: belief.covLnWLnH - (gainTopW * gainTopH) / spread,
  }
}
