import type { Drift, TakenOut, TimeTold } from '../../core/index.ts'
import { duration, percent, sts } from './wording.ts'

/** "1 h 12 ± 9 min"; without how far it may be off while a single sitting is known. */
export const sayTime = ({ seconds, plusMinus }: TimeTold): string =>
  plusMinus === undefined ? `about ${duration(seconds)}` : `${duration(seconds)} ± ${duration(plusMinus)}`

/** What was taken out, and why as far as the log knows. */
export const sayTakenOut = (
  { stitches, from, to, why }: TakenOut,
  titleAt: (round: number) => string,
): string =>
  `${sts(stitches)}, from ${titleAt(from)} back to ${titleAt(to)}${why === 'replan' ? ', to work on as planned anew' : ''}`

/** Whether a hand gets tighter, from so many measurements. */
export function sayDrift(drift: Drift | undefined, count: number): string {
  if (!drift) {
    return `Four measurements show a direction; there ${count === 1 ? 'is 1' : `are ${count === 0 ? 'none' : count}`}.`
  }
  const { each, plusMinus, seen } = drift
  const by = `${percent(Math.abs(each))} from one measurement to the next, ± ${percent(plusMinus)}`
  if (seen) return `You get ${each < 0 ? 'tighter' : 'looser'}: ${by}.`
  return `Neither tighter nor looser beyond chance: ${by}.`
}
