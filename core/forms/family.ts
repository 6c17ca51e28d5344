import type { Use } from '../cautions/use.ts'
import type { MeasureKind } from '../lay/measures.ts'
import type { StartOfFabric } from '../lay/startOfFabric.ts'
import type { SectionId } from '../rounds/round.ts'
import type { Texture } from '../rounds/texture.ts'
import type { Zone } from '../rounds/zone.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { Start, WayOfRounds } from '../plan/plan.ts'
import type { Foundation } from './alongChain.ts'
import type { Form } from './registry.ts'
import type { Seen, SeenRounds } from './seen.ts'

/** What a form is planned with: its stitch, where the fabric begins, and how thick it is. Lengths in mm. */
export interface Sizes {
  readonly w: number
  readonly h: number
  readonly start: StartOfFabric
  readonly thickness: number
  /** Chains that it begins along, where that is settled. */
  readonly chains?: number
}

/** The perimeter that a section wants along its fabric. */
export interface Guide {
  /** How far the fabric goes from where the section begins, mm. */
  readonly length: number
  /** Flat fabric lies on a table and is judged by how flat; fitted fabric goes around something. */
  readonly lies: 'flat' | 'fitted'
  /** Perimeter so far along the fabric from where the section begins, mm. */
  perimeter(along: number): number
}

/** A stretch of a form, in working order. */
export interface Outline {
  readonly id: SectionId
  readonly guide: Guide
  /** One count all the way. */
  readonly even?: boolean
  /** The stitches that go around it, where what it meets must have as many. */
  readonly count?: number
  /** It leaves a hole after so many stitches all the way around, for a cord. */
  readonly holes?: number
  /** It goes out to its count at once, all around: a frill. */
  readonly flares?: boolean
  /** It turns a crisp edge with the section before: its first round takes the back loops, and keeps the count. */
  readonly crisp?: boolean
  /**
   * A lip: one round in the front loops that stands out from the fabric; what comes after it goes into the loops left
   * behind it.
   */
  readonly lip?: boolean
  /** What goes around a chain is taken in over this zone, symmetric about its middle, which shortens its sides. */
  readonly takesIn?: Zone
  /**
   * It is worked back and forth, in turned rows, over so much of the way around: of which alone its guide tells. A panel
   * stands on the first stitches of a round; one that is tall in its middle is gone around again once it is there.
   */
  readonly rows?: { readonly share: number; readonly panel?: true; readonly tall?: true }
  /** It goes on with the stitches that are there. */
  readonly keeps?: true
  /** It undoes what the section of that name did: the same counts, the other way, but for the last. */
  readonly mirrors?: SectionId
}

/**
 * Rows that are worked once all rounds are there: on a stretch of their edge, from so far around it and over so much of
 * it; so much of it around the middle of the second of two sides, at the back; from its start on, each row shorter than the one
 * before, so that the edge is a circle about a centre so far from the middle; or along the ends of all rows, where the
 * fabric lies in rows. In mm.
 */
export interface RowsAfter {
  readonly id: SectionId
  readonly on:
    | { readonly from: number; readonly share: number }
    | { readonly back: number }
    | { readonly crescent: number }
    | 'rowEnds'
  /** How far they go; a single row along the ends of others when nothing is said. */
  readonly length?: number
  /** They narrow to so wide in every so many rows, by a stitch at each edge, or where one edge stays straight at the other. */
  readonly narrows?: { readonly every: number; readonly to: number; readonly at: 'both' | 'one' }
  /** How much farther its middle stands out than its ends. */
  readonly bow?: number
}

/** When a field is asked for: while another has one of these values; always when nothing is said. */
export interface AskedWhile {
  readonly key: string
  readonly is: readonly string[]
}

/** The stitch and texture that a section is usually worked in, and how its rounds pass into one another. */
export interface UsualWork {
  readonly stitch?: StitchName
  readonly texture?: Texture
  readonly rounds?: WayOfRounds
}

