import type { Gauge } from '../gauge/gauge.ts'
import { gaugeFromSwatch } from '../gauge/gaugeFromSwatch.ts'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { mm } from '../units/millimetres.ts'
import type { GaugeRecord, PieceRecord } from './records.ts'

/**
 * The gauge a record stands for, in its own stitch.
 * @throws SpecError when the swatch or the label cannot be
 */
export function gaugeOf(record: GaugeRecord): Gauge {
  return record.swatch
    ? gaugeFromSwatch(record.stitch, record.swatch, record)
    : gaugeFromTable(record.stitch, record)
}

/**
 * The spec to plan a stored piece from.
 * @throws SpecError when the gauge record cannot be
 */
export function specOf(piece: PieceRecord, gauge: GaugeRecord, pace: number): PieceSpec {
  const { family, across, tolerance } = piece.shape
  return {
    shape: { family, across: mm(across), tolerance: mm(tolerance) },
    stitch: piece.stitch,
    gauge: gaugeForStitch(gaugeOf(gauge), piece.stitch),
    construction: piece.construction,
    colours: piece.colours,
    constraints: piece.constraints,
    rhythm: piece.rhythm,
    pace,
  }
}
