import { checkEvidence, SpecError, type Evidence, type GaugeRecord } from '../../core/index.ts'
import type { ParsedNumber } from './NumberCell.tsx'

/** Reads a number as `parse` does, and refuses what would make evidence that no fabric can give. */
export function checkedEvidence(
  parse: (text: string) => ParsedNumber,
  yarn: GaugeRecord,
  evidenceWith: (value: number) => Evidence,
): (text: string) => ParsedNumber {
  return (text) => {
    const read = parse(text)
    if (!read.ok) return read
    try {
      checkEvidence(evidenceWith(read.value), yarn)
      return read
    } catch (error) {
      if (!(error instanceof SpecError)) throw error
      return { ok: false, message: `${error.message} ${error.valid}` }
    }
  }
}
