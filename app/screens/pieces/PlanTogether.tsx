import { useMemo } from 'react'
import { attempt, planTogether, stitchesOf, type Joint, type JointEdge } from '../../../core/index.ts'
import { savePiece } from '../../store/mutations.ts'
import { notStoredWords } from '../../store/mustFit.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { sts } from '../../words/wording.ts'
import type { PieceOnLedge, PiecesModel } from './piecesModel.ts'

interface Offer {
  readonly piece: PieceOnLedge
  readonly count: number
  readonly together: NonNullable<ReturnType<typeof planTogether>>
}

/** Where whole edges have unequal counts: either piece that is not begun, planned to end with as many as the other. */
export function PlanTogether({ model, joint }: { readonly model: PiecesModel; readonly joint: Joint }) {
  const { finish, change } = model
  const sizes = useSizes()
  const offers = useMemo(() => offersFor(model, joint), [model, joint])
  if (offers.length === 0) return null
  const plan = async ({ piece, count, together }: Offer) => {
    const { piece: before } = piece.row.view
    try {
      await savePiece({ ...before, constraints: together.constraints })
      const whole = (edge: JointEdge): JointEdge => ({ ...edge, from: 0, count })
      const { made: _, ...unmade } = joint
      const next: Joint = { ...unmade, edges: [whole(joint.edges[0]), whole(joint.edges[1])] }
      change({ ...finish, joints: finish.joints.map((one) => (one.id === joint.id ? next : one)) })
      say(`${before.name} ends with ${sts(count)}.`, {
        label: 'Undo',
        run: () => {
          void savePiece(before)
          change(finish)
        },
      })
    } catch (error) {
      say(notStoredWords(error))
    }
  }
  return (
    <div className="grid gap-2">
      {offers.map((offer) => {
        const { name } = offer.piece.row.view.piece
        const { by } = offer.together
        const cost =
          Math.abs(by) < 0.5
            ? 'as large as before'
            : `${sizes.full(Math.abs(by))} ${by > 0 ? 'larger' : 'smaller'}`
        return (
          <button
            key={name}
            type="button"
            className="grid gap-0.5 border-2 rule px-4 py-2 text-left hover:bg-film-2"
            onClick={() => void plan(offer)}
          >
            <span className="slab text-18">
              Plan {name} with {sts(offer.count)}
            </span>
            <span className="text-16 text-ink-2">Stitch to stitch then; it comes out {cost}.</span>
          </button>
        )
      })}
    </div>
  )
}

function offersFor({ pieces, edges }: PiecesModel, joint: Joint): readonly Offer[] {
  const pieceOf = (edge: JointEdge) => pieces.find(({ row }) => row.view.piece.id === edge.pieceId)
  const isWhole = (edge: JointEdge) => {
    const known = edges.find(({ id }) => id === edge.pieceId)
    return edge.of === 'last' && known !== undefined && stitchesOf(known, edge) === edge.count
  }
  const [one, other] = joint.edges
  if (one.count === other.count || one.pieceId === other.pieceId || !joint.edges.every(isWhole)) return []
  return [[one, other.count] as const, [other, one.count] as const].flatMap(([edge, count]) => {
    const piece = pieceOf(edge)
    if (!piece || piece.row.view.copies.length > 0) return []
    const found = attempt(() => planTogether(piece.spec, count))
    return found.ok && found.value ? [{ piece, count, together: found.value }] : []
  })
}
