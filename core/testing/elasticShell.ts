import { minimise } from './minimise.ts'

/** A round as it is really there. */
export interface ShellRound {
  readonly count: number
  readonly w: number
  readonly h: number
  /** An edging of slip stitches holds nothing together along the round. */
  readonly edging: boolean
}

/** What the fabric is made of; all against its stiffness from round to round. */
export interface Fabric {
  /** Stiffness along the round. */
  readonly along: number
  /** Bending stiffness, mm²: thickness² / 12 of a fabric whose strands slide. */
  readonly bending: number
  /** Weight, per mm of height. */
  readonly weight: number
  /** Share of hoop length it can be pressed together before it goes into waves. */
  readonly buckles: number
  /** Share of the way back to rest that friction on the table holds up. */
  readonly friction: number
  /** Strain, per area, that a patted disc holds before its edge springs up. */
  readonly holdsFlat: number
}

export const USUAL_FABRIC: Fabric = {
  along: 0.85,
  bending: 2,
  weight: 4e-6,
  buckles: 0.02,
  friction: 0.15,
  holdsFlat: 8e-4,
}

export interface ShellRing {
  readonly radius: number
  /** Height over the table. */
  readonly z: number
  /** Length along the round beyond a circle of this radius, as a share: past what can be pressed, it waves. */
  readonly excess: number
}

/** Rings of the shell in a round. */
const RINGS = 1
/** The first rounds of a ring lean and slide: they hold so much of what others hold along the round. */
const CENTRE_HOLDS = [0, 0.05, 0.2, 0.5, 0.8]
/** Stiffness of the table, and of the hand that smooths out what would stand as a ridge. */
const TABLE = 0.02
const SMOOTHED = 5

interface Ring {
  /** Length at rest along the round, and of fabric from the ring below, mm. */
  readonly around: number
  readonly out: number
  /** How much it holds along the round: nothing in an edging of slip stitches. */
  readonly holds: number
}

/**
 * A disc as an axisymmetric shell on a table: every ring stretches along the round and from ring to ring,
 * bends a little, weighs something, lies on the table or stands off it, and goes into waves where it would
 * have to be pressed together. Patted, it stays flat until standing up would free more than so much strain.
 * It shares nothing with the planner but the counts.
 * @param centre radius at which the fabric begins, mm
 */
export function layShell(rounds: readonly ShellRound[], centre: number, fabric: Fabric): ShellRing[] {
  const rings = rounds.flatMap((round, index): Ring[] => {
    const below = rounds[index - 1] ?? { count: (2 * Math.PI * centre) / round.w, w: round.w }
    return Array.from({ length: RINGS }, (_, part) => {
      const share = (part + 1) / RINGS
      return {
        around: (1 - share) * below.count * below.w + share * round.count * round.w,
        out: round.h / RINGS,
        holds: round.edging ? 0 : (CENTRE_HOLDS[index] ?? 1),
      }
    })
  })
  const energy = energyOf(rings, centre, fabric)
  const settled = (start: Float64Array) => {
    const at = minimise(energy, start, rounds[0]!.h / 20)
    return { at, value: energy(at, new Float64Array(at.length)) }
  }
  const area = rings.reduce((sum, { around, out }) => sum + around * out, 0)
  const flat = settled(flatStart(rings, centre))
  const held = fabric.holdsFlat * area
  const cupped = flat.value > held ? settled(cuppedStart(rings, centre)) : flat
  const least = flat.value - cupped.value > held ? cupped.at : flat.at
  let worked = centre
  return rounds.map((round, index) => {
    worked += round.h
    const ring = (index + 1) * RINGS - 1
    const [rest, z] = [least[2 * ring]!, Math.max(0, least[2 * ring + 1]!)]
    // Patted flat, it stays a little nearer to how it was worked.
    const radius = z < round.h / 2 ? rest + fabric.friction * (worked - rest) : rest
    return { radius, z, excess: (round.count * round.w) / (2 * Math.PI * radius) - 1 }
  })
}

