import type { Plan, PieceSpec } from '../plan/plan.ts'
import { hingeOf } from '../plan/hingeOf.ts'
import type { Fitness } from '../cautions/use.ts'
import type { Joint, JointEdge } from './joint.ts'

/** A piece of a project with its plan. */
export interface PlannedPiece {
  readonly id: string
  readonly quantity: number
  readonly spec: Pick<PieceSpec, 'form'>
  readonly plan: Pick<Plan, 'rounds' | 'finished'>
  readonly fitness: Fitness
}

/** A joint as it is offered: named once it is taken. */
export type OfferedJoint = Omit<Joint, 'id'> & { readonly offer: 'hinge' | 'layers' }

const lastCount = ({ plan }: PlannedPiece): number => plan.rounds.at(-1)!.count

/**
 * The joints that pieces as these mostly have: the hinge of a body and its lid, both layers of a pad all around. Only
 * those that are not there yet.
 */
export function usualJoints(
  pieces: readonly PlannedPiece[],
  joints: readonly Joint[],
): readonly OfferedJoint[] {
  const has = (one: string, other: string) =>
    joints.some(
      ({ edges }) =>
        edges.some((edge) => edge.pieceId === one) && edges.some((edge) => edge.pieceId === other),
    )
  const hinged = pieces.flatMap((piece) => {
    const hinge = hingeOf(piece.spec, piece.plan)
    return hinge ? [{ piece, hinge }] : []
  })
  const [body, lid] = hinged
  const hinges: OfferedJoint[] =
    body && lid && body.hinge.stitches === lid.hinge.stitches && !has(body.piece.id, lid.piece.id)
      ? [
          {
            offer: 'hinge',
            way: 'mattress',
            edges: [
              edgeOf(body.piece, body.hinge.from - 1, body.hinge.stitches),
              edgeOf(lid.piece, lid.hinge.from - 1, lid.hinge.stitches),
            ],
          },
        ]
      : []
  const layers = pieces.flatMap((piece): OfferedJoint[] => {
    // What lies flat and is closed all around has another lie on it.
    const lies = piece.plan.finished.lie !== undefined && piece.plan.rounds.at(-1)!.closed
    if (!lies || piece.quantity < 2 || has(piece.id, piece.id)) return []
    if (piece.quantity > 2 && piece.fitness.layers < 2) return []
    const all = lastCount(piece)
    return [
      {
        offer: 'layers',
        way: 'throughBoth',
        edges: [edgeOf(piece, 0, all), { ...edgeOf(piece, 0, all), copy: 2 }],
      },
    ]
  })
  return [...hinges, ...layers]
}

const edgeOf = ({ id }: PlannedPiece, from: number, count: number): JointEdge => ({
  pieceId: id,
  copy: 1,
  of: 'last',
  from,
  count,
})