/** A size that a form asks for: a length in mm, or a share of one. */
export interface SizeField<F> {
  readonly kind: 'length' | 'share'
  readonly key: Exclude<keyof F & string, 'family'>
  readonly least: number
  readonly most: number
  /** What it is while nobody has said. */
  readonly usual: number
  readonly while?: AskedWhile
  /** Of a length that need not be said: it is as usual until somebody says otherwise. */
  readonly mayBeUsual?: true
}

/** One of a few words that a form asks for. */
export interface ChoiceField<F> {
  readonly kind: 'choice'
  readonly key: Exclude<keyof F & string, 'family'>
  /** The usual one first. */
  readonly choices: readonly string[]
  readonly while?: AskedWhile
  /** It is asked for with how the piece begins, once there is one. */
  readonly withStart?: true
}

/** A point of an outline, mm: how wide it is, so far up. */
export interface OutlinePoint {
  readonly across: number
  readonly up: number
}

/** A shape that is drawn: points from its foot up. Lengths in mm. */
export interface OutlineField<F> {
  readonly kind: 'outline'
  readonly key: Exclude<keyof F & string, 'family'>
  readonly widest: number
  readonly highest: number
  /** Of points. */
  readonly most: number
  /** The choice, and its value, that joins them by a curve. */
  readonly curved: { readonly key: string; readonly is: string }
  readonly usual: readonly OutlinePoint[]
}

export type Field<F> = SizeField<F> | ChoiceField<F> | OutlineField<F>

/** Sizes that somebody has who cannot be measured just now: lengths in mm, and what the piece is for then. */
export interface UsualSize<F> {
  readonly key: string
  readonly lengths: Readonly<Partial<Record<Exclude<keyof F & string, 'family'>, number>>>
  readonly uses: readonly Use[]
}

/** What becomes of an open end: it stays so, is drawn in by a thread, or is joined flat. */
export const ENDS = ['open', 'gathered', 'flat'] as const
export type End = (typeof ENDS)[number]

/** How many times as large fabric is, around and along. */
export interface Larger {
  readonly around: number
  readonly along: number
}

/** A size that the finished piece must have, mm. */
export interface Target {
  readonly of: MeasureKind
  readonly value: number
}

/** Where a tape tells something of a piece in work: at its edge, or at its first round. */
export interface TapePlace {
  readonly of: MeasureKind
  readonly at: 'edge' | 'start'
  /** Without it nothing can be said of the others. */
  readonly needed?: boolean
  /** The sections whose rounds it is taken at; of any when nothing is said. */
  readonly in?: readonly SectionId[]
}

/** A size that a piece is judged by, in the sections where a tape can find it; in any when nothing is said. */
export interface JudgedBy {
  readonly of: MeasureKind
  readonly in?: readonly SectionId[]
}

/** A place on one half of a section, mm: its distance from the axis, and how high it lies. */
export interface Place {
  readonly r: number
  readonly z: number
}

/** A line to follow, so far along it. Lengths in mm. */
export interface Line {
  readonly length: number
  at(along: number): Place
  /** How far a place lies from it: outside (+) or inside (−). */
  off(place: Place): number
}

