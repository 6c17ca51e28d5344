import { Plus, X } from 'lucide-react'
import {
  atTheFront,
  chainsOf,
  frontOf,
  fromTheFront,
  LIMITS,
  openingFit,
  sectionsOf,
  type Opening,
  type PieceRecord,
} from '../../../core/index.ts'
import { eitherWay } from '../../ui/eitherWay.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sectionName } from '../../words/formWords.ts'
import { openingWords } from '../../words/noticeTexts.ts'
import type { PlanModel } from './planModel.ts'

/** Places around that have a name, as shares of the round from its start. */
const AROUND = [
  [0, 'at the join'],
  [0.25, 'a quarter after it'],
  [0.5, 'opposite it'],
  [0.75, 'a quarter before it'],
] as const

function aroundWords(at: number): string {
  const named = AROUND.find(([share]) => Math.abs(share - at) < 1 / 720)
  return named ? `, ${named[1]}` : ''
}

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
  const turned = (degrees: number): Opening => ({ ...opening, at: degrees / 360 })
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
  const front = spec && frontOf(spec, opening)
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
      <NumberCell
        className="border rule"
        label={`${name}: from the join, around`}
        value={Math.round(opening.at * 360)}
        format={String}
        parse={taking(parseCount(0, 359, 'an angle in degrees'), (degrees) => changed(turned(degrees)))}
        step={15}
        unit={`°${aroundWords(opening.at)}`}
        onChange={(degrees) => change(turned(degrees))}
      />
      {front && (
        <NumberCell
          className="border rule"
          label={`${name}: from the front’s middle`}
          value={fromTheFront(opening, front)}
          format={(value) => sizes.bare(value).replace('-', '−')}
          parse={taking(eitherWay(sizes, front.around / 2), (value) =>
            changed({ ...opening, at: atTheFront(value, front) }),
          )}
          step={sizes.step}
          signed
          unit={`${sizes.unit}, − before it`}
          takes="length"
          onChange={(value) => change({ ...opening, at: atTheFront(value, front) })}
        />
      )}
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
