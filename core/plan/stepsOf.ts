import { placeIncreases } from '../counts/placeIncreases.ts'
import { plain, type Step } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { countOf, usedBy, type Round } from '../rounds/round.ts'
import type { Construction } from './plan.ts'

interface RoundToShape {
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
}

/** What the placing of a round's shaping needs to know of the rounds below. */
export interface RoundBelow {
  readonly steps: readonly Step[]
  /** Whether it was planned to make more or fewer stitches than it stands in. */
  readonly shapes: boolean
}

export const asBelow = (round: Round): RoundBelow => ({
  steps: round.steps,
  shapes: countOf(round) !== usedBy(round),
})

/**
 * The steps of a round by its construction, on top of the rounds that are there. Even rounds keep the
 * staggering: only shaping rounds count.
 * @param into the loop it is worked into, if not both
 * @param before the rounds below, from round 1; none for the first
 */
export function stepsOf(
  { stitch, from, count }: RoundToShape,
  before: readonly RoundBelow[],
  { order, placement, rounds }: Construction,
  into?: 'back' | 'front',
): Step[] {
  if (before.length === 0) return [{ times: 1, ops: [plain(stitch, count)] }]
  const steps = placeIncreases({
    stitch,
    from,
    count,
    order,
    placement,
    shapingRounds: before.filter(({ shapes }, index) => index > 0 && shapes).length,
    offTheJoin: rounds.kind === 'joined' && rounds.shaping === 'offTheJoin',
    below: before
      .slice(-3)
      .map(({ steps }) => steps)
      .reverse(),
  })
  return into
    ? steps.map(({ times, ops }) => ({ times, ops: ops.map((op) => ({ ...op, loops: into })) }))
    : steps
}
