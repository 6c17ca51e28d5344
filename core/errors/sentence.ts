import { sayLength } from '../units/formatLength.ts'
import { STITCHES, type StitchName } from '../stitches/stitch.ts'

/**
 * Sentences of the core leave lengths and stitches to be said in the maker's own unit and terms: a length
 * stands as `⟦mm:219.3⟧`, a stitch as `⟦st:sc⟧`.
 */
export interface Speech {
  readonly length: (millimetres: number) => string
  readonly stitch: (name: StitchName) => string
}

/** A length in mm, to be said in the maker's unit. */
export const lengthOf = (millimetres: number): string => `⟦mm:${millimetres}⟧`

/** A stitch, to be said in the maker's terms. */
export const stitchOf = (name: StitchName): string => `⟦st:${name}⟧`

/** How the core speaks when nobody says otherwise: centimetres and US terms. */
export const PLAIN_SPEECH: Speech = {
  length: (millimetres) => sayLength(millimetres, 'cm'),
  stitch: (name) => STITCHES[name].short.US,
}

/** The sentence as a maker reads it. */
export function spoken(sentence: string, speech: Speech = PLAIN_SPEECH): string {
  return sentence.replace(/⟦(mm|st):([^⟧]*)⟧/g, (_, kind: string, value: string) =>
    kind === 'mm' ? speech.length(Number(value)) : speech.stitch(value as StitchName),
  )
}
