import { Plus, X } from 'lucide-react'
import { LIMITS, usualAccent, type Accent, type PieceRecord } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import type { PlanModel } from './planModel.ts'
import { TextureFields } from './TextureFields.tsx'

/** Single rounds in a texture, which carry no increases. */
export function AccentsEditor({ model }: { model: PlanModel }) {
  const { piece, plan, settings, changePiece, taking } = model
  const accents = piece.constraints.accents ?? []
  const withAccents = (next: readonly Accent[]): PieceRecord => {
    const { accents: _, ...others } = piece.constraints
    return { ...piece, constraints: next.length > 0 ? { ...others, accents: next } : others }
  }
  const rounds = plan?.rounds.length ?? 0
  const taken = new Set(accents.map(({ round }) => round))
  /** Two thirds out, or the next round after it that is free. */
  const free = () => {
    let round = Math.max(2, Math.round((2 * rounds) / 3))
    while (taken.has(round)) round++
    return round
  }
  return (
    <div className="border-t rule">
      <p className="slab px-3 pt-3 text-18">Accent rounds</p>
      {accents.map(({ round, texture }, index) => {
        const name = `Rnd ${round}`
        const others = accents.filter((_, at) => at !== index)
        const changed = (next: Accent) => withAccents(accents.map((one, at) => (at === index ? next : one)))
        return (
          <fieldset key={index} className="grid gap-2 px-3 py-2">
            <legend className="visually-hidden">{name}</legend>
            <div className="flex items-stretch gap-2">
              <NumberCell
                className="grow border rule"
                label={`Accent ${index + 1}: round`}
                value={round}
                format={String}
                parse={taking(parseWhole(...LIMITS.accent, 'a round'), (next) =>
                  changed({ round: next, texture }),
                )}
                unit={round > rounds ? `there are ${rounds}` : undefined}
                onChange={(next) => changePiece(changed({ round: next, texture }))}
              />
              <button
                type="button"
                className="grid w-11 shrink-0 place-items-center"
                onClick={() => changePiece(withAccents(others))}
              >
                <X aria-hidden size={20} />
                <span className="visually-hidden">Take {name} out</span>
              </button>
            </div>
            <TextureFields
              {...{ name, texture, chosen: texture.kind, settings }}
              accent
              onKind={(kind) =>
                changePiece(kind ? changed({ round, texture: usualAccent(kind) }) : withAccents(others))
              }
              onTexture={(next) => changePiece(changed({ round, texture: next }))}
            />
          </fieldset>
        )
      })}
      <button
        type="button"
        className="button-line m-3 flex items-center gap-2"
        onClick={() =>
          changePiece(withAccents([...accents, { round: free(), texture: usualAccent('popcorn') }]))
        }
      >
        <Plus aria-hidden size={18} /> Add an accent round
      </button>
    </div>
  )
}
