import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import type { Gauge } from './gauge.ts'

/** How far the height of one stitch foretells that of another in the same hands. */
const CARRY_OVER_SD = 0.05

/**
 * A gauge for another stitch of the same yarn and hook: what the evidence says of it, or else the same
 * width and the usual ratio of the two heights, with 5% more doubt.
 */
export function gaugeForStitch(gauge: Gauge, stitch: StitchName): Gauge {
  if (gauge.stitch === stitch) return gauge
  const { [stitch]: known, ...rest } = gauge.others ?? {}
  if (known) {
    const { w, h, varLnW, varLnH, covLnWLnH } = gauge
    return {
      ...gauge,
      ...known,
      stitch,
      others: { ...rest, [gauge.stitch]: { w, h, varLnW, varLnH, covLnWLnH } },
    }
  }
  const ratio = STITCHES[stitch].heightOverWidth / STITCHES[gauge.stitch].heightOverWidth
  return { ...gauge, stitch, h: mm(gauge.h * ratio), varLnH: gauge.varLnH + CARRY_OVER_SD ** 2 }
}
