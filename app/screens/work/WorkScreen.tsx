import { useParams, useSearchParams } from 'react-router'
import { usePiece } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { askedCopy } from './askedCopy.ts'
import { NothingBegun } from './NothingBegun.tsx'
import { useWorkSession } from './useWorkSession.ts'
import { WorkDesk } from './WorkDesk.tsx'
import type { CopyRecord } from '../../../core/index.ts'
import type { PieceView } from '../../store/queries.ts'

export function WorkScreen() {
  const { pieceId } = useParams()
  const [search] = useSearchParams()
  const view = usePiece(pieceId)
  if (!view) {
    return (
      <>
        <Header />
        {view === null ? <NotHere /> : <Opening />}
      </>
    )
  }
  const copy = askedCopy(view, search)
  if (!copy) return <NothingBegun view={view} />
  return <WorkOn key={copy.id} view={view} copy={copy} />
}

function WorkOn({ view, copy }: { view: PieceView; copy: CopyRecord }) {
  const open = useWorkSession(copy)
  const pinned = view.versions.find(({ version }) => version === open?.state.planVersion)
  if (!open || !pinned) return <Opening />
  return <WorkDesk view={view} copy={copy} plan={pinned.plan} spec={pinned.spec} open={open} />
}
