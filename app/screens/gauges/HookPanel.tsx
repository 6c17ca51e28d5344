import { hookAdvice, hookLetter, HOOKS, widthOnHook } from '../../../core/index.ts'
import { useRemembered } from '../../store/remembered.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { percent, shortName } from '../../words/wording.ts'
import type { GaugeModel } from './gaugeModel.ts'

const named = (millimetres: number): string => {
  const letter = hookLetter(millimetres)
  return `${millimetres} mm${letter ? ` (${letter})` : ''}`
}

/** A recipe was thought for another gauge: which hook comes nearer, or why to keep this one. */
export function HookPanel({ model: { gauge, size, settings } }: { model: GaugeModel }) {
  const sizes = useSizes()
  const over = sizes.gaugeOver.millimetres
  const own = over / size.w
  const [kept, setWanted] = useRemembered<number | null>(`wanted:${gauge.id}`, null, say)
  const wanted = kept ?? Math.round(own * 2) / 2
  const advice = hookAdvice(size, gauge.hook, over / wanted)
  const short = shortName(gauge.stitch, settings.terms)
  const more = advice.widthAgainstWanted < 1
  const next = HOOKS.filter(({ millimetres }) => Math.abs(Math.log(millimetres / gauge.hook)) < 0.3)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 text-16 leading-snug">
      <div className="max-w-80 border-2 rule">
        <NumberCell
          label={`A recipe’s stitches in ${sizes.gaugeOver.label}`}
          value={wanted}
          format={String}
          parse={parseCount(0.5, 200, 'a number of stitches')}
          step={0.5}
          unit={`${short} sts`}
          onChange={setWanted}
        />
      </div>
      <p aria-live="polite">
        You have <strong>{own.toFixed(1)} sts</strong>, {percent(Math.abs(own / wanted - 1))}{' '}
        {more ? 'more' : 'fewer'}: the recipe would come out{' '}
        {percent(Math.abs(advice.widthAgainstWanted - 1))} {more ? 'small' : 'large'}.{' '}
        {advice.keep ? (
          <strong>Keep the hook: that is within what is known of your gauge.</strong>
        ) : advice.beyond ? (
          <strong>
            No hook is {advice.beyond === 'largest' ? 'large' : 'small'} enough for that: even{' '}
            {named(advice.hook)} gives {((advice.per10cm * over) / 100).toFixed(1)} sts. Plan from your own
            gauge, or take {advice.beyond === 'largest' ? 'more strands' : 'a thinner yarn'}.
          </strong>
        ) : (
          <>
            <strong>A {named(advice.hook)} hook</strong> would change width and height by{' '}
            {percent(Math.abs(advice.change))} to {((advice.per10cm * over) / 100).toFixed(1)} ±{' '}
            {((advice.plusMinus * over) / 100).toFixed(1)} sts. Swatch again with it.
          </>
        )}
      </p>
      <p>
        Or keep {named(gauge.hook)} and plan from your own gauge: counts and rounds follow, and nothing has to
        be swatched again. That is usually the better answer. A hook does not cure waves or cups: width and
        height change together.
      </p>
      <table className="tabular border-collapse text-left">
        <caption className="visually-hidden">What other hooks would give</caption>
        <thead className="text-14 text-ink-2">
          <tr className="border-b-2 rule">
            <th scope="col" className="py-1 pr-6 font-normal">
              Hook
            </th>
            <th scope="col" className="font-normal">
              {short} sts in {sizes.gaugeOver.label}, expected
            </th>
          </tr>
        </thead>
        <tbody>
          {next.map(({ millimetres }) => (
            <tr key={millimetres} className="border-b border-hair">
              <th scope="row" className="py-0.5 pr-6 font-normal">
                <span className={millimetres === gauge.hook ? 'slab' : ''}>{named(millimetres)}</span>
              </th>
              <td>{(over / widthOnHook(size.w, gauge.hook, millimetres)).toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
