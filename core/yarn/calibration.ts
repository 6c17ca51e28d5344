import { SpecError } from '../errors/specError.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { yarnPerStitch, type StitchName } from '../stitches/stitch.ts'
import { LABEL_SD, metresOfGrams, SCALE_SD } from './stock.ts'

interface Taken {
  readonly id: string
  /** Milliseconds since 1970. */
  readonly at: number
  readonly stitch: StitchName
  readonly stitches: number
}

/**
 * Yarn that a known number of stitches took: weighed off the ball (all balls, where several strands are held
 * together), or pulled out and measured (the strands as they lie together).
 */
export type Calibration =
  | (Taken & {
      readonly kind: 'weighed'
      readonly gramsBefore: number
      readonly gramsAfter: number
      /** From the label of the ball that was weighed. */
      readonly metresPerBall: number
      readonly gramsPerBall: number
    })
  | (Taken & {
      readonly kind: 'unravelled'
      /** Length pulled out, mm. */
      readonly length: number
    })

/** Yarn per stitch is known to ±25% (19 times of 20) until calibrated. */
export const ESTIMATE_SD = 0.125
/** Yarn pulled out of stitches is crimped: ±4 mm, and stitches differ by 6% each. */
const PULLED_SD = 4
const STITCH_SD = 0.06

/**
 * Metres that a calibration measured, as long as the strands lie together, and their relative standard
 * deviation. What was weighed is shared among the strands.
 */
export function measuredMetres(calibration: Calibration, strands: number): { metres: number; sd: number } {
  const spread = STITCH_SD / Math.sqrt(calibration.stitches)
  if (calibration.kind === 'unravelled') {
    const sd = Math.hypot(PULLED_SD / calibration.length, spread)
    return { metres: calibration.length / 1000, sd }
  }
  const grams = calibration.gramsBefore - calibration.gramsAfter
  const sd = Math.hypot((SCALE_SD * Math.SQRT2) / grams, LABEL_SD, spread)
  return { metres: metresOfGrams(calibration, grams)! / strands, sd }
}

/**
 * Yarn per stitch against the usual estimate: prior 1 ± 12.5%, and every calibration as a reading of its
 * logarithm. The order does not matter.
 */
export function yarnUseOf(
  gauge: Gauge,
  calibrations: readonly Calibration[],
): { readonly factor: number; readonly sd: number } {
  let weight = 1 / ESTIMATE_SD ** 2
  let sum = 0
  for (const calibration of calibrations) {
    const { metres, sd } = measuredMetres(calibration, gauge.strands)
    const usual = usualMetres(gauge, calibration.stitch, calibration.stitches)
    weight += 1 / sd ** 2
    sum += Math.log(metres / usual) / sd ** 2
  }
  return { factor: Math.exp(sum / weight), sd: Math.sqrt(1 / weight) }
}

const usualMetres = (gauge: Gauge, stitch: StitchName, stitches: number): number =>
  (stitches * yarnPerStitch(stitch, gaugeForStitch(gauge, 'sc').w, gauge.yarnDiameter)) / 1000

/** Whether a calibration is rougher than the estimate it should better. */
export const tellsLittle = (calibration: Calibration): boolean =>
  measuredMetres(calibration, 1).sd > ESTIMATE_SD

/**
 * Refuses what cannot have been measured.
 * @throws SpecError at `stitches`, `gramsBefore`, `gramsAfter`, `gramsPerBall`, `metresPerBall` or `length`
 */
export function validateCalibration(calibration: Calibration, gauge: Gauge): void {
  const { stitches, stitch } = calibration
  if (!(Number.isInteger(stitches) && stitches > 0)) {
    throw new SpecError('stitches', 'No stitches are counted.', 'Ten to pull out, some 300 to weigh.')
  }
  if (calibration.kind === 'weighed') {
    const { gramsBefore, gramsAfter, gramsPerBall, metresPerBall } = calibration
    if (!(gramsPerBall > 0 && metresPerBall > 0)) {
      throw new SpecError(
        'metresPerBall',
        'The label of the ball is missing.',
        'Metres and grams a ball turn a weight into a length.',
      )
    }
    if (!(gramsAfter >= 0 && gramsBefore > gramsAfter)) {
      throw new SpecError(
        'gramsAfter',
        'The ball should weigh less after the stitches than before.',
        'Weigh the same ball twice, without the work.',
      )
    }
  } else if (!(calibration.length > 0)) {
    throw new SpecError('length', 'No yarn is measured.', 'Pull the stitches out and lay the yarn straight.')
  }
  const { metres } = measuredMetres(calibration, gauge.strands)
  const usual = usualMetres(gauge, stitch, stitches)
  const times = metres / usual
  if (times > 4 || times < 0.25) {
    throw new SpecError(
      calibration.kind === 'weighed' ? 'gramsAfter' : 'length',
      `That would be ${((metres * 1000) / stitches).toFixed(0)} mm a stitch; usual is about ${((usual * 1000) / stitches).toFixed(0)} mm.`,
      `${stitches} sts usually take ${usual.toFixed(1)} m. Check the count and what was measured.`,
    )
  }
}
