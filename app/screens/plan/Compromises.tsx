import clsx from 'clsx'
import { useCompromises } from '../../store/usePlan.ts'
import { useSettled } from '../../ui/useSettled.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { asksWords, gaveWords } from '../../words/compromiseWords.ts'
import { withFormOf, type PlanModel } from './planModel.ts'

/** A repeat and a girth that fight: what each way out costs, side by side, one press away. */
export function Compromises({ model }: { model: PlanModel }) {
  const { piece, plan, wantedSpec, changePiece } = model
  const sizes = useSizes()
  const fight = useCompromises(useSettled(wantedSpec))
  if (!fight || !plan || fight.ways.length < 2) return null
  const [bold, rest] = asksWords(fight, sizes)
  const now = plan.rounds.at(-1)!.count
  return (
    <section aria-label="What gives way" className="border-b-2 rule px-3 py-2">
      <p className="pb-2 text-16 leading-tight">
        <strong>{bold}</strong> {rest}
      </p>
      <div className="grid auto-cols-fr gap-2 sm:grid-flow-col">
        {fight.ways.map((way) => {
          const planned = way.kind !== 'free' && way.count === now
          return (
            <button
              key={way.kind}
              type="button"
              aria-pressed={planned}
              className={clsx(
                'grid content-start gap-0.5 px-3 py-1.5 text-left',
                planned ? 'border-2 rule bg-film-2 shadow-[inset_5px_0_0_var(--color-tape)]' : 'border rule',
              )}
              onClick={() =>
                changePiece({
                  ...withFormOf(model, way.spec.form),
                  constraints: { ...piece.constraints, multiples: way.spec.constraints?.multiples ?? [] },
                })
              }
            >
              <span className="text-16">
                <strong className="slab pr-2 text-24 leading-none">{way.count}</strong>
                {sizes.full(way.around)}
              </span>
              <span className="text-14 leading-tight">{gaveWords(way, fight, sizes)}</span>
            </button>
          )
        })}
      </div>
    </section>
  )
}
