import clsx from 'clsx'
import { useCompromises } from '../../store/usePlan.ts'
import { useSettled } from '../../ui/useSettled.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { asksWords, countWords, gaveWords } from '../../words/compromiseWords.ts'
import { withFormOf, type PlanModel } from './planModel.ts'

/** Wishes that fight: what each way out costs, side by side, one press away. */
export function Compromises({ model }: { model: PlanModel }) {
  const { piece, wantedSpec, changePiece } = model
  const sizes = useSizes()
  const found = useCompromises(useSettled(wantedSpec))
  if (!found) return null
  const { fight, ways } = found
  const [bold, rest] = asksWords(found, sizes)
  return (
    <section aria-label="What gives way" className="border-b-2 rule px-3 py-2">
      <p className="pb-2 text-16 leading-tight">
        <strong>{bold}</strong> {rest}
        {piece.washed && ' All sizes here are off the hook.'}
      </p>
      <div className="grid auto-cols-fr gap-2 sm:grid-flow-col">
        {ways.map((way) => {
          const [count, counted] = countWords(fight.kind, way.count)
          return (
            <button
              key={way.kind}
              type="button"
              aria-pressed={way.taken}
              className={clsx(
                'grid content-start gap-0.5 px-3 py-1.5 text-left',
                way.taken
                  ? 'border-2 rule bg-film-2 shadow-[inset_5px_0_0_var(--color-tape)]'
                  : 'border rule',
              )}
              onClick={() =>
                changePiece({
                  ...withFormOf(model, way.spec.form),
                  constraints: way.spec.constraints ?? {},
                  construction: {
                    ...piece.construction,
                    freeLastRounds: way.spec.construction.freeLastRounds,
                  },
                })
              }
            >
              <span className="text-16">
                <strong className="slab text-24 leading-none">{count}</strong> {counted}
                <span className="pl-2">{sizes.full(way.value)}</span>
              </span>
              <span className="text-14 leading-tight">{gaveWords(way, found, sizes)}</span>
            </button>
          )
        })}
      </div>
    </section>
  )
}
