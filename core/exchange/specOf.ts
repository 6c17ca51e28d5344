import { beliefFromEvidence, gaugeFromBelief } from '../gauge/gaugeFromEvidence.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Combined } from '../gauge/combineEvidence.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { FabricState, Loops } from '../gauge/latentGauge.ts'
import type { PieceSpec, SectionWork } from '../plan/plan.ts'
import { SpecError } from '../errors/specError.ts'
import { familyOf, formOf } from '../forms/registry.ts'
import { mm } from '../units/millimetres.ts'
import { yarnUseOf } from '../yarn/calibration.ts'
import { FIBRES } from '../yarn/fibre.ts'
import { formBeforeWashing } from '../plan/afterWashing.ts'
import { sectionsWorked } from '../plan/sectionWork.ts'
import type { GaugeRecord, KeptSectionWork, PieceRecord } from './records.ts'

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
 * The gauge a record stands for, in its own stitch, worked into both loops or one, as worked or as washed, in rounds or
 * in rows.
 * @throws SpecError when the label cannot be
 */
export function gaugeOf(
  record: GaugeRecord,
  loops: Loops = 'both',
  state: FabricState = 'worked',
  rows = false,
): Gauge {
  const belief = beliefOf(record)
  const gauge = gaugeFromBelief(belief, record.stitch, record, isMeasured(record), loops, state, rows)
  if (record.calibrations.length === 0) return gauge
  return { ...gauge, yarnUse: yarnUseOf(gauge, record.calibrations) }
}

/**
 * The spec to plan a stored piece from. Of one whose sizes are meant washed it is larger or smaller by what washing
 * takes, since it is planned, measured and corrected as it comes off the hook.
 * @param others gauges that its sections may go by
 * @throws SpecError when a gauge record cannot be, or is not there
 */
export function specOf(
  piece: PieceRecord,
  gauge: GaugeRecord,
  pace: number,
  others: readonly GaugeRecord[] = [],
): PieceSpec {
  const worked = specIn('worked', piece, gauge, pace, others)
  if (!piece.washed) return worked
  return { ...worked, form: formBeforeWashing(worked, specIn('washed', piece, gauge, pace, others)) }
}

/**
 * A stored piece in stitches as worked or as washed, with the sizes that its maker named.
 * @throws SpecError as `specOf` does
 */
export function specIn(
  state: FabricState,
  piece: PieceRecord,
  gauge: GaugeRecord,
  pace: number,
  others: readonly GaugeRecord[] = [],
): PieceSpec {
  const { construction, stitch } = piece
  const form = formOf(piece.form)
  const { inRows = false } = familyOf(form)
  const sections = sectionsWorked<KeptSectionWork>(form, stitch, piece.sections)
  const usual = construction.loops ?? 'both'
  const worked = Object.entries(sections).flatMap(([id, work]) => {
    if (!work) return []
    const { loops = usual, gaugeId, stitch: own, rounds, texture, measured }: KeptSectionWork = work
    const record = gaugeId === undefined ? gauge : [gauge, ...others].find((one) => one.id === gaugeId)
    if (!record) {
      throw new SpecError('sections', 'The gauge of a section is gone.', 'Choose a gauge for it.')
    }
    const fabric = record === gauge && loopsOf(loops) === loopsOf(usual)
    const made: SectionWork = {
      ...(own ? { stitch: own } : {}),
      loops,
      ...(rounds ? { rounds } : {}),
      ...(texture ? { texture } : {}),
      ...(texture && measured && gaugeId !== undefined ? { measured } : {}),
      ...(fabric
        ? {}
        : { gauge: gaugeForStitch(gaugeOf(record, loopsOf(loops), state, inRows), own ?? stitch) }),
    }
    return [[id, made] as const]
  })
  return {
    form,
    tolerance: mm(piece.tolerance),
    stitch,
    gauge: gaugeForStitch(gaugeOf(gauge, loopsOf(usual), state, inRows), stitch),
    construction,
    ...(worked.length > 0 ? { sections: Object.fromEntries(worked) } : {}),
    colours: piece.colours,
    constraints: piece.constraints,
    rhythm: piece.rhythm,
    pace,
  }
}

/** Either loop alone is one fabric, whichever of the two. */
const loopsOf = (loops: 'both' | 'back' | 'front'): Loops => (loops === 'both' ? 'both' : 'single')

/** The hook in use, mm: that of the gauge record, or what was taken in its place since. */
export const hookInUse = (spec: Pick<PieceSpec, 'gauge'>, { hook }: Pick<GaugeRecord, 'hook'>): number =>
  spec.gauge.hook ?? hook
