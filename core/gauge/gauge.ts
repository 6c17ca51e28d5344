import type { Millimetres } from '../units/millimetres.ts'
import type { StitchName } from '../stitches/stitch.ts'

/**
 * What one maker's stitches measure: width along the round and height added by a round, known as a
 * bell curve over (ln w, ln h).
 */
export interface Gauge {
  readonly stitch: StitchName
  readonly w: Millimetres
  readonly h: Millimetres
  /** Variance of ln w, variance of ln h, and their covariance. */
  readonly varLnW: number
  readonly varLnH: number
  readonly covLnWLnH: number
  /** Diameter of all strands held together. */
  readonly yarnDiameter: Millimetres
  /** `guess`: from the yarn label alone; `measured`: from the maker's own stitches. */
  readonly certainty: 'guess' | 'measured'
}

/** Standard deviation of ln(h/w): what decides how well the flat increase is known. */
export function sdOfHeightOverWidth(gauge: Gauge): number {
  return Math.sqrt(Math.max(0, gauge.varLnW + gauge.varLnH - 2 * gauge.covLnWLnH))
}
