import { Minus, Plus } from 'lucide-react'
import { useState } from 'react'
import { striped, type Band, type Plan } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sectionName } from '../../words/formWords.ts'
import type { PlanModel } from './planModel.ts'

const ALL = ''
/** As high a band as most begin with, mm. */
const USUAL_BAND = 30
const MOST_BANDS = 6

interface Draft {
  readonly yarn: string
  readonly rounds: number
  readonly high: number
}

/** Bands of yarn over a part of the piece, again and again, counted in rounds or measured. */
export function StripesEditor({ model, plan }: { model: PlanModel; plan: Plan }) {
  const { piece, yarns, changePiece } = model
  const sizes = useSizes()
  const [section, setSection] = useState(ALL)
  const [measured, setMeasured] = useState(false)
  const [drafts, setDrafts] = useState<readonly Draft[]>(() => firstBands(piece.colours[0]!.yarn, yarns))
  const parts = [...new Set(plan.rounds.map((round) => round.section))]
  const inPart = plan.rounds.filter((round) => section === ALL || round.section === section)
  const set = (index: number, change: Partial<Draft>) =>
    setDrafts(drafts.map((draft, at) => (at === index ? { ...draft, ...change } : draft)))
  const stripe = () => {
    const bands = drafts.map(({ yarn, rounds, high }): Band => ({
      yarn,
      ...(measured ? { high } : { rounds }),
    }))
    const [first, last] = [inPart[0]!.number, inPart.at(-1)!.number]
    const colours = striped(piece.colours, { from: first, to: last }, bands, plan.rounds)
    changePiece({ ...piece, colours })
  }
  return (
    <fieldset className="grid gap-2 border-t rule p-3">
      <legend className="slab float-left pb-1 text-18">Stripes</legend>
      <div className="grid grid-cols-2 gap-2">
        <select
          aria-label="Stripes over"
          className="field"
          value={section}
          onChange={({ target }) => setSection(target.value)}
        >
          <option value={ALL}>All of it</option>
          {parts.length > 1 &&
            parts.map((id) => (
              <option key={id} value={id}>
                {sectionName(id)}
              </option>
            ))}
        </select>
        <select
          aria-label="Bands are told"
          className="field"
          value={measured ? 'high' : 'rounds'}
          onChange={({ target }) => setMeasured(target.value === 'high')}
        >
          <option value="rounds">in rounds</option>
          <option value="high">in {sizes.unit}</option>
        </select>
      </div>
      {drafts.map((draft, index) => (
        <div key={index} className="grid grid-cols-[1fr_8rem] gap-2">
          <select
            aria-label={`Yarn of band ${index + 1}`}
            className="field"
            value={draft.yarn}
            onChange={({ target }) => set(index, { yarn: target.value })}
          >
            {yarns.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          {measured ? (
            <NumberCell
              key="high"
              className="border rule bg-fog"
              label={`Band ${index + 1}`}
              value={draft.high}
              format={sizes.bare}
              parse={sizes.between(1, 2000)}
              step={sizes.step}
              unit={sizes.unit}
              takes="length"
              onChange={(high) => set(index, { high })}
            />
          ) : (
            <NumberCell
              key="rounds"
              className="border rule bg-fog"
              label={`Band ${index + 1}`}
              value={draft.rounds}
              format={String}
              parse={parseWhole(1, 100, 'a number of rounds')}
              step={1}
              unit={draft.rounds === 1 ? 'rnd' : 'rnds'}
              onChange={(rounds) => set(index, { rounds })}
            />
          )}
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button-ink" onClick={stripe}>
          Stripe it
        </button>
        {drafts.length < MOST_BANDS && (
          <button
            type="button"
            className="button-line flex items-center gap-1"
            onClick={() => setDrafts([...drafts, drafts[0]!])}
          >
            <Plus aria-hidden size={18} /> Band
          </button>
        )}
        {drafts.length > 2 && (
          <button
            type="button"
            className="button-line flex items-center gap-1"
            onClick={() => setDrafts(drafts.slice(0, -1))}
          >
            <Minus aria-hidden size={18} /> Band
          </button>
        )}
      </div>
    </fieldset>
  )
}

/** Two bands: the piece's own yarn, and another where there is one. */
function firstBands(yarn: string, yarns: PlanModel['yarns']): readonly Draft[] {
  const other = yarns.find(({ id }) => id !== yarn)?.id ?? yarn
  return [yarn, other].map((id) => ({ yarn: id, rounds: 2, high: USUAL_BAND }))
}
