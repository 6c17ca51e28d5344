import { expandSteps, type Unit } from '../rounds/steps.ts'
import type { PlannedRound } from '../plan/plan.ts'

/** How a round ends, for the check at its end: so many of the same at the last. */
export interface RoundEnding {
  readonly kind: Unit['kind']
  readonly stitch: Unit['stitch']
  readonly run: number
}

/** Taken from the real steps, so that it holds for every placement. */
export function roundEnding(round: PlannedRound): RoundEnding {
  const units = expandSteps(round.steps)
  const { kind, stitch } = units.at(-1)!
  let run = 0
  while (run < units.length && units[units.length - 1 - run]!.kind === kind) run++
  return { kind, stitch, run }
}
