import type { Gauge } from '../gauge/gauge.ts'
import type { Laid } from '../lay/lay.ts'

/**
 * Standard deviation of every radius, mm: the gauge's covariance and the centre's doubt carried through
 * the settled cloth (first order).
 * @param centreSd standard deviation of where the first of these rounds begins, mm
 */
export function doubtOfRadii(laid: Laid, gauge: Gauge, centreSd: number): number[] {
  const { lnW, lnH, centre } = laid.moves()
  return laid.rings.map((_, index) => {
    const [byW, byH] = [lnW[index]!, lnH[index]!]
    const variance =
      byW * byW * gauge.varLnW +
      byH * byH * gauge.varLnH +
      2 * byW * byH * gauge.covLnWLnH +
      (centre[index]! * centreSd) ** 2
    return Math.sqrt(Math.max(0, variance))
  })
}
