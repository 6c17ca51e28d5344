import type { Terms } from '../stitches/stitch.ts'

/** Which starting chains are a stitch where nothing is said: those tall enough to be, none, or every one. */
export const CHAIN_COUNTS = ['tall', 'never', 'always'] as const
export type ChainCounts = (typeof CHAIN_COUNTS)[number]

/** Nobody works more in one round; beyond it a repeat is a slip of the pen. */
export const MOST_IN_A_ROUND = 5000

/** What a maker has settled of a text that says it in two ways, or not. */
export interface Readings {
  readonly terms?: Terms
  readonly chainCounts?: ChainCounts
  /** Counts said by hand: by the character at which a round's line begins. */
  readonly ends?: Readonly<Record<number, number>>
}

/** A text beyond this is no pattern. */
export const LONGEST_TEXT = 200_000
