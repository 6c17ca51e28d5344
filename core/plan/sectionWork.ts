import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { SectionId } from '../rounds/round.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'

/** A stitch in the fabric of its section. */
export interface StitchIn {
  readonly section: SectionId
  readonly stitch: StitchName
}

/** Sizes of stitches, each by its section. */
export type Gauges = (of: StitchIn) => Gauge

/** The stitch that a section is made of. */
export const stitchIn = ({ stitch, sections }: Pick<PieceSpec, 'stitch' | 'sections'>, section: SectionId) =>
  sections?.[section]?.stitch ?? stitch

/** The gauge that a section is worked in. */
export const gaugeIn = (
  { gauge, sections }: Pick<PieceSpec, 'gauge' | 'sections'>,
  section: SectionId,
): Gauge => sections?.[section]?.gauge ?? gauge

/** Sizes of the stitches of a spec, each worked out once. */
export function gaugesOf(spec: Pick<PieceSpec, 'gauge' | 'sections'>): Gauges {
  const known = new Map<Gauge, Map<StitchName, Gauge>>()
  return ({ section, stitch }) => {
    const own = gaugeIn(spec, section)
    const sizes = known.get(own) ?? new Map<StitchName, Gauge>()
    known.set(own, sizes)
    const found = sizes.get(stitch) ?? gaugeForStitch(own, stitch)
    sizes.set(stitch, found)
    return found
  }
}

/** The loop that a round of a section is worked into, if not both: an edging takes both. */
export function loopsIn(
  { construction, sections }: Pick<PieceSpec, 'construction' | 'sections'>,
  { section, stitch }: StitchIn,
): 'back' | 'front' | undefined {
  if (isEdging(stitch)) return undefined
  const own = sections?.[section]?.loops
  return own === undefined ? construction.loops : own === 'both' ? undefined : own
}
