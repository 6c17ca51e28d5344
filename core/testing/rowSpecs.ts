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
