import { SpecError } from '../errors/specError.ts'
import type { BootieForm } from '../forms/bootie/bootie.ts'
import type { CaseForm } from '../forms/case/case.ts'
import type { OvalForm } from '../forms/oval/oval.ts'
import type { PouchForm } from '../forms/pouch/pouch.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { sectionsWorked } from '../plan/sectionWork.ts'
import { mm } from '../units/millimetres.ts'
import { discSpec, USUAL_RATIO } from './specs.ts'

/** The same in a stitch so wide, mm, and so tall against what is usual of it. */
export function inStitches(
  spec: PieceSpec,
  stitch: keyof typeof USUAL_RATIO,
  w: number,
  tall: number,
): PieceSpec {
  return {
    ...spec,
    stitch,
    gauge: { ...spec.gauge, stitch, w: mm(w), h: mm(w * tall * USUAL_RATIO[stitch]) },
  }
}

/** The plan of a spec that somebody might want; nothing where it is refused in a sentence. */
export function plannedIfAny(spec: PieceSpec): Plan | undefined {
  try {
    return planPiece(spec)
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

/** An oval mat of 30 × 20 cm, unless asked otherwise; the same stitches as a vessel has. */
export function ovalSpec(
  form: Partial<Record<'length' | 'width' | 'height', number>> &
    Partial<Pick<OvalForm, 'edge' | 'of' | 'ends'>>,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { length = 300, width = 200, height = 80, edge = 'flat', of = 'outside', ends = 'exact' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'oval', length: mm(length), width: mm(width), height: mm(height), edge, of, ends },
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * heightOverWidth) },
    construction: { ...plain.construction, start: { kind: 'chainAlong', into: 'loops' } },
    ...changes,
  }
}

/** A bootie for a foot of 10.5 cm in 5.4 mm wide sc, unless asked otherwise. */
export function bootieSpec(
  form: Partial<Record<'foot' | 'room' | 'wide' | 'opening' | 'cuffHeight', number>> &
    Partial<Pick<BootieForm, 'cuff' | 'side'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { foot = 105, room = 5, wide = 0.43, opening = 1.6, cuffHeight = 20, ...chosen } = form
  const plain = discSpec(1)
  const stitch = changes.stitch ?? 'sc'
  const asked: BootieForm = {
    family: 'bootie',
    foot: mm(foot),
    room: mm(room),
    wide,
    opening,
    cuffHeight: mm(cuffHeight),
    cuff: 'plain',
    side: 'left',
    ...chosen,
  }
  return {
    ...plain,
    form: asked,
    gauge: { ...plain.gauge, w: mm(5.4), h: mm(5.4 * heightOverWidth), yarnDiameter: mm(2) },
    construction: { ...plain.construction, start: { kind: 'chainAlong', into: 'loops' } },
    sections: sectionsWorked(asked, stitch, undefined),
    ...changes,
  }
}

/** The body of a case for a headlamp of 9 × 5 × 11 cm in 5.4 mm wide sc, unless asked otherwise. */
export function caseSpec(
  form: Partial<Record<'long' | 'thick' | 'high' | 'radius' | 'ease' | 'opens' | 'hinge', number>> &
    Partial<Pick<CaseForm, 'corners' | 'base' | 'closing' | 'part'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { long = 90, thick = 50, high = 110, radius = 10, ease = 0.04, opens = 0.65, hinge = 0.22 } = form
  const { corners = 'boxy', base = 'full', closing = 'lid', part = 'body' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: {
      family: 'case',
      long: mm(long),
      thick: mm(thick),
      high: mm(high),
      radius: mm(radius),
      ease,
      opens,
      hinge,
      corners,
      base,
      closing,
      part,
    },
    gauge: { ...plain.gauge, w: mm(5.4), h: mm(5.4 * heightOverWidth), yarnDiameter: mm(2) },
    construction: { ...plain.construction, start: { kind: 'chainAlong', into: 'loops' } },
    ...changes,
  }
}

/** A pouch 10 cm wide and 12 cm high up to its cord, in 5.4 mm wide sc, unless asked otherwise. */
export function pouchSpec(
  form: Partial<Record<'wide' | 'high' | 'edgeHeight' | 'flare', number>> &
    Partial<Pick<PouchForm, 'edge' | 'cord' | 'lining'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { wide = 100, high = 120, edgeHeight = 15, flare = 0.5 } = form
  const { edge = 'frilled', cord = 'drawstring', lining = 'none' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: {
      family: 'pouch',
      wide: mm(wide),
      high: mm(high),
      edgeHeight: mm(edgeHeight),
      flare,
      edge,
      cord,
      lining,
    },
    gauge: { ...plain.gauge, w: mm(5.4), h: mm(5.4 * heightOverWidth), yarnDiameter: mm(2) },
    construction: { ...plain.construction, start: { kind: 'chainAlong', into: 'loops' } },
    ...changes,
  }
}
