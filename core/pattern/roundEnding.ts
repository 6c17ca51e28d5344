import { expandSteps, type Op, type Unit } from '../rounds/steps.ts'
import type { PlannedRound } from '../plan/plan.ts'

/** How a round ends, for the check at its end: so many of the same at the last. */
export interface RoundEnding extends Pick<Op, 'stitch' | 'uses' | 'makes' | 'manner' | 'of'> {
  readonly kind: Unit['kind']
  readonly run: number
  /** What comes before them, if it shapes. */
  readonly after?: 'inc' | 'dec'
}

/** Taken from the real steps, so that it holds for every placement. */
export function roundEnding(round: PlannedRound): RoundEnding {
  const units = expandSteps(round.steps)
  const { kind, stitch, uses, makes, manner, of } = units.at(-1)!
  const first = units.findLastIndex(
    (unit) => unit.kind !== kind || unit.manner !== manner || unit.stitch !== stitch,
  )
  const before = units[first]?.kind
  return {
    kind,
    stitch,
    uses,
    makes,
    ...(manner ? { manner } : {}),
    ...(of === undefined ? {} : { of }),
    run: units.length - 1 - first,
    ...(before && before !== 'work' ? { after: before } : {}),
  }
}
