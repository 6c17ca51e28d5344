import { useLayoutEffect, useRef } from 'react'
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
  const shown = useLatest(open && pinned && { open, pinned })
  if (!shown) return <Opening />
  const { plan, spec } = shown.pinned
  return <WorkDesk view={view} copy={copy} plan={plan} spec={spec} open={shown.open} />
}

/** What there is, or what there was last: a version that is just being pinned comes a moment after the turn to it. */
function useLatest<T>(value: T | undefined): T | undefined {
  const latest = useRef(value)
  useLayoutEffect(() => {
    if (value) latest.current = value
  })
  return value ?? latest.current
}
