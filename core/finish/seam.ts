import type { Gauge } from '../gauge/gauge.ts'
import { STITCHES, yarnPerStitch } from '../stitches/stitch.ts'
import { seamStitches, type Joint, type WayOfJoining } from './joint.ts'

/** What a seam takes: yarn and the tail to leave for it, m, and time. */
export interface Seam {
  /** How long it is, mm. */
  readonly length: number
  readonly metres: number
  /** To leave when the piece it is sewn with is fastened off; nothing where the yarn comes from its ball. */
  readonly tail?: number
  readonly seconds: number
  /** How much it adds to both edges together, mm: a round through both is one of its own. */
  readonly height: number
}

/** Yarn of a sewn seam as a multiple of its length (FIELD §14). */
const SEWN: Partial<Record<WayOfJoining, number>> = { whip: 2.2, mattress: 2.6, backStitch: 3 }
/** Through both layers a stitch is so much longer (FIELD §14). */
const THROUGH_BOTH = 1.15
/** The stitch that a worked joint is made of. */
const WORKED = { slipStitch: 'slst', singleCrochet: 'sc', throughBoth: 'sc', pickedUp: 'sc' } as const
/** A sewn stitch against an sc; roughly, a back stitch goes forth and back. */
const SEWN_EFFORT: Partial<Record<WayOfJoining, number>> = { whip: 0.8, mattress: 1.1, backStitch: 1.2 }
/** Beside the seam itself, to hold and to weave in, mm (FIELD §14). */
const TAIL = 150

const isSewn = (way: WayOfJoining): boolean => SEWN[way] !== undefined

/**
 * What a joint takes.
 * @param gauge of the fabric that it is worked in; w is the width of its stitches, mm
 * @param pace single crochets a minute
 */
export function seamOf(
  { way, edges }: Pick<Joint, 'way' | 'edges'>,
  { w, h, yarnDiameter }: Pick<Gauge, 'w' | 'h' | 'yarnDiameter'>,
  pace: number,
): Seam {
  const stitches = seamStitches({ edges })
  const length = Math.min(edges[0].count, edges[1].count) * w
  if (isSewn(way)) {
    const metres = (SEWN[way]! * length) / 1000
    return {
      length,
      metres,
      tail: metres + TAIL / 1000,
      seconds: (stitches * SEWN_EFFORT[way]! * 60) / pace,
      height: 0,
    }
  }
  const stitch = WORKED[way as keyof typeof WORKED]
  const through = way === 'throughBoth' ? THROUGH_BOTH : 1
  return {
    length,
    metres: (stitches * yarnPerStitch(stitch, w, yarnDiameter) * through + 2 * TAIL) / 1000,
    seconds: (stitches * STITCHES[stitch].effort * through * 60) / pace,
    height: stitch === 'sc' ? h : 0,
  }
}
