import { FLAT_TOLERANCE } from './disc.ts'

/** One round as the prediction sees it: count, stitch width and height, flatness against Σh. */
export interface RoundFabric {
  readonly count: number
  readonly w: number
  readonly h: number
  readonly flatness: number
  /** An edging of slip stitches follows the round below: it neither cups nor pulls. */
  readonly edging?: boolean
}

/** Where a round's top lies, mm. */
export interface PredictedPosition {
  readonly radius: number
  /** Height above the flat plane, from cupping. */
  readonly z: number
  /** Distance along the fabric: the hole's radius plus Σh. `ideal` is 2π·arc / w. */
  readonly arc: number
}

/** The centre settles within the first rounds; cupping is only read after them. */
const CENTRE_ROUNDS = 3

/**
 * Where the top of every round comes to lie.
 *
 * Flat zone: fabric gives both ways, so radii minimise
 * Σ N[(r − r₋₁ − h)²/h² + (2πr/N − w)²/w²] (quadratic, tridiagonal); a round that waves or strays
 * in the centre adds its height but no pull along the round. From the first round that cups,
 * r = N·w/2π with w(1 + g/2) and h(1 − g/2), and what is left of h goes up.
 * @param centre radius at which round 1 begins, mm
 * @param hole radius of a chain ring's hole, mm: where the distance along the fabric is counted from
 */
export function predictProfile(
  rounds: readonly RoundFabric[],
  centre: number,
  hole = 0,
): PredictedPosition[] {
  const cups = (round: RoundFabric | undefined) => !round || round.edging || round.flatness < -FLAT_TOLERANCE
  // One short round is evened out by its neighbours; two running lift the edge.
  const cupsAt = rounds.findIndex(
    (round, index) => index >= CENTRE_ROUNDS && !round.edging && cups(round) && cups(rounds[index + 1]),
  )
  const flatRounds = cupsAt < 0 ? rounds : rounds.slice(0, cupsAt)
  const radii = settleFlat(flatRounds, centre)
  const positions: PredictedPosition[] = []
  let arc = hole
  let z = 0
  let radius = centre
  let outward = 1
  rounds.forEach(({ count, w, h, edging }, index) => {
    arc += h
    if (index < radii.length) radius = radii[index]!
    else {
      const height = h * (1 - FLAT_TOLERANCE / 2)
      const aim = (count * w * (1 + FLAT_TOLERANCE / 2)) / (2 * Math.PI)
      // An edging goes on the way the round below it went.
      const out = edging ? outward * height : Math.max(-height, Math.min(height, aim - radius))
      outward = out / height
      radius += out
      z += Math.sqrt(height * height - out * out)
    }
    positions.push({ radius, z, arc })
  })
  return positions
}

/** Past the flat tolerance a round waves or gives way, and pulls the less the farther: at half as much again not at all. */
function tautness(flatness: number): number {
  const past = Math.abs(flatness) / FLAT_TOLERANCE - 1
  return Math.max(0, Math.min(1, 1 - 2 * past))
}

/** Solves the tridiagonal normal equations of the flat zone (Thomas algorithm). */
export function settleFlat(rounds: readonly RoundFabric[], centre: number): number[] {
  const size = rounds.length
  const diagonal = new Array<number>(size)
  const right = new Array<number>(size)
  const link = rounds.map(({ count, h }) => count / (h * h))
  rounds.forEach(({ count, w, h, flatness, edging }, index) => {
    const taut = edging ? 0 : tautness(flatness)
    const stretch = (2 * Math.PI) / (count * w)
    const next = rounds[index + 1]
    diagonal[index] = link[index]! + taut * count * stretch * stretch + (next ? link[index + 1]! : 0)
    right[index] = count / h + taut * count * stretch - (next ? next.count / next.h : 0)
  })
  if (size > 0) right[0] = right[0]! + link[0]! * centre
  for (let index = 1; index < size; index++) {
    const factor = link[index]! / diagonal[index - 1]!
    diagonal[index] = diagonal[index]! - factor * link[index]!
    right[index] = right[index]! + factor * right[index - 1]!
  }
  const radii = new Array<number>(size)
  for (let index = size - 1; index >= 0; index--) {
    const outer = index + 1 < size ? link[index + 1]! * radii[index + 1]! : 0
    radii[index] = (right[index]! + outer) / diagonal[index]!
  }
  return radii
}

/**
 * How much of a dish is left after flat rounds were added around it: the last third of a piece decides how
 * it lies, so the dish is gone when that third is new.
 * @param added rounds added, from 1
 * @param before rounds there were
 */
export function leftOfDish(added: number, before: number): number {
  return Math.max(0, 1 - (3 * added) / (before + added))
}
