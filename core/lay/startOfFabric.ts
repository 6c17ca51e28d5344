import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import type { Start } from '../plan/plan.ts'

/** A closed ring still has a small centre: 0.3 ± 0.15 of the height of its stitches (FIELD §3). */
export const CLOSED_RING = { mean: 0.3, sd: 0.15 } as const
/** Chains filled by their first round: 0.45 ± 0.2 of the height of an sc (FIELD §2). */
const FILLED_RING = { mean: 0.45, sd: 0.2 } as const
/** A ring of more chains than this leaves a hole. */
const MOST_FILLED = 5
/** Along a chain the first round begins at its middle: so surely, in heights of a stitch. */
const ALONG_CHAIN_SD = 0.15
/** The first stitches lie over a hole of chains, and a chain is narrower than a stitch. */
const CHAINS_COVERED = 3
const CHAIN_WIDTH = 0.85

/** Whether a start draws up to nothing, so that a hole in the middle is a slip. */
export const closes = ({ kind }: Start): boolean => kind === 'magicRing' || kind === 'chainTwo'

export interface StartOfFabric {
  /** Radius of the hole that stays open, mm; 0 where the first round fills it. Counts begin here. */
  readonly hole: number
  /** Radius at which the first round really begins, mm, and its standard deviation. */
  readonly centre: number
  readonly sd: number
}

/**
 * Where fabric begins, around a middle; at a joined chain it begins on its own girth, and nothing is known of a middle. Everything that lays rounds down begins here: planning, drawing,
 * diagnosis, gauges learned from a piece, simulated makers.
 * @param w, h of the stitch of round 1, mm
 */
export function startOfFabric(start: Start, stitch: StitchName, w: number, h: number): StartOfFabric {
  if (start.kind === 'joinedChain' || start.kind === 'chain') return { hole: 0, centre: 0, sd: 0 }
  if (start.kind === 'chainAlong') return { hole: 0, centre: 0, sd: ALONG_CHAIN_SD * h }
  if (start.kind !== 'chainRing') return { hole: 0, centre: CLOSED_RING.mean * h, sd: CLOSED_RING.sd * h }
  const scHeight = (h * STITCHES.sc.heightOverWidth) / STITCHES[stitch].heightOverWidth
  const sd = FILLED_RING.sd * scHeight
  if (start.chains <= MOST_FILLED) return { hole: 0, centre: FILLED_RING.mean * scHeight, sd }
  const hole = ((start.chains - CHAINS_COVERED) * CHAIN_WIDTH * w) / (2 * Math.PI)
  return { hole, centre: hole, sd }
}
