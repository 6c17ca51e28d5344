import { FileText } from 'lucide-react'
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { type GaugeRecord } from '../../../core/index.ts'
import { type Finding } from '../../../core/pattern/check/findings.ts'
import { mended, readingsAfterEdit, type Mend } from '../../../core/pattern/check/mends.ts'
import { LONGEST_TEXT, type Readings } from '../../../core/pattern/readings.ts'
import type { Study } from '../../../core/pattern/studyPattern.ts'
import { useSettings, useYarns } from '../../store/queries.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { isGuess, MEASURE_WORDS, sayGuessed } from '../../words/measureWords.ts'
import { LIE_WORDS } from '../../words/wording.ts'
import { FindingBar } from './FindingBar.tsx'
import { PatternLines } from './PatternLines.tsx'
import { useMends, usePattern } from './usePattern.ts'
import { WhatItWillBe } from './WhatItWillBe.tsx'

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

/** A text line against line with its rounds, what it will be, and one finding at a time. */
export function Reader({ text, readings, gauge, onChange, onRead, header, title, actions }: ReaderProps) {
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
