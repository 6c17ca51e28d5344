import { validateEvidence, type Evidence, type GaugeRecord, type Speech } from '../../core/index.ts'
import type { ParsedNumber } from './parseCount.ts'
import { refusalOf } from './refusal.ts'

/** Reads a number as `parse` does, and refuses what would make evidence that no fabric can give. */
export function validEvidence(
  parse: (text: string) => ParsedNumber,
  yarn: GaugeRecord,
  evidenceWith: (value: number) => Evidence,
  speech: Speech,
): (text: string) => ParsedNumber {
  return (text) => {
    const read = parse(text)
    if (!read.ok) return read
    const refusal = refusalOf(() => validateEvidence(evidenceWith(read.value), yarn), speech)
    return refusal ? { ok: false, message: refusal.text } : read
  }
}
