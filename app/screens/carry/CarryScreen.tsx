import { useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import {
  carriedTo,
  goTo,
  pieceMark,
  readCarryCode,
  stitchesMade,
  unitsOf,
  type CarryRead,
  type CopyRecord,
  type Plan,
  type Position,
} from '../../../core/index.ts'
import { usePieces, type PieceView } from '../../store/queries.ts'
import { openWorkSession, readWorkState } from '../../store/workSession.ts'
import { useStored } from '../../store/liveQueries.ts'
import { Header } from '../../ui/Header.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { say } from '../../ui/toasts.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { sayWhere } from '../../words/whereWords.ts'

const WHY: Readonly<Record<Extract<CarryRead, { ok: false }>['why'], string>> = {
  letters: 'A code has letters and digits only, like 7K3M-Q9FA-0TXD-2B8H.',
  length: 'A code has sixteen letters and digits.',
  check: 'A letter of it is wrong: the code does not agree with itself. Compare it with the other device.',
}

/** A code from another device, put in or scanned: where it has the hook, and going on from there. */
export function CarryScreen() {
  usePageTitle('From another device')
  const [search] = useSearchParams()
  const [code, setCode] = useState(search.get('code') ?? '')
  const pieces = usePieces()
  const read = code.trim() === '' ? undefined : readCarryCode(code)
  const view = read?.ok ? pieces?.find(({ piece }) => pieceMark(piece.id) === read.carried.piece) : undefined
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      <main className="grid max-w-3xl content-start gap-5 p-7 max-sm:p-4">
        <h1 className="text-44 max-sm:text-36">From another device</h1>
        <p className="text-18">
          On the other device, at the hook: Go to, then “Another device”. It shows a code; scan it, or put it
          in here.
        </p>
        <label className="grid gap-1">
          <span className="text-16">The code</span>
          <input
            className="field slab max-w-md text-24 uppercase"
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            maxLength={60}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        {read && !read.ok && (
          <p role="alert" className="fault text-18">
            {WHY[read.why]}
          </p>
        )}
        {read?.ok &&
          (pieces === undefined ? (
            <Opening />
          ) : view ? (
            <Found view={view} carried={read.carried} />
          ) : (
            <p role="alert" className="fault text-18">
              The piece of this code is not on this device. Export its project there, import the file here,
              and put the code in again.
            </p>
          ))}
      </main>
    </div>
  )
}

interface FoundProps {
  readonly view: PieceView
  readonly carried: Extract<CarryRead, { ok: true }>['carried']
}

/** The piece that a code is of, and what keeps it from going on there, if anything does. */
function Found({ view, carried }: FoundProps) {
  const copy = view.copies.find(({ number }) => number === carried.copy)
  if (!copy) {
    return (
      <p role="alert" className="fault text-18">
        {pieceTitle(view)}: no. {carried.copy} is not begun on this device. Begin it here, or bring its file.
      </p>
    )
  }
  return <Places key={copy.id} view={view} copy={copy} carried={carried} />
}

function Places({ view, copy, carried }: FoundProps & { readonly copy: CopyRecord }) {
  const navigate = useNavigate()
  const state = useStored(['carry', copy.id], ['events', 'logBlocks'], () => readWorkState(copy))
  if (!state) return <Opening />
  const plan = view.versions.find(({ version }) => version === state.planVersion)?.plan
  const there = plan && carriedTo(plan.rounds, carried)
  if (!plan || !there) {
    return (
      <p role="alert" className="fault text-18">
        {pieceTitle(view)} has another plan on this device than on the other: bring its file first, then the
        code.
      </p>
    )
  }
  const goOn = async () => {
    const session = openWorkSession(copy, state)
    session.act((from) => goTo(plan.rounds, from, there))
    await session.settled()
    if (session.view().unsaved) say('It could not be stored; at the hook you can go there by hand.')
    await navigate(`${pieceAddress(view, 'work')}?copy=${copy.number}`)
  }
  return (
    <section aria-label="What the code says" className="grid gap-3 border-y-2 rule py-4">
      <p className="text-24">
        {pieceTitle(view)}
        {view.piece.quantity > 1 && ` no. ${copy.number}`}: <strong>{placeOf(plan, there)}</strong>
      </p>
      <p className="text-18">
        {state.finished
          ? 'On this device it is finished.'
          : `On this device: ${placeOf(plan, state.position)}.`}
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink" disabled={state.finished} onClick={() => void goOn()}>
          Go on there
        </button>
        <button
          type="button"
          className="button-line"
          onClick={() => void navigate(`${pieceAddress(view, 'work')}?copy=${copy.number}`)}
        >
          Leave it as it is here
        </button>
      </div>
    </section>
  )
}

/** "Rnd 9, 12 of 54". */
function placeOf({ rounds }: Plan, { round, unit }: Position): string {
  const there = rounds.find(({ id }) => id === round)!
  return sayWhere(there, stitchesMade(unitsOf(there), unit))
}