/** What there is to know of a family of forms. Adding one is a folder here and its line in the registry. */
export interface Family<F extends { readonly family: string }> {
  /** What it asks for, in the order a maker is asked. */
  readonly fields: readonly Field<F>[]
  /** How its fabric may begin; the usual way first. */
  starts(form: F): readonly Start['kind'][]
  /**
   * Refuses what cannot be worked with these stitches.
   * @throws SpecError at `form.<field>`, with what would be valid
   */
  validate(form: F, sizes: Sizes): void
  sections(form: F, sizes: Sizes): readonly Outline[]
  /** All of it is worked back and forth. */
  readonly inRows?: true
  /** Rows that come after all of its sections. */
  rowsAfter?(form: F): readonly RowsAfter[]
  /** The chain that it begins along, where it grows around both sides of one. */
  foundation?(form: F, sizes: Sizes): Foundation
  /** The section that is a lip, if it has one. */
  lip?(form: F): SectionId | undefined
  /** How sections of it are worked, if not as the rest, while the maker says nothing else. */
  usualWork?(form: F, stitch: StitchName): Readonly<Record<SectionId, UsualWork>>
  /** By what a tape judges it, on the way and at the end; the one that the last rounds are chosen for first. */
  measures(form: F): readonly JudgedBy[]
  /**
   * Of what closes again: the section that ends at its widest, where it is judged when it is finished, and by what share
   * its filling makes it larger there.
   */
  readonly closes?: { readonly at: SectionId; grows(form: F): number }
  /** Where a tape is laid in work; the same place twice is measured a second time. */
  readonly tape: readonly TapePlace[]
  /** What each of its measures must come to. */
  targets(form: F, sizes: Sizes): readonly [Target, ...Target[]]
  /** What becomes of its open end, where it may be closed; `folded`: its last row is folded in half and joined to itself. */
  end?(form: F): End | 'folded'
  /** The line that the middle of its fabric should follow, where that is drawn. */
  line?(form: F, sizes: Sizes): Line
  /** The outline that it is made for, where that is known: one half of it, over the middle of the fabric it stands on. */
  drawnAs?(form: F, sizes: Sizes): readonly Place[]
  /** Around what it goes over, mm, where it is made to fit something. */
  around?(form: F): number | undefined
  /** The form whose wall is so far around, mm, halfway through its fabric: by what a maker can give most easily. */
  towardsGirth?(form: F, sizes: Sizes, girth: number): F
  /** Two of it are made, alike. */
  readonly two?: true
  /** What one is for, unless somebody says otherwise. */
  readonly uses?: readonly Use[]
  /** The pieces that it is made of together, in working order, where there are several. */
  pieces?(form: F): readonly { readonly name: string; readonly form: F }[]
  /** How long and how high what it holds stands in it, mm, seen from its long side. */
  holds?(form: F): { readonly long: number; readonly high: number }
  /** Whether a cord draws it in. */
  cord?(form: F): boolean
  /** The lining that it is to have, mm, laid flat. */
  lined?(form: F): { readonly wide: number; readonly high: number } | undefined
  /** How much of the way around a hinge takes that joins it to its other piece, as a share. */
  hinge?(form: F): number | undefined
  /** Of what is made in pairs: which of the two it is, and the other one, its mirror image. */
  readonly pair?: { side(form: F): 'left' | 'right'; other(form: F): F }
  /** How long the foot is that it goes on, mm. */
  onFoot?(form: F): number
  /** The same so many times as far around the ankle, as far as that can be; and with a cuff that stretches, if it has none. */
  wider?(form: F, by: number): F
  ribbed?(form: F): F | undefined
  /** The angle between its sides, degrees, where it may be asked for in place of a length. */
  readonly angle?: {
    readonly insteadOf: Exclude<keyof F & string, 'family'>
    readonly least: number
    readonly most: number
    of(form: F, sizes: Sizes): number
    towards(form: F, sizes: Sizes, degrees: number): F
  }
  /** What rounds are that nobody has planned, if they are of this family; nothing if they are not, or may be of another. */
  seenIn?(seen: SeenRounds): Seen<F> | undefined
  /** The same form so many times as far around and along its fabric. */
  larger(form: F, by: Larger): F
  /** The form whose rounds came to lie so, where its measures do not say all of it; nothing where none does. */
  asLaid?(form: F, sizes: Sizes, tops: readonly Place[]): F | undefined
  /** The form that would be asked for so that one of its measures came to this. */
  towards(form: F, sizes: Sizes, target: Target): F
}

export type AnyFamily = Family<Form>
