import { Link } from 'react-router'
import type { Joint } from '../../../core/index.ts'
import { Modal } from '../../ui/Modal.tsx'
import { sts } from '../../words/wording.ts'
import type { PiecesModel } from './piecesModel.ts'
import { useSeam, type SeamModel } from './useSeam.ts'

interface SeamCounterProps {
  readonly model: PiecesModel
  readonly joint: Joint
}

/** A seam in hand: the stitches of both edges that come next, counted by a press; the step is done with the last. */
export function SeamCounter({ model, joint }: SeamCounterProps) {
  const seam = useSeam(model, joint)
  const { made, until, inside, next } = seam
  return (
    <section aria-label="Seam in hand" className="grid gap-2 border-y rule py-3">
      <p className="flex items-baseline justify-between gap-3">
        <span className="text-16">
          <NextStitch seam={seam} />
        </span>
        <output className="slab shrink-0 text-36" aria-label="Stitches of the seam">
          {made}
          <span className="text-18 text-ink-2"> of {until}</span>
        </output>
      </p>
      {inside.length > 0 && next && (
        <p className="text-16">
          <strong>Before it closes:</strong> {inside.join(', ')}.
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink grow" disabled={!next} onClick={seam.one}>
          Count a stitch
        </button>
        <button type="button" className="button-line" disabled={made === 0} onClick={seam.back}>
          One back
        </button>
      </div>
      <Link
        className="inline-flex min-h-11 items-center text-16 underline underline-offset-4"
        to={`/project/${model.project.id}/seam/${joint.id}`}
      >
        Work it with hands full
      </Link>
      <BeforeItCloses seam={seam} />
    </section>
  )
}

/** Which stitches come together next, or what is to be done instead. */
export function NextStitch({ seam: { next, until, all, names } }: { readonly seam: SeamModel }) {
  if (next) {
    return (
      <>
        Next: st <strong className="slab">{next.first}</strong> of {names[0]} with st{' '}
        <strong className="slab">{next.second}</strong> of {names[1]}
        {next.again !== undefined && <strong>, again into the same of {names[next.again]}</strong>}.
      </>
    )
  }
  return until < all ? `Joined but for ${sts(all - until)}: fill it through them.` : 'All of it is joined.'
}

/** What would be shut out is named, before the stitch that does it. */
export function BeforeItCloses({ seam: { asks, answer, inside } }: { readonly seam: SeamModel }) {
  return (
    <Modal open={asks} onClose={() => answer(false)} title="Still to go inside">
      <p className="text-18">
        After this stitch there is no way inside, and these are not done: <strong>{inside.join(', ')}</strong>
        .
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink" onClick={() => answer(false)}>
          Leave it open
        </button>
        <button type="button" className="button-line" onClick={() => answer(true)}>
          Close it all the same
        </button>
      </div>
    </Modal>
  )
}
