import type { PinnedPlan } from './plan.ts'

/** Number of the round that a finished piece is measured at: the last, before any rows that stand on it. */
export const lastMeasured = ({ rounds, checkpoints }: Pick<PinnedPlan, 'rounds' | 'checkpoints'>): number =>
  checkpoints.findLast(({ purpose }) => purpose === 'finish')?.afterRound ?? rounds.length
