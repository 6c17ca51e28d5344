import type { Round, RoundId } from './round.ts'

const placesByList = new WeakMap<readonly object[], ReadonlyMap<RoundId, number>>()

/** Where a round stands in a list of rounds, from 0; −1 when it is not among them. */
export function placeOf(rounds: readonly Pick<Round, 'id'>[], id: RoundId): number {
  const known = placesByList.get(rounds)
  if (known) return known.get(id) ?? -1
  const places = new Map(rounds.map((round, index) => [round.id, index]))
  placesByList.set(rounds, places)
  return places.get(id) ?? -1
}

/** The round of a name in a list of rounds. */
export const roundNamed = <R extends Pick<Round, 'id'>>(rounds: readonly R[], id: RoundId): R | undefined =>
  rounds[placeOf(rounds, id)]

/** The round that one is worked on top of. */
export const belowOf = <R extends Pick<Round, 'id'>>(
  rounds: readonly R[],
  { id }: Pick<Round, 'id'>,
): R | undefined => rounds[placeOf(rounds, id) - 1]

/** The round that is worked after one. */
export function afterOf<R extends Pick<Round, 'id'>>(
  rounds: readonly R[],
  { id }: Pick<Round, 'id'>,
): R | undefined {
  const place = placeOf(rounds, id)
  return place < 0 ? undefined : rounds[place + 1]
}
