import { Undo2 } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Link, useParams } from 'react-router'
import type { Joint } from '../../../core/index.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { useScreenStaysOn } from '../../ui/useScreenStaysOn.ts'
import { jointName, WAY_WORDS } from '../../words/finishWords.ts'
import type { ShelfRow } from '../shelf/useShelfRows.ts'
import { usePiecesModel } from './piecesModel.ts'
import { useRowsOf } from './PiecesScreen.tsx'
import { BeforeItCloses, NextStitch } from './SeamCounter.tsx'
import { useSeam } from './useSeam.ts'

/** A joint as it is worked: legible from across the table, counted by a tap anywhere or by Space. */
export function SeamScreen() {
  const { projectId, jointId } = useParams()
  const { views, rows } = useRowsOf(projectId)
  const [first] = views ?? []
  usePageTitle('Joint', first?.project.name)
  return (
    <div className="flex h-dvh flex-col">
      <Header {...(first ? { view: first } : {})} recent={false} />
      {!views || !rows ? (
        <Opening />
      ) : !first || rows.length === 0 ? (
        <NotHere />
      ) : (
        <SeamOf rows={rows} jointId={jointId} />
      )}
    </div>
  )
}

function SeamOf({
  rows,
  jointId,
}: {
  readonly rows: readonly ShelfRow[]
  readonly jointId: string | undefined
}) {
  const model = usePiecesModel(rows)
  const joint = model.finish.joints.find(({ id }) => id === jointId)
  return joint ? <Seam model={model} joint={joint} /> : <NotHere />
}

/** Ticks closer than this are only black, px of the narrowest room. */
const MOST_TICKS = 120

function Seam({
  model,
  joint,
}: {
  readonly model: ReturnType<typeof usePiecesModel>
  readonly joint: Joint
}) {
  useScreenStaysOn()
  const seam = useSeam(model, joint)
  const { made, until, next, inside } = seam
  const latest = useRef(seam)
  latest.current = seam
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const on = event.target instanceof HTMLElement ? event.target : undefined
      if (event.repeat || latest.current.asks || on?.closest('a, button, input, select, textarea')) return
      if (event.key === ' ') latest.current.one()
      else if (event.key === 'Backspace' || event.key === 'u') latest.current.back()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
  const bar =
    'slab flex min-h-16 min-w-0 items-center justify-center gap-2 px-6 text-24 max-sm:grow max-sm:px-2 max-sm:text-18 max-sm:large:text-16'
  return (
    <>
      <main
        className="flex min-h-0 grow touch-manipulation flex-col justify-between gap-4 overflow-y-auto px-7 py-5 select-none max-sm:px-4"
        data-testid="tap-area"
        onClick={seam.one}
      >
        <div>
          <h1 className="text-44 leading-tight max-sm:text-36">{jointName(joint, model.edges)}</h1>
          <p className="text-24 max-sm:text-18">{WAY_WORDS[joint.way].label}</p>
        </div>
        <p className="text-36 leading-tight max-sm:text-26">
          <NextStitch seam={seam} />
        </p>
        {inside.length > 0 && next && (
          <p className="text-20">
            <strong>Before it closes:</strong> {inside.join(', ')}.
          </p>
        )}
        <div className="grid gap-3">
          <SeamTape made={made} until={until} />
          <p className="flex items-baseline gap-4">
            <output
              className="slab bg-tape px-5 text-[min(7rem,22cqh,20vw)] leading-none tabular"
              aria-label="Stitches of the seam"
              data-testid="count"
            >
              {made}
            </output>
            <span className="slab text-44 max-sm:text-26">of {until}</span>
          </p>
          {next && <p className="text-18 sm:hidden">Tap anywhere for a stitch.</p>}
        </div>
      </main>
      <footer className="flex shrink-0 border-t-2 rule">
        <button
          type="button"
          className={`${bar} border-r-2 rule hover:bg-film-2 disabled:opacity-40`}
          disabled={made === 0}
          onClick={seam.back}
        >
          <Undo2 aria-hidden size={22} /> Undo
        </button>
        <p className="flex min-w-0 grow items-center justify-center px-3 text-center text-18 text-ink-2 max-sm:hidden">
          {next ? 'Tap anywhere or press Space' : ''}
        </p>
        <Link className={`${bar} border-l-2 rule hover:bg-film-2`} to={`/project/${model.project.id}/pieces`}>
          To the pieces
        </Link>
      </footer>
      <BeforeItCloses seam={seam} />
    </>
  )
}

/** The seam as a tape: a tick a stitch, filled as far as it is made. */
function SeamTape({ made, until }: { readonly made: number; readonly until: number }) {
  return (
    <svg
      viewBox={`0 0 ${until} 36`}
      preserveAspectRatio="none"
      className="on-tape h-10 w-full border-2 rule"
      aria-hidden
    >
      <rect width={until} height={36} fill="var(--color-white)" />
      <rect width={made} height={36} fill="var(--color-tape)" />
      {until <= MOST_TICKS &&
        Array.from({ length: until - 1 }, (_, index) => (
          <line
            key={index}
            x1={index + 1}
            x2={index + 1}
            y2={(index + 1) % 10 === 0 ? 18 : 9}
            stroke="var(--color-ink)"
            vectorEffect="non-scaling-stroke"
          />
        ))}
    </svg>
  )
}
