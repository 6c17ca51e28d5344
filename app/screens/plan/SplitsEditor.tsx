import { Plus, X } from 'lucide-react'
import {
  alongAt,
  beginnings,
  maySplit,
  partOf,
  partsOf,
  sectionsWorked,
  withSplits,
  type PieceRecord,
  type Plan,
  type SectionId,
  type SplitLike,
} from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { sectionName } from '../../words/formWords.ts'
import { faultAt, type PlanModel } from './planModel.ts'

/** From which round on a part of the piece is worked otherwise: another hook, stitch, texture or way of joining. */
export function SplitsEditor({ model }: { model: PlanModel }) {
  const { plan, spec } = model
  if (!plan || !spec) return null
  const parts = partsOf(spec)
  return (
    <div className="border-t rule px-3 py-3">
      <p className="slab pb-1 text-18">From a round on</p>
      <p className="pb-2 text-16 leading-snug text-ink-2">
        Another hook, stitch, texture or joining: a part of its own, set above once it is there.
      </p>
      {parts
        .filter((part) => maySplit(part, parts))
        .map(({ id }) => (
          <SplitsOfPart key={id} part={id} model={model} plan={plan} />
        ))}
    </div>
  )
}

const roundsOf = ({ rounds }: Plan, part: SectionId) =>
  rounds.filter(({ section }) => partOf(section) === part)

function SplitsOfPart({ part, model, plan }: { part: SectionId; model: PlanModel; plan: Plan }) {
  const { piece, spec, fault, changePiece, taking } = model
  const [, ...begins] = beginnings(piece.constraints, part)
  const now = begins.map((along, index) => ({ along, like: index + 1 }))
  const own = roundsOf(plan, part)
  const [first, last] = [own[0]?.number ?? 0, own.at(-1)?.number ?? 0]
  if (!spec || own.length < 2) return null
  const usual = sectionsWorked(spec.form, piece.stitch, undefined)[part]
  const splitAt = (next: readonly SplitLike[]): PieceRecord => withSplits(piece, part, next, usual)
  const along = (round: number) => alongAt(spec, plan.rounds, round)
  /** Begins at another round, worked as it was. */
  const moved = (index: number, round: number): PieceRecord =>
    splitAt(now.map((one, at) => (at === index ? { ...one, along: along(round) } : one)))
  const add = () => {
    const after = plan.rounds.findLast(({ section }) => partOf(section) === part)!
    const stretch = own.filter(({ section }) => section === after.section)
    const round = stretch[Math.floor(stretch.length / 2)]!.number
    if (stretch.length > 1) changePiece(splitAt([...now, { along: along(round), like: begins.length }]))
  }
  return (
    <div className="grid gap-2 pb-2">
      {begins.map((_, index) => {
        const name = sectionName(`${part}-${index + 2}`)
        const begun = own.find(({ section }) => section === `${part}-${index + 2}`)
        return (
          <div key={index} className="flex items-stretch gap-2">
            <NumberCell
              className="grow border rule"
              label={`${name}: from round`}
              value={begun?.number}
              format={String}
              parse={taking(parseWhole(first + 1, last, 'a round of it'), (round) => moved(index, round))}
              step={1}
              fault={faultAt(fault, 'constraints.splits')}
              onChange={(round) => changePiece(moved(index, round))}
            />
            <button
              type="button"
              className="grid w-11 shrink-0 place-items-center"
              onClick={() => changePiece(splitAt(now.filter((_one, at) => at !== index)))}
            >
              <X aria-hidden size={20} />
              <span className="visually-hidden">Take {name.toLowerCase()} out</span>
            </button>
          </div>
        )
      })}
      <button type="button" className="button-line flex items-center gap-2 justify-self-start" onClick={add}>
        <Plus aria-hidden size={18} /> {sectionName(part)}: from a round on
      </button>
    </div>
  )
}
