import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import {
  NO_FINISH,
  NO_USE_YET,
  UNMEASURED_GAUGE,
  type Finish,
  type PieceRecord,
} from '../../../core/index.ts'
import { jointsAsWritten, type KeptPiece } from '../../../core/pattern/jointsAsWritten.ts'
import { asWritten } from '../../../core/pattern/asPiece.ts'
import { yarnsNamed } from '../../../core/pattern/yarnsNamed.ts'
import { type Readings } from '../../../core/pattern/readings.ts'
import type { Study } from '../../../core/pattern/studyPattern.ts'
import { freshId } from '../../store/database.ts'
import { createPieces, type PieceToBe } from '../../store/mutations.ts'
import { notStoredWords } from '../../store/mustFit.ts'
import { asPiece } from '../../store/onTheWay.ts'
import { useGauges, usePiece, type PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { useDraft } from '../../store/useDraft.ts'
import { Header } from '../../ui/Header.tsx'
import { NameField } from '../../ui/NameField.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceTitle } from '../../words/pieceWords.ts'
import { BesideNow } from './BesideNow.tsx'
import { Reader } from './Reader.tsx'

/** A text that is being read, before there is a piece of it. */
interface Draft {
  readonly text: string
  readonly readings: Readings
  readonly gaugeId: string
  readonly name: string
}

const NO_DRAFT: Draft = { text: '', readings: {}, gaugeId: '', name: '' }

const isDraft = (value: unknown): value is Draft =>
  typeof value === 'object' && value !== null && typeof (value as Draft).text === 'string'

/** Somebody's written rounds: pasted or opened, read, checked, and worked as they are. */
export function NewTextScreen() {
  usePageTitle('Read a pattern')
  const [draft, keep] = useRemembered<Draft>('pattern', NO_DRAFT, say, isDraft)
  const gauges = useGauges()
  const navigate = useNavigate()
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState(false)
  if (draft === undefined || gauges === undefined) {
    return (
      <div className="flex min-h-dvh flex-col">
        <Header />
        <Opening />
      </div>
    )
  }
  const gauge = gauges.find(({ id }) => id === draft.gaugeId) ?? { ...UNMEASURED_GAUGE, id: 'sketch' }
  const begin = async (study: Study) => {
    if (busy || refused) return
    setBusy(true)
    try {
      const piece = await createPieces({
        name: draft.name.trim() || nameOf(study),
        pieces: piecesOf(study, draft),
        finishOf: (pieces) => finishOf(study, pieces),
        ...(draft.gaugeId ? { gaugeId: draft.gaugeId } : {}),
      })
      keep(NO_DRAFT)
      await navigate(`/project/${piece.projectId}/piece/${piece.id}/plan`)
    } catch (error) {
      say(notStoredWords(error))
      setBusy(false)
    }
  }
  return (
    <Reader
      text={draft.text}
      readings={draft.readings}
      gauge={gauge}
      onChange={(text, readings) => keep({ ...draft, text, readings })}
      header={<Header />}
      title={(study) => draft.name.trim() || (study && nameOf(study)) || 'Read a pattern'}
      actions={(study) => (
        <div className="grid gap-3 py-3">
          <NameField
            label="What is it for?"
            placeholder={nameOf(study)}
            value={draft.name}
            onChange={(name) => keep({ ...draft, name: name ?? '' })}
            onRefused={setRefused}
          />
          <Select
            label="In your gauge"
            value={draft.gaugeId}
            onChange={(gaugeId) => keep({ ...draft, gaugeId })}
            choices={[
              ['', 'Not measured yet: medium yarn, 5 mm hook'],
              ...gauges.map((known) => [known.id, known.name] as const),
            ]}
          />
          <button
            type="button"
            className="button-ink"
            disabled={busy || refused || !study.pieces.some(({ ok }) => ok)}
            onClick={() => void begin(study)}
          >
            Work it as written
          </button>
        </div>
      )}
    />
  )
}

const nameOf = ({ read }: Study): string => {
  const heading = read.lines.find(({ is }) => is === 'heading')
  const named = heading && read.text.slice(heading.span.from, heading.span.to)
  const plain = named?.replace(/^[#*_\s]+|[*_:\s]+$/g, '').replace(/\s*\((?:make\s+)?\d+\)\s*$/i, '')
  return plain?.slice(0, 80) || 'A written pattern'
}

/** The pieces of a text that can be worked, each as it is written. */
function piecesOf({ read, pieces }: Study, { readings }: Pick<Draft, 'readings'>): PieceToBe[] {
  return pieces.flatMap((recognition, index): PieceToBe[] => {
    if (!recognition.ok) return []
    const piece = read.pieces[index]!
    const { form, ...as } = asWritten(recognition.is)
    return [
      {
        form,
        fitness: NO_USE_YET,
        quantity: piece.quantity,
        ...(piece.name && read.pieces.length > 1 ? { name: piece.name.slice(0, 80) } : {}),
        as: { ...as, source: { text: read.text, piece: index, readings } },
        yarns: yarnsNamed(piece),
      },
    ]
  })
}

/** The joints that a text says, between the pieces that came of it. */
function finishOf({ read, pieces: found }: Study, pieces: readonly PieceRecord[]): Finish {
  const kept = pieces.flatMap(({ id, source }): (readonly [number, KeptPiece])[] => {
    const recognition = source && found[source.piece]
    return recognition?.ok ? [[source!.piece, { id, last: recognition.is.plan.rounds.at(-1)!.count }]] : []
  })
  const joints = jointsAsWritten(read, new Map(kept)).map((joint) => ({ ...joint, id: freshId() }))
  return { ...NO_FINISH, joints }
}

/** The text that a piece is of: corrected here, it is worked so from the next copy on. */
export function TextScreen() {
  const { pieceId } = useParams()
  const view = usePiece(pieceId)
  usePageTitle('Text', view ? pieceTitle(view) : undefined)
  if (view?.piece.source) return <TextOfPiece view={view} />
  return (
    <div className="flex min-h-dvh flex-col">
      <Header view={view ?? undefined} />
      {view === undefined ? <Opening /> : view === null ? <NotHere /> : <NoText view={view} />}
    </div>
  )
}

/** A piece as its text has it; nothing where that cannot be worked as it stands. */
function written(piece: PieceRecord, study: Study): PieceRecord | undefined {
  const recognition = study.pieces[piece.source?.piece ?? 0]
  if (!recognition?.ok) return undefined
  const { constraints, ...as } = asWritten(recognition.is)
  return { ...piece, ...as, constraints: { ...piece.constraints, ...constraints } }
}

function NoText({ view }: { readonly view: PieceView }) {
  return (
    <main className="grid gap-4 p-7 max-sm:p-4">
      <h1 className="text-36">{pieceTitle(view)} is of no text</h1>
      <p className="text-18">Uzel planned it itself. Its rounds are in its plan.</p>
    </main>
  )
}

function TextOfPiece({ view }: { readonly view: PieceView }) {
  const key = ['piece', view.piece.id]
  const [piece, keep] = useDraft<PieceRecord>(view.piece, key, asPiece, say)
  const source = piece.source!
  return (
    <Reader
      text={source.text}
      readings={source.readings}
      gauge={view.gauge}
      only={source.piece}
      onChange={(text, readings) => keep({ ...piece, source: { ...source, text, readings } })}
      onRead={(study) => {
        const next = piece.constraints.given && written(piece, study)
        if (next && JSON.stringify(next) !== JSON.stringify(piece)) keep(next)
      }}
      header={<Header view={view} />}
      title={() => `${pieceTitle(view)}, as written`}
      actions={(study) => {
        if (piece.constraints.given) return null
        const next = written(piece, study)
        return (
          <div className="grid gap-2 py-3">
            <BesideNow view={view} piece={piece} read={study.read.pieces[source.piece]} />
            <button
              type="button"
              className="button-line"
              disabled={!next}
              onClick={() => {
                if (!next) return
                keep(next)
                say('Worked as written again.', { label: 'Undo', run: () => keep(piece) })
              }}
            >
              Work it as written
            </button>
          </div>
        )
      }}
    />
  )
}
