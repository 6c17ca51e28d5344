import { Plus, X } from 'lucide-react'
import {
  countAround,
  LONGEST_ZONE,
  PLACE_KINDS,
  placeOfStitch,
  placesIn,
  type PieceRecord,
  type Place,
  type PlaceKind,
} from '../../../core/index.ts'
import { NameField } from '../../ui/NameField.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount, parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { PLACE_WORDS, placeAt } from '../../words/placeWords.ts'
import type { PlanModel } from './planModel.ts'

const TURN = 360
/** As many as one keeps an eye on. */
const MOST = 40

/** A name that no place has yet. */
function freeName(places: readonly Place[]): string {
  let number = places.length + 1
  while (places.some(({ name }) => name === `place ${number}`)) number++
  return `place ${number}`
}

/** Where marks, holes, loops and parts go: told by round and stitch, or by centimetres and an angle. */
export function PlacesEditor({ model }: { model: PlanModel }) {
  const { piece, plan, changePiece } = model
  const places = piece.constraints.places ?? []
  const withPlaces = (next: readonly Place[]): PieceRecord => {
    const { places: _, ...others } = piece.constraints
    return { ...piece, constraints: next.length > 0 ? { ...others, places: next } : others }
  }
  const half = plan?.rounds[Math.floor(plan.rounds.length / 2)]
  const add = () => {
    if (!plan || !half) return
    const place = placeOfStitch(plan, half, Math.max(1, Math.round(half.count / 2)))
    changePiece(withPlaces([...places, { name: freeName(places), kind: 'mark', ...place, mirrored: false }]))
  }
  return (
    <div className="border-t rule">
      <p className="slab px-3 pt-3 text-18">Places</p>
      {places.map((place, index) => (
        <OnePlace
          key={index}
          place={place}
          others={places.filter((_, at) => at !== index)}
          model={model}
          changed={(next) => withPlaces(places.map((one, at) => (at === index ? next : one)))}
          onRemove={() => changePiece(withPlaces(places.filter((_, at) => at !== index)))}
        />
      ))}
      {places.length < MOST && (
        <button
          type="button"
          className="button-line m-3 flex items-center gap-2"
          disabled={!plan}
          onClick={add}
        >
          <Plus aria-hidden size={18} /> Name a place
        </button>
      )}
    </div>
  )
}

interface OnePlaceProps {
  readonly place: Place
  readonly others: readonly Place[]
  readonly model: PlanModel
  readonly changed: (place: Place) => PieceRecord
  readonly onRemove: () => void
}

function OnePlace({ place, others, model, changed, onRemove }: OnePlaceProps) {
  const { plan, changePiece } = model
  const sizes = useSizes()
  const { name } = place
  const change = (next: Place) => changePiece(changed(next))
  const found = plan ? placesIn(plan, { constraints: { places: [place] } }) : []
  const [first] = found
  const refuse = (text: string) => {
    if (text.length > LONGEST_ZONE) return `A place’s name has up to ${LONGEST_ZONE} letters.`
    return others.some((other) => other.name === text) ? 'Another place is called so.' : undefined
  }
  const cell = 'border-r border-b rule'
  const round = plan && first ? plan.rounds[first.round - 1] : undefined
  const lies = plan?.finished.lie !== undefined
  const reach = plan?.rounds.at(-1)?.at.arc ?? 0
  const toStitch = (number: number, stitch: number) => {
    const there = plan?.rounds[number - 1]
    if (plan && there) {
      change({ ...place, ...placeOfStitch(plan, there, Math.min(countAround(there), stitch)) })
    }
  }
  return (
    <fieldset className="grid gap-2 px-3 py-2">
      <legend className="visually-hidden">{name}</legend>
      <div className="flex items-end gap-2">
        <div className="grow">
          <NameField
            label="What goes there"
            value={name}
            must
            refuse={refuse}
            onChange={(next) => next && change({ ...place, name: next })}
          />
        </div>
        <button type="button" className="grid size-11 shrink-0 place-items-center" onClick={onRemove}>
          <X aria-hidden size={20} />
          <span className="visually-hidden">Take {name} out</span>
        </button>
      </div>
      <Select
        label="It is"
        value={place.kind}
        onChange={(kind) => change({ ...place, kind: kind as PlaceKind })}
        choices={PLACE_KINDS.map((kind) => [kind, PLACE_WORDS[kind].label] as const)}
      />
      {plan && first && round && (
        <div className="grid grid-cols-2 border-t border-l rule">
          <NumberCell
            className={cell}
            label={`${name}: round`}
            value={first.round}
            format={String}
            parse={parseWhole(1, plan.rounds.length, 'a round of the piece')}
            step={1}
            onChange={(number) =>
              toStitch(number, Math.floor(place.at * countAround(plan.rounds[number - 1]!)) + 1)
            }
          />
          <NumberCell
            className={cell}
            label={`${name}: stitch`}
            value={first.stitch}
            format={String}
            parse={parseWhole(1, countAround(round), 'a stitch of that round')}
            step={1}
            unit={`of ${countAround(round)}`}
            onChange={(stitch) => toStitch(first.round, stitch)}
          />
          <NumberCell
            className={cell}
            label={`${name}: from the ${lies ? 'middle' : 'beginning'}`}
            value={place.along}
            format={sizes.bare}
            parse={sizes.between(0, reach)}
            step={sizes.step}
            unit={sizes.unit}
            takes="length"
            onChange={(along) => change({ ...place, along })}
          />
          <NumberCell
            className={cell}
            label={`${name}: from the start`}
            value={Math.round(place.at * TURN)}
            format={String}
            parse={parseCount(0, TURN - 1, 'an angle in degrees')}
            step={5}
            unit="°"
            onChange={(degrees) => change({ ...place, at: degrees / TURN })}
          />
        </div>
      )}
      <label className="flex min-h-11 items-center gap-3 text-16">
        <input
          type="checkbox"
          className="size-5 shrink-0 accent-ink"
          checked={place.mirrored}
          onChange={({ target }) => change({ ...place, mirrored: target.checked })}
        />
        <span>
          And a second one, mirrored
          {place.mirrored && found[1] && round && (
            <span className="block text-ink-2">
              {placeAt(found[0]!, round)} and st {found[1].stitch}
            </span>
          )}
        </span>
      </label>
      {place.along > reach && <p className="text-16">It lies beyond the edge now: on the last round.</p>}
    </fieldset>
  )
}
