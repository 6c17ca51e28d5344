import type { Gauge } from '../gauge/gauge.ts'
import type { Step } from '../pacing/steps.ts'
import type { Placement, RepeatOrder } from '../pacing/placeIncreases.ts'
import type { DiscShape, Lie } from '../shape/disc.ts'
import type { PredictedPosition } from '../shape/predictProfile.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** How the piece begins. A chain ring leaves a hole; the other two close. */
export type Start =
  | { readonly kind: 'magicRing' }
  | { readonly kind: 'chainTwo' }
  | { readonly kind: 'chainRing'; readonly chains: number }

/** How one round passes into the next. Only a joined round has a starting chain that may count. */
export type RoundsWorked =
  | { readonly kind: 'joined'; readonly turned: boolean; readonly chainCounts: boolean }
  | { readonly kind: 'spiral' }

export interface Construction {
  readonly start: Start
  readonly rounds: RoundsWorked
  readonly order: RepeatOrder
  readonly placement: Placement
  /** How many of the last rounds may be of another stitch to hit the size: 0, 1 or 2. */
  readonly freeLastRounds: 0 | 1 | 2
}

export interface Constraints {
  /** Stitches of round 1, when the maker has settled on a number. */
  readonly firstCount?: number
  /** Rounds (from 1) that must have no increases. */
  readonly evenRounds?: readonly number[]
  /** From the round on, counts must divide by this. */
  readonly multiples?: readonly { readonly fromRound: number; readonly of: number }[]
}

/** From this round (from 1) on, work with this yarn. */
export interface ColourRun {
  readonly fromRound: number
  readonly yarn: string
}

export interface PieceSpec {
  readonly shape: DiscShape
  readonly stitch: StitchName
  readonly gauge: Gauge
  readonly construction: Construction
  readonly colours: readonly ColourRun[]
  readonly constraints?: Constraints
  /** 0: nearest counts; 1: one repeat throughout. */
  readonly rhythm: number
  /** Single crochets a minute. */
  readonly pace: number
}

export interface RoundPosition extends PredictedPosition {
  /** Standard deviation of `radius`, mm. */
  readonly sd: number
}

/** What a round is worked into. */
export type Hosts = { readonly kind: 'ring' } | { readonly kind: 'round'; readonly number: number }

export interface Round {
  readonly number: number
  readonly stitch: StitchName
  readonly yarn: string
  readonly hosts: Hosts
  /** Host stitches used up; 0 in a ring. */
  readonly from: number
  readonly count: number
  readonly ideal: number
  readonly steps: readonly Step[]
  readonly at: RoundPosition
  /** N·w / 2πr − 1. */
  readonly flatness: number
}

/** Measure here: after this round, expect this diameter ± twice the standard deviation. */
export interface Checkpoint {
  readonly afterRound: number
  readonly across: number
  readonly plusMinus: number
  /** `finish`: the piece itself; the others say what there is still time to do. */
  readonly purpose: 'gauge' | 'course' | 'beforeTrim' | 'finish'
}

export interface YarnUse {
  readonly yarn: string
  /** Metres, tails included. */
  readonly metres: number
  /** Relative doubt of the metres, as ± fraction. */
  readonly doubt: number
}

/** Something worth saying about a plan; the interface has the words. */
export type Notice =
  | { readonly code: 'guess' }
  | { readonly code: 'sizeMissed'; readonly by: number }
  | { readonly code: 'notFlat'; readonly lie: Lie; readonly flatness: number }
  | { readonly code: 'trimLate'; readonly afterRound: number; readonly fromRound: number }
  | { readonly code: 'polygon'; readonly sides: number }
  | { readonly code: 'repeatCost'; readonly round: number; readonly of: number; readonly across: number }

export interface Measurements {
  /** Predicted diameter and its ± (19 times of 20). */
  readonly across: number
  readonly plusMinus: number
  /** How high the edge stands. */
  readonly height: number
  /** Mean flatness of the last third, which decides how it lies. */
  readonly flatness: number
  readonly lie: Lie
}

export interface Plan {
  readonly rounds: readonly Round[]
  /** Radius of the hole of a chain ring, mm; 0 for a closed start. */
  readonly hole: number
  readonly finished: Measurements
  readonly checkpoints: readonly Checkpoint[]
  readonly yarn: readonly YarnUse[]
  readonly stitches: number
  readonly seconds: number
  readonly notices: readonly Notice[]
}
