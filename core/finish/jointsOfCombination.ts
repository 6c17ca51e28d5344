import type { CombinationName } from '../forms/combinations.ts'
import type { Joint, JointEdge } from './joint.ts'
import { usualJoints, type PlannedPiece } from './usualJoints.ts'

/** The pieces of a combination, in its order. */
type InOrder = readonly PlannedPiece[]
type JointToBe = Omit<Joint, 'id'>

const lastOf = ({ plan }: PlannedPiece): number => plan.rounds.at(-1)!.count

function edge(
  { id }: Pick<PlannedPiece, 'id'>,
  from: number,
  count: number,
  { copy = 1, of = 'last' }: Partial<Pick<JointEdge, 'copy' | 'of'>> = {},
): JointEdge {
  return { pieceId: id, copy, of, from, count }
}

/** An opening that a hand still fills through: two fingers and a little, mm. */
const FILLING = 55
/** How far a tube of a row is held to the next, stitches. */
const HELD = 2

const JOINTS: Readonly<Record<CombinationName, (pieces: InOrder) => readonly JointToBe[]>> = {
  /** Through both layers all around, but for the loop, which is sewn between them. */
  pad: ([layer, loop]) => {
    const [count, wide] = [lastOf(layer!), lastOf(loop!)]
    const rest = count - wide
    return [
      { way: 'throughBoth', edges: [edge(layer!, 0, rest), edge(layer!, 0, rest, { copy: 2 })] },
      { way: 'whip', edges: [edge(loop!, 0, wide), edge(layer!, rest, wide)] },
      { way: 'whip', edges: [edge(loop!, 0, wide, { of: 'first' }), edge(layer!, rest, wide, { copy: 2 })] },
    ]
  },
  filled: ([side]) => {
    const count = lastOf(side!)
    const { around, ideal } = side!.plan.rounds.at(-1)!
    const open = Math.min(Math.floor(count / 3), Math.ceil((FILLING * ideal) / around))
    return [
      {
        way: 'singleCrochet',
        edges: [edge(side!, 0, count), edge(side!, 0, count, { copy: 2 })],
        filledThrough: open,
      },
    ]
  },
  caseWithLid: (pieces) => usualJoints(pieces, []).map(({ offer: _, ...joint }) => joint),
  box: () => [],
  /** Side by side along their upper edges: the far side of one to the start of the next. */
  tubes: ([tube]) => {
    const half = Math.floor(lastOf(tube!) / 2)
    return Array.from({ length: tube!.quantity - 1 }, (_, index) => ({
      way: 'whip' as const,
      edges: [
        edge(tube!, half, HELD, { copy: index + 1 }),
        edge(tube!, 0, HELD, { copy: index + 2 }),
      ] as const,
    }))
  },
}

/** How the pieces of a combination become one, once they are planned, in its order. */
export const jointsOfCombination = (name: CombinationName, pieces: InOrder): readonly JointToBe[] =>
  JOINTS[name](pieces)
