import { FileText } from 'lucide-react'
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { useNavigate, useParams } from 'react-router'
import { NO_USE_YET, UNMEASURED_GAUGE, type GaugeRecord, type PieceRecord } from '../../../core/index.ts'
import { asWritten } from '../../../core/pattern/asPiece.ts'
import { yarnsNamed } from '../../../core/pattern/yarnsNamed.ts'
import {
  mended,
  readingsAfterEdit,
  type Finding,
  type Mend,
} from '../../../core/pattern/check/checkPattern.ts'
import { LONGEST_TEXT, type Readings } from '../../../core/pattern/readings.ts'
import type { Study } from '../../../core/pattern/studyPattern.ts'
import { createPieces, type PieceToBe } from '../../store/mutations.ts'
import { notStoredWords } from '../../store/mustFit.ts'
import { asPiece } from '../../store/onTheWay.ts'
import { useGauges, usePiece, useSettings, useYarns, type PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { useDraft } from '../../store/useDraft.ts'
import { Header } from '../../ui/Header.tsx'
import { NameField } from '../../ui/NameField.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { isGuess, MEASURE_WORDS, sayGuessed } from '../../words/measureWords.ts'
import { pieceTitle } from '../../words/pieceWords.ts'
import { LIE_WORDS } from '../../words/wording.ts'
import { BesideNow } from './BesideNow.tsx'
import { FindingBar } from './FindingBar.tsx'
import { PatternLines } from './PatternLines.tsx'
import { useMends, usePattern } from './usePattern.ts'
import { WhatItWillBe } from './WhatItWillBe.tsx'

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

interface ReaderProps {
  readonly text: string
  readonly readings: Readings
  readonly gauge: GaugeRecord
  /** Of the pieces in the text, the one it is about. */
  readonly only?: number
  readonly onChange: (text: string, readings: Readings) => void
  readonly onRead?: (study: Study) => void
  readonly header: ReactNode
  readonly title: (study: Study | undefined) => string
  readonly actions?: (study: Study) => ReactNode
}

function Reader({ text, readings, gauge, onChange, onRead, header, title, actions }: ReaderProps) {
  const settings = useSettings()
  const sizes = useSizes()
  const yarns = useYarns()
  const { study, refused, settled } = usePattern(text, readings, gauge, settings.pace)
  const [at, setAt] = useState(0)
  const [whole, setWhole] = useState(text.trim() === '')
  // What a text says now is what the piece is worked by.
  const tell = useRef(onRead)
  useEffect(() => {
    tell.current = onRead
  })
  useEffect(() => {
    if (settled && study) tell.current?.(study)
  }, [settled, study])
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const all = study?.findings ?? []
  const findings = all.filter((finding) => !left.has(keyOf(finding)))
  const inHand = Math.min(at, Math.max(0, findings.length - 1))
  const mends = useMends(
    settled ? study : undefined,
    readings,
    gauge,
    settings.pace,
    all.indexOf(findings[inHand]!),
  )
  const colours = useMemo(() => {
    const known = new Map(yarns?.map(({ id, colour }) => [id, colour]))
    for (const { name, colour } of yarns ?? []) known.set(name.toLowerCase(), colour)
    return known
  }, [yarns])
  const mend = (way: Mend) => {
    const before = { text, readings }
    const { text: next, readings: read } = mended(text, way, readings)
    const { heightOf: _, ...kept } = read
    onChange(next, kept)
    say('Mended.', { label: 'Undo', run: () => onChange(before.text, before.readings) })
  }
  const blank = text.trim() === ''
  return (
    <div className="flex min-h-dvh flex-col">
      {header}
      <main className="flex grow flex-col">
        <div className="grid grow content-start px-7 pt-3 pb-6 max-sm:px-4">
          <h1 className="line-clamp-2 text-44 [overflow-wrap:anywhere] max-sm:text-36">{title(study)}</h1>
          <p className="pb-3 text-18" role="status">
            {refused
              ? `${refused.message} ${refused.valid}`
              : blank
                ? 'Paste somebody’s written rounds, or open a file. Uzel counts them out in your own stitches.'
                : study
                  ? sumOf(study, sizes)
                  : 'Reading…'}
          </p>
          <div className="flex flex-wrap items-center gap-3 border-t-2 rule py-2">
            <OpenFile onText={(opened) => onChange(opened, {})} />
            {!blank && (
              <button type="button" className="button-line" onClick={() => setWhole(!whole)}>
                {whole ? 'Line by line' : 'All of the text'}
              </button>
            )}
          </div>
          <div className="grid grid-cols-[minmax(0,1fr)] gap-x-7 lg:grid-cols-[minmax(0,1fr)_15rem]">
            <div className="min-w-0">
              {(whole || blank || !study) && (
                <textarea
                  aria-label="The pattern"
                  className="field min-h-64 w-full text-18 leading-snug"
                  rows={Math.min(24, Math.max(10, text.split('\n').length + 1))}
                  spellCheck={false}
                  maxLength={2 * LONGEST_TEXT}
                  placeholder={'Rnd 1: 6 sc in magic ring (6)\nRnd 2: inc around (12)\n…'}
                  value={text}
                  onChange={({ target }) =>
                    onChange(target.value, readingsAfterEdit(text, target.value, readings))
                  }
                  onPaste={() => blank && setWhole(false)}
                />
              )}
              {!whole && !blank && study && (
                <PatternLines
                  text={text}
                  read={study.read}
                  settled={settled}
                  findings={findings}
                  inHand={findings[inHand]}
                  onFinding={(finding) => setAt(findings.indexOf(finding))}
                  onText={(next) => onChange(next, readingsAfterEdit(text, next, readings))}
                  onUnsay={(from) => {
                    const { [from]: _, ...ends } = readings.ends ?? {}
                    onChange(text, { ...readings, ends })
                  }}
                  colours={colours}
                />
              )}
            </div>
            {study && !blank && (
              <aside
                aria-label="What it will be"
                className="min-w-0 rule max-lg:border-t-2 max-lg:pt-3 lg:border-l lg:pl-6"
              >
                <WhatItWillBe study={study} terms={settings.terms} colours={colours}>
                  <TermsChoice study={study} readings={readings} onChange={(next) => onChange(text, next)} />
                </WhatItWillBe>
                {actions?.(study)}
              </aside>
            )}
          </div>
        </div>
        {study && settled && !blank && (
          <FindingBar
            read={study.read}
            findings={findings}
            at={inHand}
            mends={mends}
            onMend={mend}
            onLeave={(finding) => setLeft(new Set([...left, keyOf(finding)]))}
            onEndsAt={({ line }, count) => {
              const { from } = study.read.lines[line]!.span
              onChange(text, { ...readings, ends: { ...readings.ends, [from]: count } })
            }}
            onGo={setAt}
          />
        )}
      </main>
    </div>
  )
}

/** A finding that was left stays left while the text is open. */
const keyOf = ({ is, line, round }: Finding): string => `${is.kind} ${line} ${round ?? ''}`

/** Whose words it speaks, settled by hand. */
function TermsChoice({
  study,
  readings,
  onChange,
}: {
  readonly study: Study
  readonly readings: Readings
  readonly onChange: (readings: Readings) => void
}) {
  const { terms } = study.read.conventions
  const other = terms === 'US' ? 'UK' : 'US'
  return (
    <button
      type="button"
      className="min-h-11 text-left text-16 underline underline-offset-4"
      onClick={() => onChange({ ...readings, terms: other })}
    >
      Read it in {other} terms
    </button>
  )
}

/** "8 rounds read, 1 line kept as text. In your gauge it comes out 10.6 cm, flat; the text promises 9 cm." */
function sumOf({ read, pieces, tension, findings }: Study, sizes: ReturnType<typeof useSizes>): string {
  const rounds = read.pieces.reduce((sum, piece) => sum + piece.rounds.length, 0)
  const kept = read.lines.filter(({ is }) => is === 'note' || is === 'unread').length
  const first = pieces.find(({ ok }) => ok)
  const plan = first?.ok ? first.is.plan : undefined
  const [main] = plan?.finished.promises ?? []
  const lies = plan?.finished.lie ? `, ${LIE_WORDS[plan.finished.lie]}` : ''
  const size =
    plan &&
    main &&
    (isGuess(plan) ? sayGuessed(main, sizes) : `${sizes.full(main.value)} ${MEASURE_WORDS[main.of].after}`)
  const comes = size ? ` In your gauge it comes out ${size}${lies}` : ''
  const promised = tension ? `; the text promises ${sizes.full(tension.promised)}` : ''
  const sure = findings.length === 0 && rounds > 0 ? ' Every round adds up.' : ''
  return `${rounds} ${rounds === 1 ? 'round' : 'rounds'} read${
    kept > 0 ? `, ${kept} ${kept === 1 ? 'line' : 'lines'} kept as text` : ''
  }.${comes}${promised}${main ? '.' : ''}${sure}`
}

/** A text file from this device. */
function OpenFile({ onText }: { readonly onText: (text: string) => void }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <button
        type="button"
        className="button-line flex items-center gap-2"
        onClick={() => input.current?.click()}
      >
        <FileText aria-hidden size={18} /> Open a text file
      </button>
      <input
        ref={input}
        type="file"
        accept=".txt,.md,.text,text/plain,text/markdown"
        className="hidden"
        aria-label="A text file"
        onChange={({ target }) => {
          const [file] = target.files ?? []
          target.value = ''
          if (!file) return
          if (file.size > 4 * LONGEST_TEXT) {
            say(`${file.name} is too large for a pattern: up to ${LONGEST_TEXT / 1000} thousand characters.`)
            return
          }
          void file
            .text()
            .then(onText, () => say(`${file.name} could not be opened. Try again, or paste its words.`))
        }}
      />
    </>
  )
}
