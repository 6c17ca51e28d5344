import { placeIncreases } from '../counts/placeIncreases.ts'
import { inEndChain, type Foundation } from '../forms/alongChain.ts'
import { decrease, plain, type Step } from '../rounds/steps.ts'
import { zonesOf, type Zone } from '../rounds/zone.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { Construction } from './plan.ts'
import type { RoundBelow } from './stepsOf.ts'

const inZone = (zone: Zone, steps: readonly Step[]): Step[] => steps.map((step) => ({ ...step, zone }))
const once = (zone: Zone, uses: number, makes: number, stitch: StitchName): Step => ({
  times: 1,
  ops: [{ stitch, uses, makes, times: 1 }],
  zone,
})

/**
 * Round 1 along both sides of a chain: one stitch in each chain, several in the last; back along the other side, and
 * several into the first, which has one from the start where its sides are as long as can be, and none where it was
 * passed over.
 */
export function firstAlong(stitch: StitchName, foundation: Foundation): Step[] {
  const { chains, side, ends } = foundation
  const [far, near] = ends
  const along = (count: number): Step[] =>
    count > 0 ? inZone('side', [{ times: 1, ops: [plain(stitch, count)] }]) : []
  return [
    ...along(side),
    once(far, 1, inEndChain(foundation), stitch),
    ...along(chains - 2),
    once(near, 1, foundation.end, stitch),
  ]
}

/** The same round the other way round. */
export const theOtherWay = (steps: readonly Step[]): Step[] =>
  steps.toReversed().map((step) => ({ ...step, ops: step.ops.toReversed() }))

interface ZonedRound {
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
  /** Stitches along both straight sides of the round below. */
  readonly straight: number
  readonly ends: Foundation['ends']
}

/**
 * A round around a chain that is taken in over its far end: so many decreases, a stitch or two between them, symmetric
 * about its middle, and plain all the way back to the marker.
 */
export function takenInOver({ stitch, from, count, straight, ends: [far] }: ZonedRound): Step[] {
  const times = from - count
  // Twice the middle of the far end, in stitches of the round below.
  const middle = (straight + from) / 2
  const spanOf = (gap: number) => 2 * times + (times - 1) * gap
  // Two between them where that is more symmetric, and does not reach back over the start of the round.
  const gap = (middle - spanOf(1)) % 2 === 0 || spanOf(2) > middle ? 1 : 2
  const before = Math.max(0, Math.floor((middle - spanOf(gap)) / 2))
  const after = from - before - spanOf(gap)
  const run = (zone: Zone, stitches: number): Step[] =>
    stitches > 0 ? inZone(zone, [{ times: 1, ops: [plain(stitch, stitches)] }]) : []
  const between =
    times > 1 ? [{ times: times - 1, ops: [decrease(stitch), plain(stitch, gap)] } satisfies Step] : []
  return [
    ...run('side', before),
    ...inZone(far, [...between, { times: 1, ops: [decrease(stitch)] }]),
    ...run('back', after),
  ]
}

/** A round around a chain: plain along the sides, its increases kept in the two ends, the same in each. */
export function aroundEnds(
  { stitch, from, count, straight, ends: [far, near] }: ZonedRound,
  before: readonly RoundBelow[],
  { order, placement }: Construction,
): Step[] {
  const shapes = before.filter((round, index) => index > 0 && round.shapes).length
  const end = placeIncreases({
    stitch,
    from: (from - straight) / 2,
    count: (count - straight) / 2,
    order,
    placement,
    shapingRounds: shapes,
    offTheJoin: false,
    below: before
      .slice(-3)
      .map(({ steps }) => zonesOf({ steps }).find(({ zone }) => zone === far)?.steps ?? [])
      .reverse(),
  })
  const side = inZone('side', [{ times: 1, ops: [plain(stitch, straight / 2)] }])
  const sides = straight > 0 ? side : []
  return [...sides, ...inZone(far, end), ...sides, ...inZone(near, end)]
}
