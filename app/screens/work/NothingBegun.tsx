import { Link } from 'react-router'
import type { PieceView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'

/** Work was opened before anything was begun. */
export function NothingBegun({ view }: { view: PieceView }) {
  return (
    <>
      <Header view={view} />
      <main className="grid justify-items-start gap-4 p-7 max-sm:p-4">
        <h1 className="text-36">{pieceTitle(view)} is not begun</h1>
        <p className="text-18">Look the plan over, then begin round 1 from there.</p>
        <Link to={pieceAddress(view, 'plan')} className="button-ink">
          To the plan
        </Link>
      </main>
    </>
  )
}
