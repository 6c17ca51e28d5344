import { ALL_HARDWARE, ALL_USES, FIBRES, fitnessOf, type Fitness } from '../../../core/index.ts'
import { CautionList } from '../../words/CautionList.tsx'
import { HARDWARE_WORDS, REASON_WORDS, USE_WORDS } from '../../words/cautionWords.ts'
import { fibresOf, pieceCautions } from '../../words/pieceCautions.ts'
import { PopoverCell } from '../../ui/PopoverCell.tsx'
import type { PlanModel } from './planModel.ts'

/** What the piece is for, how its fibres suit that, and what to watch. */
export function UseCell({ model, className }: { model: PlanModel; className?: string }) {
  const { piece, gauge, yarns, changePiece } = model
  const { fitness } = piece
  const cautions = pieceCautions(piece, gauge, yarns)
  const unread = cautions.filter(({ code }) => !fitness.read.includes(code)).length
  const set = (change: Partial<Fitness>) => changePiece({ ...piece, fitness: { ...fitness, ...change } })
  const words = fitness.uses.map((use) => USE_WORDS[use].toLowerCase()).join(', ')
  return (
    <PopoverCell
      className={className}
      label={unread > 0 ? `For, ${unread === 1 ? '1 caution' : `${unread} cautions`}` : 'For'}
      value={words || 'not said'}
    >
      <div className="grid gap-3 p-3">
        <Boxes
          legend="What is it for?"
          all={ALL_USES}
          chosen={fitness.uses}
          words={USE_WORDS}
          onChange={(uses) => set({ uses })}
        />
        <Suitability model={model} />
        <Boxes
          legend="What else is in it?"
          all={ALL_HARDWARE}
          chosen={fitness.hardware}
          words={HARDWARE_WORDS}
          onChange={(hardware) => set({ hardware })}
        />
        <label className="flex min-h-9 items-center gap-3 text-16">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={fitness.layers === 2}
            onChange={({ target: { checked } }) => set({ layers: checked ? 2 : 1 })}
          />
          Two layers, one on the other
        </label>
        <div aria-live="polite">
          <CautionList
            cautions={cautions}
            read={fitness.read}
            onRead={(code, read) =>
              set({ read: read ? [...fitness.read, code] : fitness.read.filter((one) => one !== code) })
            }
          />
        </div>
      </div>
    </PopoverCell>
  )
}

const VERDICT_WORDS = { good: 'good', fair: 'fair', poor: 'poor', never: 'not fit' } as const

/** How each fibre in the piece suits each use. */
function Suitability({ model: { piece, gauge, yarns } }: { model: PlanModel }) {
  const fibres = fibresOf(piece, gauge, yarns)
  const lines = piece.fitness.uses.flatMap((use) =>
    fibres.map((fibre) => ({ use, fibre, ...fitnessOf(use, fibre) })),
  )
  if (lines.length === 0) return null
  return (
    <ul className="text-16 leading-snug">
      {lines.map(({ use, fibre, verdict, reason }) => (
        <li key={`${use} ${fibre}`}>
          {USE_WORDS[use]}, {fibre === 'unknown' ? 'fibre not said' : FIBRES[fibre].name}:{' '}
          <strong>{VERDICT_WORDS[verdict]}</strong>, {REASON_WORDS[reason]}.
        </li>
      ))}
    </ul>
  )
}

interface BoxesProps<T extends string> {
  readonly legend: string
  readonly all: readonly T[]
  readonly chosen: readonly T[]
  readonly words: Readonly<Record<T, string>>
  readonly onChange: (chosen: T[]) => void
}

function Boxes<T extends string>({ legend, all, chosen, words, onChange }: BoxesProps<T>) {
  return (
    <fieldset>
      <legend className="slab pb-1 text-18">{legend}</legend>
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        {all.map((key) => (
          <label key={key} className="flex min-h-9 items-center gap-3 text-16">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-ink"
              checked={chosen.includes(key)}
              onChange={({ target: { checked } }) =>
                onChange(all.filter((one) => (one === key ? checked : chosen.includes(one))))
              }
            />
            {words[key]}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
