import type { Pulled } from '../../drawing/EdgeHandle.tsx'
import type { Handle } from '../../drawing/PlanDrawing.tsx'

interface AtItsRows {
  /** Where the rows begin, and how far down the handle stands, px. */
  readonly x: number
  readonly y: number
  /** Pixels a millimetre. */
  readonly px: number
  /** How much of a row is rolled out, as a share of the way around. */
  readonly share: number
  readonly mirrored: boolean
}

/** The handle that says how far around a wall goes, at the ends of its rows; none where that cannot be asked for. */
export function girthHandles(girth: Pulled | undefined, { x, y, px, share, mirrored }: AtItsRows): Handle[] {
  if (!girth) return []
  const side = mirrored ? -1 : 1
  const at = { x: x + side * girth.value * share * px, y }
  return [{ grip: { at, turned: 0, along: (point) => (side * (point.x - x)) / px / share }, pulled: girth }]
}
