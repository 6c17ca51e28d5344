import { useEffect, useMemo, useState } from 'react'
import { streamedInstruments, layOnStand } from '../instruments/streamedInstruments.ts'
import type { Instrument, InstrumentState } from '../instruments/instrument.ts'
import { typedInstrument, type TypedInstrument } from '../instruments/typedInstrument.ts'
import { useRemembered } from '../store/remembered.ts'
import { useReadingTarget } from './readingTarget.ts'
import { say } from './toasts.tsx'
import { useSizes, type Sizes } from './useSizes.ts'

type Source = 'off' | 'hand' | 'stand'

const SOURCES: readonly (readonly [Source, string])[] = [
  ['off', 'No instruments'],
  ['hand', 'Read and typed'],
  ['stand', 'Live from the stand'],
]

/** Scale and caliper at the foot of a screen; a reading goes to the field that has the focus. */
export function InstrumentBar() {
  const [source, setSource] = useRemembered<Source>('instruments', 'off', say)
  const hand = useMemo(
    () => [typedInstrument('mass', 'Scale'), typedInstrument('length', 'Caliper')] as const,
    [],
  )
  return (
    <section
      aria-label="Instruments"
      className="flex flex-wrap items-center gap-x-6 gap-y-2 border-t-2 rule px-7 py-2 max-sm:px-4"
    >
      <label className="flex min-w-0 flex-wrap items-center gap-x-3">
        <span className="slab text-18">Instruments</span>
        <select
          className="field w-auto max-w-full min-w-0"
          value={source ?? 'off'}
          onChange={(event) => setSource(event.target.value as Source)}
        >
          {SOURCES.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {source === 'hand' &&
        hand.map((instrument) => <TypedReading key={instrument.id} instrument={instrument} />)}
      {source === 'stand' && <Stand />}
    </section>
  )
}

/** A stand that does not answer is asked again after so long. */
const ASK_AGAIN_MS = 4000

function Stand() {
  const [found, setFound] = useState<readonly Instrument[] | 'asking' | 'silent'>('asking')
  useEffect(() => {
    let wanted = true
    let again: ReturnType<typeof setTimeout> | undefined
    const ask = () =>
      void streamedInstruments()
        .then((instruments) => wanted && setFound(instruments))
        .catch(() => {
          if (!wanted) return
          setFound('silent')
          again = setTimeout(ask, ASK_AGAIN_MS)
        })
    ask()
    return () => {
      wanted = false
      clearTimeout(again)
    }
  }, [])
  if (found === 'asking') return <p className="text-16">Looking for the stand…</p>
  if (found === 'silent') {
    return (
      <p className="text-16">
        The stand does not answer; it is asked again. Readings can be typed meanwhile.
      </p>
    )
  }
  return found.map((instrument) => <LiveReading key={instrument.id} instrument={instrument} />)
}

function useInstrument(instrument: Instrument): InstrumentState {
  const [state, setState] = useState<InstrumentState>({ status: 'connecting' })
  useEffect(() => instrument.subscribe(setState), [instrument])
  return state
}

const inWords = ({ measures }: Instrument, value: number, sizes: Sizes): string =>
  measures === 'mass' ? sizes.mass.full(value) : `${(value / 10).toFixed(2)} cm`

function LiveReading({ instrument }: { instrument: Instrument }) {
  const state = useInstrument(instrument)
  const sizes = useSizes()
  const known = 'value' in state
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="text-16">{instrument.name}</span>
      <span className="slab tabular min-w-24 bg-tape px-2 text-right text-20">
        {known ? inWords(instrument, state.value, sizes) : '–'}
      </span>
      <span className="w-20 text-14 text-ink-2" role="status">
        {STATUS_WORDS[state.status]}
      </span>
      <UseButton
        instrument={instrument}
        value={state.status === 'steady' ? state.value : undefined}
        sizes={sizes}
      />
      <LayOn instrument={instrument} />
    </div>
  )
}

const STATUS_WORDS: Record<InstrumentState['status'], string> = {
  connecting: 'connecting',
  settling: 'settling',
  steady: 'steady',
  lost: 'no contact',
}

function TypedReading({ instrument }: { instrument: TypedInstrument }) {
  const state = useInstrument(instrument)
  const sizes = useSizes()
  const [text, setText] = useState('')
  const quantity = instrument.measures === 'mass' ? sizes.mass : sizes
  const read = text.trim() === '' ? undefined : quantity.parse(text)
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label className="flex items-center gap-2 text-16">
        {instrument.name}
        <input
          className="field w-28"
          inputMode="decimal"
          autoComplete="off"
          placeholder={quantity.unit}
          value={text}
          aria-invalid={read?.ok === false}
          onChange={({ target: { value } }) => {
            setText(value)
            const parsed = quantity.parse(value)
            if (parsed.ok) instrument.type(parsed.value)
          }}
        />
      </label>
      <UseButton
        instrument={instrument}
        value={read?.ok && state.status === 'steady' ? state.value : undefined}
        sizes={sizes}
      />
      {read?.ok === false && (
        <p role="alert" className="text-14">
          {read.message}
        </p>
      )}
    </div>
  )
}

interface UseButtonProps {
  readonly instrument: Instrument
  /** The reading, once it stands still. */
  readonly value: number | undefined
  readonly sizes: Sizes
}

/** Puts the reading into the field that has, or last had, the focus. */
function UseButton({ instrument, value, sizes }: UseButtonProps) {
  const target = useReadingTarget()
  const fits = target?.kind === instrument.measures
  return (
    <button
      type="button"
      className="button-line text-16"
      disabled={value === undefined || !fits}
      onPointerDown={(event) => event.preventDefault()}
      onClick={() => {
        if (value === undefined || !fits) return
        target.fill(value)
        say(`${target.label}: ${inWords(instrument, value, sizes)}.`)
      }}
    >
      {fits ? `Use for ${target.label}` : 'Use this reading'}
    </button>
  )
}

/** The stand is simulated: here something is laid on it. */
function LayOn({ instrument }: { instrument: Instrument }) {
  const sizes = useSizes()
  const [text, setText] = useState('')
  const quantity = instrument.measures === 'mass' ? sizes.mass : sizes
  const read = text.trim() === '' ? undefined : quantity.parse(text)
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (read?.ok) {
          void layOnStand(instrument.id, read.value).catch(() => say('The stand does not answer.'))
        }
      }}
    >
      <input
        className="field w-24"
        aria-label={`Lay on the simulated ${instrument.name.toLowerCase()}`}
        placeholder={`lay on, ${quantity.unit}`}
        inputMode="decimal"
        autoComplete="off"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="min-h-11 px-1 text-16 underline" disabled={!read?.ok}>
        Lay on
      </button>
    </form>
  )
}
