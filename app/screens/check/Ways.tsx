import clsx from 'clsx'
import { plusMinusOf, type Target, type WayOut } from '../../../core/index.ts'
import { HalfPiece } from '../../drawing/HalfPiece.tsx'
import { isStrip, stands } from '../../drawing/views/viewOf.ts'
import { useSettings, useYarnColours } from '../../store/queries.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { MEASURE_WORDS, sayAllPromised } from '../../words/measureWords.ts'
import { duration } from '../../words/wording.ts'
import { bestBecause, signed, WAY_TITLES, wayOutcome, waySentences } from '../../words/checkWords.ts'
import { roundsNoun } from '../../words/roundWords.ts'

interface WaysProps {
  readonly ways: readonly WayOut[]
  readonly afterRound: number
  /** It is closed at the top. */
  readonly hangs: boolean
  readonly target: readonly Target[]
  readonly busy: boolean
  readonly onChoose: (way: WayOut) => void
}

/** Walls stand this much lower than half a disc of their length would be wide. */
const LOWER = 0.8

const BUTTONS: Record<WayOut['kind'], string> = {
  replan: 'Use this plan',
  goBack: 'Go back',
  anotherHook: 'Take this hook',
  accept: 'Accept',
  openWider: 'Use this plan',
  ribCuff: 'Use this plan',
  largerHook: 'Take this hook',
}

/** The ways out side by side, the best first, each with what it costs. */
export function Ways({ ways, afterRound, hangs, target, busy, onChoose }: WaysProps) {
  const sizes = useSizes()
  const across = target.find(({ of }) => of === 'across')?.value ?? 0
  const reach = Math.max(
    across / 2,
    ...ways.map(({ plan }) => plan.rounds.at(-1)!.at.arc * (stands(plan) || isStrip(plan) ? LOWER : 1)),
    ...ways.flatMap(({ plan }) =>
      stands(plan) ? plan.rounds.map(({ at }) => at.radius + (at.spine ?? 0) / 2) : [],
    ),
  )
  return (
    <ol
      aria-label="Ways out"
      className={clsx(
        'grid grow border-t-2 rule max-lg:[&>*+*]:border-t-2 lg:[&>*+*]:border-l-2 [&>*]:rule',
        ways.length >= 4 ? 'lg:grid-cols-4' : ways.length === 3 ? 'lg:grid-cols-3' : 'lg:grid-cols-2',
      )}
    >
      {ways.map((way, index) => (
        <li key={way.kind} className="flex min-w-0 flex-col px-6 pt-2 pb-3 max-sm:px-4">
          <OneWay
            way={way}
            number={index + 1}
            because={index === 0 ? bestBecause(ways, sizes) : undefined}
            afterRound={afterRound}
            hangs={hangs}
            target={across}
            reach={reach}
            busy={busy}
            onChoose={() => onChoose(way)}
          />
        </li>
      ))}
    </ol>
  )
}

interface OneWayProps {
  readonly way: WayOut
  readonly number: number
  /** Why it is the best; absent for the others. */
  readonly because: string | undefined
  readonly afterRound: number
  readonly hangs: boolean
  readonly target: number
  readonly reach: number
  readonly busy: boolean
  readonly onChoose: () => void
}

const WIDEST = 256

function OneWay({ way, number, because, afterRound, hangs, target, reach, busy, onChoose }: OneWayProps) {
  const sizes = useSizes()
  const best = because !== undefined
  const colours = useYarnColours()
  const { hand } = useSettings()
  const [area, { width }] = useElementSize()
  const { plan, moreSeconds, moreMetres, secondsLeft, metres } = way
  const title = WAY_TITLES[way.kind](way)
  return (
    <>
      <h2 className="flex items-start gap-2.5 text-21">
        <span
          className={clsx(
            'slab grid size-7 shrink-0 place-items-center border-2 rule text-18',
            best && 'bg-tape',
          )}
        >
          {number}
        </span>
        {title}
      </h2>
      <div className="flex grow flex-col sm:max-lg:grid sm:max-lg:grid-cols-[25rem_minmax(0,1fr)] sm:max-lg:gap-6">
        <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-3 pt-2">
          <div ref={area} className="max-w-80 min-w-0">
            {width > 0 && (
              <HalfPiece
                plan={plan}
                keeps={way.keeps}
                target={target}
                width={Math.min(width, WIDEST)}
                reach={reach}
                yarns={colours}
                mirrored={hand === 'left'}
                hangs={hangs}
                label={`${title}: ${plan.rounds.length} ${roundsNoun(plan)}, ${sayAllPromised(plan.finished.promises, sizes)}`}
              />
            )}
          </div>
          <div className="shrink-0">
            {plan.finished.promises.map((promised) => (
              <p key={promised.of} className="pb-1 leading-tight">
                <span
                  className={clsx(
                    'slab block leading-none',
                    plan.finished.promises.length === 1 ? 'text-36' : 'text-26',
                  )}
                >
                  {sizes.bare(promised.value)}
                </span>
                <span className="text-16 text-ink-2">
                  ± {sizes.doubt(plusMinusOf(promised))} {sizes.unit}
                  {wayOutcome(way) ? `, ${wayOutcome(way)}` : ` ${MEASURE_WORDS[promised.of].column}`}
                </span>
              </p>
            ))}
          </div>
        </div>
        <div className="flex grow flex-col">
          <div className="py-2 text-16 leading-snug">
            {because && <p className="font-bold">{because}</p>}
            {waySentences(way, afterRound, sizes).map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
          </div>
          <div className="mt-auto grid grid-cols-2 border-t rule pt-1.5 pb-3 [&>*+*]:border-l [&>*+*]:pl-4 [&>*]:rule">
            <p className="leading-tight">
              <span className="slab block text-21">
                {Math.abs(moreSeconds) < 30
                  ? '0 min'
                  : signed(duration(Math.abs(moreSeconds)), moreSeconds > 0)}
              </span>
              <span className="text-14 text-ink-2">{duration(secondsLeft)} left</span>
            </p>
            <p className="leading-tight">
              <span className="slab block text-21">
                {Math.abs(moreMetres) < 0.05
                  ? `0 ${sizes.yarn.unit}`
                  : signed(sizes.yarn.full(Math.abs(moreMetres)), moreMetres > 0)}
              </span>
              <span className="text-14 text-ink-2">{sizes.yarn.full(metres)} in all</span>
            </p>
          </div>
          <button
            type="button"
            className={best ? 'button-ink' : 'button-line'}
            disabled={busy}
            onClick={onChoose}
          >
            {BUTTONS[way.kind]}
          </button>
        </div>
      </div>
    </>
  )
}
