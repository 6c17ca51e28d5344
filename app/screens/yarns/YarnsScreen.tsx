import clsx from 'clsx'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import {
  ALL_FIBRES,
  FIBRES,
  metresAtHand,
  YARN_WEIGHTS,
  type Fibre,
  type YarnRecord,
  type YarnWeight,
} from '../../../core/index.ts'
import { Cord } from '../../drawing/Cord.tsx'
import { freshId } from '../../store/database.ts'
import { deleteYarn, saveYarn } from '../../store/mutations.ts'
import { useProjects, useYarns } from '../../store/queries.ts'
import { useDraft } from '../../store/useDraft.ts'
import { Header } from '../../ui/Header.tsx'
import { InstrumentBar } from '../../ui/InstrumentBar.tsx'
import { NumberCell, parseCount } from '../../ui/NumberCell.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { Substitution } from './Substitution.tsx'
import { yarnTitle } from './yarnTitle.ts'

const NEW_COLOURS = ['#55656C', '#2F5B50', '#BCCBB8', '#77675B', '#FAFCFB']
const NO_YARNS: readonly YarnRecord[] = []

/** The yarn shelf: every colour as a cord whose length is what is left. */
export function YarnsScreen() {
  const yarns = useYarns()
  const sizes = useSizes()
  const [chosen, setChosen] = useState<string>()
  const all = yarns ?? NO_YARNS
  const longest = Math.max(1, ...all.map((yarn) => metresAtHand(yarn) ?? 0))
  const lines = [...new Set(all.map(({ line }) => line ?? ''))].sort((one, other) =>
    one === '' ? 1 : other === '' ? -1 : one.localeCompare(other),
  )
  const inOrder = lines.map((line) => [line, all.filter((yarn) => (yarn.line ?? '') === line)] as const)
  const current = all.find(({ id }) => id === chosen) ?? inOrder[0]?.[1][0]
  const add = async (like?: YarnRecord) => {
    const yarn: YarnRecord = {
      weight: 4,
      fibre: 'unknown',
      ...(like ? labelOf(like) : {}),
      id: freshId(),
      name: like ? 'Another colour' : `Yarn ${all.length + 1}`,
      colour: NEW_COLOURS[all.length % NEW_COLOURS.length]!,
    }
    await saveYarn(yarn)
    setChosen(yarn.id)
  }
  return (
    <div className="flex min-h-dvh flex-col">
      <Header>
        <button
          type="button"
          className="slab ml-auto flex shrink-0 items-center gap-1 px-3 text-18 hover:bg-film-2"
          onClick={() => void add()}
        >
          <Plus aria-hidden size={20} /> New<span className="visually-hidden"> yarn</span>
        </button>
      </Header>
      {!yarns ? (
        <Opening />
      ) : (
        <main className="grid grow lg:grid-cols-[minmax(0,1fr)_30rem] lg:[&>*:last-child]:border-l-2 max-lg:[&>*:last-child]:border-t-2">
          <section aria-label="All yarns" className="min-w-0 px-7 pt-3 pb-6 max-sm:px-4">
            <div className="flex flex-wrap items-baseline gap-x-7">
              <h1 className="text-44 max-sm:text-36">Yarns</h1>
              <p className="text-18">
                {all.length === 0
                  ? 'None yet. Put in what the label says; the rest can wait.'
                  : `A cord is as long as what is left; the longest is ${sizes.yarn.full(longest)}.`}
              </p>
            </div>
            {inOrder.map(([line, ofLine]) => (
              <div key={line} className="pt-4">
                <h2 className="border-b-2 rule pb-1 text-20">{line || 'Single yarns'}</h2>
                <ul>
                  {ofLine.map((yarn) => (
                    <YarnRow
                      key={yarn.id}
                      yarn={yarn}
                      longest={longest}
                      chosen={yarn.id === current?.id}
                      onChoose={() => setChosen(yarn.id)}
                    />
                  ))}
                </ul>
              </div>
            ))}
          </section>
          {current && (
            <section aria-label="One yarn" className="min-w-0 rule px-7 py-4 max-sm:px-4">
              <YarnDetail key={current.id} stored={current} yarns={all} onAnother={() => void add(current)} />
            </section>
          )}
        </main>
      )}
      <InstrumentBar />
    </div>
  )
}

