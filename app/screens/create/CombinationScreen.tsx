import { ToggleGroup } from 'radix-ui'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import {
  asksOf,
  attempt,
  COMBINATIONS,
  jointsOfCombination,
  newPiece,
  NO_FINISH,
  piecesOfCombination,
  planPiece,
  specOf,
  UNMEASURED_GAUGE,
  type CombinationField,
  type CombinationName,
  type CombinationPiece,
  type CombinationSizes,
  type GaugeRecord,
  type Plan,
  type PieceRecord,
} from '../../../core/index.ts'
import { LedgeTape, OnePiece, sizeOnLedge } from '../../drawing/OnLedge.tsx'
import { freshId } from '../../store/database.ts'
import { createPieces } from '../../store/mutations.ts'
import { notStoredWords } from '../../store/mustFit.ts'
import { useGauges, useSettings, useYarnColours } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { NameField } from '../../ui/NameField.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { refusalFrom } from '../../ui/refusal.ts'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { COMBINATION_WORDS } from '../../words/combinationWords.ts'
import { sayFormShort } from '../../words/formWords.ts'
import { duration } from '../../words/wording.ts'

const SKETCH = { id: 'sketch', projectId: 'sketch', gaugeId: 'sketch', yarnId: 'sketch' }

const nameIn = (search: URLSearchParams): CombinationName =>
  COMBINATIONS.find((name) => name === search.get('make')) ?? COMBINATIONS[0]

interface PlannedOne {
  readonly piece: CombinationPiece
  readonly plan: Plan
}

/** Several pieces that become one: what they are, the sizes of the whole, and all of them at one scale. */
export function CombinationScreen() {
  const [search, setSearch] = useSearchParams()
  const name = nameIn(search)
  const words = COMBINATION_WORDS[name]
  usePageTitle(`New ${words.unnamed.toLowerCase()}`)
  const navigate = useNavigate()
  const sizes = useSizes()
  const settings = useSettings()
  const gauges = useGauges()
  const [answers, setAnswers] = useState<CombinationSizes>({})
  const [called, setCalled] = useState('')
  const [refused, setRefused] = useState(false)
  const [gaugeId, setGaugeId] = useState('')
  const [busy, setBusy] = useState(false)
  const gauge: GaugeRecord = gauges?.find(({ id }) => id === gaugeId) ?? { ...UNMEASURED_GAUGE, id: 'sketch' }
  const asked = Object.fromEntries(
    asksOf(name).map(({ key, usual }) => [key, answers[`${name} ${key}`] ?? usual]),
  )
  const key = JSON.stringify([name, asked, gauge, settings.pace])
  const planned = useMemo(
    () =>
      attempt(() =>
        piecesOfCombination(name, asked).map((piece): PlannedOne => ({
          piece,
          plan: planPiece(specOf(newPiece({ ...SKETCH, form: piece.form }), gauge, settings.pace)),
        })),
      ),
    // The key stands for all that the plans follow from.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key],
  )
  const fault = planned.ok ? undefined : refusalFrom(planned, sizes.speech)
  const begin = async () => {
    if (busy || refused || fault) return
    setBusy(true)
    try {
      const piece = await createPieces({
        name: called.trim() || words.unnamed,
        pieces: piecesOfCombination(name, asked),
        ...(gaugeId ? { gaugeId } : {}),
        finishOf: (pieces, worked) => finishOf(name, pieces, worked, settings.pace),
      })
      await navigate(`/project/${piece.projectId}/pieces`)
    } catch (error) {
      say(notStoredWords(error))
      setBusy(false)
    }
  }
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      <main className="grid grow content-start gap-8 p-7 max-sm:p-4 lg:grid-cols-[26rem_1fr]">
        <form
          className="grid content-start gap-5"
          onSubmit={(event) => {
            event.preventDefault()
            void begin()
          }}
        >
          <h1 className="text-44 [overflow-wrap:anywhere] max-sm:text-36">{words.title}</h1>
          <p className="text-18">{words.becomes}</p>
          <ToggleGroup.Root
            type="single"
            value={name}
            onValueChange={(next) => {
              if (!next) return
              search.set('make', next)
              setSearch(search, { replace: true })
            }}
            aria-label="What it is"
            className="grid grid-cols-2 gap-2"
          >
            {COMBINATIONS.map((one) => (
              <ToggleGroup.Item
                key={one}
                value={one}
                className="slab min-h-11 border-2 rule px-3 py-2 text-left text-18 leading-tight data-[state=on]:bg-film-2 data-[state=on]:shadow-[inset_5px_0_0_var(--color-ink)]"
              >
                {COMBINATION_WORDS[one].offer}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] border-t border-l rule">
            {asksOf(name).map((field) => (
              <NumberCell
                key={`${name} ${field.key}`}
                className="border-r border-b rule"
                label={words.asks[field.key]!}
                value={asked[field.key]}
                {...readingOf(field, sizes)}
                onChange={(value) => setAnswers((known) => ({ ...known, [`${name} ${field.key}`]: value }))}
              />
            ))}
          </div>
          <p role="status" className={fault ? 'fault text-18' : 'text-18'}>
            {fault?.text ?? (planned.ok ? sumOf(planned.value, name !== 'box') : '')}
          </p>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(11rem,1fr))] items-end gap-4">
            <NameField
              label="What is it for?"
              placeholder={words.unnamed}
              value={called}
              onChange={(next) => setCalled(next ?? '')}
              onRefused={setRefused}
            />
            <Select
              label="Gauge"
              value={gaugeId}
              onChange={setGaugeId}
              choices={[
                ['', 'Not measured yet: medium yarn, 5 mm hook'],
                ...(gauges ?? []).map((known) => [known.id, known.name] as const),
              ]}
            />
          </div>
          <button type="submit" className="button-ink" disabled={busy || refused || fault !== undefined}>
            Plan them
          </button>
          <p className="text-18">
            <Link to="/new" className="inline-flex min-h-11 items-center underline underline-offset-4">
              One piece alone
            </Link>
          </p>
        </form>
        {planned.ok && <Together pieces={planned.value} />}
      </main>
    </div>
  )
}

