import clsx from 'clsx'
import { RadioGroup } from 'radix-ui'
import { RHYTHM_POSITIONS } from '../../../core/index.ts'
import { useRhythmScale } from '../../store/usePlan.ts'
import { isFlat } from '../../drawing/views/view.ts'
import { useSettled } from '../../ui/useSettled.ts'
import { percent } from '../../words/wording.ts'
import { isEven, type PlanModel } from './planModel.ts'

interface RhythmScaleProps {
  readonly model: PlanModel
  readonly className?: string
}

/** Rhythm to precision as a scale: what each position buys, and where the piece stands on it. */
export function RhythmScale({
  model: { piece, plan, wantedSpec, changePiece },
  className,
}: RhythmScaleProps) {
  // Five plans: they wait until the edit has come to rest, so that the drawing does not.
  const offers = useRhythmScale(useSettled(wantedSpec))
  const now = offers?.find(({ positions }) => positions.includes(piece.rhythm))
  // Until they are known, every position stands by itself.
  const shown = offers ?? RHYTHM_POSITIONS.map((rhythm) => ({ positions: [rhythm] }))
  if (plan && isEven(plan)) return null
  const off = !plan || isFlat(plan) ? 'off flat' : 'off its shape'
  const repeats = (count: number) => (count === 1 ? '1 repeat' : `${count} different repeats`)
  return (
    <div
      className={clsx(
        'flex items-center gap-x-4 rule px-3 max-sm:flex-wrap max-sm:py-1',
        className ?? 'border-b-2',
      )}
    >
      <RadioGroup.Root
        className="flex min-w-0 shrink-0 items-center max-sm:w-full max-sm:flex-wrap max-sm:justify-between"
        aria-label="Precision or rhythm"
        orientation="horizontal"
        value={String(now?.positions[0] ?? piece.rhythm)}
        onValueChange={(value) => changePiece({ ...piece, rhythm: Number(value) })}
      >
        <span className="slab pr-2 text-16 max-sm:large:text-14">Precision</span>
        <span className="flex min-w-0 max-sm:order-last max-sm:basis-full">
          {shown.map((offer) => (
            <RadioGroup.Item
              key={offer.positions[0]}
              value={String(offer.positions[0])}
              aria-label={`${offer.positions[0]! * 100}% rhythm${'stitchesOff' in offer ? `: up to ${offer.stitchesOff.toFixed(1)} stitches ${off}, ${repeats(offer.differentRepeats)}` : ''}`}
              className="group grid h-11 min-w-0 place-items-center max-sm:grow"
              style={{ width: `${offer.positions.length * 1.75}rem` }}
            >
              <span className="relative grid h-full w-full place-items-center before:absolute before:inset-x-0 before:top-1/2 before:h-px before:bg-ink">
                <span className="z-10 size-3.5 border-2 rule bg-film group-data-[state=checked]:size-5 group-data-[state=checked]:bg-ink" />
              </span>
            </RadioGroup.Item>
          ))}
        </span>
        <span className="slab pl-2 text-16 max-sm:large:text-14">Rhythm</span>
      </RadioGroup.Root>
      <p className="min-w-0 grow py-1 text-14 leading-tight" aria-live="polite">
        {now && (
          <>
            {shown.length === 1 && 'Wherever it stands: '}
            <strong>{repeats(now.differentRepeats)}</strong>
            {now.unevenRounds > 0 && `, ${now.unevenRounds} uneven`}. Up to {now.stitchesOff.toFixed(1)} sts (
            {percent(now.largestDeviation)}) {off}.
          </>
        )}
      </p>
    </div>
  )
}
