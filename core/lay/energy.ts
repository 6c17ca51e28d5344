import { hoop, type Hoop, type Stiffness } from './cloth.ts'
import type { Resistance, Rings } from './rings.ts'

/** A bend couples three rings of two coordinates: so many places below the diagonal are other than 0. */
export const BAND = 5
const WIDTH = BAND + 1
/** From about this slope (sin θ) on a hand no longer holds cloth down: a wall is no dish. */
const LETS_GO = 2
/** The table, against what would sink into it. */
const TABLE = 1

/** Rings as r₀, z₀, r₁, z₁… */
export type Places = Float64Array

/** The links from ring to ring, worked out once for a place: room that is used again. */
export interface Links {
  readonly dr: Float64Array
  readonly dz: Float64Array
  readonly long: Float64Array
  /** By how much each turns against the one below. */
  readonly turn: Float64Array
}

export const roomForLinks = (size: number): Links => ({
  dr: new Float64Array(size),
  dz: new Float64Array(size),
  long: new Float64Array(size),
  turn: new Float64Array(size),
})

function measureLinks(rings: Rings, at: Places, { dr, dz, long, turn }: Links): void {
  let below = rings.from ? 0 : Math.PI / 2
  for (let ring = rings.from ? 0 : 1; ring < rings.size; ring++) {
    const row = 2 * ring
    dr[ring] = at[row]! - (ring > 0 ? at[row - 2]! : rings.from!.r)
    dz[ring] = at[row + 1]! - (ring > 0 ? at[row - 1]! : 0)
    long[ring] = Math.sqrt(dr[ring]! * dr[ring]! + dz[ring]! * dz[ring]!) || 1e-12
    const angle = Math.atan2(dz[ring]!, dr[ring]!)
    const by = angle - below
    turn[ring] = by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by
    below = angle
  }
}

const one: Hoop = { energy: 0, slope: 0, curvature: 0 }
/** How the turn at a ring answers to the six coordinates of it and the two rings below. */
const answers = new Float64Array(6)

/**
 * Σ N[(l/h − 1)² + hoop(2πr/Nw − 1)] + bending + slope over the table: the energy of rings where they lie,
 * its gradient, and its curvature as a banded matrix (entry (i, j) at i·6 + i − j).
 */
