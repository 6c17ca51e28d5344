import type { SlipperForm } from '../forms/slipper/slipper.ts'
import type { SockForm } from '../forms/sock/sock.ts'
import type { StrapForm } from '../forms/strap/strap.ts'
import type { WedgeForm } from '../forms/wedge/wedge.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { sectionsWorked } from '../plan/sectionWork.ts'
import { mm } from '../units/millimetres.ts'
import { discSpec } from './specs.ts'

/** A half round of 9 cm from its middle to the curve, with one row along its straight edge, unless asked otherwise. */
export function wedgeSpec(
  form: Partial<Record<'radius' | 'share' | 'bow', number>> & Partial<Pick<WedgeForm, 'finish'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { radius = 90, share = 0.5, bow = 6, finish = 'plain' } = form
  const asked: WedgeForm = { family: 'wedge', radius: mm(radius), share, finish, bow: mm(bow) }
  const plain = discSpec(1, {}, heightOverWidth)
  return {
    ...plain,
    form: asked,
    sections: sectionsWorked(asked, changes.stitch ?? plain.stitch, undefined),
    ...changes,
  }
}

/** A bed sock for a foot of 25 cm in 7 mm wide sc, unless asked otherwise. */
export function sockSpec(
  form: Partial<Record<'foot' | 'around' | 'ease' | 'leg' | 'cuffHeight', number>> &
    Partial<Pick<SockForm, 'heel' | 'cuff'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { foot = 250, around = 235, ease = -0.16, leg = 100, cuffHeight = 40 } = form
  const asked: SockForm = {
    family: 'sock',
    foot: mm(foot),
    around: mm(around),
    ease,
    leg: mm(leg),
    heel: form.heel ?? 'full',
    cuff: form.cuff ?? 'plain',
    cuffHeight: mm(cuffHeight),
  }
  const plain = discSpec(1)
  return {
    ...plain,
    form: asked,
    gauge: { ...plain.gauge, w: mm(7), h: mm(7 * heightOverWidth), yarnDiameter: mm(2.5) },
    sections: sectionsWorked(asked, changes.stitch ?? plain.stitch, undefined),
    ...changes,
  }
}

/** A slipper for a foot of 24 cm in 7 mm wide sc, unless asked otherwise. */
export function slipperSpec(
  form: Partial<Record<'foot' | 'around' | 'ease' | 'closed' | 'open', number>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { foot = 240, around = 225, ease = 0, closed = 0.45, open = 0.28 } = form
  const asked: SlipperForm = { family: 'slipper', foot: mm(foot), around: mm(around), ease, closed, open }
  const plain = discSpec(1)
  return {
    ...plain,
    form: asked,
    gauge: { ...plain.gauge, w: mm(7), h: mm(7 * heightOverWidth), yarnDiameter: mm(2.5) },
    sections: sectionsWorked(asked, changes.stitch ?? plain.stitch, undefined),
    ...changes,
  }
}

/** A strap of 4 × 30 cm in 5 mm wide sc, unless asked otherwise. */
export function strapSpec(
  form: Partial<Record<'wide' | 'long', number>> & Partial<Pick<StrapForm, 'end'>> = {},
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { wide = 40, long = 300, end = 'square' } = form
  const asked: StrapForm = { family: 'strap', wide: mm(wide), long: mm(long), end }
  const plain = discSpec(1)
  return {
    ...plain,
    form: asked,
    gauge: { ...plain.gauge, w: mm(5), h: mm(5 * heightOverWidth), yarnDiameter: mm(2) },
    construction: { ...plain.construction, start: { kind: 'chain' } },
    sections: sectionsWorked(asked, changes.stitch ?? plain.stitch, undefined),
    ...changes,
  }
}
