import { Link, useParams, useSearchParams } from 'react-router'
import { workView, type CopyRecord, lastMeasured } from '../../../core/index.ts'
import { usePiece, useReadings, type PieceView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { InstrumentBar } from '../../ui/InstrumentBar.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { askedCopy } from '../work/askedCopy.ts'
import { NothingBegun } from '../work/NothingBegun.tsx'
import { useWorkSession } from '../work/useWorkSession.ts'
import { CheckDesk } from './CheckDesk.tsx'
import { isOval } from '../../drawing/views/viewOf.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { roundsNoun, roundTitle } from '../../words/roundWords.ts'

/** Before this round a piece is mostly centre; one that grows around a chain has none. */
const EARLIEST = 4
const EARLIEST_AROUND_CHAIN = 2

/** Measure, understand, correct: what the piece in the hand says, and the ways out. */
export function CheckScreen() {
  const { pieceId } = useParams()
  const [search] = useSearchParams()
  const view = usePiece(pieceId)
  usePageTitle('Check', view ? pieceTitle(view) : undefined)
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
  return (
    <div className="flex min-h-dvh flex-col">
      <Header view={view} />
      <CheckOf key={copy.id} view={view} copy={copy} />
      <InstrumentBar />
    </div>
  )
}

function CheckOf({ view, copy }: { view: PieceView; copy: CopyRecord }) {
  const open = useWorkSession(copy)
  const readings = useReadings(copy.id)
  const pinned = view.versions.find(({ version }) => version === open?.state.planVersion)
  if (!open || !pinned || !readings) return <Opening />
  const { position } = open.state
  const now = workView(pinned.plan, position)
  const last = lastMeasured(pinned.plan)
  const afterRound = Math.min(last, now.round.number - (now.roundDone ? 0 : 1))
  const earliest = isOval(pinned.plan) ? EARLIEST_AROUND_CHAIN : EARLIEST
  if (afterRound < earliest) {
    return (
      <main className="grid grow content-start justify-items-start gap-4 p-7 max-sm:p-4">
        <h1 className="text-36">Too early to measure</h1>
        <p className="max-w-2xl text-18">
          The first {roundsNoun(pinned.plan)} tell little yet: a size tells something from{' '}
          {roundTitle(pinned.plan, earliest + 1)} or{' '}
          {pinned.plan.checkpoints[0]
            ? `after ${roundTitle(pinned.plan, pinned.plan.checkpoints[0].afterRound)}`
            : 'so'}
          .
        </p>
        <Link to={pieceAddress(view, 'work')} className="button-ink">
          Back to the hook
        </Link>
      </main>
    )
  }
  return (
    <CheckDesk
      view={view}
      copy={copy}
      pinned={pinned}
      readings={readings}
      afterRound={afterRound}
      begun={!now.roundDone && position.unit > 0}
      act={open.act}
    />
  )
}
