import { Plus } from 'lucide-react'
import { useId, useState } from 'react'
import {
  LONGEST_MOTIF,
  MOST_MOTIFS,
  readMotif,
  USUAL_MOTIFS,
  usedByMotif,
  usualMotif,
  withSoMany,
  writeMotif,
  type EdgeBudget,
  type Motif,
  type PieceRecord,
  type Terms,
  type UsualMotif,
} from '../../../core/index.ts'
import { NameField } from '../../ui/NameField.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { MOTIF_WORDS } from '../../words/edgeWords.ts'
import type { PlanModel } from './planModel.ts'

/** A motif as most work it. */
export const usual = (kind: UsualMotif): Motif => ({
  name: MOTIF_WORDS[kind].label,
  ops: usualMotif(kind),
})

interface OneMotifProps {
  readonly kind: Motif
  readonly edge: EdgeBudget
  readonly terms: Terms
  readonly model: PlanModel
  readonly changed: (edge: EdgeBudget) => PieceRecord
  readonly others: readonly string[]
}

/** Every motif of one name: what it is called, how it is worked, how many there are. */
export function OneMotif({ kind, edge, terms, model, changed, others }: OneMotifProps) {
  const id = useId()
  const [draft, setDraft] = useState<string>()
  const read = draft === undefined ? undefined : readMotif(draft, terms)
  const problem = read && !('ops' in read) ? read : undefined
  const { changePiece, taking } = model
  const times = edge.motifs.filter(({ name }) => name === kind.name).length
  const each = (to: Partial<Motif>): EdgeBudget => ({
    ...edge,
    motifs: edge.motifs.map((motif) => (motif.name === kind.name ? { ...motif, ...to } : motif)),
  })
  const refuse = (name: string) =>
    name.length > LONGEST_MOTIF
      ? `A motif’s name has up to ${LONGEST_MOTIF} letters.`
      : others.includes(name)
        ? 'Another motif is called so.'
        : undefined
  return (
    <fieldset className="mt-2 grid gap-2 border-t rule px-3 pt-2">
      <legend className="visually-hidden">{kind.name}</legend>
      <div className="flex items-end gap-2">
        <div className="grow">
          <NameField
            label="Motif"
            value={kind.name}
            must
            refuse={refuse}
            onChange={(name) => name && changePiece(changed(each({ name })))}
          />
        </div>
        <NumberCell
          className="w-32 border rule"
          label={`${kind.name}: how many`}
          value={times}
          format={String}
          parse={taking(parseWhole(1, MOST_MOTIFS, 'motifs of a kind'), (number) =>
            changed(withSoMany(edge, kind, number)),
          )}
          step={1}
          onChange={(number) => changePiece(changed(withSoMany(edge, kind, number)))}
        />
      </div>
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Worked, on {usedByMotif(kind)} of the edge</span>
        <input
          className="field"
          value={draft ?? writeMotif(kind.ops, terms)}
          autoComplete="off"
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? id : undefined}
          onChange={({ target: { value } }) => {
            setDraft(value)
            const next = readMotif(value, terms)
            if ('ops' in next) changePiece(changed(each({ ops: next.ops })))
          }}
          onBlur={() => problem === undefined && setDraft(undefined)}
        />
        {problem && (
          <span id={id} role="alert" className="fault text-16">
            {problem.message} {problem.valid}
          </span>
        )}
      </label>
    </fieldset>
  )
}

/** One more of any kind: those that are there, the usual ones, or an own one to be written. */
export function AddMotif({
  names,
  full,
  onAdd,
}: {
  readonly names: readonly string[]
  readonly full: boolean
  readonly onAdd: (motif: Motif) => void
}) {
  if (full) return <p className="px-3 pt-3 text-16 text-ink-2">The edge has no room for more.</p>
  return (
    <div className="mx-3 mt-3 flex flex-wrap gap-2">
      {USUAL_MOTIFS.map((kind) => (
        <button
          key={kind}
          type="button"
          className="button-line flex items-center gap-1"
          onClick={() => onAdd(usual(kind))}
        >
          <Plus aria-hidden size={16} /> {MOTIF_WORDS[kind].label}
        </button>
      ))}
      <button
        type="button"
        className="button-line flex items-center gap-1"
        onClick={() => onAdd({ name: freeName(names), ops: usualMotif('loop') })}
      >
        <Plus aria-hidden size={16} /> of your own
      </button>
    </div>
  )
}

function freeName(names: readonly string[]): string {
  let number = 1
  while (names.includes(`motif ${number}`)) number++
  return `motif ${number}`
}