export function energyOf(
  rings: Rings,
  { bending, slope }: Resistance,
  at: Places,
  { give }: Stiffness,
  gradient: Float64Array,
  matrix: Float64Array,
  links: Links,
): number {
  const { size, count, w, h, holds } = rings
  const { dr, dz, long, turn } = links
  measureLinks(rings, at, links)
  gradient.fill(0)
  matrix.fill(0)
  let energy = 0
  for (let ring = 0; ring < size; ring++) {
    const row = 2 * ring
    const r = at[row]!
    const z = at[row + 1]!
    const n = count[ring]!
    const perHeight = n / (h[ring]! * h[ring]!)
    if (ring > 0 || rings.from) {
      const l = long[ring]!
      const nr = dr[ring]! / l
      const nz = dz[ring]! / l
      const off = l / h[ring]! - 1
      // ψ(θ) = sin²θ / (1 + sin²θ/u²)
      const eased = 1 + (nz * nz) / (LETS_GO * LETS_GO)
      const held = slope[ring]!
      energy += n * off * off + (held * nz * nz) / eased
      const stiff = bending[ring]!
      let torque = (2 * held * nz * nr) / (eased * eased)
      let twist =
        held *
        ((2 * (nr * nr - nz * nz)) / (eased * eased) -
          (8 * nz * nz * nr * nr) / (LETS_GO * LETS_GO * eased * eased * eased))
      if (stiff > 0) {
        energy += stiff * turn[ring]! * turn[ring]!
        torque += 2 * stiff * turn[ring]!
      }
      if (ring + 1 < size) torque -= 2 * bending[ring + 1]! * turn[ring + 1]!
      const pull = (2 * n * off) / (h[ring]! * l)
      const byR = pull * dr[ring]! - (torque * nz) / l
      const byZ = pull * dz[ring]! + (torque * nr) / l
      gradient[row] = gradient[row]! + byR
      gradient[row + 1] = gradient[row + 1]! + byZ
      // 2N[nnᵀ/h² + (l/h − 1)/(hl)·(1 − nnᵀ)] + ψ″·∇θ∇θᵀ + torque·∇²θ
      twist /= l * l
      torque /= l * l
      const rr = 2 * perHeight * nr * nr + (pull + twist) * nz * nz + 2 * torque * nr * nz
      const zz = 2 * perHeight * nz * nz + (pull + twist) * nr * nr - 2 * torque * nr * nz
      const rz = (2 * perHeight - pull - twist) * nr * nz + torque * (nz * nz - nr * nr)
      const place = row * WIDTH
      matrix[place] = matrix[place]! + rr
      matrix[place + WIDTH] = matrix[place + WIDTH]! + zz
      matrix[place + WIDTH + 1] = matrix[place + WIDTH + 1]! + rz
      if (ring > 0) {
        gradient[row - 2] = gradient[row - 2]! - byR
        gradient[row - 1] = gradient[row - 1]! - byZ
        matrix[place - 2 * WIDTH] = matrix[place - 2 * WIDTH]! + rr
        matrix[place - WIDTH] = matrix[place - WIDTH]! + zz
        matrix[place - WIDTH + 1] = matrix[place - WIDTH + 1]! + rz
        matrix[place + 2] = matrix[place + 2]! - rr
        matrix[place + 1] = matrix[place + 1]! - rz
        matrix[place + WIDTH + 3] = matrix[place + WIDTH + 3]! - rz
        matrix[place + WIDTH + 2] = matrix[place + WIDTH + 2]! - zz
      }
      if (stiff > 0) addBend(ring, stiff, links, rings.from !== undefined, matrix)
    } else {
      // A foundation stands on the table.
      energy += perHeight * z * z
      gradient[row + 1] = gradient[row + 1]! + 2 * perHeight * z
      matrix[(row + 1) * WIDTH] = matrix[(row + 1) * WIDTH]! + 2 * perHeight
    }
    const stretch = (2 * Math.PI) / (n * w[ring]!)
    hoop(stretch * r - 1, give, one)
    energy += holds[ring]! * one.energy
    gradient[row] = gradient[row]! + holds[ring]! * stretch * one.slope
    matrix[row * WIDTH] = matrix[row * WIDTH]! + holds[ring]! * stretch * stretch * one.curvature
    if (z < 0) {
      energy += TABLE * perHeight * z * z
      gradient[row + 1] = gradient[row + 1]! + 2 * TABLE * perHeight * z
      matrix[(row + 1) * WIDTH] = matrix[(row + 1) * WIDTH]! + 2 * TABLE * perHeight
    }
  }
  return energy
}

/** 2B·∇Δθ∇Δθᵀ, with ∂θ/∂(r, z) = (−dz, dr)/l². */
function addBend(
  ring: number,
  stiff: number,
  { dr, dz, long }: Links,
  closed: boolean,
  matrix: Float64Array,
): void {
  const area = long[ring]! * long[ring]!
  const tr = -dz[ring]! / area
  const tz = dr[ring]! / area
  const hasBelow = ring > (closed ? 0 : 1)
  const below = hasBelow ? long[ring - 1]! * long[ring - 1]! : 1
  const br = hasBelow ? -dz[ring - 1]! / below : 0
  const bz = hasBelow ? dr[ring - 1]! / below : 0
  answers[0] = br
  answers[1] = bz
  answers[2] = -tr - br
  answers[3] = -tz - bz
  answers[4] = tr
  answers[5] = tz
  const first = 2 * ring - 4
  const least = first < 0 ? -first : 0
  for (let row = least; row < 6; row++) {
    const diagonal = (first + row) * WIDTH + row
    const turning = 2 * stiff * answers[row]!
    for (let column = least; column <= row; column++) {
      matrix[diagonal - column] = matrix[diagonal - column]! + turning * answers[column]!
    }
  }
}
