import type { Round } from '../rounds/round.ts'
import type { FoundEdge } from './plan.ts'

/** Rounds that are worked already: facts, from which planning goes on. */
export interface Worked {
  /** With their real counts. Never empty. */
  readonly rounds: readonly Round[]
  /** Where the last of them lies by what was measured. */
  readonly edge: FoundEdge
}
