import { clothOf, type Beginning, type RoundOfCloth } from './clothOf.ts'
import { lay, type Laid, type LaidRing } from './lay.ts'

/**
 * Lays rounds down, with the straight sides of what is no ring beside its ends. A row lies where the ring does that it is
 * a part of.
 * @param sizeOf width and height of the stitches of a round, mm
 */
export function layDown<R extends RoundOfCloth>(
  rounds: readonly R[],
  from: Beginning<R>,
  sizeOf: (round: R) => { readonly w: number; readonly h: number },
): Laid {
  const laid = lay(clothOf(rounds, from, sizeOf))
  if (rounds.every(({ straight, share }) => straight === undefined && share === undefined)) return laid
  const rings = laid.rings.map((ring, index): LaidRing => {
    const round = rounds[index]!
    const { straight, share, from: at = 0 } = round
    return {
      ...ring,
      ...(straight === undefined ? {} : { spine: (straight / 2) * sizeOf(round).w }),
      ...(share === undefined ? {} : { share, from: at }),
    }
  })
  return { ...laid, rings }
}
