import { isRecord, type OldRecord } from './oldRecord.ts'

/** Names of the rounds of a copy's plans, by version, in the order they are worked. */
export type RoundNames = ReadonlyMap<unknown, readonly unknown[]>

/** The names that plans, as they are kept, have for their rounds. */
export const namesOf = (planVersions: readonly OldRecord[], pieceId: unknown): RoundNames =>
  new Map(
    planVersions
      .filter((pinned) => pinned['pieceId'] === pieceId)
      .map(({ version, plan }) => [version, isRecord(plan) ? idsOf(plan['rounds']) : []]),
  )

const idsOf = (rounds: unknown): readonly unknown[] =>
  Array.isArray(rounds) ? rounds.map((round: unknown) => (isRecord(round) ? round['id'] : undefined)) : []

/**
 * Until version 6 a log had round numbers where it has their names: each that of the plan worked to then. A number
 * without a round becomes a name that no round has, for the reader to find.
 * @param log of one copy, in order
 */
export function namesInLog(log: readonly OldRecord[], names: RoundNames): OldRecord[] {
  const versions: unknown[] = []
  const turned = new Set<unknown>()
  return log.map((event) => {
    const before = versions.at(-1)
    if (event['type'] === 'start' || event['type'] === 'replan') {
      versions.push(event['planVersion'])
      if (event['type'] === 'replan') turned.add(event['id'])
    } else if (event['type'] === 'undo' && turned.has(event['undoes'])) versions.pop()
    const now = versions.at(-1)
    const nameIn = (version: unknown) => (round: unknown) =>
      typeof round === 'number' ? (names.get(version)?.[round - 1] ?? `r${round}`) : round
    const placeIn = (version: unknown) => (place: unknown) =>
      isRecord(place) ? changed(place, 'round', nameIn(version)) : place
    return [
      ['from', placeIn(before)] as const,
      ['to', placeIn(now)] as const,
      ['position', placeIn(now)] as const,
      ['round', nameIn(now)] as const,
    ].reduce((line, [key, named]) => changed(line, key, named), event)
  })
}

const changed = (record: OldRecord, key: string, change: (value: unknown) => unknown): OldRecord =>
  key in record ? { ...record, [key]: change(record[key]) } : record
