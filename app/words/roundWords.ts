import { titleOf, type Plan } from '../../core/index.ts'

/** Rounds or rows, each of which knows whether it closes. */
export type Rounds = Pick<Plan, 'rounds'>

/** "Rnd 8", or "Row 8" where that one of a plan is worked back and forth. */
export const roundTitle = ({ rounds }: Rounds, number: number): string =>
  titleOf({ closed: (rounds[number - 1] ?? rounds.at(-1))?.closed ?? true, number })

/** "Rnds 5 to 8", or the one that it is. */
export const roundsFromTo = (plan: Rounds, from: number, to: number): string =>
  from === to ? roundTitle(plan, from) : `${roundTitle(plan, to).replace(/ .*/, 's')} ${from} to ${to}`

/** What they are called in a sentence: "rounds", "rows", or both. */
export function roundsNoun({ rounds }: Rounds): 'rounds' | 'rows' | 'rounds and rows' {
  const closed = rounds.filter((round) => round.closed).length
  return closed === rounds.length ? 'rounds' : closed === 0 ? 'rows' : 'rounds and rows'
}
