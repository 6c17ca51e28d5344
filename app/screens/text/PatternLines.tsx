import clsx from 'clsx'
import { useEffect, useRef, type KeyboardEvent } from 'react'
import { expandSteps } from '../../../core/index.ts'
import type { Finding } from '../../../core/pattern/check/checkPattern.ts'
import type { LineRead, PatternRead, RoundRead } from '../../../core/pattern/read/readPattern.ts'
import type { Span } from '../../../core/pattern/read/syntax.ts'
import { STRIP_HEIGHT, StepStrip, TAG_ROOM } from '../../drawing/StepStrip.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'

interface PatternLinesProps {
  readonly text: string
  readonly read: PatternRead
  /** What is read is of the text as it stands; else spans are of an older one. */
  readonly settled: boolean
  readonly findings: readonly Finding[]
  readonly inHand: Finding | undefined
  readonly onFinding: (finding: Finding) => void
  readonly onText: (text: string) => void
  /** Colours of yarns by the name that the text has for them, in small letters. */
  readonly colours: ReadonlyMap<string, string>
}

/** Text, number and stitches beside one another; on a phone the text above. */
const COLUMNS =
  'grid gap-x-4 max-sm:grid-cols-[2.5rem_minmax(0,1fr)] sm:grid-cols-[minmax(0,1fr)_3.5rem_minmax(0,1.3fr)]'

const MOST_PITCH = 10.2
/** Of several rounds in one line the first is drawn, and the others are told by their numbers. */
const FOG = '#FAFCFB'

/** The text line against line with what was understood of it: number, stitches, the count it says. */
export function PatternLines(props: PatternLinesProps) {
  const { text, read, settled, inHand, findings, onFinding, onText, colours } = props
  const [strip, { width }] = useElementSize()
  const rounds = read.pieces.flatMap((piece) => piece.rounds)
  const most = rounds.reduce((all, { makes, stated }) => Math.max(all, makes, stated?.count ?? 0), 12)
  const pitch = Math.max(0.6, Math.min(MOST_PITCH, (width - TAG_ROOM - 76) / most))
  const replace = ({ from, to }: Span, value: string) => onText(text.slice(0, from) + value + text.slice(to))
  const list = useRef<HTMLOListElement>(null)
  const toLine = (index: number, atEnd: boolean) => {
    const field = list.current?.querySelectorAll('textarea')[index]
    field?.focus()
    const at = atEnd ? (field?.value.length ?? 0) : 0
    field?.setSelectionRange(at, at)
  }
  // A line that was cut in two goes on in the second.
  const goTo = useRef<number>(undefined)
  useEffect(() => {
    if (goTo.current === undefined || !settled) return
    toLine(goTo.current, false)
    goTo.current = undefined
  })
  const byKey = (event: KeyboardEvent<HTMLTextAreaElement>, index: number) => {
    const { selectionStart, selectionEnd, value } = event.currentTarget
    if (selectionStart !== selectionEnd) return
    if (event.key === 'ArrowUp' && index > 0 && !value.slice(0, selectionStart).includes('\n')) {
      event.preventDefault()
      toLine(index - 1, true)
    } else if (event.key === 'ArrowDown') {
      event.preventDefault()
      toLine(index + 1, false)
    } else if (event.key === 'Enter') goTo.current = index + 1
  }
  const lines = read.lines
  const end = text.trimEnd().length
  return (
    <div className="min-w-0">
      <div className="grid grid-cols-[minmax(0,1fr)_3.5rem_minmax(0,1.3fr)] gap-x-4 pb-1 text-14 text-ink-2 max-sm:hidden">
        <span>The text</span>
        <span className="text-center">Rnd</span>
        <span>what its steps make, against what it says</span>
      </div>
      <div aria-hidden className={COLUMNS}>
        <span className="max-sm:hidden" />
        <span />
        <span ref={strip} />
      </div>
      <ol ref={list} className="border-t border-hair" aria-label="The pattern, line by line">
        {lines.map((line, index) => (
          <PatternRow
            key={index}
            line={line}
            index={index}
            text={text.slice(line.span.from, line.span.to)}
            rounds={roundsOfLine(read, line)}
            finding={findings.find((one) => one.line === index)}
            inHand={inHand?.line === index ? inHand : undefined}
            settled={settled}
            pitch={pitch}
            colours={colours}
            onFinding={onFinding}
            onChange={(value) => settled && replace(line.span, value)}
            onKeyDown={(event) => byKey(event, index)}
          />
        ))}
        <PatternRow
          key={lines.length}
          line={undefined}
          index={lines.length}
          text=""
          rounds={[]}
          finding={undefined}
          inHand={undefined}
          settled={settled}
          pitch={pitch}
          colours={colours}
          onFinding={onFinding}
          onChange={(value) => settled && onText(`${text.slice(0, end)}${end > 0 ? '\n' : ''}${value}`)}
          onKeyDown={(event) => byKey(event, lines.length)}
        />
      </ol>
    </div>
  )
}

const roundsOfLine = ({ pieces }: PatternRead, { piece, rounds }: LineRead): readonly RoundRead[] =>
  rounds ? (pieces[piece]?.rounds.slice(...rounds) ?? []) : []