/** Spread out flat as it was worked: by symmetry it stays so. */
function flatStart(rings: readonly Ring[], centre: number): Float64Array {
  const at = new Float64Array(2 * rings.length)
  let radius = centre
  rings.forEach(({ out }, index) => {
    radius += out
    at[2 * index] = radius
  })
  return at
}

/** Every ring as wide as its stitches let it, the rest going up. */
function cuppedStart(rings: readonly Ring[], centre: number): Float64Array {
  const at = new Float64Array(2 * rings.length)
  let [radius, z] = [centre, 0]
  rings.forEach(({ around, out }, index) => {
    const step = Math.max(-out, Math.min(out, around / (2 * Math.PI) - radius))
    radius += step
    z += Math.sqrt(out * out - step * step)
    at[2 * index] = radius
    at[2 * index + 1] = z
  })
  return at
}

function energyOf(rings: readonly Ring[], centre: number, { along, bending, weight, buckles }: Fabric) {
  const size = rings.length
  const [length, angle] = [new Float64Array(size), new Float64Array(size)]
  return (at: Float64Array, gradient: Float64Array): number => {
    gradient.fill(0)
    let sum = 0
    const push = (ring: number, byRadius: number, byZ: number) => {
      if (ring < 0) return
      gradient[2 * ring] = gradient[2 * ring]! + byRadius
      gradient[2 * ring + 1] = gradient[2 * ring + 1]! + byZ
    }
    for (let ring = 0; ring < size; ring++) {
      const { around, out, holds } = rings[ring]!
      const [r, z] = [at[2 * ring]!, at[2 * ring + 1]!]
      const dr = r - (ring > 0 ? at[2 * ring - 2]! : centre)
      const dz = z - (ring > 0 ? at[2 * ring - 1]! : 0)
      const area = around * out
      const far = Math.hypot(dr, dz) || 1e-9
      length[ring] = far
      angle[ring] = Math.atan2(dz, dr)
      const stretch = far / out - 1
      sum += 0.5 * area * stretch * stretch
      const pull = (area * stretch) / out / far
      push(ring, pull * dr, pull * dz)
      push(ring - 1, -pull * dr, -pull * dz)
      if (holds > 0) {
        const hoop = (2 * Math.PI * r) / around - 1
        const pressed = Math.max(0, -hoop - buckles)
        // Past buckling the round resists no more than it did when it began to wave.
        sum += holds * along * area * (0.5 * hoop * hoop - 0.5 * pressed * pressed)
        push(ring, (holds * along * area * (hoop + pressed) * 2 * Math.PI) / around, 0)
      }
      if (dz < 0) {
        sum += (0.5 * SMOOTHED * area * dz * dz) / (out * out)
        push(ring, 0, (SMOOTHED * area * dz) / (out * out))
        push(ring - 1, 0, (-SMOOTHED * area * dz) / (out * out))
      }
      sum += weight * area * z
      push(ring, 0, weight * area)
      if (z < 0) {
        sum += 0.5 * TABLE * area * z * z
        push(ring, 0, TABLE * area * z)
      }
    }
    for (let ring = 1; ring < size; ring++) {
      const { around, out } = rings[ring - 1]!
      const turn = angle[ring]! - angle[ring - 1]!
      sum += (0.5 * bending * around * turn * turn) / out
      const moment = (bending * around * turn) / out
      turnBy(ring, moment)
      turnBy(ring - 1, -moment)
    }
    return sum

    /** Adds what a moment on a ring's slope does to both its ends. */
    function turnBy(ring: number, moment: number): void {
      const far = length[ring]! ** 2
      const dr = at[2 * ring]! - (ring > 0 ? at[2 * ring - 2]! : centre)
      const dz = at[2 * ring + 1]! - (ring > 0 ? at[2 * ring - 1]! : 0)
      push(ring, (-moment * dz) / far, (moment * dr) / far)
      push(ring - 1, (moment * dz) / far, (-moment * dr) / far)
    }
  }
}
