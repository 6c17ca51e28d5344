import { useMemo } from 'react'
import { useParams } from 'react-router'
import { BlockingSheet } from '../../drawing/BlockingSheet.tsx'
import { blockingOutline, sheetsFor } from '../../drawing/views/blocking.ts'
import { usePiece, useSettings, type PieceView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { BLOCKING_WORDS } from '../../words/blockingWords.ts'
import { wordsOf } from '../../words/formWords.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { pieceTitle } from '../../words/pieceWords.ts'
import { planFor } from './planFor.ts'

/** The outline of a finished piece at its true size, over as many sheets as it needs: what it is pinned to. */
export function BlockScreen() {
  const { pieceId } = useParams()
  const view = usePiece(pieceId)
  usePageTitle('Block', view ? pieceTitle(view) : undefined)
  return (
    <div className="flex min-h-dvh flex-col">
      <div className="print:hidden">
        <Header view={view ?? undefined} />
      </div>
      {view === undefined && <Opening />}
      {view === null && <NotHere />}
      {view && <Sheets view={view} />}
    </div>
  )
}

function Sheets({ view }: { readonly view: PieceView }) {
  const settings = useSettings()
  const sizes = useSizes()
  const { piece, gauge } = view
  const planned = planFor(view, settings.pace)
  const plan = planned?.plan
  const mirrored = settings.hand === 'left'
  const hangs = wordsOf(piece.form).hangs === true
  const outline = useMemo(() => plan && blockingOutline(plan, mirrored, hangs), [plan, mirrored, hangs])
  if (!plan || !outline) {
    return <p className="p-7 text-18">The piece cannot be planned as it is. Open its plan to see why.</p>
  }
  const sheets = sheetsFor(outline)
  const last = sheets.at(-1)!
  const of = { rows: last.row + 1, columns: last.column + 1 }
  const says = `${pieceTitle(view)}: ${sayAllPromised(plan.finished.promises, sizes)}`
  return (
    <main className="grid gap-4 px-7 py-4 max-sm:px-4 print:block print:p-0">
      <div className="grid gap-2 print:hidden">
        <div className="flex flex-wrap items-center gap-x-7 gap-y-2">
          <h1 className="text-44 max-sm:text-36">Block it: {pieceTitle(view)}</h1>
          <button type="button" className="button-ink" onClick={() => window.print()}>
            Print {sheets.length === 1 ? 'its sheet' : `${sheets.length} sheets`}
          </button>
        </div>
        <p className="max-w-3xl text-18">
          {BLOCKING_WORDS[gauge.fibre]} {outline.folded && 'Lay it flat, folded, as its outline is. '}
          Print at 100%, “actual size”; hold your tape to the ruler on the first sheet before you pin.
        </p>
      </div>
      <div
        className="grid gap-4 overflow-x-auto print:block print:overflow-visible"
        tabIndex={0}
        role="group"
        aria-label="The sheets"
        data-true-size
      >
        {sheets.map((sheet) => (
          <BlockingSheet
            key={`${sheet.row} ${sheet.column}`}
            outline={outline}
            sheet={sheet}
            of={of}
            says={says}
            inches={sizes.unit === 'in'}
          />
        ))}
      </div>
    </main>
  )
}