/** What another colour of the same yarn shares. */
const labelOf = ({ line, weight, fibre, metresPerBall, gramsPerBall }: YarnRecord) => ({
  ...(line ? { line } : {}),
  weight,
  fibre,
  ...(metresPerBall ? { metresPerBall } : {}),
  ...(gramsPerBall ? { gramsPerBall } : {}),
})

interface YarnRowProps {
  readonly yarn: YarnRecord
  readonly longest: number
  readonly chosen: boolean
  readonly onChoose: () => void
}

function YarnRow({ yarn, longest, chosen, onChoose }: YarnRowProps) {
  const sizes = useSizes()
  const here = metresAtHand(yarn)
  return (
    <li className="border-b border-hair">
      <button
        type="button"
        aria-pressed={chosen}
        className={clsx(
          'grid w-full grid-cols-[9rem_1fr_6.5rem] items-center gap-3 border-l-[6px] py-1.5 pl-2 text-left max-sm:grid-cols-[6rem_1fr_5rem]',
          chosen ? 'border-tape bg-film-2' : 'border-transparent hover:bg-film-2',
        )}
        onClick={onChoose}
      >
        <span className="min-w-0">
          <span className="slab block truncate text-18">{yarn.name}</span>
          <span className="block truncate text-14 text-ink-2">
            {FIBRES[yarn.fibre].name === 'not said'
              ? YARN_WEIGHTS[yarn.weight]!.name
              : FIBRES[yarn.fibre].name}
            {yarn.dyeLot && `, lot ${yarn.dyeLot}`}
          </span>
        </span>
        <Cord colour={yarn.colour} share={here === undefined ? undefined : here / longest} />
        <span className="slab tabular text-right text-18 whitespace-nowrap">
          {here === undefined ? '?' : sizes.yarn.full(here)}
        </span>
      </button>
    </li>
  )
}

interface YarnDetailProps {
  readonly stored: YarnRecord
  readonly yarns: readonly YarnRecord[]
  readonly onAnother: () => void
}

function YarnDetail({ stored, yarns, onAnother }: YarnDetailProps) {
  const [yarn, change] = useDraft(stored, ['yarns'], saveYarn, say)
  const projects = useProjects() ?? []
  const usedBy = projects.filter(({ piece }) => piece.colours.some(({ yarn: id }) => id === yarn.id))
  const remove = async () => {
    if (await deleteYarn(yarn.id)) {
      say(`${yarn.name} is off the yarn shelf.`, { label: 'Undo', run: () => void saveYarn(yarn) })
    } else say(`${yarn.name} stays: a plan that was begun is worked with it.`)
  }
  return (
    <div className="grid gap-4">
      <h2 className="text-26">{yarnTitle(yarn)}</h2>
      <LabelFields yarn={yarn} change={change} />
      <StockFields yarn={yarn} change={change} />
      <Substitution
        yarn={yarn}
        yarns={yarns}
        uses={[...new Set(usedBy.flatMap(({ piece }) => piece.fitness.uses))]}
      />
      <p className="text-16 text-ink-2">
        {usedBy.length === 0
          ? 'No piece is planned with it.'
          : `In ${usedBy.map(({ project }) => project.name).join(', ')}.`}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button-line" onClick={onAnother}>
          Another colour
        </button>
        {usedBy.length === 0 && (
          <button type="button" className="button-line" onClick={() => void remove()}>
            Take off the shelf
          </button>
        )}
      </div>
    </div>
  )
}

interface FieldsProps {
  readonly yarn: YarnRecord
  readonly change: (yarn: YarnRecord) => void
}

