import { yarnsIn, type PlannedRound } from '../../core/index.ts'
import { hasMade, type Shown } from './paintCells.ts'
import { pathOf } from './svgPath.ts'
import { roundOutline, stitchWidthOf, type View } from './views/view.ts'
import { yarnInk } from './yarnInk.ts'

/** A stitch less wide than this, px, is smaller than the line around it. */
const SEEN_FROM = 1.5

/** Whether single stitches of a view can be told apart. */
export const showsStitches = ({ plan, scale }: View): boolean =>
  stitchWidthOf(plan.rounds.at(-1)!) * scale >= SEEN_FROM

/** Paints a piece too small for its stitches: the rounds that are made, each in the first of its yarns. */
export function paintRounds(
  context: CanvasRenderingContext2D,
  view: View,
  yarns: ReadonlyMap<string, string>,
  shown: Shown,
): void {
  const isBegun = ({ number }: PlannedRound) => hasMade(number, 0, shown)
  for (const round of view.plan.rounds.filter(isBegun)) {
    context.fillStyle = yarnInk(yarns.get(yarnsIn(round)[0]!) ?? '#FAFCFB').fill
    context.fill(new Path2D(pathOf(roundOutline(view, round), true)))
  }
}
