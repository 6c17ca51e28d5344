import { FLAT_TOLERANCE } from '../lay/flatness.ts'

/** One round as cloth: what it would measure if nothing else held it. Lengths in mm. */
export interface ClothRound {
  readonly count: number
  /** Width of a stitch along the round, height of the round. */
  readonly w: number
  readonly h: number
  /** An edging of slip stitches follows the round below it: it neither cups nor waves. */
  readonly edging?: boolean
  /** It turns a crisp edge with the round below: nothing there resists the bend. */
  readonly crisp?: boolean
}

/** Rounds from the middle out, or from one end of a tube to the other. */
export interface Cloth {
  readonly rounds: readonly ClothRound[]
  /** Radius at which the first round begins, mm. */
  readonly centre: number
  /** Distance along the fabric at which the first round begins, mm: the hole that stays open. */
  readonly hole: number
  /** Stitches of a foundation that gives with the rounds, and their width: a tube begins so. */
  readonly foundation?: { readonly count: number; readonly w: number }
  /** Laid on a table and patted, so that what can lie flat does; otherwise worn, filled, or standing free. */
  readonly patted: boolean
}

/** How cloth resists; all against the stretching of a stitch, which is 1. */
export interface Stiffness {
  /** Share of its length that cloth takes up along the round before it waves: the flat tolerance. */
  readonly give: number
  /** Against bending from one round to the next. */
  readonly bending: number
  /** Against sloping out of a closed middle, by (height / distance from the middle)²: its first rounds are a knot. */
  readonly middle: number
  /** What a patting hand puts against standing up, by the square of the slope that leads up there. */
  readonly patting: number
}

/**
 * Set so that a disc of 15 rounds evenly 4% short just lies flat, and stands up clearly at 8% (FIELD §3);
 * `give` is the flat tolerance.
 */
export const USUAL_STIFFNESS: Stiffness = {
  give: FLAT_TOLERANCE,
  bending: 0.02,
  middle: 0.25,
  patting: 0.006,
}

/** Energy of a round along itself, its slope and its curvature, by how far it is stretched (+) or pressed (−). */
export interface Hoop {
  energy: number
  slope: number
  curvature: number
}

/** Stretched by more than this, stitches slide: they hold no harder. */
export const SLIDES = 0.2

/**
 * Quadratic while it is neither pressed past its give nor stretched until stitches slide; beyond, it pulls or
 * pushes no harder.
 * @param into what to write to, so that the many calls make no rubbish
 */
export function hoop(strain: number, give: number, into: Hoop): void {
  const held = strain > SLIDES ? SLIDES : strain < -give ? -give : strain
  into.energy = held * (2 * strain - held)
  into.slope = 2 * held
  into.curvature = held === strain ? 2 : 0
}

/**
 * How much of a round holds when it is longer than a flat disc has room for, by its flatness f: past the give it
 * waves, and pushes the less the longer it is; at twice the give not at all.
 */
export function tautness(flatness: number, give: number): number {
  const left = Math.max(0, Math.min(1, 2 - flatness / give))
  return left * left
}