interface PatternRowProps {
  readonly line: LineRead | undefined
  readonly index: number
  readonly text: string
  readonly rounds: readonly RoundRead[]
  readonly finding: Finding | undefined
  readonly inHand: Finding | undefined
  readonly settled: boolean
  readonly pitch: number
  readonly colours: ReadonlyMap<string, string>
  readonly onFinding: (finding: Finding) => void
  readonly onChange: (text: string) => void
  readonly onKeyDown: (event: KeyboardEvent<HTMLTextAreaElement>) => void
}

function PatternRow(props: PatternRowProps) {
  const { line, index, text, rounds, finding, inHand, settled, pitch, colours } = props
  const row = useRef<HTMLLIElement>(null)
  const lit = inHand !== undefined
  useEffect(() => {
    if (lit) row.current?.scrollIntoView({ block: 'nearest' })
  }, [lit])
  const [first] = rounds
  const last = rounds.at(-1)
  const kept = line && (line.is === 'note' || (line.is === 'unread' && !first))
  return (
    <li
      ref={row}
      className={clsx(
        COLUMNS,
        'min-h-[2.875rem] items-center border-b border-hair max-sm:py-1',
        lit && 'bg-film-2 shadow-[inset_5px_0_0_var(--color-tape)]',
      )}
    >
      <div
        className={clsx(
          'grid min-w-0 pl-2 text-18 leading-snug [overflow-wrap:anywhere] *:[grid-area:1/1] max-sm:col-span-2',
          (line?.is === 'heading' || line?.is === 'fact') && 'text-ink-2',
        )}
      >
        <span aria-hidden className="py-2 whitespace-pre-wrap text-transparent">
          {settled && finding ? (
            <Marked text={text} from={line!.span.from} span={(inHand ?? finding).span} />
          ) : (
            text
          )}
          {'\u200b'}
        </span>
        <textarea
          rows={1}
          spellCheck={false}
          aria-label={line ? `Line ${index + 1}` : 'A new line'}
          placeholder={line ? undefined : 'Write or paste more here'}
          value={text}
          className={clsx(
            'size-full resize-none overflow-hidden bg-transparent py-2 outline-offset-0 focus-visible:bg-fog',
            kept && 'text-ink-2 underline decoration-dotted underline-offset-4',
          )}
          onChange={({ target }) => props.onChange(target.value)}
          onKeyDown={props.onKeyDown}
          onFocus={() => finding && !lit && props.onFinding(finding)}
        />
      </div>
      <span className="slab text-center text-20 max-sm:text-left">
        {first && (first.number === last!.number ? first.number : `${first.number}–${last!.number}`)}
      </span>
      <span className="flex min-w-0 items-center gap-3">
        {first ? (
          <Strip round={first} rounds={rounds} pitch={pitch} colours={colours} lit={lit} />
        ) : (
          <span className="text-16 text-ink-2">{line ? sayLine(line) : ''}</span>
        )}
      </span>
    </li>
  )
}

const sayLine = ({ is, yarn }: LineRead): string => {
  switch (is) {
    case 'note':
      return 'kept as a note'
    case 'unread':
      return 'kept as text'
    case 'heading':
      return 'a name'
    case 'fact':
      return 'about the piece'
    case 'start':
      return 'how it begins'
    case 'said':
      return yarn ? `${yarn} from here` : 'done between rounds'
    case 'rounds':
      return ''
  }
}

/** The characters that say what is wrong, underlined. */
function Marked({ text, from, span }: { readonly text: string; readonly from: number; readonly span: Span }) {
  const [begin, end] = [Math.max(0, span.from - from), Math.min(text.length, span.to - from)]
  if (end <= begin) return text
  return (
    <>
      {text.slice(0, begin)}
      <mark className="bg-transparent text-transparent shadow-[inset_0_-4px_0_var(--color-ink)]">
        {text.slice(begin, end)}
      </mark>
      {text.slice(end)}
    </>
  )
}

function Strip({
  round,
  rounds,
  pitch,
  colours,
  lit,
}: {
  readonly round: RoundRead
  readonly rounds: readonly RoundRead[]
  readonly pitch: number
  readonly colours: ReadonlyMap<string, string>
  readonly lit: boolean
}) {
  const { steps, makes, stated, count } = round
  const last = rounds.at(-1)!
  if (steps.length === 0) {
    return (
      <span className="text-16 text-ink-2">
        {count === undefined ? 'not understood' : `not understood, ends at ${count}`}
      </span>
    )
  }
  const colour = (round.yarn && colours.get(round.yarn.toLowerCase())) ?? FOG
  const wide = Math.max(makes, stated?.count ?? 0) * pitch + (stated ? TAG_ROOM : 4)
  const off = stated !== undefined && stated.count !== makes
  const byHand = count !== undefined && count !== makes && !off
  return (
    <>
      <span className="visually-hidden">
        {`makes ${makes}${stated ? `, says ${stated.count}` : ', no total said'}${byHand ? `, read as ${count}` : ''}`}
      </span>
      <span className="block shrink-0" style={{ height: STRIP_HEIGHT }}>
        <StepStrip
          units={expandSteps(steps)}
          pitch={pitch}
          width={wide}
          colour={colour}
          stated={stated?.count}
          lit={lit}
        />
      </span>
      <span
        aria-hidden
        className={clsx('text-16 whitespace-nowrap', off || byHand ? 'slab text-18' : 'text-ink-2')}
      >
        {off
          ? `${makes} made`
          : byHand
            ? `read as ${count}`
            : stated
              ? ''
              : last.makes === makes
                ? `${makes}, not said`
                : `${makes} to ${last.makes}`}
      </span>
    </>
  )
}
