import type { Millimetres } from '../units/millimetres.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** Width along the round and height added by a round, known as a bell curve over (ln w, ln h). */
export interface StitchSize {
  readonly w: Millimetres
  readonly h: Millimetres
  /** Variance of ln w, variance of ln h, and their covariance. */
  readonly varLnW: number
  readonly varLnH: number
  readonly covLnWLnH: number
}

/** What one maker's stitches measure in a yarn, on a hook. */
export interface Gauge extends StitchSize {
  readonly stitch: StitchName
  /** Sizes of the other stitches, where evidence says more of them than the usual ratios. */
  readonly others?: Readonly<Partial<Record<StitchName, StitchSize>>>
  /** Strands held together. */
  readonly strands: number
  /** The hook, mm, where another was taken than it was measured on. */
  readonly hook?: number
  /** Diameter of all strands held together. */
  readonly yarnDiameter: Millimetres
  /** Yarn per stitch against the usual estimate, and its relative standard deviation, once calibrated. */
  readonly yarnUse?: { readonly factor: number; readonly sd: number }
  /** `guess`: from the yarn label alone; `measured`: from the maker's own stitches. */
  readonly certainty: 'guess' | 'measured'
}

/** Standard deviation of ln(h/w): what decides how well the flat increase is known. */
export function sdOfHeightOverWidth(size: StitchSize): number {
  return Math.sqrt(Math.max(0, size.varLnW + size.varLnH - 2 * size.covLnWLnH))
}
