import type { Construction } from '../plan/plan.ts'
import { closes } from '../lay/startOfFabric.ts'

/** Why a piece measures otherwise than planned. `hands` covers it lying as the maker's own stitches would. */
export type CauseKind =
  | 'hands'
  | 'missedIncreases'
  | 'extraIncreases'
  | 'joinWorked'
  | 'firstSkipped'
  | 'roundMissing'
  | 'roundExtra'
  | 'openCentre'
  | 'stitchLost'
  | 'stitchGained'
  | 'chainMiscounted'

/** One way the rounds may really have been worked. */
export interface Hypothesis {
  readonly kind: CauseKind
  /** Probability before anything was measured; all of them add up to one. */
  readonly prior: number
  /** The round it began in, where there is one. */
  readonly from?: number
  /** Stitches a round that are more (or fewer) than planned, where that is what it says. */
  readonly stitches?: number
  /** Counts as they would then really be, for the planned ones up to a round. */
  readonly counts: (planned: readonly number[]) => readonly number[]
  /** Where round 1 begins, in heights, if otherwise than in a closed ring. */
  readonly centre?: { readonly mean: number; readonly sd: number }
}

/** A ring that was not drawn up. */
const OPEN_CENTRE = { mean: 1.1, sd: 0.35 }
/** Increases that go missing, or are doubled, one after the other. */
const MOST_STITCHES = 4
/** Stitches of an even round that are dropped, or worked twice. */
const MOST_DROPPED = 2
/** Chains that somebody who counts them is off. */
const CHAINS_OFF = [-2, -1, 1, 2]

/**
 * Whether increases and decreases can make these counts: at most two stitches in one, two over one.
 * @param besides stitches a round that stand in no stitch of the round below, as one in the join does
 */
export const canBeWorked = (counts: readonly number[], besides = 0): boolean =>
  counts.every((count, index) => {
    const below = counts[index - 1]
    return count > 0 && (below === undefined || (count - besides <= 2 * below && count >= below / 2))
  })

/** Planned counts of the rounds worked so far, and the ways of working that make some slips possible. */
interface Work extends Pick<Construction, 'rounds' | 'start'> {
  readonly planned: readonly number[]
}

type Way = Omit<Hypothesis, 'kind' | 'prior'>

interface Slip {
  /** How often it happens, as makers tell it: most pieces are only tighter or looser than thought. */
  readonly prior: number
  /** The ways in which it may have happened; none where it cannot. */
  readonly ways: (work: Work) => readonly Way[]
  /** Stitches a round that stand in no stitch of the round below. */
  readonly besides?: number
  /** Its counts are a guess, and need not be workable. */
  readonly guessed?: boolean
}

const same = (counts: readonly number[]) => counts

const upTo = (most: number): number[] => Array.from({ length: Math.max(0, most) }, (_, index) => index + 1)

/** Numbers of the rounds after the first. */
const laterRounds = ({ planned }: Work): number[] => upTo(planned.length - 1).map((index) => index + 1)

const offFrom = (round: number, stitches: number) => ({
  from: round,
  stitches,
  counts: (counts: readonly number[]) =>
    counts.map((count, index) => (index + 1 >= round ? count + stitches : count)),
})

/** Increases of one round that went missing, or were doubled; a whole round without them is one slip, too. */
const increasesOff =
  (sign: 1 | -1) =>
  (work: Work): Way[] =>
    laterRounds(work).flatMap((round) => {
      const increase = work.planned[round - 1]! - work.planned[round - 2]!
      const some = upTo(sign < 0 ? Math.min(MOST_STITCHES, increase - 1) : MOST_STITCHES)
      return (increase > 0 ? [...some, increase] : []).map((stitches) => offFrom(round, sign * stitches))
    })

/** Stitches of an even round that were passed over, or worked into twice. */
const stitchesOff =
  (sign: 1 | -1) =>
  (work: Work): Way[] =>
    laterRounds(work)
      .filter((round) => work.planned[round - 1] === work.planned[round - 2])
      .flatMap((round) => upTo(MOST_DROPPED).map((stitches) => offFrom(round, sign * stitches)))

/** A habit at the join, from some round on. */
const everyRound =
  (sign: 1 | -1) =>
  (work: Work): Way[] =>
    work.rounds.kind !== 'joined'
      ? []
      : laterRounds(work).map((round) => ({
          from: round,
          stitches: sign,
          counts: (counts) => counts.map((count, index) => count + sign * Math.max(0, index + 2 - round)),
        }))

/** Every slip that is known, by what it is called. They belong to starts and ways of working, not to forms. */
const SLIPS: Readonly<Record<CauseKind, Slip>> = {
  hands: { prior: 0.78, ways: () => [{ counts: same }] },
  missedIncreases: { prior: 0.07, ways: increasesOff(-1) },
  extraIncreases: { prior: 0.03, ways: increasesOff(1) },
  joinWorked: { prior: 0.03, ways: everyRound(1), besides: 1 },
  firstSkipped: { prior: 0.03, ways: everyRound(-1) },
  roundMissing: {
    prior: 0.02,
    ways: ({ planned }) => (planned.length > 2 ? [{ counts: (counts) => counts.slice(0, -1) }] : []),
  },
  roundExtra: {
    prior: 0.02,
    ways: () => [{ counts: (counts) => [...counts, 2 * counts.at(-1)! - (counts.at(-2) ?? 0)] }],
    guessed: true,
  },
  openCentre: {
    prior: 0.02,
    ways: ({ start }) => (closes(start) ? [{ counts: same, centre: OPEN_CENTRE }] : []),
  },
  stitchLost: { prior: 0.03, ways: stitchesOff(-1) },
  stitchGained: { prior: 0.02, ways: stitchesOff(1) },
  chainMiscounted: {
    prior: 0.03,
    ways: ({ start }) =>
      start.kind === 'joinedChain' || start.kind === 'chain'
        ? CHAINS_OFF.map((stitches) => ({ stitches, counts: offFrom(1, stitches).counts }))
        : [],
  },
}

/**
 * The ways that so many worked rounds may differ from their plan, each with its share of what its slip is thought
 * to happen.
 * @param planned counts of the rounds worked so far
 */
export function hypothesesFor(
  planned: readonly number[],
  { rounds, start }: Pick<Construction, 'rounds' | 'start'>,
): Hypothesis[] {
  const work: Work = { planned, rounds, start }
  const all = Object.entries(SLIPS).flatMap(([kind, { prior, ways, besides, guessed }]) => {
    const possible = ways(work).filter((way) => guessed || canBeWorked(way.counts(planned), besides))
    return possible.map((way) => ({ ...way, kind: kind as CauseKind, prior: prior / possible.length }))
  })
  const sum = all.reduce((total, { prior }) => total + prior, 0)
  return all.map((one) => ({ ...one, prior: one.prior / sum }))
}
