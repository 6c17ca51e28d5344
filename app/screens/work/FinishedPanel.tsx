import { Link } from 'react-router'
import { useState } from 'react'
import {
  changesOfCopy,
  forCopy,
  sideOfCopy,
  tailsOf,
  type CopyRecord,
  type Plan,
} from '../../../core/index.ts'
import { beginCopy } from '../../store/beginCopy.ts'
import { useSettings, useYarns, type PieceView } from '../../store/queries.ts'
import { sayChanges, sayDifference } from '../../words/differenceWords.ts'
import { jointName } from '../../words/finishWords.ts'
import { projectAddress } from '../../words/pieceWords.ts'
import { MEASURE_WORDS, sayBare } from '../../words/measureWords.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { MeasureFinished } from './MeasureFinished.tsx'

interface FinishedPanelProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly plan: Plan
}

/** A copy is made: what it should measure, and the next of the set to the same plan. */
export function FinishedPanel({ view, copy, plan }: FinishedPanelProps) {
  const { project, piece, copies, versions } = view
  const sizes = useSizes()
  const { terms } = useSettings()
  const yarns = useYarns() ?? []
  const [busy, setBusy] = useState(false)
  const highest = Math.max(...copies.map(({ number }) => number))
  const open = copies.find(({ finishedAt, id }) => finishedAt === undefined && id !== copy.id)
  const pinned = versions.find(({ version }) => version === copy.planVersion)
  const side = pinned && sideOfCopy(pinned.spec.form, highest + 1)
  const tails =
    pinned && project.finish
      ? tailsOf(project.finish, { pieceId: piece.id, copy: copy.number }, pinned.spec)
      : []
  const [first] = versions
  const told = first && pinned ? changesOfCopy(first, pinned.plan, copy.number) : []
  const beginNext = async (from = pinned) => {
    if (!from || busy) return
    setBusy(true)
    await beginCopy({
      pieceId: piece.id,
      number: highest + 1,
      ...forCopy(from.spec, from.plan, highest + 1),
    })
    setBusy(false)
  }
  return (
    <main className="grid grow content-start gap-5 px-7 py-8 max-sm:px-4">
      <h2 className="text-44 max-sm:text-36">
        {piece.quantity > 1 ? `No. ${copy.number} of ${piece.quantity} is made` : `${project.name} is made`}
      </h2>
      <p className="text-24 max-sm:text-18">
        Fasten off, weave in, block. It should measure{' '}
        {plan.finished.promises.map((promised, index) => (
          <span key={promised.of}>
            {index > 0 && ', '}
            <strong className="slab bg-tape px-2">{sayBare(promised, sizes)}</strong>{' '}
            {MEASURE_WORDS[promised.of].after}
          </span>
        ))}
        .
      </p>
      {tails.map(({ joint, metres }) => (
        <p key={joint.id} className="text-24 max-sm:text-18">
          Leave a tail of{' '}
          <strong className="slab bg-tape px-2">{sizes.full(Math.ceil(metres * 100) * 10)}</strong> when you
          fasten off: {jointName(joint, view.pieces)} is sewn with it.
        </p>
      ))}
      {told.length > 0 && (
        <section aria-label="Worked otherwise" className="grid gap-1 border-y-2 rule py-3">
          <h3 className="text-21">
            Worked otherwise than first planned, and {piece.quantity > 1 ? 'the next one too' : 'kept so'}:
          </h3>
          <ul className="text-18">
            {told.map((one) => (
              <li key={`${one.kind} ${one.round.id}`}>{sayDifference(one, terms, yarns)}</li>
            ))}
          </ul>
        </section>
      )}
      {pinned && <MeasureFinished view={view} copy={copy} plan={plan} spec={pinned.spec} />}
      <div className="flex flex-wrap gap-3">
        {open ? (
          <Link className="button-ink" to={`/piece/${project.id}/work?copy=${open.number}`}>
            Go on with no. {open.number}
          </Link>
        ) : (
          highest < piece.quantity && (
            <>
              <button type="button" className="button-ink" disabled={busy} onClick={() => void beginNext()}>
                {side
                  ? `Begin the ${side}, its mirror image`
                  : `Begin no. ${highest + 1}, ${told.length > 0 ? `with ${sayChanges(told.length)}` : 'same plan'}`}
              </button>
              {told.length > 0 && first && (
                <button
                  type="button"
                  className="button-line"
                  disabled={busy}
                  onClick={() => void beginNext(first)}
                >
                  As first planned
                </button>
              )}
            </>
          )
        )}
        {project.finish && (
          <Link className="button-line" to={projectAddress(view)}>
            To its pieces
          </Link>
        )}
        <Link className="button-line" to="/">
          To the shelf
        </Link>
      </div>
    </main>
  )
}
