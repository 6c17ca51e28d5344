import type { Gauge } from '../gauge/gauge.ts'
import type { Laid } from '../lay/lay.ts'

/** Standard deviations of where a round lies, mm. */
export interface DoubtOfPlace {
  readonly sd: number
  readonly sdArc: number
}

/** Where the first of some rounds begins, and how surely, mm. */
export interface DoubtOfStart {
  readonly sd: number
  readonly along?: { readonly arc: number; readonly sd: number } | undefined
}

/**
 * How surely every round lies where it was laid: the gauge's covariance and the doubt of where the first begins
 * carried through the settled cloth (first order).
 */
export function doubtOfPlaces(
  laid: Laid,
  gauge: Gauge,
  { sd: startSd, along }: DoubtOfStart,
): DoubtOfPlace[] {
  const { lnW, lnH, centre } = laid.moves()
  const from = along?.arc ?? 0
  return laid.rings.map(({ arc }, index) => {
    const [byW, byH] = [lnW[index]!, lnH[index]!]
    const variance =
      byW * byW * gauge.varLnW +
      byH * byH * gauge.varLnH +
      2 * byW * byH * gauge.covLnWLnH +
      (centre[index]! * startSd) ** 2
    return {
      sd: Math.sqrt(Math.max(0, variance)),
      sdArc: Math.hypot((arc - from) * Math.sqrt(gauge.varLnH), along?.sd ?? startSd),
    }
  })
}
