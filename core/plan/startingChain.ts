import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import type { RoundsWorked } from './plan.ts'

export interface StartingChain {
  readonly chains: number
  /** Whether the chain is the first stitch of the round. */
  readonly counts: boolean
}

/** The chain a joined round begins with. Short stitches have none that could count. */
export function startingChain(
  stitch: StitchName,
  rounds: Extract<RoundsWorked, { kind: 'joined' }>,
): StartingChain {
  const { turningChain, countingChain } = STITCHES[stitch]
  return rounds.chainCounts && countingChain !== undefined
    ? { chains: countingChain, counts: true }
    : { chains: turningChain, counts: false }
}
