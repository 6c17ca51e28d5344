import { familyOf } from '../forms/registry.ts'
import { zonesOf } from '../rounds/zone.ts'
import type { PieceSpec, Plan } from './plan.ts'

/** Where a lid and its body are joined: so many stitches of the last round, from one on (from 1), at the back. */
export interface Hinge {
  readonly stitches: number
  readonly from: number
}

/** The hinge of a piece that has one: in the middle of its second side. */
export function hingeOf(
  { form }: Pick<PieceSpec, 'form'>,
  { rounds }: Pick<Plan, 'rounds'>,
): Hinge | undefined {
  const share = familyOf(form).hinge?.(form)
  if (share === undefined) return undefined
  const last = rounds.at(-1)!
  const [side, end] = zonesOf(last)
  const stitches = Math.max(2, Math.round(share * last.count))
  const middle = side && end ? side.count + end.count + side.count / 2 : (3 * last.count) / 4
  return { stitches, from: Math.max(1, Math.round(middle - stitches / 2) + 1) }
}
