import { stitchesIn, type Round } from './round.ts'

/** Stitches that wait while rows are worked on others, and the round that takes them up again, if one does. */
export interface Waiting<R> {
  readonly stitches: number
  readonly takenUpBy: R | undefined
}

/**
 * What waits while a row is worked: it was left by the first of its rows.
 * @param place index of the row, from 0
 */
export function waitingAt<R extends Round>(rounds: readonly R[], place: number): Waiting<R> | undefined {
  const row = rounds[place]
  if (!row || row.closed) return undefined
  const first = rounds.findLast(
    ({ left, section }, index) => index <= place && section === row.section && left !== undefined,
  )
  const [run] = first?.left ?? []
  if (!first || run?.of.kind !== 'top') return undefined
  const { round: below } = run.of
  return {
    stitches: stitchesIn(first.left!),
    takenUpBy: rounds.find(
      ({ hosts, closed }, index) =>
        index > place && closed && hosts.some(({ of }) => of.kind === 'top' && of.round === below),
    ),
  }
}
