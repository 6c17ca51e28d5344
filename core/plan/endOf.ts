import { familyOf } from '../forms/registry.ts'
import type { PieceSpec, Plan } from './plan.ts'

/** What is done with an open end once the last round is worked (FIELD §11). */
export type EndWork =
  /** A thread through every second stitch draws it in to a hole about so wide, mm. */
  | { readonly kind: 'gathered'; readonly stitches: number; readonly hole: number; readonly tooWide: boolean }
  /** Laid flat, both edges are joined stitch to stitch; an odd stitch stays at the fold. */
  | { readonly kind: 'flat'; readonly pairs: number; readonly odd: boolean }
  /** The last row, folded in half, is joined to itself: a back seam. */
  | { readonly kind: 'folded'; readonly pairs: number; readonly odd: boolean }

/** Beyond this a gathered end stays a hole, mm: 24 sc of medium yarn. */
const WIDEST_GATHER = 17

/** How a piece is closed at its end; nothing for what stays open. */
export function endOf(
  { form, gauge }: Pick<PieceSpec, 'form' | 'gauge'>,
  { rounds }: Pick<Plan, 'rounds'>,
): EndWork | undefined {
  const end = familyOf(form).end?.(form)
  const { count } = rounds.at(-1)!
  if (end === 'flat' || end === 'folded')
    return { kind: end, pairs: Math.floor(count / 2), odd: count % 2 === 1 }
  if (end !== 'gathered') return undefined
  const hole = (count * gauge.yarnDiameter) / Math.PI
  return { kind: 'gathered', stitches: count, hole, tooWide: hole > WIDEST_GATHER }
}
