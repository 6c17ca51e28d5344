import type { Construction } from '../plan/plan.ts'

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

/** How often each happens, as makers tell it: most pieces are only tighter or looser than thought. */
const PRIORS: Readonly<Record<CauseKind, number>> = {
  hands: 0.78,
  missedIncreases: 0.07,
  extraIncreases: 0.03,
  joinWorked: 0.03,
  firstSkipped: 0.03,
  roundMissing: 0.02,
  roundExtra: 0.02,
  openCentre: 0.02,
}
/** A ring that was not drawn up. */
const OPEN_CENTRE = { mean: 1.1, sd: 0.35 }
/** Increases that go missing, or are doubled, one after the other. */
const MOST_STITCHES = 4

const spread = (kind: CauseKind, all: readonly Omit<Hypothesis, 'kind' | 'prior'>[]): Hypothesis[] =>
  all.map((one) => ({ ...one, kind, prior: PRIORS[kind] / all.length }))

/**
 * Whether increases and decreases can make these counts: at most two stitches in one, two over one.
 * @param besides stitches a round that stand in no stitch of the round below, as one in the join does
 */
export const canBeWorked = (counts: readonly number[], besides = 0): boolean =>
  counts.every((count, index) => {
    const below = counts[index - 1]
    return count > 0 && (below === undefined || (count - besides <= 2 * below && count >= below / 2))
  })

/**
 * The ways that so many worked rounds may differ from their plan. Errors that go on every round (a join
 * worked as a stitch, a first stitch skipped) are possible in joined rounds alone, and only a closed ring can
 * have been left open.
 * @param planned counts of the rounds worked so far
 */
export function hypothesesFor(
  planned: readonly number[],
  { rounds: worked, start }: Pick<Construction, 'rounds' | 'start'>,
): Hypothesis[] {
  const rounds = planned.length
  const from = Array.from({ length: Math.max(0, rounds - 1) }, (_, index) => index + 2)
  const off = (sign: 1 | -1) =>
    from.flatMap((round) => {
      const increase = planned[round - 1]! - planned[round - 2]!
      const most = sign < 0 ? Math.min(MOST_STITCHES, increase - 1) : MOST_STITCHES
      const some = Array.from({ length: Math.max(0, most) }, (_, index) => index + 1)
      // A whole round without its increases is one slip, too.
      return (increase > 0 ? [...some, increase] : []).map((stitches) => ({
        from: round,
        stitches: sign * stitches,
        counts: (counts: readonly number[]) =>
          counts.map((count, index) => (index + 1 >= round ? count + sign * stitches : count)),
      }))
    })
  const everyRound = (sign: 1 | -1) =>
    worked.kind === 'joined'
      ? from.map((round) => ({
          from: round,
          stitches: sign,
          counts: (counts: readonly number[]) =>
            counts.map((count, index) => count + sign * Math.max(0, index + 2 - round)),
        }))
      : []
  const possible = (one: Omit<Hypothesis, 'kind' | 'prior'>) => canBeWorked(one.counts(planned))
  const same = (counts: readonly number[]) => counts
  const all = [
    ...spread('hands', [{ counts: same }]),
    ...spread('missedIncreases', off(-1).filter(possible)),
    ...spread('extraIncreases', off(1).filter(possible)),
    ...spread(
      'joinWorked',
      everyRound(1).filter((one) => canBeWorked(one.counts(planned), 1)),
    ),
    ...spread('firstSkipped', everyRound(-1).filter(possible)),
    ...(rounds > 2 ? spread('roundMissing', [{ counts: (counts) => counts.slice(0, -1) }]) : []),
    ...spread('roundExtra', [{ counts: (counts) => [...counts, 2 * counts.at(-1)! - (counts.at(-2) ?? 0)] }]),
    ...(start.kind === 'chainRing' ? [] : spread('openCentre', [{ counts: same, centre: OPEN_CENTRE }])),
  ]
  const sum = all.reduce((total, { prior }) => total + prior, 0)
  return all.map((one) => ({ ...one, prior: one.prior / sum }))
}
