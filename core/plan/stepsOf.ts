import { placeIncreases } from '../pacing/placeIncreases.ts'
import type { Step } from '../pacing/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { Construction, Round } from './plan.ts'

interface RoundToWrite {
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
}

/**
 * The steps of a round by its construction, on top of the rounds that are there. Even rounds keep the
 * staggering: only shaping rounds count.
 * @param before the rounds below, from round 1; none for the first
 */
export function stepsOf(
  { stitch, from, count }: RoundToWrite,
  before: readonly Pick<Round, 'from' | 'count' | 'steps'>[],
  { order, placement, rounds }: Construction,
): Step[] {
  if (before.length === 0) return [{ times: 1, ops: [{ kind: 'work', stitch, count }] }]
  return placeIncreases({
    stitch,
    from,
    count,
    order,
    placement,
    shapingRounds: before.filter((round, index) => index > 0 && round.count !== round.from).length,
    offTheJoin: rounds.kind === 'joined' && rounds.shaping === 'offTheJoin',
    below: before
      .slice(-3)
      .map(({ steps }) => steps)
      .reverse(),
  })
}
