import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { flatness } from './disc.ts'
import type { RoundFabric } from './predictProfile.ts'

/**
 * Rounds of a disc as the prediction sees them, each judged against the sum of heights below it.
 * @param inner distance along the fabric at which the first of these rounds begins, mm
 * @param sizeOf width and height of a stitch, mm
 */
export function fabricOf(
  rounds: readonly { readonly count: number; readonly stitch: StitchName }[],
  inner: number,
  sizeOf: (stitch: StitchName) => { readonly w: number; readonly h: number },
): RoundFabric[] {
  let arc = inner
  return rounds.map(({ count, stitch }) => {
    const { w, h } = sizeOf(stitch)
    arc += h
    return { count, w, h, flatness: flatness(count, w, arc), edging: isEdging(stitch) }
  })
}
