import type { Zone } from '../rounds/zone.ts'
import type { Guide } from './family.ts'

/** A chain that a form begins along, and what goes around its two ends. */
export interface Foundation {
  /** Chains that are worked into. */
  readonly chains: number
  /** Stitches along each of its sides, in every round. */
  readonly side: number
  /** Stitches around each of its ends in round 1; as many are added again in the next. */
  readonly end: number
  /** What its ends are called, the one that a round comes to first before the other. */
  readonly ends: readonly [Zone, Zone]
  /** It is the mirror image of one that is not: every round the other way round, so that it begins beside its near end. */
  readonly mirrored?: true
}

/** How many stitches go into each end chain: as many as lie flat there, or one fewer, as is custom (FIELD §3). */
export const ENDS_OF_CHAIN = ['exact', 'fewer'] as const
export type EndsOfChain = (typeof ENDS_OF_CHAIN)[number]

interface StitchWide {
  readonly w: number
  readonly h: number
}

/** How much longer a chain is than the straight sides around it, in stitches. */
const OVER_THE_SIDE: Readonly<Record<EndsOfChain, 1 | 2>> = { exact: 1, fewer: 2 }

/** The chains whose sides are so long, mm. */
export const chainsFor = (spine: number, ends: EndsOfChain, { w }: StitchWide): number =>
  Math.max(1, Math.round(spine / w)) + OVER_THE_SIDE[ends]

/**
 * What goes around a chain: half a flat disc around each end, as many stitches a round as are added again in the next.
 * With all that lie flat in the end chains, one of them belongs to each side; with one fewer the sides are a stitch
 * shorter, and the oval with them.
 */
export function foundationOn(
  chains: number,
  ends: EndsOfChain,
  { w, h }: StitchWide,
  names: Foundation['ends'],
): Foundation {
  const end = Math.max(2, Math.round((Math.PI * h) / w))
  return { chains, side: chains - OVER_THE_SIDE[ends], end, ends: names }
}

/** Stitches in the last chain that round 1 comes to. */
export const inEndChain = ({ chains, side, end }: Foundation): number => end + (side === chains - 1 ? 1 : 0)

/**
 * What lies flat around a chain: a disc pulled apart by it.
 * @param spine how long each straight side is, mm
 */
export const aroundChain = (spine: number, length: number): Guide => ({
  length,
  lies: 'flat',
  perimeter: (along) => 2 * spine + 2 * Math.PI * along,
})
