import { checkEvidence, SpecError, type Evidence, type GaugeRecord } from '../../../core/index.ts'

/** What is wrong with a measurement: the field, and a sentence. */
export interface Fault {
  readonly path: string
  readonly text: string
}

export function faultIn(evidence: Evidence, gauge: GaugeRecord): Fault | undefined {
  try {
    checkEvidence(evidence, gauge)
    return undefined
  } catch (error) {
    if (!(error instanceof SpecError)) throw error
    return { path: error.path, text: `${error.message} ${error.valid}` }
  }
}
