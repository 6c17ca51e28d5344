import { flatness } from '../lay/flatness.ts'
import { tautness, type Cloth, type Stiffness } from './cloth.ts'

/** The rings of a cloth as the energy sees them: its foundation, if it has one, then the top of every round. */
export interface Rings {
  readonly size: number
  readonly count: Float64Array
  readonly w: Float64Array
  readonly h: Float64Array
  /** What it holds along itself: its stitches, none in an edging, fewer where it waves. */
  readonly holds: Float64Array
  /** Distance along the fabric. */
  readonly arc: Float64Array
  /** Where ring 0 begins: a fixed point, or nothing when ring 0 is a foundation that stands on the table. */
  readonly from: { readonly r: number } | undefined
}

/** What resists a cloth's leaving the plane, ring by ring. */
export interface Resistance {
  /** Against a bend between the ring below and this one. */
  readonly bending: Float64Array
  /** Against a slope up to this ring: the knot of a closed middle, and the patting hand. */
  readonly slope: Float64Array
}

export function ringsOf({ rounds, foundation, centre, hole }: Cloth, { give }: Stiffness): Rings {
  const lead = foundation ? 1 : 0
  const size = rounds.length + lead
  const [count, w, h] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)]
  const [holds, arc] = [new Float64Array(size), new Float64Array(size)]
  let along = hole
  const open = foundation ? (foundation.count * foundation.w) / (2 * Math.PI) : 0
  if (foundation) {
    count[0] = holds[0] = foundation.count
    w[0] = foundation.w
    h[0] = rounds[0]?.h ?? foundation.w
    arc[0] = along
  }
  for (let index = 0; index < rounds.length; index++) {
    const round = rounds[index]!
    const ring = index + lead
    count[ring] = round.count
    w[ring] = round.w
    h[ring] = round.h
    arc[ring] = along += round.h
    const excess = flatness(round.count, round.w, open + along)
    holds[ring] = round.edging ? 0 : round.count * tautness(excess, give)
  }
  return { size, count, w, h, holds, arc, from: foundation ? undefined : { r: centre } }
}

/** How the patting hand holds: a little at the rim, more toward the middle. */
const AT_THE_RIM = 0.2
const INWARD = 3

export function resistanceOf(
  { rounds, foundation, patted }: Cloth,
  { size, count, h, arc }: Rings,
  stiffness: Stiffness,
): Resistance {
  const [bending, slope] = [new Float64Array(size), new Float64Array(size)]
  const lead = foundation ? 1 : 0
  const rim = arc[size - 1] ?? 0
  for (let ring = lead; ring < size; ring++) {
    const { crisp } = rounds[ring - lead]!
    // A foundation ends in nothing that could bend; a closed middle is flat at its pole.
    bending[ring] = crisp || (foundation && ring === lead) ? 0 : stiffness.bending * count[ring]!
    const knot = foundation ? 0 : stiffness.middle * (h[ring]! / arc[ring]!) ** 2
    // A disc that is short all over is pressed together by (f/2)·ln(R/r) from its rim: the hand holds as much.
    const hand = patted ? stiffness.patting * (AT_THE_RIM + INWARD * Math.log(rim / arc[ring]!)) : 0
    slope[ring] = count[ring]! * (knot + hand)
  }
  return { bending, slope }
}
