import type { Joint, JointEdge } from '../finish/joint.ts'
import type { PatternRead } from './read/readPattern.ts'

/** A piece that is kept of a text: its id, and the stitches that it ends with. */
export interface KeptPiece {
  readonly id: string
  readonly last: number
}

/** The joints of a text, between those of its pieces that are kept, by their index there. */
export const jointsAsWritten = (
  { joints }: Pick<PatternRead, 'joints'>,
  kept: ReadonlyMap<number, KeptPiece>,
): Omit<Joint, 'id'>[] =>
  joints.flatMap(({ way, of, open = 0, fills }) => {
    const edges = of.flatMap(({ piece, copy }): JointEdge[] => {
      const known = kept.get(piece)
      // What is left open for good is no part of the seam; what a filling goes in through is, in the end.
      const count = (known?.last ?? 0) - (fills ? 0 : open)
      return known && count > 0 ? [{ pieceId: known.id, copy, of: 'last', from: 0, count }] : []
    })
    const [one, other] = edges
    if (!one || !other) return []
    const through = fills && open < Math.max(one.count, other.count) ? open : 0
    return [{ way, edges: [one, other], ...(through > 0 ? { filledThrough: through } : {}) }]
  })
