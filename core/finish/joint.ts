/** How two edges become one (FIELD §14). */
export const WAYS_OF_JOINING = [
  'whip',
  'mattress',
  'backStitch',
  'slipStitch',
  'singleCrochet',
  'throughBoth',
  'pickedUp',
] as const
export type WayOfJoining = (typeof WAYS_OF_JOINING)[number]

/** A stretch of an edge of one copy of a piece. */
export interface JointEdge {
  readonly pieceId: string
  /** Which of the set it is, from 1. */
  readonly copy: number
  /** The round that it was ended with, or the chain that it began on. */
  readonly of: 'last' | 'first'
  /** The first of its stitches that is joined, from 0, and how many are. */
  readonly from: number
  readonly count: number
}

/** Two edges of a project that are made one. */
export interface Joint {
  readonly id: string
  readonly way: WayOfJoining
  readonly edges: readonly [JointEdge, JointEdge]
  /** What it closes is filled: so many stitches stay open until it is. */
  readonly filledThrough?: number
  /** Stitches of the seam that are made, where they are counted. */
  readonly made?: number
}

/** Stitches of a seam: as many as its longer edge has. */
export const seamStitches = ({ edges: [one, other] }: Pick<Joint, 'edges'>): number =>
  Math.max(one.count, other.count)

/** What the next stitch of a seam is: of which stitches of both edges (from 1), and whether one of them takes another. */
export interface NextOfSeam {
  readonly first: number
  readonly second: number
  /** It goes into the same stitch of an edge as the one before it. */
  readonly again?: 0 | 1
}

/** @param made stitches of the seam that are made */
export function nextOfSeam({ edges }: Pick<Joint, 'edges'>, made: number): NextOfSeam | undefined {
  const [one, other] = edges
  const pairs = pairsOf(one.count, other.count)
  const [pair, before] = [pairs[made], pairs[made - 1]]
  if (!pair) return undefined
  const again = before && ([0, 1] as const).find((side) => pair[side] === before[side])
  return {
    first: one.from + pair[0] + 1,
    second: other.from + pair[1] + 1,
    ...(again === undefined ? {} : { again }),
  }
}

/** What a seam stitch takes up of both stretches: a stitch of each, by its place there from 0. */
export type Pair = readonly [first: number, second: number]

/**
 * The pairs of a joint of so many stitches with so many: as many as the longer edge has, each stitch of both in one of
 * them at least, in order; where one is shorter, its stitches that take two lie as evenly as they can (Bresenham).
 */
export function pairsOf(first: number, second: number): readonly Pair[] {
  const all = Math.max(first, second)
  // Half a step in, so that what is left over is shared between both ends.
  const place = (index: number, count: number) => Math.floor(((index + 0.5) * count) / all)
  return Array.from({ length: all }, (_, index): Pair => [place(index, first), place(index, second)])
}

/** How far a longer edge is eased into a shorter one, and whether that is seen (FIELD §14). */
export interface Easing {
  readonly kind: 'equal' | 'unseen' | 'visible' | 'gather'
  /** Stitches that the longer edge has more, as a number and as a share of the shorter. */
  readonly extra: number
  readonly share: number
  /** Which of both is the longer. */
  readonly longer?: 0 | 1
  /** Stitches of the shorter edge (from 1) that take two or more. */
  readonly twice: readonly number[]
}

/** Up to so much more nobody sees it, up to so much it is seen; beyond it is a gather. */
export const [UNSEEN, VISIBLE] = [0.1, 0.15] as const

export function easingOf(first: number, second: number): Easing {
  const extra = Math.abs(first - second)
  const share = extra / Math.max(1, Math.min(first, second))
  if (extra === 0) return { kind: 'equal', extra, share, twice: [] }
  const longer = first > second ? 0 : 1
  const shorter = pairsOf(first, second).map((pair) => pair[1 - longer]!)
  const twice = [...new Set(shorter.filter((stitch, index) => stitch === shorter[index - 1]))].map(
    (stitch) => stitch + 1,
  )
  const kind = share <= UNSEEN ? 'unseen' : share <= VISIBLE ? 'visible' : 'gather'
  return { kind, extra, share, longer, twice }
}

/** How many stitches go with so many without being seen: the fewest and the most. */
export const easesWith = (count: number): readonly [least: number, most: number] => [
  Math.ceil(count / (1 + UNSEEN)),
  Math.floor(count * (1 + UNSEEN)),
]
