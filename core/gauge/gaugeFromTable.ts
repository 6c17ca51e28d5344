import { SpecError } from '../errors/specError.ts'
import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import type { Gauge } from './gauge.ts'
import { yarnDiameter, YARN_WEIGHTS, type YarnWeight } from './yarnWeight.ts'

export interface YarnAndHook {
  readonly weight: YarnWeight
  readonly strands: number
  /** Hook in mm. */
  readonly hook: number
}

/** Doubt of a label: 12% on w and on h, moving together, so that h/w is known to about 6%. */
export const LABEL_SD = 0.12
export const LABEL_CORRELATION = 0.88

/**
 * The gauge to expect from the label alone: w = 2.05·√(d·hook), h from the usual h/w of the stitch.
 * @throws SpecError when weight, strands or hook are out of range
 */
export function gaugeFromTable(stitch: StitchName, yarn: YarnAndHook): Gauge {
  validateYarnAndHook(yarn)
  const diameter = yarnDiameter(yarn.weight, yarn.strands)
  const w = 2.05 * Math.sqrt(diameter * yarn.hook)
  const variance = LABEL_SD ** 2
  return {
    stitch,
    w: mm(w),
    h: mm(w * STITCHES[stitch].heightOverWidth),
    varLnW: variance,
    varLnH: variance,
    covLnWLnH: variance * LABEL_CORRELATION,
    strands: yarn.strands,
    yarnDiameter: diameter,
    certainty: 'guess',
  }
}

function validateYarnAndHook({ weight, strands, hook }: YarnAndHook): void {
  if (!YARN_WEIGHTS[weight]) {
    throw new SpecError(
      'gauge.weight',
      'That is not a yarn weight class.',
      'A class from 0 (lace) to 7 (jumbo).',
    )
  }
  if (!Number.isInteger(strands) || strands < 1 || strands > 6) {
    throw new SpecError('gauge.strands', 'That many strands cannot be held together.', 'From 1 to 6 strands.')
  }
  if (!(hook >= 0.5 && hook <= 40)) {
    throw new SpecError('gauge.hook', `There is no ${hook} mm hook.`, 'From 0.5 to 40 mm.')
  }
}
