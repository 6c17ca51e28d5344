import { Plus, X } from 'lucide-react'
import { yarnsIn, type HeldYarns, type YarnRecord } from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { saveYarn } from '../../store/mutations.ts'
import { asYarn } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { say } from '../../ui/toasts.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { newYarnColour } from '../yarns/newYarnColours.ts'
import type { PlanModel } from './planModel.ts'
import { StripesEditor } from './StripesEditor.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { NameField } from '../../ui/NameField.tsx'

const NEW = 'new'

/** Which yarn from which round on; a yarn's name and colour are changed here too. */
export function YarnEditor({ model }: { model: PlanModel }) {
  const { piece, yarns, plan, gauge, changePiece } = model
  const setRun = (index: number, change: Partial<(typeof piece.colours)[number]>) => {
    const runs = piece.colours.map((run, at) => (at === index ? { ...run, ...change } : run))
    changePiece({ ...piece, colours: runs })
  }
  const newYarn = async (): Promise<string> => {
    const yarn: YarnRecord = {
      id: freshId(),
      name: `Yarn ${yarns.length + 1}`,
      colour: newYarnColour(yarns.length),
      weight: gauge.weight,
      fibre: gauge.fibre,
    }
    await saveYarn(yarn)
    return yarn.id
  }
  const addRun = async () => {
    const last = piece.colours.at(-1)!
    const other = yarns.find(({ id }) => id !== last.yarn)?.id ?? (await newYarn())
    const rounds = plan?.rounds.length ?? 12
    const fromRound = Math.max(last.fromRound + 1, rounds - 2)
    changePiece({ ...piece, colours: [...piece.colours, { fromRound, yarn: other }] })
  }
  return (
    <div>
      {piece.colours.map((run, index) => {
        return (
          <fieldset
            key={index}
            className="grid grid-cols-[4.5rem_1fr_2.75rem] items-end gap-2 border-b rule p-3"
          >
            <legend className="visually-hidden">Yarn {index + 1}</legend>
            {index === 0 ? (
              <span className="pb-3 text-16">from Rnd 1</span>
            ) : (
              <NumberCell
                className="-mx-3"
                label="from Rnd"
                value={run.fromRound}
                format={String}
                parse={parseWhole(
                  (piece.colours[index - 1]?.fromRound ?? 1) + 1,
                  (piece.colours[index + 1]?.fromRound ?? 501) - 1,
                  'a round',
                )}
                onChange={(fromRound) => setRun(index, { fromRound })}
              />
            )}
            <select
              className="field"
              aria-label="Yarn"
              value={run.yarn}
              onChange={async ({ target: { value } }) =>
                setRun(index, { yarn: value === NEW ? await newYarn() : value, beside: undefined })
              }
            >
              {yarns.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
              <option value={NEW}>New yarn…</option>
            </select>
            {index > 0 && (
              <button
                type="button"
                className="grid size-11 place-items-center hover:bg-film-2"
                aria-label={`Leave out yarn ${index + 1}`}
                onClick={() =>
                  changePiece({ ...piece, colours: piece.colours.filter((_, at) => at !== index) })
                }
              >
                <X aria-hidden />
              </button>
            )}
            <OtherStrands
              run={run}
              strands={gauge.strands}
              yarns={yarns}
              onChange={(beside) => setRun(index, { beside })}
            />
            {yarnsIn(run).map((id) => {
              const held = yarns.find((one) => one.id === id)
              return held && <YarnFields key={id} stored={held} />
            })}
          </fieldset>
        )
      })}
      <button type="button" className="choice items-center text-18" onClick={() => void addRun()}>
        <Plus aria-hidden size={20} /> Another yarn from a round on
      </button>
      {plan && yarns.length > 1 && <StripesEditor model={model} plan={plan} />}
    </div>
  )
}

interface OtherStrandsProps {
  readonly run: HeldYarns
  readonly strands: number
  readonly yarns: readonly YarnRecord[]
  readonly onChange: (beside: readonly string[] | undefined) => void
}

/** With several strands, which yarn each of the others is of. */
function OtherStrands({ run, strands, yarns, onChange }: OtherStrandsProps) {
  if (strands < 2) {
    return (
      <p className="col-span-3 text-16 text-ink-2">
        One strand. Set two in the gauge to hold another yarn with it.
      </p>
    )
  }
  const others = Array.from({ length: strands - 1 }, (_, index) => run.beside?.[index] ?? run.yarn)
  const set = (strand: number, id: string) => {
    const beside = others
      .map((other, index) => (index === strand ? id : other))
      .filter((other) => other !== run.yarn)
    onChange(beside.length > 0 ? beside : undefined)
  }
  return others.map((other, index) => (
    <label key={index} className="col-span-3 grid grid-cols-[4.5rem_1fr_2.75rem] items-center gap-2 text-16">
      strand {index + 2}
      <select
        className="field"
        aria-label={`Yarn of strand ${index + 2}`}
        value={other}
        onChange={({ target: { value } }) => set(index, value)}
      >
        {yarns.map(({ id, name }) => (
          <option key={id} value={id}>
            {id === run.yarn ? `${name}, as the first` : name}
          </option>
        ))}
      </select>
    </label>
  ))
}

function YarnFields({ stored }: { stored: YarnRecord }) {
  const sizes = useSizes()
  const [yarn, change] = useDraft(stored, ['yarns'], asYarn, say)
  return (
    <div className="col-span-3 grid grid-cols-[3rem_1fr_8rem] gap-2">
      <input
        type="color"
        className="h-11 w-12 border rule bg-fog p-1"
        aria-label={`Colour of ${yarn.name}`}
        value={yarn.colour}
        onChange={({ target: { value } }) => change({ ...yarn, colour: value })}
      />
      <NameField
        key={yarn.id}
        label={`Name of ${yarn.name}`}
        labelled="said"
        must
        value={yarn.name}
        onChange={(name) => change({ ...yarn, name: name! })}
      />
      <NumberCell
        className="border rule bg-fog"
        label="at hand"
        value={yarn.metres}
        format={sizes.yarn.bare}
        parse={sizes.yarn.parse}
        unit={sizes.yarn.unit}
        onChange={(metres) => change({ ...yarn, metres })}
        onClear={() => change({ ...yarn, metres: undefined })}
      />
    </div>
  )
}
