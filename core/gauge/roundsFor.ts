import type { StitchSize } from './gauge.ts'

/** A closed ring begins 0.3 h out, so the first round is 0.3 of a round further. */
const CENTRE_ROUNDS = 0.3

/** How many rounds a flat disc needs, at the least and most that a size leaves open (19 times of 20). */
export function roundsFor(
  { h, varLnW, varLnH, covLnWLnH }: StitchSize,
  across: number,
): { readonly least: number; readonly most: number } {
  // A flat disc answers half to w and half to h.
  const sd = Math.sqrt(Math.max(0, varLnW + varLnH + 2 * covLnWLnH)) / 2
  const rounds = across / 2 / h - CENTRE_ROUNDS
  return {
    least: Math.max(1, Math.round(rounds * Math.exp(-2 * sd))),
    most: Math.max(1, Math.round(rounds * Math.exp(2 * sd))),
  }
}
