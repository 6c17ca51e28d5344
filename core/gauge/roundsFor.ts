import { CLOSED_RING } from '../lay/startOfFabric.ts'
import type { StitchSize } from './gauge.ts'

/** How many rounds a flat disc needs, at the least and most that a size leaves open (19 times of 20). */
export function roundsFor(
  { h, varLnW, varLnH, covLnWLnH }: StitchSize,
  across: number,
): { readonly least: number; readonly most: number } {
  // A flat disc answers half to w and half to h.
  const sd = Math.sqrt(Math.max(0, varLnW + varLnH + 2 * covLnWLnH)) / 2
  // A closed ring begins a part of a round out.
  const rounds = across / 2 / h - CLOSED_RING.mean
  return {
    least: Math.max(1, Math.round(rounds * Math.exp(-2 * sd))),
    most: Math.max(1, Math.round(rounds * Math.exp(2 * sd))),
  }
}
