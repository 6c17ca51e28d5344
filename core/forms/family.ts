import type { StartOfFabric } from '../shape/startOfFabric.ts'
import type { SectionId } from '../rounds/round.ts'
import type { Form } from './registry.ts'

/** What a form is planned with: its stitch, and where the fabric begins. Lengths in mm. */
export interface Sizes {
  readonly w: number
  readonly h: number
  readonly start: StartOfFabric
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
}

/** A length that a form asks for. */
export interface LengthField<F> {
  readonly key: Exclude<keyof F & string, 'family'>
  readonly least: number
  readonly most: number
}

/** What there is to know of a family of forms. Adding one is a folder here and its line in the registry. */
export interface Family<F extends { readonly family: string }> {
  /** Its lengths, in the order a maker is asked for them. */
  readonly fields: readonly LengthField<F>[]
  /**
   * Refuses what cannot be worked with these stitches.
   * @throws SpecError at `form.<field>`, with what would be valid
   */
  validate(form: F, sizes: Sizes): void
  sections(form: F, sizes: Sizes): readonly Outline[]
  /** What the finished piece must measure: the size that last rounds are chosen for. */
  target(form: F): Target
}

/** A size that a tape can check. */
export interface Target {
  readonly of: 'across' | 'length'
  readonly value: number
}

export type AnyFamily = Family<Form>
