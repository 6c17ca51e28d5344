import type { Gauge } from '../gauge/gauge.ts'
import { predictProfile, type RoundFabric } from '../shape/predictProfile.ts'

const STEP = 1e-4

/**
 * Standard deviation of every radius, mm: the gauge's covariance and the centre's doubt carried through
 * the prediction (first order, by differences).
 * @param centreSd standard deviation of where the first of these rounds begins, mm
 */
export function doubtOfRadii(
  fabric: readonly RoundFabric[],
  centre: number,
  gauge: Gauge,
  centreSd: number,
): number[] {
  const radiiAt = (lnW: number, lnH: number, moved: number) =>
    predictProfile(
      fabric.map((round) => ({ ...round, w: round.w * Math.exp(lnW), h: round.h * Math.exp(lnH) })),
      centre + moved,
    )
  const base = radiiAt(0, 0, 0)
  const wider = radiiAt(STEP, 0, 0)
  const taller = radiiAt(0, STEP, 0)
  const moved = radiiAt(0, 0, centreSd)
  return base.map(({ radius }, index) => {
    const byW = (wider[index]!.radius - radius) / STEP
    const byH = (taller[index]!.radius - radius) / STEP
    const byCentre = moved[index]!.radius - radius
    const variance =
      byW * byW * gauge.varLnW + byH * byH * gauge.varLnH + 2 * byW * byH * gauge.covLnWLnH + byCentre ** 2
    return Math.sqrt(Math.max(0, variance))
  })
}
