import { familyOf } from '../forms/registry.ts'
import type { RoundChoice } from './chooseRounds.ts'
import { farthestOffFlat } from './offFlat.ts'
import type { Checkpoint, Constraints, Measurements, Notice, PieceSpec, Plan, PlannedRound } from './plan.ts'

/** Slack over what the last rounds can reach, in rounds: the fabric's give, and not trimming for a trifle. */
const REACH_SLACK = 0.1

export function noticesOf(
  spec: PieceSpec,
  rounds: readonly PlannedRound[],
  finished: Measurements,
  { trimmed }: RoundChoice,
  checkpoints: readonly Checkpoint[],
  reachable: number,
): Notice[] {
  const notices: Notice[] = []
  const { tolerance } = spec
  const { value } = familyOf(spec.form).target(spec.form)
  if (spec.gauge.certainty === 'guess') notices.push({ code: 'guess' })
  const missed = finished.across - value
  const unreached = Math.abs(missed) / 2 > reachable + REACH_SLACK * spec.gauge.h
  const waits = trimWaits(spec, finished, trimmed)
  if (waits && Math.abs(missed) > tolerance / 2) {
    notices.push({ code: 'trimWaits', by: missed, plusMinus: finished.plusMinus })
  } else if ((unreached && Math.abs(missed) > tolerance / 2) || Math.abs(missed) > Math.max(tolerance, 1)) {
    notices.push({ code: 'sizeMissed', by: missed })
  }
  if (finished.lie !== 'flat') {
    notices.push({ code: 'notFlat', lie: finished.lie, flatness: finished.flatness })
  }
  const before = checkpoints.find(({ purpose }) => purpose === 'beforeTrim')
  if (trimmed > 0 && before) {
    notices.push({ code: 'trimLate', afterRound: before.afterRound, fromRound: before.afterRound + 1 })
  }
  const sides = sidesOf(rounds)
  if (spec.construction.placement === 'stacked' && sides >= 3 && sides <= 10) {
    notices.push({ code: 'polygon', sides })
  }
  return notices
}

/** Whether the size is still known too little for a trim of the last rounds to mean anything. */
function trimWaits({ construction, tolerance }: PieceSpec, finished: Measurements, trimmed: number): boolean {
  const { freeLastRounds } = construction
  return freeLastRounds > 0 && trimmed === 0 && tolerance > 0 && finished.plusMinus > tolerance
}

/** Corners that stacked increases make: as many as the last round that had any. */
export function sidesOf(rounds: readonly Pick<PlannedRound, 'from' | 'count' | 'number'>[]): number {
  const last = rounds.findLast(({ number, from, count }) => number > 1 && count > from)
  return last ? last.count - last.from : 0
}

/** Counts of this much of a millimetre, or of a flatness, make no difference worth saying. */
const WORTH_SAYING = { across: 0.5, flatness: 0.005 }

/**
 * What holding counts to multiples costs against the plan without it: size, and how far off flat its outer
 * half comes. Nothing where it changes no count, or nothing one could see.
 */
export function repeatCost(
  held: Plan,
  free: Plan,
  multiples: NonNullable<Constraints['multiples']>,
): Notice[] {
  const counts = ({ rounds }: Plan) => rounds.map(({ count }) => count).join()
  if (counts(held) === counts(free)) return []
  const worst = farthestOffFlat(held.rounds)
  const across = held.finished.across - free.finished.across
  const more = Math.abs(worst.flatness) - Math.abs(farthestOffFlat(free.rounds).flatness)
  if (Math.abs(across) < WORTH_SAYING.across && more < WORTH_SAYING.flatness) return []
  const { of } = multiples.reduce((latest, rule) => (rule.fromRound >= latest.fromRound ? rule : latest))
  return [{ code: 'repeatCost', of, across, round: worst.number, flatness: worst.flatness }]
}
