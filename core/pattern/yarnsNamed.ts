import type { PieceRead } from './read/readPattern.ts'

/** From which round on which yarn is in hand, by the name that the text has for it; none where it has none. */
export function yarnsNamed({ rounds }: Pick<PieceRead, 'rounds'>): { fromRound: number; name?: string }[] {
  const runs: { fromRound: number; name?: string }[] = []
  rounds.forEach(({ yarn }, index) => {
    if (index > 0 && yarn === runs.at(-1)!.name) return
    runs.push({ fromRound: index + 1, ...(yarn ? { name: yarn } : {}) })
  })
  return runs
}