/** How a field is read and written. */
function readingOf({ kind, least, most }: CombinationField, sizes: ReturnType<typeof useSizes>) {
  return kind === 'count'
    ? { format: String, parse: parseWhole(least, most, 'pieces of it'), step: 1 }
    : {
        format: sizes.bare,
        parse: sizes.between(least, most),
        step: sizes.step,
        unit: sizes.unit,
        takes: 'length' as const,
      }
}

/** The joints of a combination between the pieces that were made for it. */
function finishOf(name: CombinationName, pieces: readonly PieceRecord[], gauge: GaugeRecord, pace: number) {
  const planned = pieces.map((piece) => {
    const spec = specOf(piece, gauge, pace)
    return { ...piece, spec, plan: planPiece(spec) }
  })
  const joints = jointsOfCombination(name, planned).map((joint) => ({ ...joint, id: freshId() }))
  return { ...NO_FINISH, joints }
}

/** "3 pieces, 1 h 40 of work before they are joined." */
function sumOf(planned: readonly PlannedOne[], joined: boolean): string {
  const count = planned.reduce((sum, { piece }) => sum + piece.quantity, 0)
  const seconds = planned.reduce((sum, { piece, plan }) => sum + piece.quantity * plan.seconds, 0)
  return `${count} pieces, ${duration(seconds)} of work${joined ? ' before they are joined' : ''}.`
}

const GAP_MM = 24
const TALLEST = 380
/** Sets of more are drawn so often. */
const MOST_DRAWN = 6

/** All pieces at one scale on a ledge. */
function Together({ pieces }: { readonly pieces: readonly PlannedOne[] }) {
  const [area, { width }] = useElementSize()
  const sizes = useSizes()
  const colours = useYarnColours()
  const mirrored = useSettings().hand === 'left'
  const shown = pieces.flatMap(({ piece, plan }) =>
    Array.from({ length: Math.min(MOST_DRAWN, piece.quantity) }, (_, index) => ({
      piece,
      plan,
      copy: index + 1,
      ...sizeOnLedge(plan),
    })),
  )
  const across = shown.reduce((sum, one) => sum + one.width + GAP_MM, GAP_MM)
  const tallest = Math.max(1, ...shown.map(({ height }) => height))
  const scale = Math.min(width / Math.max(across, 200), TALLEST / tallest)
  let x = GAP_MM / 2
  return (
    <div ref={area} className="min-w-0 self-start lg:sticky lg:top-4">
      {width > 0 && (
        <>
          <div className="relative border-b-2 rule" style={{ height: Math.ceil(tallest * scale) + 8 }}>
            {shown.map(({ piece, plan, copy, width: wide, height }) => {
              const left = x * scale
              x += wide + GAP_MM
              const size = { width: wide * scale, height: height * scale }
              return (
                <span
                  key={`${piece.name} ${copy}`}
                  aria-hidden
                  className="absolute bottom-0 block"
                  style={{ left, ...size }}
                >
                  <OnePiece
                    {...size}
                    plan={plan}
                    yarns={colours}
                    finished={false}
                    detailed
                    mirrored={mirrored}
                    hangs={false}
                  />
                </span>
              )
            })}
          </div>
          <LedgeTape width={width} scale={scale} inches={sizes.unit === 'in'} />
          <ul className="flex flex-wrap gap-x-8 gap-y-1 pt-2">
            {pieces.map(({ piece, plan }) => (
              <li key={piece.name}>
                <span className="slab block text-20">
                  {piece.name}
                  {piece.quantity > 1 && ` × ${piece.quantity}`}
                </span>
                <span className="block text-16 text-ink-2">
                  {sayFormShort(piece.form, sizes)}, {plan.rounds.length} rnds
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
