import clsx from 'clsx'
import {
  writeOps,
  writeRound,
  type Construction,
  type Plan,
  type Position,
  type WorkView,
} from '../../../core/index.ts'
import { useSettings } from '../../store/queries.ts'
import { CheckpointAhead } from './CheckpointAhead.tsx'
import { CountTape } from './CountTape.tsx'
import { endingSentence } from './endingSentence.ts'
import { StitchRow } from './StitchRow.tsx'

interface RoundInHandProps {
  readonly plan: Plan
  readonly construction: Construction
  readonly now: WorkView
  readonly position: Position
}

/** The round on the hook, legible from across the table. */
export function RoundInHand({ plan, construction, now, position }: RoundInHandProps) {
  const { terms } = useSettings()
  const { round, repeat } = now
  const ops = round.steps[repeat.step]!.ops
  const text = writeOps(ops, terms)
  const { start, end } = writeRound(round, { construction, terms, below: plan.rounds[round.number - 2] })
  const [bold, rest] = endingSentence(round, terms)
  return (
    <div className="flex min-h-0 grow flex-col justify-between gap-2 overflow-hidden pt-4 low:overflow-visible">
      <div className="flex items-start gap-x-10 px-7 max-sm:gap-x-4 max-sm:px-4">
        <RoundNumber number={round.number} of={plan.rounds.length} />
        <div className="min-w-0 grow pt-4 max-sm:pt-2">
          <p className={clsx('slab leading-tight', repeatSize(text))}>
            {text.split(/(inc|dec)/).map((part, index) => (
              <span
                key={index}
                className={part === 'inc' ? 'text-inc' : part === 'dec' ? 'text-dec' : undefined}
              >
                {part}
              </span>
            ))}
          </p>
          <RepeatBoxes time={repeat.time} times={repeat.times} />
          <p className="pt-1 text-20 text-ink-2 max-sm:text-16">
            {position.unit === 0 && start ? (
              <strong className="text-ink">Begin: {start}.</strong>
            ) : (
              <>At the end: {end}.</>
            )}
          </p>
        </div>
        <CheckpointAhead plan={plan} position={position} now={now} className="max-lg:hidden" />
      </div>
      <div className="relative lg:pb-3">
        <StitchRow units={now.units} unit={position.unit} bracket={now.bracket} terms={terms} />
        <CountTape now={now} unit={position.unit} />
        <p className="absolute right-7 bottom-5 w-[22rem] text-right text-24 leading-tight max-lg:hidden">
          <strong>{bold}</strong> {rest}
        </p>
      </div>
      <div className="grid gap-3 px-7 pb-4 max-sm:px-4 lg:hidden">
        <CheckpointAhead plan={plan} position={position} now={now} />
        <p className="text-24 leading-tight max-sm:text-18">
          <strong>{bold}</strong> {rest}
        </p>
      </div>
      <p className="visually-hidden" role="status">
        {now.made} of {round.count}
      </p>
    </div>
  )
}

function RoundNumber({ number, of }: { number: number; of: number }) {
  const wide = number > 9
  return (
    <div className={clsx('flex shrink-0', wide ? 'flex-col' : 'gap-2')}>
      <p className="slab pt-1 text-36 leading-none max-sm:text-24">
        Rnd
        <span className="block pt-1 font-text text-26 font-normal tracking-normal max-sm:text-16">
          of {of}
        </span>
      </p>
      <p
        className={clsx(
          'font-slab leading-[0.76] font-medium tracking-[-0.05em]',
          wide
            ? 'pt-3 text-[min(15rem,26vh)] max-lg:text-[11rem] max-sm:text-[5.5rem]'
            : 'text-[min(20.5rem,36vh)] max-lg:text-[16rem] max-sm:text-[9.5rem]',
        )}
      >
        {number}
      </p>
    </div>
  )
}

/** The longer the repeat, the smaller its letters. */
function repeatSize(text: string): string {
  if (text.length <= 10) return 'text-[min(6.5rem,8.6vw)] max-sm:text-[2.75rem]'
  if (text.length <= 18) return 'text-[min(4.5rem,6vw)] max-sm:text-[2.1rem]'
  if (text.length <= 34) return 'text-[min(3rem,4.6vw)] max-sm:text-[1.6rem]'
  return 'text-[min(2rem,4vw)] max-sm:text-[1.25rem]'
}

const MOST_BOXES = 14

function RepeatBoxes({ time, times }: { time: number; times: number }) {
  if (times === 1) return <p className="pt-3 text-26 max-sm:text-18">once</p>
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 pt-3">
      {times <= MOST_BOXES &&
        Array.from({ length: times }, (_, index) => (
          <span
            key={index}
            aria-hidden
            className={clsx(
              'size-9 rounded-[9px] border-2 rule max-sm:size-6',
              index + 1 < time && 'bg-ink',
              index + 1 === time && 'border-4 bg-tape max-sm:border-3',
            )}
          />
        ))}
      <span className="pl-2 text-[2.1rem] leading-tight max-sm:text-20">
        repeat {time} of {times}
      </span>
    </div>
  )
}
