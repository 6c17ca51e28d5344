import { CRESCENT_SECTION } from '../forms/offCentre/offCentre.ts'
import type { Plan, PlannedRound } from './plan.ts'

/** What rows over one side make of a disc, mm: how wide it is with them, and how far off its centre it began. */
export interface OffCentre {
  readonly across: number
  readonly off: number
  /** The first and the last of the rows. */
  readonly rows: readonly [PlannedRound, PlannedRound]
}

/** Nothing of a piece that has no such rows. */
export function offCentreOf({ rounds }: Pick<Plan, 'rounds'>): OffCentre | undefined {
  const first = rounds.findIndex(({ section }) => section === CRESCENT_SECTION)
  const disc = rounds[first - 1]
  if (!disc) return undefined
  const last = rounds.at(-1)!
  const out = last.at.arc - disc.at.arc
  return { across: 2 * disc.at.radius + out, off: out / 2, rows: [rounds[first]!, last] }
}
