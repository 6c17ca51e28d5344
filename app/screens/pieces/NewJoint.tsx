import { useState } from 'react'
import {
  edgeName,
  stitchesOf,
  usualJoints,
  validateJoint,
  type EdgesOf,
  type Joint,
  type JointEdge,
  type OfferedJoint,
} from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { Select } from '../../ui/Select.tsx'
import { refusalOf } from '../../ui/refusal.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { countsOf, jointName, WAY_WORDS } from '../../words/finishWords.ts'
import { sts } from '../../words/wording.ts'
import type { PiecesModel } from './piecesModel.ts'

interface NewJointProps {
  readonly model: PiecesModel
  readonly onMade: (id: string) => void
}

const OFFER_WORDS: Readonly<Record<OfferedJoint['offer'], string>> = {
  hinge: 'The hinge at the back',
  layers: 'Both layers, all around',
}

/** Every edge that something can be joined to, as a choice: "Body", "Disc 2", "Strap, where it begins". */
function choicesOf(
  edges: readonly EdgesOf[],
): readonly { readonly key: string; readonly words: string; readonly edge: JointEdge }[] {
  return edges.flatMap((piece) =>
    Array.from({ length: piece.quantity }, (_, index) => index + 1).flatMap((copy) =>
      (['last', 'first'] as const).flatMap((of) => {
        const count = stitchesOf(piece, { of })
        if (count === undefined) return []
        const edge: JointEdge = { pieceId: piece.id, copy, of, from: 0, count }
        const words = `${edgeName(piece, edge)}${of === 'first' ? ', where it begins' : ''}, ${sts(count)}`
        return [{ key: `${piece.id} ${copy} ${of}`, words, edge }]
      }),
    ),
  )
}

/** Two edges are chosen, and become one: those that such pieces mostly have are one press away. */
export function NewJoint({ model, onMade }: NewJointProps) {
  const { pieces, edges, finish, change } = model
  const sizes = useSizes()
  const choices = choicesOf(edges)
  const [first, setFirst] = useState(choices[0]?.key)
  const [second, setSecond] = useState(choices[1]?.key ?? choices[0]?.key)
  const offers = usualJoints(
    pieces.map(({ row, plan, spec }) => ({
      id: row.view.piece.id,
      quantity: row.view.piece.quantity,
      fitness: row.view.piece.fitness,
      plan,
      spec,
    })),
    finish.joints,
  )
  const add = (joint: Joint) => {
    change({ ...finish, joints: [...finish.joints, joint] })
    onMade(joint.id)
  }
  const [one, other] = [first, second].map((key) => choices.find((choice) => choice.key === key)?.edge)
  const wanted = one && other && joined(one, other)
  const fault = wanted && refusalOf(() => validateJoint(edges, wanted, finish.joints), sizes.speech)?.text
  return (
    <div className="grid gap-4">
      <h2 className="text-26 leading-tight">Join two edges</h2>
      {offers.map(({ offer, ...joint }) => (
        <button
          key={offer}
          type="button"
          className="grid gap-0.5 border-2 rule px-4 py-3 text-left hover:bg-film-2"
          onClick={() => add({ ...joint, id: freshId() })}
        >
          <span className="slab text-21">{OFFER_WORDS[offer]}</span>
          <span className="text-16">
            {jointName(joint, edges)}, {countsOf(joint)}, {WAY_WORDS[joint.way].label.toLowerCase()}
          </span>
        </button>
      ))}
      {choices.length < 2 ? (
        <p className="text-18">
          One edge alone joins nothing. Add a piece, or make more of this one, and its edges can be joined
          here.
        </p>
      ) : (
        <>
          <Select
            label="This edge"
            value={first ?? ''}
            onChange={setFirst}
            choices={choices.map(({ key, words }) => [key, words] as const)}
          />
          <Select
            label="with this one"
            value={second ?? ''}
            onChange={setSecond}
            choices={choices.map(({ key, words }) => [key, words] as const)}
          />
          {fault && (
            <p role="alert" className="fault text-16">
              {fault}
            </p>
          )}
          <button
            type="button"
            className="button-ink"
            disabled={!wanted || fault !== undefined}
            onClick={() => wanted && add({ ...wanted, id: freshId() })}
          >
            Join them
          </button>
          <p className="text-16 text-ink-2">
            The whole of both at first, or as many of the longer as the shorter has; from which stitch on is
            said next.
          </p>
        </>
      )}
    </div>
  )
}

/** The whole of both, or of a much longer one as much as the shorter has. */
function joined(one: JointEdge, other: JointEdge): Joint {
  const few = Math.min(one.count, other.count)
  const fits = Math.max(one.count, other.count) <= few * 1.15
  const edges = fits
    ? ([one, other] as const)
    : ([
        { ...one, count: few },
        { ...other, count: few },
      ] as const)
  return { id: 'new', way: fits && one.count > 20 ? 'throughBoth' : 'whip', edges }
}
