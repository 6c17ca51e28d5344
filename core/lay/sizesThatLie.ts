import type { Cloth } from './cloth.ts'
import { lay } from './lay.ts'

/** How much wider and taller all stitches are than a cloth has them, in logarithms. */
export interface Larger {
  readonly lnW: number
  readonly lnH: number
}

const MOST_STEPS = 8
/** A step that changes the stitches by more is not to be trusted to first order. */
const LARGEST = 0.08
/** Found when the rim lies within so much of where it was seen, as a share of its radius. */
const NEAR = 1e-4

/**
 * The stitches of a cloth whose rim was seen to stand up: by how much they are larger than the cloth has them,
 * so that `lay` puts its rim where it was found (Newton's method, from the settled system's own derivatives).
 * @param rim radius and height over the table, mm
 * @param guess where to begin: a shallow dish says it within a few per cent
 * @returns undefined where no stitches would lie so: a rim so little up that it would be patted flat
 */
export function sizesThatLie(
  cloth: Cloth,
  rim: { readonly radius: number; readonly z: number },
  guess: Larger,
): Larger | undefined {
  let { lnW, lnH } = guess
  const last = cloth.rounds.length - 1
  for (let step = 0; step < MOST_STEPS; step++) {
    const laid = lay(scaled(cloth, { lnW, lnH }))
    const { radius, z } = laid.rings[last]!
    const [offR, offZ] = [rim.radius - radius, rim.z - z]
    if (Math.max(Math.abs(offR), Math.abs(offZ)) < NEAR * rim.radius) return { lnW, lnH }
    const { lnW: byW, lnH: byH } = laid.moves()
    const [rw, rh, zw, zh] = [byW.radius[last]!, byH.radius[last]!, byW.z[last]!, byH.z[last]!]
    const det = rw * zh - rh * zw
    // Patted flat no stitch lifts it: only taller ones stand at all.
    if (Math.abs(det) < 1e-6 * rim.radius ** 2) {
      lnH += LARGEST
      continue
    }
    const limited = (by: number) => Math.max(-LARGEST, Math.min(LARGEST, by))
    lnW += limited((offR * zh - offZ * rh) / det)
    lnH += limited((offZ * rw - offR * zw) / det)
  }
  return undefined
}

function scaled(cloth: Cloth, { lnW, lnH }: Larger): Cloth {
  const [wider, taller] = [Math.exp(lnW), Math.exp(lnH)]
  return {
    ...cloth,
    centre: cloth.centre * taller,
    hole: cloth.hole * wider,
    rounds: cloth.rounds.map((round) => ({ ...round, w: round.w * wider, h: round.h * taller })),
  }
}
