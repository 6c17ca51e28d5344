import type { Checkpoint, PlannedRound } from './plan.ts'
import { familyOf } from '../forms/registry.ts'
import { finishedPromises } from './measureFinished.ts'
import { beforeRowsAfter } from './rowsAfter.ts'
import { promisesOf } from './promisesOf.ts'
import { foundationOf, type PieceToOutline } from './wantedAround.ts'

/** Before round 5 or under 6 cm the centre misleads, and a chain pulls. */
const FIRST_ROUND = 5
const FIRST_SIZE = 60
const FIRST_AROUND_CHAIN = 3
/** Two checkpoints within so many rounds tell the same. */
const NEAR = 2
/** A stretch of more rounds than this between two checkpoints wants one in between. */
const LONG_STRETCH = 12

/**
 * Where a measurement tells most: about a third of the way, on long pieces once in between, where what lies flat turns
 * into a wall, just before the trimmed last rounds, and at the finish. Under 6 rounds, one before the finish.
 */
export function chooseCheckpoints(
  spec: PieceToOutline,
  all: readonly PlannedRound[],
  trimmed: number,
): Checkpoint[] {
  const rounds = beforeRowsAfter(spec, all)
  const last = rounds.length
  const beforeTrim = Math.max(1, last - Math.max(1, trimmed))
  const places = new Map<number, Checkpoint['purpose']>([[last, 'finish']])
  if (last < 6) {
    if (last > 2) places.set(beforeTrim, 'beforeTrim')
  } else {
    places.set(beforeTrim, 'beforeTrim')
    const third = rounds.find(
      (round) =>
        round.number >= Math.max(FIRST_ROUND, Math.round(last / 3)) &&
        (promisesOf(spec, round)[0]?.value ?? 0) >= FIRST_SIZE,
    )
    const first = Math.min(third?.number ?? FIRST_ROUND, Math.max(1, beforeTrim - 2))
    if (first >= FIRST_ROUND) places.set(first, 'gauge')
    const stretches = Math.ceil((beforeTrim - first) / LONG_STRETCH)
    for (let part = 1; part < stretches; part++) {
      places.set(Math.round(first + (part * (beforeTrim - first)) / stretches), 'course')
    }
    // Around a chain there is no middle that misleads, once it is wider than the chain.
    const least = foundationOf(spec) ? FIRST_AROUND_CHAIN : FIRST_ROUND
    for (const turn of turnsOf(spec, rounds)) {
      const near = [...places.keys()].some((place) => Math.abs(place - turn) <= NEAR)
      if (turn >= least && !near) places.set(turn, places.size > 2 ? 'course' : 'gauge')
    }
  }
  // What closes again is measured no more until it is filled.
  const { closes } = familyOf(spec.form)
  const open = closes ? rounds.filter(({ section }) => section === closes.at).length : last
  const isMeasured = (place: number) => promisesOf(spec, rounds[place - 1]!).length > 0
  for (const [place, purpose] of places) {
    if (isMeasured(place)) continue
    places.delete(place)
    const before = rounds.findLast(({ number }) => number < place && isMeasured(number))
    if (before && !places.has(before.number)) places.set(before.number, purpose)
  }
  return [...places]
    .filter(([place]) => place <= open || place === last)
    .sort(([one], [other]) => one - other)
    .map(([afterRound, purpose]) => ({
      afterRound,
      purpose,
      promises:
        afterRound === last ? finishedPromises(spec, rounds) : promisesOf(spec, rounds[afterRound - 1]!),
    }))
}

/** Rounds after which other sizes tell of the piece than until then. */
function turnsOf(spec: PieceToOutline, rounds: readonly PlannedRound[]): number[] {
  const kind = (round: PlannedRound) => promisesOf(spec, round)[0]?.of
  return rounds.slice(0, -1).flatMap((round, index) => {
    const next = rounds[index + 1]!
    // Of rows on a part of a round nothing is measured until it is gone around again.
    if (round.section === next.section || kind(round) === kind(next) || !kind(round)) return []
    // A lip would be measured with what it stands out from: before it there is nothing in the way.
    return [next.into ?? round.number]
  })
}
