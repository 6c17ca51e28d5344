import type { StitchName } from '../stitches/stitch.ts'

/** Stitches the last rounds may be worked in to hit a size, tallest first as they would be worked. */
const TRIM_STITCHES = ['hdc', 'sc', 'slst'] as const satisfies readonly StitchName[]

export interface RoundChoice {
  /** Stitch of every round, from the centre out. */
  readonly stitches: readonly StitchName[]
  /** How many of the last rounds are there to trim the size. */
  readonly trimmed: number
  /** Σh beyond the centre, mm. */
  readonly reach: number
}

/** The two ways to come near a radius with whole rounds of the body stitch alone, the nearer first. */
export function wholeRounds(reach: number, body: StitchName, height: number, least: number): RoundChoice[] {
  const exact = reach / height
  return [...new Set([Math.floor(exact), Math.ceil(exact)].map((rounds) => Math.max(least, rounds)))]
    .map((rounds): RoundChoice => ({
      stitches: new Array<StitchName>(rounds).fill(body),
      trimmed: 0,
      reach: rounds * height,
    }))
    .sort((one, other) => Math.abs(one.reach - reach) - Math.abs(other.reach - reach))
}

/**
 * The ways to reach a radius with whole rounds of the body stitch and up to `free` last rounds of
 * others, nearest first. A slip stitch round only comes last (FIELD: two free rounds reach within
 * 0.17 h of sc, one within 0.34).
 * @param reach wanted Σh, mm
 * @param least rounds at the least; 0 when a piece may stop where it is
 */
export function chooseRounds(
  reach: number,
  body: StitchName,
  free: 0 | 1 | 2,
  heightOf: (stitch: StitchName) => number,
  least = 2,
): RoundChoice[] {
  const bodyHeight = heightOf(body)
  const choices = tails(body, free).flatMap((tail) => {
    const tailHeight = tail.reduce((sum, stitch) => sum + heightOf(stitch), 0)
    const exact = (reach - tailHeight) / bodyHeight
    return [...new Set([Math.floor(exact), Math.ceil(exact)])]
      .filter((rounds) => rounds >= Math.min(1, least) && rounds + tail.length >= least)
      .map((rounds): RoundChoice => ({
        stitches: [...new Array<StitchName>(rounds).fill(body), ...tail],
        trimmed: tail.length,
        reach: rounds * bodyHeight + tailHeight,
      }))
  })
  // A second trimmed round that gains less than a fiftieth of a round is not worth another stitch.
  const cost = ({ reach: got, trimmed }: RoundChoice) => Math.abs(got - reach) + trimmed * 0.02 * bodyHeight
  return choices.sort((one, other) => cost(one) - cost(other))
}

/**
 * The farthest a radius can be from every way to reach it, mm: half the widest gap between the heights
 * the last rounds can add, taken modulo a body round.
 */
export function reachableWithin(
  body: StitchName,
  free: 0 | 1 | 2,
  heightOf: (stitch: StitchName) => number,
): number {
  const round = heightOf(body)
  const offsets = tails(body, free)
    .map((tail) => tail.reduce((sum, stitch) => sum + heightOf(stitch), 0) % round)
    .sort((one, other) => one - other)
  const gaps = offsets.map((offset, index) => (offsets[index + 1] ?? offsets[0]! + round) - offset)
  return Math.max(...gaps) / 2
}

function tails(body: StitchName, free: 0 | 1 | 2): StitchName[][] {
  const single = TRIM_STITCHES.filter((stitch) => stitch !== body).map((stitch) => [stitch])
  if (free === 0) return [[]]
  if (free === 1) return [[], ...single]
  const pairs = TRIM_STITCHES.flatMap((first, index) =>
    TRIM_STITCHES.slice(index)
      .filter((last) => !(first === 'slst' && last === 'slst') && !(first === body && last === body))
      .map((last) => [first, last] as StitchName[]),
  ).filter((pair) => pair[0] !== body)
  return [[], ...single, ...pairs]
}
