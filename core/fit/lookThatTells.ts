import type { Round } from '../plan/plan.ts'
import type { Cause } from './diagnose.ts'

/** The one look at the piece that tells two causes apart. */
export type Look =
  | { readonly kind: 'countRound'; readonly round: number; readonly first: number; readonly second: number }
  | { readonly kind: 'countRounds'; readonly first: number; readonly second: number }
  | { readonly kind: 'lookAtCentre' }

/** While the second cause is at least so likely against the first, a look is worth it. */
const STILL_POSSIBLE = 0.05

/** What to count or look at so that the two likeliest causes part; nothing when one is clear. */
export function lookThatTells(causes: readonly Cause[], rounds: readonly Round[]): Look | undefined {
  const [first, second] = causes
  if (!first || !second || second.probability < STILL_POSSIBLE * first.probability) return undefined
  if (second.probability < 0.02) return undefined
  if (first.counts.length !== second.counts.length) {
    return { kind: 'countRounds', first: first.counts.length, second: second.counts.length }
  }
  const apart = rounds
    .map((_, index) => Math.abs(first.counts[index]! - second.counts[index]!))
    .reduce((widest, difference, index, all) => (difference > all[widest]! ? index : widest), 0)
  if (first.counts[apart] !== second.counts[apart]) {
    // The latest round where they differ as much is the easiest to reach.
    const difference = Math.abs(first.counts[apart]! - second.counts[apart]!)
    const round = rounds.findLastIndex(
      (_, index) => Math.abs(first.counts[index]! - second.counts[index]!) >= difference,
    )
    return {
      kind: 'countRound',
      round: round + 1,
      first: first.counts[round]!,
      second: second.counts[round]!,
    }
  }
  return first.kind === 'openCentre' || second.kind === 'openCentre' ? { kind: 'lookAtCentre' } : undefined
}
