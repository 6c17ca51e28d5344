import { solve } from './banded.ts'
import { USUAL_STIFFNESS, type Cloth, type Stiffness } from './cloth.ts'
import { BAND, energyOf, roomForLinks } from './energy.ts'
import { FLAT_BAND, flatGradient, flatRadii } from './flatRadii.ts'
import { resistanceOf, ringsOf, type Rings } from './rings.ts'
import { standing, staysFlat } from './standing.ts'

/** Where the top of a round comes to lie, mm. */
export interface LaidRing {
  readonly radius: number
  /** Height over the table. */
  readonly z: number
  /** Distance along the fabric, from the hole's edge or the end of a tube on. */
  readonly arc: number
  /** How long each of its straight sides is, of what is no ring. */
  readonly spine?: number
  /** How much of the ring a row takes up, and where on it the row begins, as shares of it. */
  readonly share?: number
  readonly from?: number
  /** Distance along the fabric at which a panel below it ended. */
  readonly turned?: number
}

/** By how much the radius and the height of every ring move, mm. */
export interface Move {
  readonly radius: Float64Array
  readonly z: Float64Array
}

/** By how much rings move with what they come from. */
export interface Moves {
  /** For ln w and ln h of all stitches. */
  readonly lnW: Move
  readonly lnH: Move
  /** For each mm of the radius at which the first round begins. */
  readonly centre: Move
}

export interface Laid {
  readonly rings: readonly LaidRing[]
  /** First order, from the settled system itself. */
  readonly moves: () => Moves
}

/**
 * Lays rounds down as the cloth they are: an axisymmetric elastic shell on a table. Held flat, radii settle by
 * least squares; where that leaves the cloth no peace it stands up, as far as bending and a patting hand let it.
 * What it does never jumps: a round a little longer moves an edge a little.
 * @param cloth rounds with their counts and sizes; knows nothing of what form they came from
 */
export function lay(cloth: Cloth, stiffness: Stiffness = USUAL_STIFFNESS): Laid {
  const rings = ringsOf(cloth, stiffness)
  const resistance = resistanceOf(cloth, rings, stiffness)
  const flat = flatRadii(rings, stiffness.give)
  if (!cloth.foundation && staysFlat(rings, resistance, flat.radii)) {
    return laidOf(cloth, rings, {
      place: (ring) => [flat.radii[ring]!, 0],
      slopeOf: (changed) => flatGradient(changed, flat.radii, stiffness.give),
      settle: (pushed) => {
        solve(flat.factors, pushed.length, FLAT_BAND, pushed)
        return { radius: pushed, z: new Float64Array(pushed.length) }
      },
    })
  }
  const { at, factors } = standing(rings, resistance, stiffness, cloth.patted ? stiffness.give : 0)
  return laidOf(cloth, rings, {
    place: (ring) => [at[2 * ring]!, at[2 * ring + 1]!],
    slopeOf: (changed) => {
      const slope = new Float64Array(at.length)
      const room = new Float64Array(factors.length)
      energyOf(changed, resistance, at, stiffness, slope, room, roomForLinks(rings.size))
      return slope
    },
    settle: (pushed) => {
      solve(factors, pushed.length, BAND, pushed)
      return { radius: pushed.filter((_, row) => row % 2 === 0), z: pushed.filter((_, row) => row % 2 === 1) }
    },
  })
}

/** Radii of rounds that are known to lie flat, mm. */
export function layFlat(cloth: Cloth, stiffness: Stiffness = USUAL_STIFFNESS): Float64Array {
  return flatRadii(ringsOf(cloth, stiffness), stiffness.give).radii
}

/** Small enough for first order, large enough for the digits there are. */
const STEP = 1e-5

interface Answers {
  /** (r, z) of a ring. */
  readonly place: (ring: number) => readonly [number, number]
  /** The slope of the energy where the rings lie, if they were others. */
  readonly slopeOf: (changed: Rings) => Float64Array
  /** How rings move that are pushed so; what is given is used up. */
  readonly settle: (pushed: Float64Array) => Move
}

function laidOf({ rounds, foundation }: Cloth, rings: Rings, { place, slopeOf, settle }: Answers): Laid {
  const lead = foundation ? 1 : 0
  const scaled = (values: Float64Array) => values.map((value) => value * Math.exp(STEP))
  const from = rings.from && { r: rings.from.r + STEP }
  const ofRounds = ({ radius, z }: Move): Move => ({ radius: radius.subarray(lead), z: z.subarray(lead) })
  return {
    rings: rounds.map((_, index) => {
      const [radius, z] = place(index + lead)
      return { radius, z, arc: rings.arc[index + lead]! }
    }),
    moves: () => {
      const here = slopeOf(rings)
      const answer = (changed: Rings): Move => {
        const pushed = slopeOf(changed).map((slope, row) => (here[row]! - slope) / STEP)
        return ofRounds(settle(pushed))
      }
      return {
        lnW: answer({ ...rings, w: scaled(rings.w) }),
        lnH: answer({ ...rings, h: scaled(rings.h) }),
        centre: answer({ ...rings, from }),
      }
    },
  }
}
