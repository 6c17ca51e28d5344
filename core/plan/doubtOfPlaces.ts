import type { Gauge } from '../gauge/gauge.ts'
import type { Laid, Move } from '../lay/lay.ts'

/** Standard deviations of where a round lies, mm. */
export interface DoubtOfPlace {
  readonly sd: number
  readonly sdZ: number
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
  const sdBy = (way: keyof Move, index: number) => {
    const [byW, byH] = [lnW[way][index]!, lnH[way][index]!]
    const variance =
      byW * byW * gauge.varLnW +
      byH * byH * gauge.varLnH +
      2 * byW * byH * gauge.covLnWLnH +
      (centre[way][index]! * startSd) ** 2
    return Math.sqrt(Math.max(0, variance))
  }
  return laid.rings.map(({ arc }, index) => {
    return {
      sd: sdBy('radius', index),
      sdZ: sdBy('z', index),
      sdArc: Math.hypot((arc - from) * Math.sqrt(gauge.varLnH), along?.sd ?? startSd),
    }
  })
}
