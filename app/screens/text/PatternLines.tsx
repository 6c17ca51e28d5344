import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react'
import type { Finding } from '../../../core/pattern/check/findings.ts'
import { rowsOf } from '../../../core/pattern/read/lines.ts'
import type { LineRead, PatternRead, RoundRead } from '../../../core/pattern/read/readPattern.ts'
import type { Span } from '../../../core/pattern/read/syntax.ts'
import { TAG_ROOM } from '../../drawing/StepStrip.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { COLUMNS, PatternRow } from './PatternRow.tsx'

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

const MOST_PITCH = 10.2

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
              joint={at === undefined ? undefined : read.joints.find((one) => one.line === at)}
              pieces={read.pieces}
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
