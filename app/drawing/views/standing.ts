import { chainsAlong, heelTurn, type Plan } from '../../../core/index.ts'
import { placesAlong, type PlaceAlong } from './oval.ts'
import { cutOfSock, sizeOfSock, turnsHeel } from './sock.ts'
import { footOf, mainOf, type View } from './view.ts'

/** Where a standing piece lies: px per mm, the px of its axis, and of the table that it stands on. */
export interface StandingFrame {
  readonly scale: number
  readonly x: number
  readonly table: number
  readonly mirrored: boolean
  /** Its first round is on top: it hangs from there, as a cap is worn. */
  readonly hangs?: boolean
}

/** Stitches turned so far away from the eye that nothing of them is seen. */
const FRONT = 0.5

/** A piece as it stands on a table, seen from the front: half of each round, its first round below. */
export function standing(plan: Plan, { scale, x, table, mirrored, hangs = false }: StandingFrame): View {
  const side = mirrored ? -1 : 1
  const up = hangs ? -1 : 1
  const begins = footOf(plan, plan.rounds[0]!)
  const placeAt = placesOf(plan)
  const at = (share: number, along: number) => {
    const { near, far } = placeAt(along)
    // From its near end across to its far one, as the round is seen that goes around behind.
    const across = (1 - Math.cos(2 * Math.PI * Math.min(FRONT, share))) / 2
    return {
      x: x + side * (near.x + (far.x - near.x) * across) * scale,
      y: table - up * (near.z + (far.z - near.z) * across) * scale,
    }
  }
  return {
    plan,
    scale,
    mirrored,
    trace: (from, to, along, _, into) => {
      const push = (share: number) => {
        const point = at(share, along)
        into.push(point.x, point.y)
      }
      push(from)
      if (from !== to) push(to)
    },
    shows: (from, to) => Math.min(from, to) < FRONT - 1e-9,
    apart: () => false,
    roundAt: (point) => {
      const z = (up * (table - point.y)) / scale
      const round = z < 0 ? undefined : plan.rounds.find(({ at: { arc } }) => placeAt(arc).near.z >= z)
      if (!round) return undefined
      const { near, far } = placeAt(round.at.arc)
      const right = (side * (point.x - x)) / scale
      return right >= near.x && right <= far.x ? round : undefined
    },
    startLine: [at(0, begins), at(0, mainOf(plan).at(-1)!.at.arc)],
  }
}

/** Where the two sides of a piece are that is seen from the front, mm from its axis and over the table. */
export interface Sides {
  readonly near: PlaceAlong
  readonly far: PlaceAlong
}

/** Where the top of every round stands; an oval is seen from its long side, with the middle of its chain in the axis. */
export function sidesOf(plan: Plan): Sides[] {
  const { rounds } = plan
  if (turnsHeel(plan)) return sidesOfSock(plan)
  if (chainsAlong(rounds[0]!) === undefined) {
    const chain = rounds[0]!.from > 0
    return rounds.map(({ at: { radius, z, arc } }) => {
      // A wall on a chain is as high as it is long.
      const up = chain ? arc : z
      return { near: { x: -radius, z: up }, far: { x: radius, z: up } }
    })
  }
  const middle = (rounds[0]!.at.spine ?? 0) / 2
  const moved = ({ x, z }: PlaceAlong) => ({ x: x - middle, z })
  return placesAlong(rounds).map(({ near, far }) => ({ near: moved(near), far: moved(far) }))
}

/** A sock stands on its sole: its near side is that and its heel, its far one the instep. */
function sidesOfSock(plan: Plan): Sides[] {
  const middle = sizeOfSock(plan).long / 2
  const moved = ({ x, z }: PlaceAlong) => ({ x: x - middle, z })
  let front: PlaceAlong = { x: 0, z: 0 }
  return cutOfSock(plan).map((cut) => {
    front = cut.front ?? front
    return { near: moved(cut.back), far: moved(front) }
  })
}

/** Where both sides stand at any distance along the fabric. */
function placesOf(plan: Plan): (along: number) => Sides {
  const { rounds } = plan
  const tops = sidesOf(plan)
  const first = rounds[0]!
  const half = (first.at.spine ?? 0) / 2
  const foot = first.from > 0 && half === 0 ? first.at.radius : half > 0 ? half : plan.hole
  const toe = turnsHeel(plan) ? { x: -sizeOfSock(plan).long / 2, z: heelTurn(plan)!.across / 2 } : undefined
  const start: Sides = toe ? { near: toe, far: toe } : { near: { x: -foot, z: 0 }, far: { x: foot, z: 0 } }
  const between = (one: PlaceAlong, other: PlaceAlong, share: number): PlaceAlong => ({
    x: one.x + (other.x - one.x) * share,
    z: one.z + (other.z - one.z) * share,
  })
  return (along) => {
    const found = rounds.findIndex(({ at }) => at.arc >= along - 1e-9)
    const index = found < 0 ? rounds.length - 1 : found
    const below = rounds[index - 1]
    const began = below?.at.arc ?? plan.hole
    const share = Math.min(1, Math.max(0, (along - began) / (rounds[index]!.at.arc - began)))
    const [from, to] = [tops[index - 1] ?? start, tops[index]!]
    return { near: between(from.near, to.near, share), far: between(from.far, to.far, share) }
  }
}
