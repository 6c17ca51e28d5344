import { factorise, solve } from './banded.ts'
import { hoop, SLIDES, type Hoop } from './cloth.ts'
import type { Rings } from './rings.ts'

/** Two neighbours hold one another. */
export const FLAT_BAND = 1
const MOST_STEPS = 60
/** Radii are settled when no step moves one by more, mm. */
const SETTLED = 1e-8

/** Radii of a cloth held flat, and the factors of the system they solve, for how they would move. */
export interface FlatRadii {
  readonly radii: Float64Array
  readonly factors: Float64Array
}

/**
 * Radii that minimise Σ N[(r − r₋₁ − h)²/h² + hoop(2πr/Nw − 1)] in the plane: one linear system while nothing
 * waves or slides (FIELD §3, least squares of the flat zone), a few more where something does.
 */
export function flatRadii(rings: Rings, give: number): FlatRadii {
  const settled = leastSquares(rings)
  return withinGive(rings, settled.radii, give) ? settled : withWaves(rings, settled.radii, give)
}

/** The answer while every round is within its give. */
function leastSquares({ size, count, w, h, holds, from }: Rings): FlatRadii {
  const [radii, factors] = [new Float64Array(size), new Float64Array(2 * size)]
  for (let ring = 0; ring < size; ring++) {
    const stretch = (2 * Math.PI) / (count[ring]! * w[ring]!)
    factors[2 * ring] = factors[2 * ring]! + 2 * holds[ring]! * stretch * stretch
    radii[ring] = radii[ring]! + 2 * holds[ring]! * stretch
    if (ring === 0 && !from) continue
    const link = (2 * count[ring]!) / (h[ring]! * h[ring]!)
    factors[2 * ring] = factors[2 * ring]! + link
    if (ring > 0) {
      factors[2 * ring - 2] = factors[2 * ring - 2]! + link
      factors[2 * ring + 1] = -link
      radii[ring - 1] = radii[ring - 1]! - link * h[ring]!
      radii[ring] = radii[ring]! + link * h[ring]!
    } else radii[ring] = radii[ring]! + link * (h[ring]! + from!.r)
  }
  factorise(factors, size, FLAT_BAND)
  solve(factors, size, FLAT_BAND, radii)
  return { radii, factors }
}

function withinGive({ size, count, w, holds }: Rings, radii: Float64Array, give: number): boolean {
  for (let ring = 0; ring < size; ring++) {
    if (holds[ring] === 0) continue
    const strain = (2 * Math.PI * radii[ring]!) / (count[ring]! * w[ring]!) - 1
    if (strain < -give || strain > SLIDES) return false
  }
  return true
}

/** Newton's method from a first guess, each step shortened until it goes down. */
function withWaves(rings: Rings, radii: Float64Array, give: number): FlatRadii {
  const { size } = rings
  const step = new Float64Array(size)
  const tried = new Float64Array(size)
  let [slope, nextSlope] = [new Float64Array(size), new Float64Array(size)]
  let [factors, next] = [new Float64Array(2 * size), new Float64Array(2 * size)]
  let energy = flatEnergy(rings, radii, give, slope, factors)
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    factorise(factors, size, FLAT_BAND)
    for (let ring = 0; ring < size; ring++) step[ring] = -slope[ring]!
    solve(factors, size, FLAT_BAND, step)
    let moved = 0
    for (let ring = 0; ring < size; ring++) moved = Math.max(moved, Math.abs(step[ring]!))
    if (moved < SETTLED) return { radii, factors }
    let share = 1
    let nextEnergy = Infinity
    for (; share > 1e-6; share /= 2) {
      for (let ring = 0; ring < size; ring++) tried[ring] = radii[ring]! + share * step[ring]!
      nextEnergy = flatEnergy(rings, tried, give, nextSlope, next)
      if (nextEnergy <= energy + 1e-12) break
    }
    radii.set(tried)
    energy = nextEnergy
    ;[slope, nextSlope] = [nextSlope, slope]
    ;[factors, next] = [next, factors]
  }
  factorise(factors, size, FLAT_BAND)
  return { radii, factors }
}

/** Slope of the energy in the plane, for other sizes than the radii were settled with. */
export function flatGradient(rings: Rings, radii: Float64Array, give: number): Float64Array {
  const slope = new Float64Array(rings.size)
  flatEnergy(rings, radii, give, slope, new Float64Array(2 * rings.size))
  return slope
}

const one: Hoop = { energy: 0, slope: 0, curvature: 0 }

/** Energy in the plane, its slope, and its curvature as a banded matrix. */
function flatEnergy(
  { size, count, w, h, holds, from }: Rings,
  radii: Float64Array,
  give: number,
  slope: Float64Array,
  matrix: Float64Array,
): number {
  slope.fill(0)
  matrix.fill(0)
  let energy = 0
  for (let ring = 0; ring < size; ring++) {
    const r = radii[ring]!
    if (ring > 0 || from) {
      const below = ring > 0 ? radii[ring - 1]! : from!.r
      const link = count[ring]! / (h[ring]! * h[ring]!)
      const off = r - below - h[ring]!
      energy += link * off * off
      slope[ring] = slope[ring]! + 2 * link * off
      matrix[2 * ring] = matrix[2 * ring]! + 2 * link
      if (ring > 0) {
        slope[ring - 1] = slope[ring - 1]! - 2 * link * off
        matrix[2 * ring - 2] = matrix[2 * ring - 2]! + 2 * link
        matrix[2 * ring + 1] = -2 * link
      }
    }
    const stretch = (2 * Math.PI) / (count[ring]! * w[ring]!)
    hoop(stretch * r - 1, give, one)
    energy += holds[ring]! * one.energy
    slope[ring] = slope[ring]! + holds[ring]! * stretch * one.slope
    matrix[2 * ring] = matrix[2 * ring]! + holds[ring]! * stretch * stretch * one.curvature
  }
  return energy
}
