import type { Round } from './plan.ts'

/** Worked rounds whose way along the fabric ends where their edge was found, so that others go on from it. */
export function reachingTo(radius: number, worked: readonly Round[]): Round[] {
  const share = radius / worked.at(-1)!.at.arc
  return worked.map((round) => ({
    ...round,
    ideal: round.ideal * share,
    at: { ...round.at, arc: round.at.arc * share },
  }))
}

/** Rounds that are worked already: facts, from which planning goes on. */
export interface Worked {
  /** With their real counts and where they lie. Never empty. */
  readonly rounds: readonly Round[]
  /** Where the last of them lies by what was measured, mm; `sd` of the radius. */
  readonly edge: { readonly radius: number; readonly z: number; readonly sd: number }
}
