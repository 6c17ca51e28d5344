import { X } from 'lucide-react'
import { useState } from 'react'
import {
  alikeCounts,
  budgetOf,
  inWorkingOrder,
  mirroredFrom,
  MOST_MOTIFS,
  movedMotif,
  spreadEdge,
  spreadMotifs,
  usedByMotif,
  usedByMotifs,
  withAxis,
  withMotif,
  withoutMotif,
  type EdgeBudget,
  type PieceRecord,
} from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayBudget, sayRuns } from '../../words/edgeWords.ts'
import { EdgeTape } from './EdgeTape.tsx'
import { AddMotif, OneMotif, usual } from './MotifFields.tsx'
import type { PlanModel } from './planModel.ts'

/** What most edges with motifs have. */
const USUAL = 8

/** An edge as most begin it: points all around, and the count to go with them. */
export const usualEdge = (): EdgeBudget => ({
  motifs: spreadMotifs(Array.from({ length: USUAL }, () => usual('point'))),
  mirrored: false,
  alike: true,
})

/** Motifs along the edge: dragged, typed, spread and mirrored; what they use is always told. */
export function EdgeEditor({ model, edge }: { readonly model: PlanModel; readonly edge: EdgeBudget }) {
  const { piece, plan, settings, changePiece } = model
  const [held, setHeld] = useState<number>()
  const changed = (next: EdgeBudget): PieceRecord => {
    const { edge: _, ...others } = piece.constraints
    return { ...piece, constraints: next.motifs.length > 0 ? { ...others, edge: next } : others }
  }
  const change = (next: EdgeBudget) => changePiece(changed(next))
  const count = plan?.rounds.at(-1)!.from ?? 0
  const motifs = inWorkingOrder(edge)
  const kinds = [...new Map(motifs.map((motif) => [motif.name, motif])).values()]
  const inHand = held === undefined ? undefined : motifs[held]
  const remove = (index: number) => {
    setHeld(undefined)
    change(withoutMotif(edge, index))
  }
  const parts = budgetOf(edge, count)
  const begins = parts?.find(({ motif }) => motif === held)?.from
  return (
    <div className="border-t rule pb-3">
      {parts && (
        <>
          <EdgeTape
            edge={edge}
            count={count}
            held={inHand ? held : undefined}
            onHold={setHeld}
            onChange={change}
            onRemove={remove}
          />
          <p className="px-3 pt-2 text-16">
            <strong className="slab">{sayBudget(edge, count)}</strong>, {sayRuns(edge, count)}.
          </p>
        </>
      )}
      {inHand && held !== undefined && begins !== undefined && (
        <div className="mx-3 mt-2 flex border rule">
          <NumberCell
            className="grow"
            label={`${inHand.name} ${held + 1}: from stitch`}
            value={begins + 1}
            format={String}
            parse={parseWhole(1, count - usedByMotif(inHand) + 1, 'a stitch of the edge')}
            step={1}
            onChange={(stitch) => change(movedMotif(edge, count, held, stitch - 1))}
          />
          <button
            type="button"
            className="grid w-11 place-items-center border-l rule"
            onClick={() => remove(held)}
          >
            <X aria-hidden size={20} />
            <span className="visually-hidden">
              Take {inHand.name} {held + 1} out
            </span>
          </button>
        </div>
      )}
      <AlikeChoice edge={edge} count={count} model={model} onChange={change} />
      <label className="flex min-h-11 items-center gap-3 px-3 text-16">
        <input
          type="checkbox"
          className="size-5 shrink-0 accent-ink"
          checked={edge.mirrored}
          onChange={({ target }) =>
            change(target.checked ? mirroredFrom(edge) : { ...edge, mirrored: false })
          }
        />
        One side mirrors the other
      </label>
      {edge.mirrored && count > 1 && (
        <NumberCell
          className="mx-3 border rule"
          label="Mirrored about: stitches from the start"
          value={Math.round((edge.axis ?? 0) * count)}
          format={String}
          parse={parseWhole(0, Math.ceil(count / 2) - 1, 'stitches, before half the round')}
          step={1}
          onChange={(stitches) => change(withAxis(edge, stitches / count))}
        />
      )}
      <button type="button" className="button-line mx-3 my-1" onClick={() => change(spreadEdge(edge))}>
        Spread evenly
      </button>
      {kinds.map((kind, index) => (
        <OneMotif
          key={index}
          kind={kind}
          edge={edge}
          terms={settings.terms}
          model={model}
          changed={changed}
          others={kinds.filter(({ name }) => name !== kind.name).map(({ name }) => name)}
        />
      ))}
      <AddMotif
        names={kinds.map(({ name }) => name)}
        full={motifs.length >= MOST_MOTIFS || (parts !== undefined && usedByMotifs(edge) + 6 > count)}
        onAdd={(motif) => change(withMotif(edge, count, motif))}
      />
    </div>
  )
}

/** Whether the round below is held to a count that leaves all runs alike, and what that would do. */
function AlikeChoice({
  edge,
  count,
  model: { spec, plan },
  onChange,
}: {
  readonly edge: EdgeBudget
  readonly count: number
  readonly model: PlanModel
  readonly onChange: (edge: EdgeBudget) => void
}) {
  const sizes = useSizes()
  if (edge.motifs.length === 0 || usedByMotifs(edge) % edge.motifs.length !== 0) return null
  const { already, below, above } = alikeCounts(edge, count)
  const flat = plan?.finished.promises[0]?.of === 'across'
  const by = (to: number) => {
    const around = (to - count) * (spec?.gauge.w ?? 0)
    const size = flat ? around / Math.PI : around
    const more = to > count ? 'larger' : 'smaller'
    return `${to} sts: ${sizes.full(Math.abs(size))} ${more} ${flat ? 'across' : 'around'}`
  }
  const nearest = [below, above].flatMap((to) => (to === undefined ? [] : [by(to)]))
  return (
    <label className="flex min-h-11 items-center gap-3 px-3 py-1 text-16">
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-ink"
        checked={edge.alike}
        onChange={({ target }) => onChange({ ...edge, alike: target.checked })}
      />
      <span>
        The round below has a count that leaves all runs alike
        {!edge.alike && !already && <span className="block text-ink-2">Nearest: {nearest.join('; ')}.</span>}
      </span>
    </label>
  )
}
