import { placeOf } from '../rounds/inOrder.ts'
import type { Unit } from '../rounds/steps.ts'
import type { Checkpoint, Plan, PlannedRound } from '../plan/plan.ts'
import type { Position } from './logEvent.ts'
import { unitsOf } from './moves.ts'

export interface WorkView {
  readonly round: PlannedRound
  readonly units: readonly Unit[]
  /** Stitches made in this round. */
  readonly made: number
  /** Stitches made in the piece. */
  readonly madeInAll: number
  readonly roundDone: boolean
  /** Which time of the current step, and of how many; both from 1. */
  readonly repeat: { readonly step: number; readonly time: number; readonly times: number }
  /** First and past-last unit of the current run of the repeat. */
  readonly bracket: { readonly from: number; readonly to: number }
  readonly nextCheckpoint?: { readonly checkpoint: Checkpoint; readonly stitchesTo: number }
}

/** Stitches that the first `unit` units of a round make. */
export function stitchesMade(units: readonly Unit[], unit: number): number {
  let made = 0
  for (let index = 0; index < unit; index++) made += units[index]!.makes
  return made
}

/** Stitches of a piece that are made where the hook is; none where its rounds have no such place. */
export function madeAt({ rounds }: Pick<Plan, 'rounds'>, { round, unit }: Position): number {
  const place = placeOf(rounds, round)
  if (place < 0) return 0
  const before = rounds.slice(0, place).reduce((sum, { count }) => sum + count, 0)
  return before + stitchesMade(unitsOf(rounds[place]!), unit)
}

/** Rounds of a piece that are whole where the hook is. */
export function roundsMade({ rounds }: Pick<Plan, 'rounds'>, { round, unit }: Position): number {
  const place = placeOf(rounds, round)
  return place >= 0 && unit >= unitsOf(rounds[place]!).length ? place + 1 : Math.max(0, place)
}

/** Everything the work screen says about a position. */
export function workView(plan: Plan, position: Position): WorkView {
  const place = placeOf(plan.rounds, position.round)
  const round = plan.rounds[place]!
  const units = unitsOf(round)
  const made = stitchesMade(units, position.unit)
  const before = plan.rounds.slice(0, place).reduce((sum, { count }) => sum + count, 0)
  const current = units[Math.min(position.unit, units.length - 1)]!
  const inRun = ({ step, time }: Unit) => step === current.step && time === current.time
  const checkpoint = plan.checkpoints.find(({ afterRound }) => afterRound >= round.number)
  return {
    round,
    units,
    made,
    madeInAll: before + made,
    roundDone: position.unit >= units.length,
    repeat: { step: current.step, time: current.time + 1, times: round.steps[current.step]!.times },
    bracket: { from: units.findIndex(inRun), to: units.findLastIndex(inRun) + 1 },
    nextCheckpoint: checkpoint && {
      checkpoint,
      stitchesTo:
        plan.rounds.slice(place, checkpoint.afterRound).reduce((sum, { count }) => sum + count, 0) - made,
    },
  }
}
