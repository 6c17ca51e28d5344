import type { Millimetres } from '../units/millimetres.ts'

/** A flat round piece. */
export interface DiscShape {
  readonly family: 'disc'
  /** Finished diameter. */
  readonly across: Millimetres
  /** How far off it may come out and still serve, either way. */
  readonly tolerance: Millimetres
}

/** Ideal stitch count at radius r for stitches of width w: N* = 2πr/w. */
export function idealCount(radius: number, w: number): number {
  return (2 * Math.PI * radius) / w
}

/** How far a round is from lying flat: N·w / 2πr − 1. Below 0 it cups, above it ruffles. */
export function flatness(count: number, w: number, radius: number): number {
  return (count * w) / (2 * Math.PI * radius) - 1
}

/** |flatness| up to this lies flat after blocking. */
export const FLAT_TOLERANCE = 0.04

export type Lie = 'cups' | 'dished' | 'flat' | 'softWave' | 'ruffles'

/** In a maker's words, how fabric of this flatness lies: within 4% flat, within 8% slightly off. */
export function lieOf(flatness: number): Lie {
  if (flatness < -2 * FLAT_TOLERANCE) return 'cups'
  if (flatness < -FLAT_TOLERANCE) return 'dished'
  if (flatness <= FLAT_TOLERANCE) return 'flat'
  return flatness <= 2 * FLAT_TOLERANCE ? 'softWave' : 'ruffles'
}
