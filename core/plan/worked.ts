import type { Round } from '../rounds/round.ts'

/** Rounds that are worked already: facts, from which planning goes on. */
export interface Worked {
  /** With their real counts. Never empty. */
  readonly rounds: readonly Round[]
  /** Where the last of them lies by what was measured, mm; `sd` of the radius. */
  readonly edge: { readonly radius: number; readonly z: number; readonly sd: number }
}
