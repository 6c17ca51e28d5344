import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { Cloth } from './cloth.ts'

/** Where rounds to be laid down begin, mm. */
export interface Beginning {
  /** Radius at which the first of them begins, for sizes. */
  readonly centre: number
  /** Distance along the fabric at which it begins, for counts: the hole that stays open. */
  readonly hole: number
  /** It goes on from an edge that is there already, and takes its slope. */
  readonly goesOn?: boolean
}

/**
 * Rounds of a mat as cloth on a table.
 * @param sizeOf width and height of a stitch, mm
 */
export function clothOf(
  rounds: readonly { readonly count: number; readonly stitch: StitchName }[],
  { centre, hole, goesOn = false }: Beginning,
  sizeOf: (stitch: StitchName) => { readonly w: number; readonly h: number },
): Cloth {
  return {
    rounds: rounds.map(({ count, stitch }, index) => {
      const { w, h } = sizeOf(stitch)
      return { count, w, h, edging: isEdging(stitch), crisp: goesOn && index === 0 }
    }),
    centre,
    hole,
    patted: true,
  }
}
