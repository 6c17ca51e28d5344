import type { Gauge } from '../gauge/gauge.ts'
import type { Round, SectionId } from '../rounds/round.ts'
import type { Place } from './places.ts'
import type { GivenRound } from './planGiven.ts'
import type { EdgeBudget } from '../rounds/edge.ts'
import type { Rim } from '../rounds/rim.ts'
import type { Texture } from '../rounds/texture.ts'
import type { ZoneSpan } from '../rounds/zone.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import type { Placement, RepeatOrder } from '../counts/placeIncreases.ts'
import type { Form } from '../forms/registry.ts'
import type { Lie } from '../lay/flatness.ts'
import type { Millimetres } from '../units/millimetres.ts'
import type { LaidRing } from '../lay/lay.ts'
import type { Promised } from '../lay/measures.ts'
import type { StitchName } from '../stitches/stitch.ts'

/**
 * How the piece begins. A ring or a single chain closes the middle, a chain ring leaves a hole in it; a joined chain
 * as long as round 1 is one end of a tube, one that is not joined the first edge of a strip; along both sides of a chain an oval grows, worked into its loops or its back
 * bumps.
 */
export type Start =
  | { readonly kind: 'magicRing' }
  | { readonly kind: 'chainTwo' }
  | { readonly kind: 'chainRing'; readonly chains: number }
  | { readonly kind: 'joinedChain' }
  | { readonly kind: 'chain' }
  | { readonly kind: 'chainAlong'; readonly into: 'loops' | 'bumps' }

/**
 * How a joined round gets up to its height: by a chain that is no stitch, by a chain that counts as the
 * first one (tall stitches alone have one), or by a first stitch that stands without a chain.
 */
export type RoundBegins = 'chain' | 'countingChain' | 'standingStitch'

/** How one round passes into the next. Only a joined round has a join to begin at. */
export type RoundsWorked =
  | {
      readonly kind: 'joined'
      readonly turned: boolean
      readonly begins: RoundBegins
      /** Whether shaping may stand in the first and last stitch, or keeps off the join. */
      readonly shaping: 'atTheJoin' | 'offTheJoin'
    }
  | { readonly kind: 'spiral' }

/** How rounds pass into one another, in a word. */
export const WAYS_OF_ROUNDS = ['joined', 'spiral', 'turned'] as const
export type WayOfRounds = (typeof WAYS_OF_ROUNDS)[number]

export interface Construction {
  readonly start: Start
  readonly rounds: RoundsWorked
  readonly order: RepeatOrder
  readonly placement: Placement
  /** The loop that rounds are worked into, if not both; a ring, a chain and an edging take both. */
  readonly loops?: 'back' | 'front'
  /** How many of the last rounds may be of another stitch to hit the size: 0, 1 or 2. */
  readonly freeLastRounds: 0 | 1 | 2
  /** How it is edged, in one round after all others. */
  readonly rim?: Rim
}

export interface Constraints {
  /** Stitches of round 1, when the maker has settled on a number. */
  readonly firstCount?: number
  /** Chains that an oval begins along, when the maker has settled on a number, or has worked them. */
  readonly chains?: number
  /** Stitches around the wall, when the maker has settled on a number; it goes before a repeat that counts are held to. */
  readonly wallCount?: number
  /** Stitches of the last round, where it is joined to an edge that has as many. */
  readonly lastCount?: number
  /** Rounds (from 1) that must have no increases. */
  readonly evenRounds?: readonly number[]
  /** From the round on, counts must divide by this. */
  readonly multiples?: readonly { readonly fromRound: number; readonly of: number }[]
  readonly openings?: readonly Opening[]
  /** Where parts of the form are worked otherwise from somewhere on: as sections of their own. */
  readonly splits?: readonly Split[]
  /** Single rounds in a texture of their own: they carry no increases, and their neighbours take those over. */
  readonly accents?: readonly Accent[]
  /** Stretches of the round that have a name of their own, of what has no zones by its form. */
  readonly zones?: readonly OwnZone[]
  /** Where something goes: marks, holes, loops, parts, lines. */
  readonly places?: readonly Place[]
  /** What stands along the edge, in one round after all others. */
  readonly edge?: EdgeBudget
  /** Rounds as they are written somewhere: worked as they are, whatever sizes say. */
  readonly given?: readonly GivenRound[]
}

/** A stretch of the round that the maker names. */
export interface OwnZone {
  readonly name: string
  /** Where it begins after the start of the round, and how far it goes, as shares of the round. */
  readonly from: number
  readonly share: number
  /** Of what stands up: increases and decreases keep inside, and inside the others that have it. */
  readonly shapes: boolean
}

/** A round (from 1) of plain fabric that is worked in a texture. */
export interface Accent {
  readonly round: number
  readonly texture: Texture
}

/** So far along a part of the form, mm, another section begins. */
export interface Split {
  readonly part: SectionId
  readonly along: number
}

/** A slit that is left in a round: chains over stitches that are skipped. */
export interface Opening {
  readonly section: SectionId
  /** How far along its section it lies, mm. */
  readonly along: number
  /** Where its middle lies around, as a share of the round from its start. */
  readonly at: number
  /** How wide it is, mm. */
  readonly width: number
  /** How far around is what must pass through it, mm, where that is known. */
  readonly passes?: number
}

/** From this round (from 1) on, work with these yarns. */
export interface ColourRun extends HeldYarns {
  readonly fromRound: number
}

