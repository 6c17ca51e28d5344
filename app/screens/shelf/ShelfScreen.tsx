import clsx from 'clsx'
import { Search } from 'lucide-react'
import { lazy, Suspense, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { FAMILY_NAMES, yarnsOf } from '../../../core/index.ts'
import { exportFile } from '../../store/exportLater.ts'
import { deleteProject, duplicateProject, removePiece, restoreProject } from '../../store/mutations.ts'
import { useDemo } from '../../store/demo.ts'
import { useFirstVisit, useFirstVisitSettled } from '../../store/firstVisit.ts'
import { usePieces, useSettings, useYarns, type PieceView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { wordsOf } from '../../words/formWords.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { Opening } from '../../ui/Opening.tsx'
import { say } from '../../ui/toasts.tsx'
import { duration } from '../../words/wording.ts'
import { DemoNote } from './DemoNote.tsx'
import { Ledge } from './Ledge.tsx'
import { NewPiece } from './NewPiece.tsx'
import { ShelfTable } from './ShelfTable.tsx'
import { useShelfRows, type ShelfRow, type Stage } from './useShelfRows.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'

const RenameDialog = lazy(() => import('./RenameDialog.tsx').then((m) => ({ default: m.RenameDialog })))
const ImportDialog = lazy(() => import('./ImportDialog.tsx').then((m) => ({ default: m.ImportDialog })))

/** What the shelf shows: a stage of the maker's own pieces, or the demo that is kept aside. */
type Shown = Stage | 'all' | 'demo'

const STAGES: readonly { readonly stage: Stage | 'all'; readonly name: string }[] = [
  { stage: 'all', name: 'All' },
  { stage: 'underWay', name: 'Under way' },
  { stage: 'planned', name: 'Planned' },
  { stage: 'finished', name: 'Finished' },
]

/** All pieces on one ledge, to scale, and what is next with each. */
export function ShelfScreen() {
  const settings = useSettings()
  usePageTitle('Shelf', settings.name)
  const yarns = useYarns()
  const all = useShelfRows(usePieces(), settings)
  const demo = useDemo()
  const firstVisit = useFirstVisit()
  const settled = useFirstVisitSettled()
  const aside = new Set(demo?.place === 'aside' ? demo.projects : [])
  const ofDemo = all?.filter(({ view }) => aside.has(view.project.id)) ?? []
  const rows = all?.filter(({ view }) => !aside.has(view.project.id))
  const navigate = useNavigate()
  const [search, setSearch] = useState('')
  const [stage, setStage] = useState<Shown>('all')
  const [chosen, setChosen] = useState<string>()
  const [renaming, setRenaming] = useState<{ view: PieceView; what: 'project' | 'piece' }>()
  const [file, setFile] = useState<File>()
  const picker = useRef<HTMLInputElement>(null)

  const wanted = search.trim().toLowerCase()
  const shown = (stage === 'demo' ? ofDemo : rows)?.filter(
    (row) =>
      (stage === 'all' || stage === 'demo' || row.stage === stage) && matches(row, wanted, yarns ?? []),
  )
  const current =
    shown?.find(({ view }) => view.piece.id === chosen || view.project.id === chosen) ?? shown?.[0]
  const opening = !rows || !shown || (rows.length === 0 && !settled)
  const here = demo ? demo.place === 'here' && (opening || rows.length > 0) : firstVisit && !settled
  const secondsLeft =
    rows?.reduce((sum, { planned }) => sum + (planned.ok ? planned.value.progress.secondsLeft : 0), 0) ?? 0

  const remove = async ({ view: { project } }: ShelfRow) => {
    await deleteProject(project.id)
    say(`${project.name} is off the shelf.`, { label: 'Undo', run: () => void restoreProject(project.id) })
  }
  const takeOut = async ({ view }: ShelfRow) => {
    const bringBack = await removePiece(view.piece.id)
    say(`${view.piece.name} is out of ${view.project.name}.`, {
      label: 'Undo',
      run: () => void bringBack(),
    })
  }
  const duplicate = async ({ view: { project } }: ShelfRow) => {
    const id = await duplicateProject(project.id)
    setChosen(id)
    say(`${project.name} is on the shelf once more, with nothing worked.`)
  }

  const tools = (
    <>
      <SearchField value={search} onChange={setSearch} />
      <HeaderButton onClick={() => picker.current?.click()}>Import</HeaderButton>
      <HeaderButton onClick={() => void exportFile({ say })}>Export</HeaderButton>
    </>
  )
  return (
    <div className="flex min-h-dvh flex-col">
      <Header>
        <div className="ml-auto flex items-stretch max-lg:hidden">{tools}</div>
      </Header>
      <div className="flex h-12 items-stretch border-b-2 rule lg:hidden [&>label]:grow">{tools}</div>
      <input
        ref={picker}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="File to import"
        onChange={(event) => {
          setFile(event.target.files?.[0])
          event.target.value = ''
        }}
      />
      <main className="flex grow flex-col">
        <div className="grow px-7 pt-3 pb-6 max-sm:px-4">
          {/* On a first visit it can be read before the demo is there, and stays in its place. */}
          {here && <DemoNote demo={demo ?? undefined} />}
          {opening ? (
            firstVisit !== undefined && <Opening />
          ) : (
            <>
              <div className="flex flex-wrap items-baseline gap-x-7 gap-y-1">
                <h1 className="text-44 max-sm:text-36">{settings.name}</h1>
                <p className="text-18">
                  {rows.length === 1 ? '1 piece.' : `${rows.length} pieces.`}{' '}
                  {secondsLeft > 0 && (
                    <>
                      <strong>{duration(secondsLeft)}</strong> of work left.{' '}
                    </>
                  )}
                  <Link to="/log" className="inline-flex min-h-11 items-center underline underline-offset-4">
                    The log
                  </Link>
                </p>
                {rows.length + ofDemo.length > 0 && (
                  <StageFilter rows={rows} ofDemo={ofDemo.length} stage={stage} onStage={setStage} />
                )}
              </div>
              {rows.length === 0 && stage !== 'demo' ? (
                <EmptyShelf />
              ) : shown.length === 0 ? (
                <p className="py-10 text-20">
                  Nothing here is called that.{' '}
                  <button
                    type="button"
                    className="underline"
                    onClick={() => (setSearch(''), setStage('all'))}
                  >
                    Show all
                  </button>
                </p>
              ) : (
                <>
                  <Ledge
                    rows={shown}
                    current={current?.view.piece.id}
                    onChoose={setChosen}
                    mirrored={settings.hand === 'left'}
                  />
                  <ShelfTable
                    rows={shown}
                    yarns={yarns ?? []}
                    current={current?.view.piece.id}
                    onChoose={setChosen}
                    onOpen={({ view }) => void navigate(pieceAddress(view, 'plan'))}
                    onAddPiece={({ view }) => void navigate(`/new?project=${view.project.id}`)}
                    onRename={({ view }, what) => setRenaming({ view, what })}
                    onDuplicate={(row) => void duplicate(row)}
                    onExport={({ view }) => void exportFile({ project: view.project, say })}
                    onDelete={(row) => void remove(row)}
                    onTakeOut={(row) => void takeOut(row)}
                  />
                </>
              )}
            </>
          )}
        </div>
        {!opening && <NewPiece />}
      </main>
      {renaming && (
        <Suspense>
          <RenameDialog {...renaming} onClose={() => setRenaming(undefined)} />
        </Suspense>
      )}
      {file && (
        <Suspense>
          <ImportDialog file={file} onClose={() => setFile(undefined)} />
        </Suspense>
      )}
    </div>
  )
}

function matches(
  { view }: ShelfRow,
  wanted: string,
  yarns: readonly { id: string; name: string }[],
): boolean {
  const used = yarnsOf(view.piece.colours).map((yarn) => yarns.find(({ id }) => id === yarn)?.name ?? '')
  return [pieceTitle(view), view.gauge.name, ...used].some((text) => text.toLowerCase().includes(wanted))
}

function SearchField({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  return (
    <label className="flex min-w-0 items-center gap-3 border-l rule px-4 focus-within:bg-tape">
      <Search aria-hidden size={20} className="shrink-0" />
      <span className="visually-hidden">Find a piece or yarn</span>
      <input
        type="search"
        className="w-56 min-w-0 bg-transparent text-16 outline-none placeholder:text-ink-2 max-lg:w-32"
        placeholder="Find a piece or yarn"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}

function HeaderButton({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <button
      type="button"
      className="slab border-l rule px-4 text-20 hover:bg-film-2 max-sm:px-2 max-sm:text-16"
      onClick={onClick}
    >
      {children}
    </button>
  )
}

interface Offered {
  readonly value: Shown
  readonly name: string
  readonly count: number
}

interface StageFilterProps {
  readonly rows: readonly ShelfRow[]
  /** Pieces of the demo kept aside. */
  readonly ofDemo: number
  readonly stage: Shown
  readonly onStage: (stage: Shown) => void
}

function StageFilter({ rows, ofDemo, stage, onStage }: StageFilterProps) {
  const counted = STAGES.map(({ stage: value, name }): Offered => ({
    value,
    name,
    count: value === 'all' ? rows.length : rows.filter((row) => row.stage === value).length,
  }))
  const offered: readonly Offered[] =
    ofDemo > 0 ? [...counted, { value: 'demo', name: 'Demo', count: ofDemo }] : counted
  return (
    <div role="group" aria-label="Which pieces" className="ml-auto flex flex-wrap gap-x-5">
      {offered.map(({ value, name, count }) => {
        return (
          <button
            key={value}
            type="button"
            aria-pressed={stage === value}
            className={clsx(
              'min-h-11 min-w-11 border-b-4 text-16',
              stage === value ? 'border-ink font-bold' : 'border-transparent text-ink-2 hover:text-ink',
            )}
            onClick={() => onStage(value)}
          >
            {name} {count}
          </button>
        )
      })}
    </div>
  )
}

function EmptyShelf() {
  return (
    <div className="grid max-w-xl gap-4 py-10">
      <p className="text-24">
        Nothing is on the shelf yet. Measure what a piece must fit, and see every round of it.
      </p>
      <p className="flex flex-wrap gap-3">
        {FAMILY_NAMES.map((family, index) => (
          <Link
            key={family}
            to={`/new?form=${family}`}
            className={index === 0 ? 'button-ink' : 'button-line'}
          >
            Plan {wordsOf({ family }).title.replace('A ', 'a ')}
          </Link>
        ))}
      </p>
    </div>
  )
}
