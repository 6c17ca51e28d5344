import type { Target } from '../forms/family.ts'
import { growthOf, plusMinusOf } from '../lay/measures.ts'
import type { RoundChoice } from './chooseRounds.ts'
import { farthestOffFlat } from './offFlat.ts'
import { heelFit } from './heelFit.ts'
import { openingFit } from './openings.ts'
import { freeLastRoundsIn } from './sectionWork.ts'
import type { Checkpoint, Constraints, Finished, Notice, PieceSpec, Plan, PlannedRound } from './plan.ts'

/** Slack over what the last rounds can reach, in rounds: the fabric's give, and not trimming for a trifle. */
const REACH_SLACK = 0.1

export function noticesOf(
  spec: PieceSpec,
  rounds: readonly PlannedRound[],
  finished: Finished,
  { trimmed }: RoundChoice,
  checkpoints: readonly Checkpoint[],
  reachable: number,
  target: Target,
): Notice[] {
  const notices: Notice[] = []
  const { tolerance } = spec
  if (spec.gauge.certainty === 'guess') notices.push({ code: 'guess' })
  const main = finished.promises.find(({ of }) => of === target.of)
  const missed = main!.value - target.value
  const unreached = Math.abs(missed) / growthOf(target.of) > reachable + REACH_SLACK * spec.gauge.h
  const free = freeLastRoundsIn(spec, rounds.at(-1)!.section)
  const waits = free > 0 && trimmed === 0 && tolerance > 0 && plusMinusOf(main!) > tolerance
  // The size is known too little for a trim of the last rounds to mean anything yet.
  if (waits && Math.abs(missed) > tolerance / 2) {
    notices.push({ code: 'trimWaits', by: missed, plusMinus: plusMinusOf(main!) })
  } else if ((unreached && Math.abs(missed) > tolerance / 2) || Math.abs(missed) > Math.max(tolerance, 1)) {
    notices.push({ code: 'sizeMissed', by: missed })
  }
  if (finished.lie && finished.lie !== 'flat') {
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
  for (const opening of spec.constraints?.openings ?? []) {
    const fit = openingFit(spec, opening)
    if (!fit || fit.passes) continue
    const { around, stretch, least } = fit
    notices.push({ code: 'openingTight', around, passes: opening.passes!, stretch, least })
  }
  const heel = heelFit(spec, rounds)
  if (heel && heel.stretched < heel.passes) {
    const { around, passes, least } = heel
    notices.push({ code: 'heelTight', around, passes, least, of: heel.rounds })
  }
  return notices
}

/** Corners that stacked increases make: as many as the last round that had any. */
export function sidesOf(rounds: readonly Pick<PlannedRound, 'from' | 'count' | 'number'>[]): number {
  const last = rounds.findLast(({ number, from, count }) => number > 1 && count > from)
  return last ? last.count - last.from : 0
}

/** So much of a millimetre, or of a flatness, is no difference worth saying. */
const WORTH_SAYING = { size: 0.5, flatness: 0.005 }

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
  const by = sizeOfMost(held, free)
  const more = Math.abs(worst.flatness) - Math.abs(farthestOffFlat(free.rounds).flatness)
  if (Math.abs(by) < WORTH_SAYING.size && more < WORTH_SAYING.flatness) return []
  const { of } = multiples.reduce((latest, rule) => (rule.fromRound >= latest.fromRound ? rule : latest))
  return [{ code: 'repeatCost', of, by, round: worst.number, flatness: worst.flatness }]
}

/** By how much a plan is larger than another in the size that differs most, mm. */
function sizeOfMost(one: Plan, other: Plan): number {
  const by = one.finished.promises.map(({ value }, index) => value - other.finished.promises[index]!.value)
  return by.reduce((most, next) => (Math.abs(next) > Math.abs(most) ? next : most))
}
