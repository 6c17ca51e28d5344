import { compressRun, type Step } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** So many increases or decreases over stitches, as far from one another as they can be, symmetric about the middle. */
export function aboutTheMiddle(stitch: StitchName, kind: 'inc' | 'dec', over: number, times: number): Step[] {
  const free = over - times * (kind === 'inc' ? 1 : 2)
  const between = times > 1 ? Math.floor(free / times) : 0
  const outside = free - (times - 1) * between
  const before = Math.floor(outside / 2)
  return compressRun({
    stitch,
    kind,
    gaps: Array.from({ length: times }, (_, index) => (index === 0 ? before : between)),
    end: outside - before,
    shapingFirst: false,
  })
}
