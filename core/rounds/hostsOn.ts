import { countOf, type Round, type Run } from './round.ts'

/**
 * What a planned round is worked into once the rounds below it are as they really are: the same stretches of them, and
 * whatever reached to their ends still does.
 * @param real the round that is there in the place of a planned one, by its name
 */
export const hostsOn = (
  { hosts }: Pick<Round, 'hosts'>,
  plannedCount: (id: string) => number | undefined,
  real: (id: string) => Round | undefined,
): readonly Run[] =>
  hosts.map((run) => {
    if (run.of.kind !== 'top') return run
    const [there, was] = [real(run.of.round), plannedCount(run.of.round)]
    if (!there || was === undefined) return run
    const now = countOf(there)
    const place = (at: number) => (at >= was ? now : Math.min(at, now))
    return { of: { ...run.of, round: there.id }, from: place(run.from), to: place(run.to) }
  })
