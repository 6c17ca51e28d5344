import type { StitchName } from '../stitches/stitch.ts'
import { combineEvidence } from './combineEvidence.ts'
import { linearised } from './mostProbable.ts'
import type { Evidence } from './evidence.ts'
import { varianceAlong, type Gaussian } from './gaussian.ts'
import type { StitchSize } from './gauge.ts'
import type { YarnAndHook } from './gaugeFromTable.ts'
import { sizeOf } from './gaugeFromEvidence.ts'
import { labelBelief, type WashChange } from './latentGauge.ts'
import type { Reading } from './reading.ts'
import { readingsOf } from './readingsOf.ts'

/** A number with its standard deviation, both in mm. */
export interface Spread {
  readonly value: number
  readonly sd: number
}

/** One piece of evidence: what it says by itself, and what is known once it is counted in. */
export interface EvidenceStep {
  /** The evidence; absent for the label. */
  readonly evidence?: Evidence
  /** What it says of w and h alone; absent where it does not tell them apart, or is of another stitch. */
  readonly says: { readonly w?: Spread; readonly h?: Spread }
  /** What is known with everything up to here. */
  readonly soFar: StitchSize
}

/**
 * The label and every piece of evidence in turn, as they narrow what is known of one stitch. The last step
 * is what all of it together says.
 */
export function evidenceSteps(
  yarn: YarnAndHook,
  evidence: readonly Evidence[],
  washing: WashChange,
  stitch: StitchName,
): EvidenceStep[] {
  const prior = labelBelief(yarn, washing)
  const sizeIn = (belief: Gaussian) => sizeOf(belief, stitch, 'both', 'worked')
  const label = sizeIn(prior)
  const steps: EvidenceStep[] = [
    {
      says: {
        w: { value: label.w, sd: label.w * Math.sqrt(label.varLnW) },
        h: { value: label.h, sd: label.h * Math.sqrt(label.varLnH) },
      },
      soFar: label,
    },
  ]
  evidence.forEach((item, index) => {
    const { belief } = combineEvidence(prior, evidence.slice(0, index + 1))
    const says = item.stitch === stitch ? itself(belief, item) : {}
    steps.push({ evidence: item, says, soFar: sizeIn(belief) })
  })
  return steps
}

/**
 * What one item says of the stitch's own w and h: where the reading alone would put it, with its measuring
 * error and the doubt of what else it went through (loops, rows, washing, the centre).
 */
function itself(belief: Gaussian, item: Evidence): EvidenceStep['says'] {
  const readings = readingsOf(item)
  const of = (about: Reading['about']): Spread | undefined => {
    const reading = readings.find((one) => one.about === about)
    if (!reading) return undefined
    const { slopes, variance } = linearised(reading, belief.mean)
    const [own, slope] = slopes[0]!
    const surprise = reading.value - reading.predict(belief.mean)
    const value = Math.exp(belief.mean[own]! + surprise / slope)
    return { value, sd: (value * Math.sqrt(variance + varianceAlong(belief, slopes.slice(1)))) / slope }
  }
  return { w: of('width'), h: of('height') }
}
