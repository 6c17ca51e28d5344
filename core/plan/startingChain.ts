import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import type { RoundBegins } from './plan.ts'

export interface StartingChain {
  readonly chains: number
  /** Whether the chain is the first stitch of the round. */
  readonly counts: boolean
}

/**
 * The chain a joined round begins with. Short stitches have none that could count; a first stitch that
 * stands by itself needs none.
 */
export function startingChain(stitch: StitchName, begins: RoundBegins): StartingChain {
  const { turningChain, countingChain } = STITCHES[stitch]
  if (begins === 'standingStitch') return { chains: 0, counts: false }
  return begins === 'countingChain' && countingChain !== undefined
    ? { chains: countingChain, counts: true }
    : { chains: turningChain, counts: false }
}
