import type { Step } from '../rounds/steps.ts'

interface Scattering {
  /** Plain stitches before each increase; the first gap is the one that the join cuts in two. */
  readonly gaps: readonly number[]
  /** Whether the first and the last stitch had better stay plain. */
  readonly offTheJoin: boolean
  /** Stitches of the round below. */
  readonly from: number
  /** Steps of the rounds below, the nearest first. */
  readonly below: readonly (readonly Step[])[]
}

/** How far back increases are kept apart, and what each round counts. */
const BACK = [1, 0.5, 0.25] as const
/** An increase worked into an increase: worse than any nearness. */
const ON_TOP = 100
/** An increase at the join, where it had better not be. */
const AT_THE_JOIN = 2

/**
 * How many plain stitches should close a round so that its increases come as little as possible near those
 * of the rounds below: the least sum of 1 / (1 + distance in stitches)², where none stands in a stitch that
 * an increase made, if there is such a place.
 */
export function scatteredEnd({ gaps, offTheJoin, from, below }: Scattering): number {
  const earlier = below.slice(0, BACK.length).map(increasesIn)
  const gap = gaps[0]!
  let best = 0
  let least = Infinity
  for (let end = 0; end <= gap; end++) {
    const atTheJoin = offTheJoin && (end === 0 || end === gap) ? AT_THE_JOIN : 0
    const crowding = crowdingOf(gaps, end, from, earlier) + atTheJoin
    if (crowding < least - 1e-9) {
      least = crowding
      best = end
    }
  }
  return best
}

interface Increases {
  /** Middle of what each made, as shares of the round, rising. */
  readonly shares: readonly number[]
  /** First stitch that each made, from 0. */
  readonly first: ReadonlySet<number>
}

const known = new WeakMap<readonly Step[], Increases>()

/** The increases of a round, remembered for as long as its steps are. */
function increasesIn(steps: readonly Step[]): Increases {
  const found = known.get(steps)
  if (found) return found
  const first: number[] = []
  let stitches = 0
  for (const { times, ops } of steps) {
    for (let time = 0; time < times; time++) {
      for (const op of ops) {
        if (op.makes > op.uses) first.push(stitches)
        stitches += op.makes * op.times
      }
    }
  }
  const increases = { shares: first.map((at) => (at + 1) / stitches), first: new Set(first) }
  known.set(steps, increases)
  return increases
}

/** How crowded a round's increases are when so many plain stitches close it. */
function crowdingOf(
  gaps: readonly number[],
  end: number,
  from: number,
  earlier: readonly Increases[],
): number {
  let sum = 0
  let host = gaps[0]! - end
  const nearest = earlier.map(() => 0)
  for (let index = 0; index < gaps.length; index++) {
    const share = (host + 0.5) / from
    for (let back = 0; back < earlier.length; back++) {
      const { shares } = earlier[back]!
      if (shares.length === 0) continue
      // Both lists rise, so the nearest is never before the last one's.
      let at = nearest[back]!
      while (at + 1 < shares.length && around(shares[at + 1]!, share) <= around(shares[at]!, share)) at++
      nearest[back] = at
      const away = Math.min(
        around(shares[at]!, share),
        around(shares[0]!, share),
        around(shares.at(-1)!, share),
      )
      sum += BACK[back]! / (1 + from * away) ** 2
    }
    if (earlier[0] && (earlier[0].first.has(host) || earlier[0].first.has(host - 1))) sum += ON_TOP
    host += 1 + (gaps[index + 1] ?? 0)
  }
  return sum
}

/** Distance between two shares of a round, the shorter way. */
function around(one: number, other: number): number {
  const apart = Math.abs(one - other)
  return Math.min(apart, 1 - apart)
}