function LabelFields({ yarn, change }: FieldsProps) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Text
        label="Colour name"
        value={yarn.name}
        must
        onChange={(name) => change({ ...yarn, name: name! })}
      />
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Colour</span>
        <input
          type="color"
          className="h-11 w-full border rule bg-fog p-1"
          value={yarn.colour}
          onChange={({ target: { value } }) => change({ ...yarn, colour: value })}
        />
      </label>
      <Text label="Yarn" value={yarn.line} onChange={(line) => change({ ...yarn, line })} />
      <Text label="Dye lot" value={yarn.dyeLot} onChange={(dyeLot) => change({ ...yarn, dyeLot })} />
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Weight</span>
        <select
          className="field"
          value={yarn.weight}
          onChange={({ target: { value } }) => change({ ...yarn, weight: Number(value) as YarnWeight })}
        >
          {YARN_WEIGHTS.map(({ weight, name }) => (
            <option key={weight} value={weight}>
              {weight} {name}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Fibre</span>
        <select
          className="field"
          value={yarn.fibre}
          onChange={({ target: { value } }) => change({ ...yarn, fibre: value as Fibre })}
        >
          {ALL_FIBRES.map((fibre) => (
            <option key={fibre} value={fibre}>
              {FIBRES[fibre].name}
            </option>
          ))}
        </select>
      </label>
    </div>
  )
}

interface TextProps {
  readonly label: string
  readonly value: string | undefined
  /** Cannot be left empty. */
  readonly must?: boolean
  readonly onChange: (value: string | undefined) => void
}

function Text({ label, value, must = false, onChange }: TextProps) {
  const [draft, setDraft] = useState<string>()
  const empty = must && draft?.trim() === ''
  return (
    <label className="grid content-start gap-1">
      <span className="text-14 text-ink-2">{label}</span>
      <input
        className="field"
        maxLength={100}
        value={draft ?? value ?? ''}
        aria-invalid={empty}
        onChange={({ target: { value: text } }) => {
          setDraft(text)
          if (text.trim() || !must) onChange(text.trim() || undefined)
        }}
        onBlur={() => setDraft(undefined)}
      />
      {empty && (
        <span role="alert" className="text-14">
          It needs a name; the old one stays until there is another.
        </span>
      )}
    </label>
  )
}

function StockFields({ yarn, change }: FieldsProps) {
  const sizes = useSizes()
  const here = metresAtHand(yarn)
  const label = yarn.metresPerBall !== undefined && yarn.gramsPerBall !== undefined
  const metres = { format: sizes.yarn.bare, parse: positive(sizes.yarn.parse) }
  const grams = { format: sizes.mass.bare, parse: sizes.mass.parse, takes: 'mass' as const }
  return (
    <div>
      <div className="grid grid-cols-2 border-2 rule [&>*]:rule [&>*:nth-child(even)]:border-l [&>*:nth-child(n+3)]:border-t">
        <NumberCell
          {...metres}
          label="A ball is long"
          value={yarn.metresPerBall}
          unit={sizes.yarn.unit}
          onChange={(metresPerBall) => change({ ...yarn, metresPerBall })}
        />
        <NumberCell
          {...grams}
          parse={positive(sizes.mass.parse)}
          label="A ball weighs"
          value={yarn.gramsPerBall}
          unit={sizes.mass.unit}
          onChange={(gramsPerBall) => change({ ...yarn, gramsPerBall })}
        />
        <NumberCell
          label="Whole balls"
          value={yarn.balls}
          format={String}
          parse={parseCount(0, 10_000, 'a number of balls')}
          step={1}
          onChange={(balls) => change({ ...yarn, balls: Math.round(balls) })}
        />
        <NumberCell
          {...grams}
          label="Begun ball weighs"
          value={yarn.leftoverGrams}
          unit={sizes.mass.unit}
          onChange={(leftoverGrams) => change({ ...yarn, leftoverGrams })}
        />
        {!label && (
          <NumberCell
            label="Or at hand in all"
            value={yarn.metres}
            format={sizes.yarn.bare}
            parse={sizes.yarn.parse}
            unit={sizes.yarn.unit}
            onChange={(all) => change({ ...yarn, metres: all })}
          />
        )}
      </div>
      <p className="pt-2 text-18" role="status">
        {here === undefined ? (
          'How much is left is not known yet.'
        ) : (
          <>
            <strong className="slab">{sizes.yarn.full(here)}</strong> at hand
            {label ? ', by the label.' : ', as typed.'}
          </>
        )}
      </p>
    </div>
  )
}

type Parse = (text: string) => { ok: true; value: number } | { ok: false; message: string }

const positive =
  (parse: Parse): Parse =>
  (text) => {
    const read = parse(text)
    return read.ok && !(read.value > 0) ? { ok: false, message: 'More than 0, as the label says.' } : read
  }
