import { growsFlat, type SeenRounds } from '../seen.ts'
import type { CapForm } from './cap.ts'

/** Rounds at the least that go round the head under the crown. */
export const FEWEST_ROUNDS = 2
/** A brim that is tightened or flared has so many. */
export const BRIM_ROUNDS = 3
/** As much as any brim draws in, and as little as one that flares goes out. */
const [MOST_DRAWN_IN, LEAST_FLARE] = [0.12, 1.15]

/** Words for a cap, and for other things with a soft edge under their wall. */
export const NAMED = /\b(?:cap|hat|beanie|bonnet|crown|brim)s?\b/i
export const OTHERS = /\b(?:bowl|basket|box|pot|case|cover|cosy|cozy|bag|dish|tray)s?\b/i

/** A brim among the last rounds of a wall, as one that begins with clearly more stitches or with fewer. */
export function brimSeen(
  counts: readonly number[],
  { rounds }: SeenRounds,
): { readonly from: number; readonly is: 'tightened' | 'ribbed' | 'flared' } | undefined {
  const from = counts.findLastIndex((count, index) => index > 0 && count !== counts[index - 1])
  const [before, there] = [counts[from - 1]!, counts[from]!]
  const stoodEven = from > FEWEST_ROUNDS && counts[from - 2] === before
  if (!stoodEven || there < (1 - MOST_DRAWN_IN) * before) return undefined
  const isRib = rounds
    .slice(from + 1, counts.length)
    .some(({ steps }) => steps.some(({ ops }) => ops.some(({ manner }) => manner === 'frontPost')))
  if (there < before) return { from, is: isRib ? 'ribbed' : 'tightened' }
  return there >= LEAST_FLARE * before && counts.length - from <= BRIM_ROUNDS
    ? { from, is: 'flared' }
    : undefined
}

/** How a crown grows: flat, flat and then every other round, by less and less, or steadily to a point. */
export function crownSeen(counts: readonly number[], seen: SeenRounds): CapForm['crown'] {
  const even = counts.findIndex((count, index) => index > 0 && count === counts[index - 1])
  if (growsFlat(counts.slice(0, even < 0 ? counts.length : even), seen)) {
    if (even < 0) return 'flat'
    const stairs = counts.every(
      (count, index) => index < even || count > counts[index - 1]! === ((index - even) % 2 === 1),
    )
    if (stairs) return 'rounded'
  }
  // The first rounds close the hole.
  const growth = counts.slice(3).map((count, index) => count - counts[index + 2]!)
  return Math.max(...growth) - Math.min(...growth) <= 1 ? 'tall' : 'dome'
}
