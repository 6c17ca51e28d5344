import { Plus, X } from 'lucide-react'
import {
  chainsOf,
  LIMITS,
  openingFit,
  sectionsOf,
  type Opening,
  type PieceRecord,
} from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { sectionName } from '../../words/formWords.ts'
import { openingWords } from '../../words/noticeTexts.ts'
import type { PlanModel } from './planModel.ts'

/** Where around an opening may lie, as shares of the round from its start. */
const AROUND = [
  [0.5, 'opposite the join'],
  [0.25, 'a quarter after the join'],
  [0.75, 'a quarter before the join'],
  [0, 'at the join'],
] as const

/** Slits that are left in a round: chains over stitches that are skipped, for a handle, a cord or a wick. */
export function OpeningsEditor({ model }: { model: PlanModel }) {
  const { piece, spec, changePiece } = model
  const openings = piece.constraints.openings ?? []
  const withOpenings = (next: readonly Opening[]): PieceRecord => {
    const { openings: _, ...others } = piece.constraints
    return { ...piece, constraints: next.length > 0 ? { ...others, openings: next } : others }
  }
  const sections = spec ? sectionsOf(spec) : []
  const last = sections.at(-1)
  const add = () => {
    if (!last) return
    const along = Math.round(Math.min(LIMITS.along[1], last.guide.length / 2))
    changePiece(withOpenings([...openings, { section: last.id, along, at: 0.5, width: 40 }]))
  }
  return (
    <div className="border-t rule">
      <p className="slab px-3 pt-3 text-18">Openings</p>
      {openings.map((opening, index) => (
        <OneOpening
          key={index}
          name={openings.length > 1 ? `Opening ${index + 1}` : 'Opening'}
          opening={opening}
          model={model}
          changed={(next) => withOpenings(openings.map((one, at) => (at === index ? next : one)))}
          onRemove={() => changePiece(withOpenings(openings.filter((_, at) => at !== index)))}
        />
      ))}
      <button type="button" className="button-line m-3 flex items-center gap-2" onClick={add}>
        <Plus aria-hidden size={18} /> Leave an opening
      </button>
    </div>
  )
}

interface OneOpeningProps {
  readonly name: string
  readonly opening: Opening
  readonly model: PlanModel
  readonly changed: (opening: Opening) => PieceRecord
  readonly onRemove: () => void
}

function OneOpening({ name, opening, model, changed, onRemove }: OneOpeningProps) {
  const { spec, changePiece, taking } = model
  const sizes = useSizes()
  const sections = spec ? sectionsOf(spec) : []
  const change = (next: Opening) => changePiece(changed(next))
  const length = (key: 'along' | 'width', label: string, [least, most]: readonly [number, number]) => (
    <NumberCell
      className="border-r border-b rule"
      label={label}
      value={opening[key]}
      format={sizes.bare}
      parse={taking(sizes.between(least, most), (value) => changed({ ...opening, [key]: value }))}
      step={sizes.step}
      unit={sizes.unit}
      takes="length"
      onChange={(value) => change({ ...opening, [key]: value })}
    />
  )
  const chains = spec && chainsOf(spec, opening)
  const fit = spec && openingFit(spec, opening)
  const { passes: _, ...withoutPassing } = opening
  return (
    <fieldset className="grid gap-2 px-3 py-2">
      <legend className="visually-hidden">{name}</legend>
      <div className="flex items-center gap-2">
        {sections.length > 1 ? (
          <select
            aria-label={`${name}: in which part`}
            className="field"
            value={opening.section}
            onChange={({ target }) => change({ ...opening, section: target.value })}
          >
            {sections.map(({ id }) => (
              <option key={id} value={id}>
                {sectionName(id)}
              </option>
            ))}
          </select>
        ) : (
          <p className="grow text-16">{name}</p>
        )}
        <button type="button" className="grid size-11 shrink-0 place-items-center" onClick={onRemove}>
          <X aria-hidden size={20} />
          <span className="visually-hidden">Take {name.toLowerCase()} out</span>
        </button>
      </div>
      <select
        aria-label={`${name}: where around`}
        className="field"
        value={opening.at}
        onChange={({ target }) => change({ ...opening, at: Number(target.value) })}
      >
        {AROUND.map(([at, words]) => (
          <option key={at} value={at}>
            {words}
          </option>
        ))}
      </select>
      <div className="grid grid-cols-2 border-t border-l rule">
        {length('along', 'Along this part', LIMITS.along)}
        {length('width', 'Wide', LIMITS.opening)}
      </div>
      <NumberCell
        className="border rule"
        label="What must pass is, around"
        value={opening.passes}
        format={sizes.bare}
        parse={sizes.between(...LIMITS.around)}
        unit={sizes.unit}
        takes="length"
        onChange={(passes) => change({ ...opening, passes })}
        onClear={() => change(withoutPassing)}
      />
      {chains !== undefined && (
        <p className="text-16 text-ink-2">
          {chains} chains over {chains} skipped stitches; the next round goes into the chains.
        </p>
      )}
      {fit && <p className="text-16">{openingWords(fit, sizes)}</p>}
    </fieldset>
  )
}
