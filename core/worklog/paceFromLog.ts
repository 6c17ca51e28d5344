import { STITCHES } from '../stitches/stitch.ts'
import type { Round } from '../rounds/round.ts'
import type { LogEvent } from './logEvent.ts'
import { roundNamed } from '../rounds/inOrder.ts'
import { unitsOf } from './moves.ts'
import { stitchesMade } from './workView.ts'

/** A longer pause than this is a rest, not work. */
const LONGEST_PAUSE_MS = 120_000
/** Who counts a repeat or a round at once worked on it before: so long a stitch at the most. */
const SLOWEST_STITCH_MS = 10_000
/** Fewer single crochets than this say nothing about pace. */
const LEAST_EFFORT = 30

/**
 * Single crochets a minute: most people make 12 to 25 (FIELD §8). Taps that come faster than any hands catch
 * up with work done before; they say that it was quick, not how quick.
 */
const FASTEST = 40
const SLOWEST = 3

/** Whether a pause before so many stitches was work on them, and no rest. */
export const isWork = (pause: number, stitches: number): boolean =>
  pause <= LONGEST_PAUSE_MS + stitches * SLOWEST_STITCH_MS

/** Whether so much, in single crochets, was counted faster than any hands work, an increase two at a tap: it was done before. */
export const isCatchingUp = (ms: number, effort: number): boolean => effort * 60_000 > ms * 2 * FASTEST

/** Single crochets a minute that the log shows, pauses left out; undefined while there is too little. */
export function paceFromLog(
  events: readonly LogEvent[],
  { rounds }: { readonly rounds: readonly Round[] },
): number | undefined {
  let effort = 0
  let milliseconds = 0
  events.forEach((event, index) => {
    const before = events[index - 1]
    if (event.type !== 'work' || !before) return
    const round = roundNamed(rounds, event.from.round)
    const pause = event.at - before.at
    if (!round) return
    const units = unitsOf(round)
    const stitches = stitchesMade(units, event.to.unit) - stitchesMade(units, event.from.unit)
    if (!isWork(pause, stitches)) return
    effort += stitches * STITCHES[round.fabric].effort
    milliseconds += pause
  })
  if (effort < LEAST_EFFORT || milliseconds <= 0) return undefined
  return Math.min(FASTEST, Math.max(SLOWEST, (effort * 60_000) / milliseconds))
}
