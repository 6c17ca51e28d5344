import { clothOf, type Beginning, type RoundOfCloth } from './clothOf.ts'
import { lay, type Laid } from './lay.ts'

/**
 * Lays rounds down, with the straight sides of what is no ring beside its ends.
 * @param sizeOf width and height of the stitches of a round, mm
 */
export function layDown<R extends RoundOfCloth>(
  rounds: readonly R[],
  from: Beginning<R>,
  sizeOf: (round: R) => { readonly w: number; readonly h: number },
): Laid {
  const laid = lay(clothOf(rounds, from, sizeOf))
  if (rounds.every(({ straight }) => straight === undefined)) return laid
  const rings = laid.rings.map((ring, index) => {
    const round = rounds[index]!
    return round.straight === undefined ? ring : { ...ring, spine: (round.straight / 2) * sizeOf(round).w }
  })
  return { ...laid, rings }
}
