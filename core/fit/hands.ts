import { sdOfHeightOverWidth, type StitchSize } from '../gauge/gauge.ts'

/** How a maker's stitches in this piece compare with their gauge. */
export type Hands = 'asGauge' | 'tight' | 'loose' | 'tallForWidth' | 'wideForHeight'

/** Less than this is within any day's hands. */
const NOTICEABLE = 0.02

/**
 * Tight or loose: both sizes moved together. Tall for their width: h/w is larger, so the planned counts
 * cup. Wide for their height: they wave. What moved less than 2%, or less than its doubt, is as the gauge.
 */
export function handsOf(gauge: StitchSize, now: StitchSize): Hands {
  const lnW = Math.log(now.w / gauge.w)
  const lnH = Math.log(now.h / gauge.h)
  const together = (lnW + lnH) / 2
  const ratio = lnH - lnW
  const sdTogether = Math.sqrt(Math.max(0, now.varLnW + now.varLnH + 2 * now.covLnWLnH)) / 2
  const told = (move: number, sd: number) => Math.abs(move) > Math.max(NOTICEABLE, sd)
  const byRatio = told(ratio, sdOfHeightOverWidth(now)) ? Math.abs(ratio) : 0
  const bySize = told(together, sdTogether) ? Math.abs(together) : 0
  if (byRatio === 0 && bySize === 0) return 'asGauge'
  if (byRatio > bySize) return ratio > 0 ? 'tallForWidth' : 'wideForHeight'
  return together < 0 ? 'tight' : 'loose'
}