/** How a section is worked, where otherwise than the rest of its piece. */
export interface SectionWork {
  readonly stitch?: StitchName
  readonly loops?: 'both' | 'back' | 'front'
  readonly rounds?: WayOfRounds
  /** Of a section that keeps its count. */
  readonly texture?: Texture
  /** Of exactly that fabric: its yarn, strands, hook and loops. */
  readonly gauge?: Gauge
  /** Its gauge was measured in its texture, whose usual factors then say nothing more. */
  readonly measured?: true
}

export interface PieceSpec {
  readonly form: Form
  /** How far off its size it may come out and still serve, either way, mm. */
  readonly tolerance: Millimetres
  readonly stitch: StitchName
  readonly gauge: Gauge
  readonly construction: Construction
  /** Sections that are worked otherwise. */
  readonly sections?: Readonly<Partial<Record<SectionId, SectionWork>>>
  readonly colours: readonly ColourRun[]
  readonly constraints?: Constraints
  /** 0: nearest counts; 1: one repeat throughout. */
  readonly rhythm: number
  /** Single crochets a minute. */
  readonly pace: number
}

export interface RoundPosition extends LaidRing {
  /** Standard deviations of `radius`, `z` and `arc`, mm. */
  readonly sd: number
  readonly sdZ: number
  readonly sdArc: number
  /** Of `spine`, where there is one. */
  readonly sdSpine?: number
}

/** A round with what follows from its place in a plan: all of it computed, none of it stored. */
export interface PlannedRound extends Round {
  readonly number: number
  /** Number of the round that it is worked into, where that is not the one before it: a lip is passed over. */
  readonly into?: number
  /** Of its fabric. */
  readonly stitch: StitchName
  /** How many stitches farther on the next one begins, where its zones would drift. */
  readonly leans?: number
  /** Its zones, where its steps do not tell them. */
  readonly zones?: readonly ZoneSpan[]
  /** Host stitches used up; 0 in a ring. */
  readonly from: number
  readonly count: number
  /** The perimeter that its form wants there, mm, and the count that would have it. */
  readonly around: number
  readonly ideal: number
  readonly at: RoundPosition
  /**
   * Where it lies while it is the edge, as a tape finds it in work: a crown or base lies flat until its wall turns it
   * over. In the last section the same as `at`.
   */
  readonly asEdge: RoundPosition
  /** N·w over the perimeter that its form wants there − 1; where it lies flat around a chain, of its ends alone. */
  readonly flatness: number
}

/** Where the edge of worked rounds was found. Lengths in mm. */
export interface FoundEdge {
  readonly radius: number
  readonly z: number
  /** Standard deviation of the radius. */
  readonly sd: number
  /** How far along the fabric it lies, and its standard deviation; of flat fabric as far as it lies out. */
  readonly along?: { readonly arc: number; readonly sd: number }
}

/** How many rounds are worked and where their edge was found: a fact that the others go on from. */
export interface GoesOn extends FoundEdge {
  readonly after: number
}

/** Measure here: after this round, expect these sizes ± twice their standard deviation. */
export interface Checkpoint {
  readonly afterRound: number
  /** The one that tells most comes first. */
  readonly promises: readonly Promised[]
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
  /** Whole rounds miss the target by so much, and the size is known no better than ±: trim when it is. */
  | { readonly code: 'trimWaits'; readonly by: number; readonly plusMinus: number }
  | { readonly code: 'notFlat'; readonly lie: Lie; readonly flatness: number }
  | { readonly code: 'trimLate'; readonly afterRound: number; readonly fromRound: number }
  | { readonly code: 'polygon'; readonly sides: number }
  /** An opening is so far around, mm, that what must pass would stretch it by this share; it passes from so wide on. */
  | {
      readonly code: 'openingTight'
      readonly around: number
      readonly passes: number
      readonly stretch: number
      readonly least: number
    }
  /** What is open around the ankle, mm, does not let the heel pass, mm; it does from `least` on, or with `of` toe rounds fewer. */
  | {
      readonly code: 'heelTight'
      readonly around: number
      readonly passes: number
      readonly least: number
      readonly of: number
    }
  /** Against the plan without it: by how much larger it is, mm; and how far off the worst round then is. */
  | {
      readonly code: 'repeatCost'
      readonly of: number
      readonly by: number
      readonly round: number
      readonly flatness: number
    }

/** What comes out. */
export interface Finished {
  /** Sizes that a tape will find, the one that the last rounds are chosen for first. */
  readonly promises: readonly Promised[]
  /** How high the edge stands of a piece that is to lie flat, mm. */
  readonly height: number
  /** Mean flatness of the last third, which decides how it lies; of a fitted piece how loose it is. */
  readonly flatness: number
  /** How flat fabric lies; nothing of fabric that is to stand. */
  readonly lie?: Lie
}

/** What a plan says that must stay as it was said, whatever becomes of the ways to compute it. */
export interface Promises {
  readonly finished: Finished
  readonly checkpoints: readonly Checkpoint[]
  readonly notices: readonly Notice[]
}

/** A plan as it is kept: rounds and promises, no geometry. */
export interface PinnedPlan extends Promises {
  readonly rounds: readonly Round[]
  readonly goesOn?: GoesOn
}

export interface Plan extends Promises {
  readonly rounds: readonly PlannedRound[]
  /** Where worked rounds ended and planning went on. */
  readonly goesOn?: GoesOn
  /** Radius of the hole of a chain ring, mm; 0 for a closed start. */
  readonly hole: number
  readonly yarn: readonly YarnUse[]
  readonly stitches: number
  readonly seconds: number
}
