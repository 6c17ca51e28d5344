import type { Beginning } from '../lay/clothOf.ts'
import type { Laid, LaidRing } from '../lay/lay.ts'
import { layDown } from '../lay/layDown.ts'
import { leftOfDish } from '../lay/leftOfDish.ts'
import { beginningOf, type RoundToLay, type SpecToLay } from './beginningOf.ts'
import type { FoundEdge } from './plan.ts'
import type { Gauges } from './sectionWork.ts'
import { flatIn } from './wantedAround.ts'

/** Lays rounds to come down, on top of those that are worked. */
export type LayPiece = (rounds: readonly RoundToLay[]) => Laid

/**
 * How the rounds of a piece come to lie. Rounds that go on from others are laid as the whole piece they make
 * with them, so that they even it out; where its edge was found is a fact, and moves all that comes after by as
 * much. How far along the fabric they are is counted from that edge.
 * @param gauges sizes of the stitches
 */
export function layPiece(
  spec: SpecToLay,
  gauges: Gauges,
  worked: { readonly rounds: readonly RoundToLay[]; readonly edge: FoundEdge } | undefined,
): LayPiece {
  if (!worked) return (rounds) => layDown(rounds, beginningOf(spec, spec.gauge, rounds), gauges)
  const { rounds: there, edge } = worked
  const from = beginningOf(spec, spec.gauge, there)
  const alone = layDown(there, from, gauges).rings.at(-1)!
  const flat = flatIn(spec)
  return (rounds) => {
    const added = layDown(rounds, onTheEdge(edge, from, there.at(-1)!), gauges)
    const whole = layDown([...there, ...rounds], from, gauges).rings.slice(there.length)
    // What a dish was deeper than the cloth says is gone when the last third is new, in all of it alike.
    const up = from.free
      ? alongEdge(edge) - alone.arc
      : (edge.z - alone.z) * leftOfDish(rounds.length, there.length)
    return {
      rings: whole.map(({ radius, z, spine }, index): LaidRing => {
        // Flat rounds lie as much farther out as the edge did; what is fitted keeps to its own girth, as much longer.
        const { turned } = whole[index]!
        const out = flat.has(rounds[index]!.section) ? edge.radius - alone.radius : 0
        return {
          ...added.rings[index]!,
          radius: radius + out,
          z: Math.max(0, z + up),
          // A heel that is worked lies below the edge.
          ...(turned === undefined
            ? {}
            : { turned: added.rings[index]!.turned ?? turned + alongEdge(edge) - alone.arc }),
          ...(spine === undefined ? {} : { spine }),
        }
      }),
      moves: added.moves,
    }
  }
}

/** How far along the fabric an edge was found: of flat fabric as far as it lies out. */
export const alongEdge = ({ along, radius }: FoundEdge): number => along?.arc ?? radius

const onTheEdge = (
  edge: FoundEdge,
  { tube, free }: Beginning<RoundToLay>,
  last: RoundToLay,
): Beginning<RoundToLay> => ({
  centre: edge.radius,
  hole: alongEdge(edge),
  goesOn: true,
  ...(free ? { free } : {}),
  ...(tube ? { tube: last } : {}),
})
