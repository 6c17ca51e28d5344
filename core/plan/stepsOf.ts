import { placeIncreases } from '../counts/placeIncreases.ts'
import { plain, type Step } from '../rounds/steps.ts'
import { opsOfTexture, repeatOf } from '../rounds/texture.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { countOf, usedBy, type Round } from '../rounds/round.ts'
import type { Construction } from './plan.ts'
import type { TexturedRound } from './textureAt.ts'

interface RoundToShape {
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
  /** What an even round of it is worked in, and its index there, from 0. */
  readonly texture?: TexturedRound | undefined
  /** The side that faces the maker; right when nothing is said. */
  readonly side?: Round['side']
  /** It is a row, which is turned where the one below ends. */
  readonly row?: boolean
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
  { stitch, from, count, texture, side, row }: RoundToShape,
  before: readonly RoundBelow[],
  { order, placement, rounds }: Construction,
  into?: 'back' | 'front',
): Step[] {
  if (before.length === 0) return [{ times: 1, ops: [plain(stitch, count)] }]
  const steps = texture
    ? textured(texture, stitch, count, side)
    : placeIncreases({
        stitch,
        from,
        count,
        order,
        placement,
        shapingRounds: before.filter(({ shapes }, index) => index > 0 && shapes).length,
        backwards: row === true && side === 'wrong',
        offTheJoin: rounds.kind === 'joined' && rounds.shaping === 'offTheJoin',
        below: before
          .slice(-3)
          .map(({ steps }) => steps)
          .reverse(),
      })
  return intoLoops(steps, into)
}

/** Steps that are all worked into one loop; into both when none is named. */
export const intoLoops = (steps: readonly Step[], into: 'back' | 'front' | undefined): Step[] =>
  steps.map((step) => (into ? { ...step, ops: step.ops.map((op) => ({ ...op, loops: into })) } : step))

/** An even round in a texture; what its repeat does not go into is worked plain at the end. */
function textured(
  { of, index }: TexturedRound,
  stitch: StitchName,
  count: number,
  side: Round['side'] | undefined,
): Step[] {
  const repeat = repeatOf(of)
  const times = Math.floor(count / repeat)
  const over = count - times * repeat
  return [
    ...(times > 0 ? [{ times, ops: opsOfTexture(of, stitch, index, side) }] : []),
    ...(over > 0 ? [{ times: 1, ops: [plain(stitch, over)] }] : []),
  ]
}
