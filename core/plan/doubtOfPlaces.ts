import type { Gauge } from '../gauge/gauge.ts'
import type { Laid, Move } from '../lay/lay.ts'

/** Standard deviations of where a round lies, mm. */
export interface DoubtOfPlace {
  readonly sd: number
  readonly sdZ: number
  readonly sdArc: number
  /** Of its straight sides, where it has any. */
  readonly sdSpine?: number
}

/** Where the first of some rounds begins, and how surely, mm. */
export interface DoubtOfStart {
  readonly sd: number
  readonly along?: { readonly arc: number; readonly sd: number } | undefined
}

/**
 * How surely every round lies where it was laid: the covariance of its gauge and the doubt of where the first begins
 * carried through the settled cloth (first order).
 * @param gauges of each round
 */
export function doubtOfPlaces(
  laid: Laid,
  gauges: readonly Gauge[],
  { sd: startSd, along }: DoubtOfStart,
): DoubtOfPlace[] {
  const { lnW, lnH, centre } = laid.moves()
  const from = along?.arc ?? 0
  const sdBy = (way: keyof Move, index: number) => {
    const [byW, byH, gauge] = [lnW[way][index]!, lnH[way][index]!, gauges[index]!]
    const variance =
      byW * byW * gauge.varLnW +
      byH * byH * gauge.varLnH +
      2 * byW * byH * gauge.covLnWLnH +
      (centre[way][index]! * startSd) ** 2
    return Math.sqrt(Math.max(0, variance))
  }
  /** How long the rounds of each gauge are: off together in one, each by itself in several. */
  const lengths = new Map<Gauge, number>()
  return laid.rings.map(({ arc, spine }, index) => {
    const gauge = gauges[index]!
    lengths.set(gauge, (lengths.get(gauge) ?? 0) + arc - (laid.rings[index - 1]?.arc ?? from))
    return {
      sd: sdBy('radius', index),
      sdZ: sdBy('z', index),
      ...(spine === undefined ? {} : { sdSpine: spine * Math.sqrt(gauge.varLnW) }),
      sdArc: Math.hypot(
        along?.sd ?? startSd,
        ...[...lengths].map(([of, length]) => length * Math.sqrt(of.varLnH)),
      ),
    }
  })
}
