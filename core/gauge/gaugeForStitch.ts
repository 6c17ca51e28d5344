import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import type { Gauge } from './gauge.ts'

/** How far the height of one stitch foretells that of another in the same hands. */
const CARRY_OVER_SD = 0.05

/**
 * A gauge measured in one stitch, carried over to another of the same yarn and hook: the width stays,
 * the height follows the usual ratio of the two, with 5% more doubt.
 */
export function gaugeForStitch(gauge: Gauge, stitch: StitchName): Gauge {
  if (gauge.stitch === stitch) return gauge
  const ratio = STITCHES[stitch].heightOverWidth / STITCHES[gauge.stitch].heightOverWidth
  return { ...gauge, stitch, h: mm(gauge.h * ratio), varLnH: gauge.varLnH + CARRY_OVER_SD ** 2 }
}
