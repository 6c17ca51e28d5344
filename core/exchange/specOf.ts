import { beliefFromEvidence, gaugeFromBelief } from '../gauge/gaugeFromEvidence.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Combined } from '../gauge/combineEvidence.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { formOf } from '../forms/registry.ts'
import { mm } from '../units/millimetres.ts'
import { yarnUseOf } from '../yarn/calibration.ts'
import { FIBRES } from '../yarn/fibre.ts'
import type { GaugeRecord, PieceRecord } from './records.ts'

const combined = new WeakMap<GaugeRecord, Combined>()

/**
 * What label and evidence of a record say together; remembered for as long as the record is.
 * @throws SpecError when the label cannot be
 */
export function beliefOf(record: GaugeRecord): Combined {
  const known = combined.get(record)
  if (known) return known
  const found = beliefFromEvidence(record, record.evidence, FIBRES[record.fibre].washing)
  combined.set(record, found)
  return found
}

/** Whether the maker has measured anything that counts. */
export const isMeasured = ({ evidence }: GaugeRecord): boolean => evidence.some(({ setAside }) => !setAside)

/**
 * The gauge a record stands for, in its own stitch.
 * @throws SpecError when the label cannot be
 */
export function gaugeOf(record: GaugeRecord): Gauge {
  const gauge = gaugeFromBelief(beliefOf(record), record.stitch, record, isMeasured(record))
  if (record.calibrations.length === 0) return gauge
  return { ...gauge, yarnUse: yarnUseOf(gauge, record.calibrations) }
}

/**
 * The spec to plan a stored piece from.
 * @throws SpecError when the gauge record cannot be
 */
export function specOf(piece: PieceRecord, gauge: GaugeRecord, pace: number): PieceSpec {
  return {
    form: formOf(piece.form),
    tolerance: mm(piece.tolerance),
    stitch: piece.stitch,
    gauge: gaugeForStitch(gaugeOf(gauge), piece.stitch),
    construction: piece.construction,
    colours: piece.colours,
    constraints: piece.constraints,
    rhythm: piece.rhythm,
    pace,
  }
}
