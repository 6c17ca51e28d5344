import clsx from 'clsx'
import type { ReactNode } from 'react'
import { titleOf, type PlannedRound } from '../../../core/index.ts'

/** Which round it is of how many: its number as large as there is room for. */
export function RoundNumber({ round, of }: { round: PlannedRound; of: number }) {
  const { number } = round
  const wide = number > 9
  return (
    <div className={clsx('flex shrink-0', wide ? 'flex-col' : 'gap-2')}>
      <p className="slab pt-1 text-[min(2.25rem,7cqh)] leading-none max-sm:text-[min(1.5rem,5cqh)]">
        {titleOf(round).split(' ')[0]}
        <span className="block pt-1 font-text text-[clamp(0.875rem,5cqh,1.625rem)] font-normal tracking-normal max-sm:text-[clamp(0.875rem,3.5cqh,1rem)]">
          of {of}
        </span>
      </p>
      <p
        className={clsx(
          'font-slab leading-[0.76] font-medium tracking-[-0.05em] lying:translate-y-2',
          wide
            ? 'pt-3 text-[min(15rem,30cqh)] max-lg:text-[min(11rem,26cqh)] max-sm:text-[min(5.5rem,15cqh)]'
            : 'text-[min(20.5rem,43cqh)] max-lg:text-[min(16rem,34cqh)] max-sm:text-[min(9.5rem,23cqh)]',
        )}
      >
        {number}
      </p>
    </div>
  )
}

/** The longer the repeat, the smaller its letters; on a stage that lies what is below it needs its room first. */
export function repeatSize(text: string): string {
  if (text.length <= 10) return 'text-[min(6.5rem,8.6vw,16cqh,32cqh-47px)] max-sm:text-[min(2.75rem,8cqh)]'
  if (text.length <= 18) return 'text-[min(4.5rem,6vw,12cqh,32cqh-47px)] max-sm:text-[min(2.1rem,6.5cqh)]'
  if (text.length <= 34) return 'text-[min(3rem,4.6vw,9cqh)] max-sm:text-[min(1.6rem,5cqh)]'
  return 'text-[min(2rem,4vw,7cqh)] max-sm:text-[min(1.25rem,4cqh)]'
}

const MOST_BOXES = 14

/** Which time of the repeat it is, a box for each, where that lies, and what more is told beside it. */
export function RepeatBoxes({
  time,
  times,
  where,
  children,
}: {
  readonly time: number
  readonly times: number
  /** Where around the round it lies, of a round that has zones. */
  readonly where: string | undefined
  readonly children: ReactNode
}) {
  if (times === 1)
    return (
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 pt-2 text-[clamp(0.875rem,5cqh,1.625rem)] max-sm:text-[clamp(0.875rem,4cqh,1.125rem)]">
        {where ?? 'once'}
        {children}
      </div>
    )
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 pt-[min(0.75rem,2cqh)]">
      {times <= MOST_BOXES &&
        Array.from({ length: times }, (_, index) => (
          <span
            key={index}
            aria-hidden
            className={clsx(
              'size-[min(2.25rem,7cqh)] rounded-[9px] border-2 rule max-sm:size-6 max-sm:large:hidden',
              index + 1 < time && 'bg-ink',
              index + 1 === time && 'border-4 bg-tape max-sm:border-3',
            )}
          />
        ))}
      <span className="pr-3 pl-2 text-[min(2.1rem,7cqh)] leading-tight max-sm:pl-0 max-sm:text-[min(1.25rem,4cqh)]">
        repeat {time} of {times}
        {where && `, ${where}`}
      </span>
      {children}
    </div>
  )
}
