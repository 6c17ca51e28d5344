import { edgeName, nextOfSeam, seamStitches, stillToGoInside, type Joint } from '../../../core/index.ts'
import { stepWords } from '../../words/finishWords.ts'
import { sts } from '../../words/wording.ts'
import type { PiecesModel } from './piecesModel.ts'

interface SeamCounterProps {
  readonly model: PiecesModel
  readonly joint: Joint
}

/** A seam in hand: the stitches of both edges that come next, counted by a press; the step is done with the last. */
export function SeamCounter({ model, joint }: SeamCounterProps) {
  const { finish, edges, way, change } = model
  const all = seamStitches(joint)
  const { made = 0, filledThrough } = joint
  const step = `join:${joint.id}`
  const joined = finish.done.includes(step)
  // Until it is filled, the last of them stay open.
  const until = filledThrough !== undefined && !joined ? all - filledThrough : all
  const next = made < until ? nextOfSeam(joint, made) : undefined
  const count = (to: number) => {
    const others = finish.done.filter((id) => id !== step)
    // The first part of what is filled through an opening stays done while the rest is in hand.
    const isJoined = to >= until || (filledThrough !== undefined && to >= all - filledThrough)
    change({
      ...finish,
      joints: finish.joints.map((one) => (one.id === joint.id ? { ...joint, made: to } : one)),
      done: isJoined ? [...others, step] : others,
    })
  }
  const inside = way ? stillToGoInside(way, step) : []
  const names = joint.edges.map((edge) => {
    const piece = edges.find(({ id }) => id === edge.pieceId)
    return piece ? edgeName(piece, edge) : ''
  })
  return (
    <section aria-label="Seam in hand" className="grid gap-2 border-y rule py-3">
      <p className="flex items-baseline justify-between gap-3">
        <span className="text-16">
          {next ? (
            <>
              Next: st <strong className="slab">{next.first}</strong> of {names[0]} with st{' '}
              <strong className="slab">{next.second}</strong> of {names[1]}
              {next.again !== undefined && <strong>, again into the same of {names[next.again]}</strong>}.
            </>
          ) : until < all ? (
            `Joined but for ${sts(all - until)}: fill it through them.`
          ) : (
            'All of it is joined.'
          )}
        </span>
        <output className="slab shrink-0 text-36" aria-label="Stitches of the seam">
          {made}
          <span className="text-18 text-ink-2"> of {until}</span>
        </output>
      </p>
      {inside.length > 0 && next && (
        <p className="text-16">
          <strong>Before it closes:</strong>{' '}
          {inside.map((one) => stepWords(one, edges, finish).name).join(', ')}.
        </p>
      )}
      <div className="flex gap-3">
        <button type="button" className="button-ink grow" disabled={!next} onClick={() => count(made + 1)}>
          Count a stitch
        </button>
        <button type="button" className="button-line" disabled={made === 0} onClick={() => count(made - 1)}>
          One back
        </button>
      </div>
    </section>
  )
}
