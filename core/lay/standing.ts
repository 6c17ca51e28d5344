import { factorise, solve } from './banded.ts'
import type { Stiffness } from './cloth.ts'
import { BAND, energyOf, roomForLinks, type Places } from './energy.ts'
import type { Resistance, Rings } from './rings.ts'

const WIDTH = BAND + 1
const MOST_STEPS = 300
/** A step that moves a ring farther, in rounds, is not to be trusted. */
const FARTHEST = 1
/** Rings are settled when no step moves one by more, in rounds. */
const SETTLED = 1e-7

/**
 * Whether a cloth held flat stays so when it is let go: no small lift of any ring frees energy.
 */
export function staysFlat(rings: Rings, { bending, slope }: Resistance, radii: Float64Array): boolean {
  const { size, count, h, from } = rings
  const band = 2
  const width = band + 1
  const matrix = new Float64Array(size * width)
  const add = (row: number, column: number, value: number) => {
    if (column < 0) return
    const at = row * width + row - column
    matrix[at] = matrix[at]! + value
  }
  for (let ring = 0; ring < size; ring++) {
    const linked = ring > 0 || from !== undefined
    if (linked) {
      const long = radii[ring]! - (ring > 0 ? radii[ring - 1]! : from!.r)
      if (!(long > 0)) return false
      const pull =
        (2 * count[ring]! * (long / h[ring]! - 1)) / (h[ring]! * long) + (2 * slope[ring]!) / (long * long)
      add(ring, ring, pull)
      add(ring, ring - 1, -pull)
      if (ring > 0) add(ring - 1, ring - 1, pull)
      const stiff = 2 * bending[ring]!
      if (stiff > 0) {
        // Δθ = (z − z₋₁)/l − (z₋₁ − z₋₂)/l₋₁
        const below = ring > 0 ? radii[ring - 1]! - (ring > 1 ? radii[ring - 2]! : (from?.r ?? 0)) : 0
        const [a, c] = [1 / long, below > 0 ? 1 / below : 0]
        add(ring, ring, stiff * a * a)
        add(ring, ring - 1, -stiff * a * (a + c))
        add(ring, ring - 2, stiff * a * c)
        if (ring > 0) add(ring - 1, ring - 1, stiff * (a + c) * (a + c))
        if (ring > 1) {
          add(ring - 1, ring - 2, -stiff * c * (a + c))
          add(ring - 2, ring - 2, stiff * c * c)
        }
      }
    } else add(ring, ring, (2 * count[ring]!) / (h[ring]! * h[ring]!))
  }
  return factorise(matrix, size, band)
}

/** Every ring as wide as its stitches let it, the rest going up: where the search begins. */
function leaning({ size, count, w, h, from }: Rings, give: number): Places {
  const at = new Float64Array(2 * size)
  let [r, z] = [from?.r ?? (count[0]! * w[0]!) / (2 * Math.PI), 0]
  for (let ring = 0; ring < size; ring++) {
    if (ring > 0 || from) {
      const most = h[ring]! * (1 - give / 2)
      const out = Math.max(
        -most,
        Math.min(most, (count[ring]! * w[ring]! * (1 + give / 2)) / (2 * Math.PI) - r),
      )
      const up = Math.sqrt(Math.max(0, most * most - out * out))
      r += out
      // Never quite flat: there is no telling up from down there. What stands anyway, as a tube does, stands true.
      z += up + (from || up < 0.05 * most ? 0.01 * h[ring]! : 0)
    }
    at[2 * ring] = r
    at[2 * ring + 1] = z
  }
  return at
}

export interface Standing {
  readonly at: Places
  /** Factors of the curvature there, for how the rings would move. */
  readonly factors: Float64Array
}

/**
 * (r, z) of every ring that minimise stretching, bending and patting over the table: Newton's method on
 * a banded system, three rings wide, damped until every step goes down.
 */
export function standing(
  rings: Rings,
  resistance: Resistance,
  stiffness: Stiffness,
  startGive = stiffness.give,
): Standing {
  const size = 2 * rings.size
  const links = roomForLinks(rings.size)
  let [at, tried]: [Places, Places] = [leaning(rings, startGive), new Float64Array(size)]
  let [slope, nextSlope] = [new Float64Array(size), new Float64Array(size)]
  let [matrix, nextMatrix] = [new Float64Array(size * WIDTH), new Float64Array(size * WIDTH)]
  const [factors, step] = [new Float64Array(size * WIDTH), new Float64Array(size)]
  let energy = energyOf(rings, resistance, at, stiffness, slope, matrix, links)
  let damping = 0
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    factors.set(matrix)
    stiffen(rings, factors, damping)
    let moved = Infinity
    if (factorise(factors, size, BAND)) {
      for (let row = 0; row < size; row++) step[row] = -slope[row]!
      solve(factors, size, BAND, step)
      moved = 0
      for (let row = 0; row < size; row++) {
        tried[row] = at[row]! + step[row]!
        moved = Math.max(moved, Math.abs(step[row]!) / rings.h[row >> 1]!)
      }
    }
    const next =
      moved < FARTHEST
        ? energyOf(rings, resistance, tried, stiffness, nextSlope, nextMatrix, links)
        : Infinity
    if (next <= energy + 1e-13 * energy) {
      ;[at, tried] = [tried, at]
      ;[slope, nextSlope] = [nextSlope, slope]
      ;[matrix, nextMatrix] = [nextMatrix, matrix]
      energy = next
      damping = damping < 1e-5 ? 0 : damping / 8
      if (moved < SETTLED) break
    } else damping = Math.max(1e-4, damping * 5)
  }
  factors.set(matrix)
  for (let by = 1e-8; !factorise(factors, size, BAND); by *= 10) {
    factors.set(matrix)
    stiffen(rings, factors, by)
  }
  return { at, factors }
}

/** Adds to the diagonal, against how hard each ring is held to the one below. */
function stiffen({ size, count, h }: Rings, matrix: Float64Array, by: number): void {
  for (let ring = 0; ring < size; ring++) {
    const more = (by * count[ring]!) / (h[ring]! * h[ring]!)
    const place = 2 * ring * WIDTH
    matrix[place] = matrix[place]! + more
    matrix[place + WIDTH] = matrix[place + WIDTH]! + more
  }
}
