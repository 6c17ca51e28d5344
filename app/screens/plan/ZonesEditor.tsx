import { Plus, X } from 'lucide-react'
import {
  flatOnly,
  foundationOf,
  LONGEST_ZONE,
  ownZonesOf,
  type OwnZone,
  type PieceRecord,
} from '../../../core/index.ts'
import { NameField } from '../../ui/NameField.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import type { PlanModel } from './planModel.ts'

const TURN = 360
const asDegrees = (share: number): number => Math.round(share * TURN)
/** How far a new zone goes, and the least that it begins with, as shares of the round. */
const [USUAL, LEAST] = [1 / 6, 1 / 36]

/** The first place around that no zone has, as far as it is free. */
function freePlace(zones: readonly OwnZone[]): Pick<OwnZone, 'from' | 'share'> | undefined {
  const begins = [0, ...zones.map(({ from, share }) => from + share)]
  const ends = [...zones.map(({ from }) => from), 1]
  const free = begins.findIndex((begin, index) => ends[index]! - begin >= LEAST)
  if (free < 0) return undefined
  return { from: begins[free]!, share: Math.min(USUAL, ends[free]! - begins[free]!) }
}

/** A name that no zone has yet. */
function freeName(zones: readonly OwnZone[]): string {
  let number = zones.length + 1
  while (zones.some(({ name }) => name === `zone ${number}`)) number++
  return `zone ${number}`
}

/** Stretches of the round with a name of their own: told, drawn, and if wanted the only ones that are shaped. */
export function ZonesEditor({ model }: { model: PlanModel }) {
  const { piece, spec, changePiece } = model
  const zones = ownZonesOf(piece)
  const hasItsOwn = spec !== undefined && foundationOf(spec) !== undefined
  if (hasItsOwn && zones.length === 0) return null
  const withZones = (next: readonly OwnZone[]): PieceRecord => {
    const { zones: _, ...others } = piece.constraints
    return { ...piece, constraints: next.length > 0 ? { ...others, zones: next } : others }
  }
  const place = freePlace(zones)
  const add = () => {
    if (place) changePiece(withZones([...zones, { name: freeName(zones), ...place, shapes: false }]))
  }
  return (
    <div className="border-t rule">
      <p className="slab px-3 pt-3 text-18">Zones</p>
      {zones.map((zone, index) => (
        <OneZone
          key={index}
          zone={zone}
          others={zones.filter((_, at) => at !== index)}
          model={model}
          stands={spec !== undefined && !flatOnly(spec)}
          changed={(next) => withZones(zones.map((one, at) => (at === index ? next : one)))}
          onRemove={() => changePiece(withZones(zones.filter((_, at) => at !== index)))}
        />
      ))}
      {place ? (
        <button type="button" className="button-line m-3 flex items-center gap-2" onClick={add}>
          <Plus aria-hidden size={18} /> Name a zone
        </button>
      ) : (
        <p className="p-3 text-16 text-ink-2">
          The whole round is named. Make a zone smaller to name another.
        </p>
      )}
    </div>
  )
}

interface OneZoneProps {
  readonly zone: OwnZone
  readonly others: readonly OwnZone[]
  readonly model: PlanModel
  /** Whether some of the piece stands up, which may be shaped in zones alone. */
  readonly stands: boolean
  readonly changed: (zone: OwnZone) => PieceRecord
  readonly onRemove: () => void
}

function OneZone({ zone, others, model, stands, changed, onRemove }: OneZoneProps) {
  const { changePiece, taking } = model
  const change = (next: OwnZone) => changePiece(changed(next))
  const angle = (key: 'from' | 'share', label: string, least: number, most: number) => (
    <NumberCell
      className="border-r border-b rule"
      label={`${zone.name}: ${label}`}
      value={asDegrees(zone[key])}
      format={String}
      parse={taking(parseCount(least, most, 'an angle in degrees'), (degrees) =>
        changed({ ...zone, [key]: degrees / TURN }),
      )}
      step={5}
      unit="°"
      onChange={(degrees) => change({ ...zone, [key]: degrees / TURN })}
    />
  )
  const refuse = (name: string) => {
    if (name.length > LONGEST_ZONE) return `A zone’s name has up to ${LONGEST_ZONE} letters.`
    return others.some((other) => other.name === name) ? 'Another zone is called so.' : undefined
  }
  return (
    <fieldset className="grid gap-2 px-3 py-2">
      <legend className="visually-hidden">{zone.name}</legend>
      <div className="flex items-end gap-2">
        <div className="grow">
          <NameField
            label="Called"
            value={zone.name}
            must
            refuse={refuse}
            onChange={(name) => name && change({ ...zone, name })}
          />
        </div>
        <button type="button" className="grid size-11 shrink-0 place-items-center" onClick={onRemove}>
          <X aria-hidden size={20} />
          <span className="visually-hidden">Take {zone.name} out</span>
        </button>
      </div>
      <div className="grid grid-cols-2 border-t border-l rule">
        {angle('from', 'from the start', 0, TURN - 1)}
        {angle('share', 'goes over', 1, TURN)}
      </div>
      {stands && (
        <label className="flex min-h-11 items-center gap-3 text-16">
          <input
            type="checkbox"
            className="size-5 shrink-0 accent-ink"
            checked={zone.shapes}
            onChange={({ target }) => change({ ...zone, shapes: target.checked })}
          />
          Where the piece stands up, increases and decreases keep inside
        </label>
      )}
    </fieldset>
  )
}
