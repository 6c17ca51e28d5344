import {
  ALL_FIBRES,
  FIBRES,
  LIMITS,
  metresAtHand,
  YARN_WEIGHTS,
  yarnsOf,
  type Fibre,
  type YarnRecord,
  type YarnWeight,
} from '../../../core/index.ts'
import { deleteYarn, saveYarn } from '../../store/mutations.ts'
import { usePieces } from '../../store/queries.ts'
import { asYarn } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { Substitution } from './Substitution.tsx'
import { yarnTitle } from './yarnTitle.ts'
import { NameField } from '../../ui/NameField.tsx'

interface YarnDetailProps {
  readonly stored: YarnRecord
  readonly yarns: readonly YarnRecord[]
  readonly onAnother: () => void
}

/** One yarn: its label, what is left of it, and what could take its place. */
export function YarnDetail({ stored, yarns, onAnother }: YarnDetailProps) {
  const [yarn, change] = useDraft(stored, ['yarns'], asYarn, say)
  const projects = usePieces() ?? []
  const usedBy = projects.filter(({ piece }) => yarnsOf(piece.colours).includes(yarn.id))
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
      <NameField
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
      <NameField label="Yarn" value={yarn.line} onChange={(line) => change({ ...yarn, line })} />
      <NameField label="Dye lot" value={yarn.dyeLot} onChange={(dyeLot) => change({ ...yarn, dyeLot })} />
      <Select
        label="Weight"
        value={String(yarn.weight)}
        onChange={(weight) => change({ ...yarn, weight: Number(weight) as YarnWeight })}
        choices={YARN_WEIGHTS.map(({ weight, name }) => [String(weight), `${weight} ${name}`])}
      />
      <Select
        label="Fibre"
        value={yarn.fibre}
        onChange={(fibre) => change({ ...yarn, fibre: fibre as Fibre })}
        choices={ALL_FIBRES.map((fibre) => [fibre, FIBRES[fibre].name])}
      />
    </div>
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
          onClear={() => change({ ...yarn, metresPerBall: undefined })}
        />
        <NumberCell
          {...grams}
          parse={positive(sizes.mass.parse)}
          label="A ball weighs"
          value={yarn.gramsPerBall}
          unit={sizes.mass.unit}
          onChange={(gramsPerBall) => change({ ...yarn, gramsPerBall })}
          onClear={() => change({ ...yarn, gramsPerBall: undefined })}
        />
        <NumberCell
          label="Whole balls"
          value={yarn.balls}
          format={String}
          parse={parseWhole(...LIMITS.balls, 'a number of balls')}
          step={1}
          onChange={(balls) => change({ ...yarn, balls })}
          onClear={() => change({ ...yarn, balls: undefined })}
        />
        <NumberCell
          {...grams}
          label="Begun ball weighs"
          value={yarn.leftoverGrams}
          unit={sizes.mass.unit}
          onChange={(leftoverGrams) => change({ ...yarn, leftoverGrams })}
          onClear={() => change({ ...yarn, leftoverGrams: undefined })}
        />
        {!label && (
          <NumberCell
            label="Or at hand in all"
            value={yarn.metres}
            format={sizes.yarn.bare}
            parse={sizes.yarn.parse}
            unit={sizes.yarn.unit}
            onChange={(all) => change({ ...yarn, metres: all })}
            onClear={() => change({ ...yarn, metres: undefined })}
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
