import { Link } from 'react-router'
import { pieceAddress } from '../../words/pieceWords.ts'
import type { PlanModel } from './planModel.ts'

/** What it means that rounds are those of a text, and how they become Uzel's own. */
export function AsWritten({ model: { project, piece } }: { readonly model: PlanModel }) {
  return (
    <section aria-label="As written" className="border-b-2 rule px-3 py-2 text-16 leading-snug">
      <strong>Worked as written:</strong> its rounds are those of{' '}
      <Link to={pieceAddress({ project, piece }, 'text')} className="underline underline-offset-4">
        the text
      </Link>
      . Change a size, the stitch or how it is built, and Uzel plans it anew in its character; its bands of
      yarn keep their share.
    </section>
  )
}
