import clsx from 'clsx'
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react'
import { expandSteps } from '../../../core/index.ts'
import type { Finding } from '../../../core/pattern/check/checkPattern.ts'
import { rowsOf } from '../../../core/pattern/read/lines.ts'
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
  /** Takes back what was said by hand of the round that begins with a character. */
  readonly onUnsay: (from: number) => void
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
  const { text, read, settled, inHand, findings, onFinding, onText, onUnsay, colours } = props
  const [strip, { width }] = useElementSize()
  const rounds = read.pieces.flatMap((piece) => piece.rounds)
  const most = rounds.reduce((all, { makes, stated }) => Math.max(all, makes, stated?.count ?? 0), 12)
  const pitch = Math.max(0.6, Math.min(MOST_PITCH, (width - TAG_ROOM - 76) / most))
  const rows = useMemo(() => rowsInHand(text), [text])
  const list = useRef<HTMLOListElement>(null)
  /** Where the caret goes once a line was cut in two, or two became one. */
  const goTo = useRef<{ readonly row: number; readonly at: number }>(undefined)
  const caretTo = (row: number, at: number) => {
    const field = list.current?.querySelectorAll('textarea')[row]
    field?.focus()
    field?.setSelectionRange(at, at)
  }
  useEffect(() => {
    if (!goTo.current) return
    caretTo(goTo.current.row, goTo.current.at)
    goTo.current = undefined
  }, [text])
  const change = (index: number, value: string) => {
    const { from, to } = rows[index]!
    const cut = value.indexOf('\n')
    if (cut >= 0) {
      const after = value.slice(cut + 1)
      goTo.current = {
        row: index + value.split('\n').length - 1,
        at: after.length - after.trimStart().length,
      }
    }
    const isAdded = index === rows.length - 1 && from > text.length - 1 && from === to && text !== ''
    const joint = isAdded && !/[\r\n]$/.test(text) ? '\n' : ''
    onText(text.slice(0, from) + joint + value + text.slice(to))
  }
  const byKey = (event: KeyboardEvent<HTMLTextAreaElement>, index: number) => {
    const { selectionStart, selectionEnd, value } = event.currentTarget
    if (selectionStart !== selectionEnd) return
    const above = rows[index - 1]
    if (event.key === 'ArrowUp' && above) {
      event.preventDefault()
      caretTo(index - 1, above.to - above.from)
    } else if (event.key === 'ArrowDown') {
      event.preventDefault()
      caretTo(index + 1, 0)
    } else if (event.key === 'Backspace' && selectionStart === 0 && above) {
      event.preventDefault()
      goTo.current = { row: index - 1, at: above.to - above.from }
      onText(text.slice(0, above.to) + value + text.slice(rows[index]!.to))
    }
  }
  // Blank lines are none of what is read.
  let line = 0
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
        {rows.map((span, index) => {
          const value = text.slice(span.from, span.to)
          const at = value.trim() === '' ? undefined : line++
          const known = at === undefined ? undefined : read.lines[at]
          return (
            <PatternRow
              key={index}
              line={known}
              index={index}
              from={span.from}
              text={value}
              last={index === rows.length - 1}
              rounds={known ? roundsOfLine(read, known) : []}
              finding={at === undefined ? undefined : findings.find((one) => one.line === at)}
              inHand={at !== undefined && inHand?.line === at ? inHand : undefined}
              settled={settled}
              pitch={pitch}
              colours={colours}
              onFinding={onFinding}
              onUnsay={onUnsay}
              onChange={(next) => change(index, next)}
              onKeyDown={(event) => byKey(event, index)}
            />
          )
        })}
      </ol>
    </div>
  )
}

/** The rows of a text, and an empty one after the last to go on in. */
function rowsInHand(text: string): Span[] {
  const rows = rowsOf(text)
  const last = rows.at(-1)!
  return text.slice(last.from, last.to).trim() === ''
    ? rows
    : [...rows, { from: text.length, to: text.length }]
}

const roundsOfLine = ({ pieces }: PatternRead, { piece, rounds }: LineRead): readonly RoundRead[] =>
  rounds ? (pieces[piece]?.rounds.slice(...rounds) ?? []) : []

interface PatternRowProps {
  readonly line: LineRead | undefined
  readonly index: number
  /** The character of the text that it begins with. */
  readonly from: number
  readonly text: string
  readonly last: boolean
  readonly rounds: readonly RoundRead[]
  readonly finding: Finding | undefined
  readonly inHand: Finding | undefined
  readonly settled: boolean
  readonly pitch: number
  readonly colours: ReadonlyMap<string, string>
  readonly onFinding: (finding: Finding) => void
  readonly onUnsay: (from: number) => void
  readonly onChange: (text: string) => void
  readonly onKeyDown: (event: KeyboardEvent<HTMLTextAreaElement>) => void
}

function PatternRow(props: PatternRowProps) {
  const { line, index, from, text, last: isLast, rounds, finding, inHand, settled, pitch, colours } = props
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
        'items-center border-b border-hair',
        text.trim() === '' && !isLast ? 'min-h-6' : 'min-h-[2.875rem] max-sm:py-1',
        lit && 'bg-film-2 shadow-[inset_5px_0_0_var(--color-tape)]',
      )}
    >
      <div
        className={clsx(
          'grid min-w-0 pl-2 text-18 leading-snug [overflow-wrap:anywhere] *:[grid-area:1/1] max-sm:col-span-2 max-sm:min-h-11',
          text.trim() === '' && !isLast && '*:py-0!',
          (line?.is === 'heading' || line?.is === 'fact') && 'text-ink-2',
        )}
      >
        <span aria-hidden className="py-2 whitespace-pre-wrap text-transparent">
          {settled && finding ? <Marked text={text} from={from} span={(inHand ?? finding).span} /> : text}
          {'\u200b'}
        </span>
        <textarea
          rows={1}
          spellCheck={false}
          aria-label={isLast && text === '' ? 'A new line' : `Line ${index + 1}`}
          placeholder={isLast ? 'Write or paste more here' : undefined}
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
          <>
            <Strip round={first} rounds={rounds} pitch={pitch} colours={colours} lit={lit} />
            {first.byHand && line && (
              <button
                type="button"
                className="min-h-11 text-16 underline underline-offset-4"
                onClick={() => props.onUnsay(line.span.from)}
              >
                Take back
              </button>
            )}
          </>
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
  const byHand = round.byHand === true
  const off = stated !== undefined && stated.count !== makes && !byHand
  return (
    <>
      <span className="visually-hidden">
        {`makes ${makes}${stated ? `, says ${stated.count}` : ', no total said'}${byHand ? `, by your word` : ''}`}
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
            ? `${count}, by your word`
            : stated
              ? ''
              : last.makes === makes
                ? `${makes}, not said`
                : `${makes} to ${last.makes}`}
      </span>
    </>
  )
}
