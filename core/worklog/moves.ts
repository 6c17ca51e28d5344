import { expandSteps, type Unit } from '../rounds/steps.ts'
import type { PlannedRound } from '../plan/plan.ts'
import { afterOf, roundNamed } from '../rounds/inOrder.ts'
import type { Round } from '../rounds/round.ts'
import { samePosition, type NewEvent, type Position } from './logEvent.ts'
import type { WorkState } from './replay.ts'

const unitsByRound = new WeakMap<Pick<Round, 'steps'>, readonly Unit[]>()

/** The round written out, remembered for as long as the round is. */
export function unitsOf(round: Pick<Round, 'steps'>): readonly Unit[] {
  const known = unitsByRound.get(round)
  if (known) return known
  const units = expandSteps(round.steps)
  unitsByRound.set(round, units)
  return units
}

export type Stride = 'stitch' | 'repeat' | 'round'

/** The event that works on by one stitch, to the end of the repeat, or of the round; none at its end. */
export function workOn(
  rounds: readonly PlannedRound[],
  { position, finished }: WorkState,
  by: Stride,
): NewEvent | undefined {
  const round = roundNamed(rounds, position.round)
  if (!round || finished) return undefined
  const units = unitsOf(round)
  if (position.unit >= units.length) return undefined
  const to = { round: position.round, unit: endOfStride(units, position.unit, by) }
  return { type: 'work', by, from: position, to }
}

function endOfStride(units: readonly Unit[], unit: number, by: Stride): number {
  if (by === 'stitch') return unit + 1
  if (by === 'round') return units.length
  const now = units[unit]!
  const next = units.findIndex(
    ({ step, time }, index) => index > unit && (step !== now.step || time !== now.time),
  )
  return next < 0 ? units.length : next
}

/** The event that begins the next round; none while stitches are left or after the last round. */
export function nextRound(
  rounds: readonly PlannedRound[],
  { position, finished }: WorkState,
): NewEvent | undefined {
  const round = roundNamed(rounds, position.round)
  const next = round && afterOf(rounds, round)
  if (!next || finished || position.unit < unitsOf(round).length) return undefined
  return { type: 'nextRound', from: position, to: { round: next.id, unit: 0 } }
}

/** Whether the last stitch of the last round is made. */
export function atTheEnd(rounds: readonly PlannedRound[], { round, unit }: Position): boolean {
  const last = rounds.at(-1)
  return last !== undefined && round === last.id && unit >= unitsOf(last).length
}

/** The event that goes to a stitch of a round, held within it; none when already there. */
export function goTo(
  rounds: readonly PlannedRound[],
  { position }: WorkState,
  target: Position,
): NewEvent | undefined {
  const round = roundNamed(rounds, target.round)
  if (!round) return undefined
  const to = { round: round.id, unit: Math.min(unitsOf(round).length, Math.max(0, Math.trunc(target.unit))) }
  return samePosition(to, position) ? undefined : { type: 'goTo', from: position, to }
}

/** The event that takes the last move back; none when there is nothing to take back. */
export function undo({ undoable, position, finished }: WorkState): NewEvent | undefined {
  if (finished) return { type: 'reopen' }
  const last = undoable.at(-1)
  return last && { type: 'undo', undoes: last.id, from: position, to: last.from }
}
