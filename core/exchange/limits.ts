import { WIDEST_DISC } from '../forms/disc/disc.ts'

type Range = readonly [least: number, most: number]

/** What a record can hold: fields on the screen and files refuse the same. Lengths in mm. */
export const LIMITS = {
  /** Across a piece or a round swatch: no mat is wider than a room's. */
  across: [1, WIDEST_DISC],
  around: [1, 10_000],
  hole: [0, 500],
  standsUp: [0.1, 3000],
  /** The stretch that stitches or rounds are counted over. */
  countedOver: [1, 2000],
  /** Yarn of pulled-out stitches. */
  pulledOut: [1, 1_000_000],
  tolerance: [0, 1500],
  hook: [0.5, 40],
  strands: [1, 6],
  quantity: [1, 1000],
  place: [1, 1000],
  chains: [3, 60],
  chainsAlong: [3, 600],
  firstCount: [3, 400],
  wallCount: [6, 4000],
  multiple: [2, 24],
  /** How far along its part of a piece an opening lies, and how wide it is. */
  along: [0, 2000],
  opening: [1, 2000],
  round: [1, 500],
  accent: [2, 500],
  balls: [0, 10_000],
  /** Single crochets a minute. */
  pace: [1, 120],
} as const satisfies Record<string, Range>

/** Letters of a name that is typed; files may hold twice as many. */
export const LONGEST_NAME = 100
/** Letters of the name of a zone: it is told in rounds. */
export const LONGEST_ZONE = 24
/** Letters of a note in the log. */
export const LONGEST_NOTE = 5000

/** Motifs an edge may have: more than any has room for that is worked by hand. */
export const MOST_MOTIFS = 120
/** Letters of a motif's name. */
export const LONGEST_MOTIF = 40

/** Letters of a photo as it is kept: some 400 kB. */
export const MOST_OF_A_PHOTO = 550_000
