import { clothOf, type Beginning, type RoundOfCloth } from './clothOf.ts'
import { lay, type Laid, type LaidRing, type Move } from './lay.ts'

/**
 * Lays rounds down, with the straight sides of what is no ring beside its ends. A row lies where the ring does that it is
 * a part of, and a panel of rows as far along it as they are high: what comes after it lies so much farther on.
 * @param sizeOf width and height of the stitches of a round, mm
 */
export function layDown<R extends RoundOfCloth>(
  rounds: readonly R[],
  from: Beginning<R>,
  sizeOf: (round: R) => { readonly w: number; readonly h: number },
): Laid {
  const ofRings = rounds.filter(({ panel }) => !panel)
  const laid = lay(clothOf(ofRings, from, sizeOf))
  if (rounds.every(({ straight, share }) => straight === undefined && share === undefined)) return laid
  let ring = -1
  let higher = 0
  let turned: number | undefined
  /** Of each round, the ring that it is or stands on. */
  const ringOf: number[] = []
  const rings = rounds.map((round): LaidRing => {
    const { straight, share, panel } = round
    const { w, h } = sizeOf(round)
    if (panel) higher += h
    else ring++
    ringOf.push(ring)
    const { radius, z, arc } = laid.rings[ring] ?? { radius: from.centre, z: 0, arc: from.hole }
    if (panel) turned = arc + higher
    return {
      radius,
      z: z + higher,
      arc: arc + higher,
      ...(straight === undefined ? {} : { spine: (straight / 2) * w }),
      ...(share === undefined ? {} : { share, from: 0 }),
      ...(turned === undefined || panel ? {} : { turned }),
    }
  })
  const moves = () => {
    const { lnW, lnH, centre } = laid.moves()
    const each = (values: Float64Array) => Float64Array.from(ringOf, (at) => values[at] ?? 0)
    const ofRounds = ({ radius, z }: Move): Move => ({ radius: each(radius), z: each(z) })
    return { lnW: ofRounds(lnW), lnH: ofRounds(lnH), centre: ofRounds(centre) }
  }
  return { rings, moves: ofRings.length === rounds.length ? laid.moves : moves }
}
