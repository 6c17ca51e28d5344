import clsx from 'clsx'
import { useEffect, useRef, type KeyboardEvent } from 'react'
import { expandSteps } from '../../../core/index.ts'
import type { Finding } from '../../../core/pattern/check/findings.ts'
import type { JointRead } from '../../../core/pattern/read/joints.ts'
import type { LineRead, PieceRead, RoundRead } from '../../../core/pattern/read/readPattern.ts'
import type { Span } from '../../../core/pattern/read/syntax.ts'
import { STRIP_HEIGHT, StepStrip, TAG_ROOM } from '../../drawing/StepStrip.tsx'
import { sayJoint } from '../../words/patternWords.ts'

/** Text, number and stitches beside one another; on a phone the text above. */
export const COLUMNS =
  'grid gap-x-4 max-sm:grid-cols-[2.5rem_minmax(0,1fr)] sm:grid-cols-[minmax(0,1fr)_3.5rem_minmax(0,1.3fr)]'

/** Of several rounds in one line the first is drawn, and the others are told by their numbers. */
const FOG = '#FAFCFB'

interface PatternRowProps {
  readonly line: LineRead | undefined
  readonly index: number
  /** The character of the text that it begins with. */
  readonly from: number
  readonly text: string
  readonly last: boolean
  readonly rounds: readonly RoundRead[]
  /** What it says of joining two of the pieces. */
  readonly joint: JointRead | undefined
  readonly pieces: readonly PieceRead[]
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

/** A line of a text: its characters to edit, its number, and what its steps make. */
export function PatternRow(props: PatternRowProps) {
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
          <span className="text-16 text-ink-2">
            {props.joint ? sayJoint(props.joint, props.pieces) : line ? sayLine(line) : ''}
          </span>
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
    case 'joint':
      return 'two pieces joined'
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
