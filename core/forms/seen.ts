import type { Start } from '../plan/plan.ts'
import type { SectionId } from '../rounds/round.ts'
import type { StandsOn } from '../rounds/standsOn.ts'
import { expandSteps, type Step } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** A round of which nobody has said yet what it is a part of. */
export interface SeenRound {
  readonly closed: boolean
  /** Stitches that it works off and makes. */
  readonly uses: number
  readonly makes: number
  readonly stitch: StitchName
  readonly steps: readonly Step[]
  readonly loops?: 'back' | 'front'
  /** What it stands on, where that is not all of the round before. */
  readonly on?: StandsOn
}

/** A list of rounds alone, and the stitches that they are to be worked in: each family knows its own. */
export interface SeenRounds {
  readonly rounds: readonly SeenRound[]
  readonly start?: Start['kind']
  /** Chains that are worked into, where it begins along some. */
  readonly chains?: number
  /** A stitch's width and a round's height, mm. */
  readonly w: number
  readonly h: number
  /** Stitches to add every round so that it lies flat. */
  readonly flatGrowth: number
  /** What the text calls it, where it does. */
  readonly called?: string
}

/** What a family makes of rounds: its form, near enough to be laid and then sized, and the section of each by its index. */
export interface Seen<F> {
  readonly form: F
  readonly sectionAt: (index: number) => SectionId
}

/** A size as near as its field may have it. */
export const within = (value: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, value))

/** One section has all of it. */
export const allIn = (id: SectionId) => (): SectionId => id

/** Of what lies flat, a round takes up about so much of what would lie quite flat. */
const FLAT_SHARE = 0.75
/** A round that grows by less than this share of what would lie flat is none of a base. */
const GROWS = 0.35
/** A wall may lose so much of its stitches to a texture, and still be one. */
const STRAY = 0.04

/** Within so many rounds of a base its wall is in its texture. */
const TURNS_IN = 2

/** Whether nothing but clusters is worked: wider than plain stitches, there are fewer of them around. */
const isClusters = (round: SeenRound | undefined): boolean =>
  round?.steps.every(({ ops }) => ops.every(({ manner }) => manner === 'cluster')) ?? false

/** A cord goes through so many holes at the least, after no more stitches than so many. */
const [FEWEST_HOLES, MOST_BETWEEN] = [4, 12]

/** Whether chains over skipped stitches leave holes all the way around. */
export function hasHoles({ steps, uses }: SeenRound): boolean {
  const holes = expandSteps(steps).filter(({ manner }) => manner === 'space').length
  return holes >= FEWEST_HOLES && uses / holes <= MOST_BETWEEN && holes < uses / 2
}

/** Stitches of each round. */
export const countsIn = ({ rounds }: Pick<SeenRounds, 'rounds'>): readonly number[] =>
  rounds.map(({ makes }) => makes)

/** How many rounds go all around, each on all of the one before, before something else comes. */
export function ringsIn({ rounds }: Pick<SeenRounds, 'rounds'>): number {
  const other = rounds.findIndex(({ closed, on }) => !closed || on !== undefined)
  return other < 0 ? rounds.length : other
}

/** Nothing but rounds, from a ring, a single chain, or along both sides of a chain. */
export const isAllRings = (seen: SeenRounds): boolean => ringsIn(seen) === seen.rounds.length

/** Whether it begins in its middle: in a ring or in one chain. */
export const beginsInItsMiddle = ({ start }: SeenRounds): boolean =>
  start === undefined || start === 'magicRing' || start === 'chainTwo' || start === 'chainRing'

/** What the first rounds are, as far as they go around. */
export interface SeenBase {
  /** Index of the last round that grows, or that comes before a crisp edge. */
  readonly last: number
  /** How many come after it. */
  readonly after: number
  /** Whether it grows as fast as what lies flat. */
  readonly flat: boolean
  /** Whether some later round has clearly fewer. */
  readonly shrinks: boolean
  readonly crisp: boolean
}

/** Whether counts grow as fast as what lies flat. */
export const growsFlat = (
  counts: readonly number[],
  { flatGrowth }: Pick<SeenRounds, 'flatGrowth'>,
): boolean =>
  counts.length > 1 && (counts.at(-1)! - counts[0]!) / (counts.length - 1) >= FLAT_SHARE * flatGrowth

/** The base of what goes around; around a chain only its ends widen, so that any growth is growth. */
export function baseOf(seen: SeenRounds): SeenBase {
  const counts = countsIn(seen).slice(0, ringsIn(seen))
  const least = seen.start === 'chainAlong' ? 0 : GROWS * seen.flatGrowth
  const turn = crispTurn(seen.rounds.slice(0, counts.length))
  const last =
    turn > 0
      ? turn - 1
      : counts.findLastIndex((count, index) => index === 0 || count - counts[index - 1]! > least)
  return {
    last,
    after: counts.length - 1 - last,
    flat: growsFlat(counts.slice(0, last + 1), seen),
    shrinks: counts.some(
      (count, index) =>
        index > 0 &&
        count < (1 - STRAY) * counts[index - 1]! &&
        !(index <= last + TURNS_IN && isClusters(seen.rounds[index + 1])),
    ),
    crisp: seen.rounds[last + 1]?.loops === 'back',
  }
}

/** The round that turns a crisp edge: one into back loops among others that are not. */
function crispTurn(rounds: readonly SeenRound[]): number {
  const back = rounds.flatMap(({ loops, makes, uses }, index) =>
    loops === 'back' && makes === uses ? [index] : [],
  )
  return back.length === 1 && back[0]! > 1 ? back[0]! : -1
}
