import type { Gauge } from '../gauge/gauge.ts'
import { clothOf } from '../lay/clothOf.ts'
import { lay, type Laid, type LaidRing } from '../lay/lay.ts'
import { leftOfDish } from '../shape/leftOfDish.ts'
import { startOfFabric } from '../shape/startOfFabric.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'
import type { Worked } from './worked.ts'

export interface RoundToLay {
  readonly stitch: StitchName
  readonly count: number
}

/** Lays rounds to come down, on top of those that are worked. */
export type LayPiece = (rounds: readonly RoundToLay[]) => Laid

/**
 * How the rounds of a piece come to lie. Rounds that go on from others are laid as the whole piece they make
 * with them, so that they even it out; where its edge was found is a fact, and moves all that comes after by as
 * much. How far along the fabric they are is counted from that edge.
 * @param gauges sizes of the stitches
 */
export function layPiece(
  { construction, stitch, gauge }: Pick<PieceSpec, 'construction' | 'stitch' | 'gauge'>,
  gauges: (stitch: StitchName) => Gauge,
  worked: { readonly rounds: readonly RoundToLay[]; readonly edge: Worked['edge'] } | undefined,
): LayPiece {
  const { centre, hole } = startOfFabric(construction.start, stitch, gauge.w, gauge.h)
  const from = { centre, hole }
  if (!worked) return (rounds) => lay(clothOf(rounds, from, gauges))
  const { rounds: there, edge } = worked
  const alone = lay(clothOf(there, from, gauges)).rings.at(-1)!
  return (rounds) => {
    const goingOn = { centre: edge.radius, hole: edge.radius, goesOn: true }
    const added = lay(clothOf(rounds, goingOn, gauges))
    const whole = lay(clothOf([...there, ...rounds], from, gauges)).rings.slice(there.length)
    // What a dish was deeper than the cloth says is gone when the last third is new, in all of it alike.
    const dish = (edge.z - alone.z) * leftOfDish(rounds.length, there.length)
    return {
      rings: whole.map(({ radius, z }, index): LaidRing => {
        return {
          radius: radius + edge.radius - alone.radius,
          z: Math.max(0, z + dish),
          arc: added.rings[index]!.arc,
        }
      }),
      moves: added.moves,
    }
  }
}
