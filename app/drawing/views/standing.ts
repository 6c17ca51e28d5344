import { belowOf, chainsAlong, type Plan, type PlannedRound } from '../../../core/index.ts'
import { footOf, type View } from './view.ts'

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
  const heightAt = (along: number) => table - up * placeAt(plan, along).z * scale
  const at = (share: number, along: number) => ({
    x: x - side * placeAt(plan, along).radius * Math.cos(2 * Math.PI * Math.min(FRONT, share)) * scale,
    y: heightAt(along),
  })
  return {
    plan,
    scale,
    mirrored,
    trace: (from, to, along, _, into) => {
      const radius = placeAt(plan, along).radius * scale
      const y = heightAt(along)
      const push = (share: number) =>
        into.push(x - side * radius * Math.cos(2 * Math.PI * Math.min(FRONT, share)), y)
      push(from)
      if (from !== to) push(to)
    },
    shows: (from, to) => Math.min(from, to) < FRONT - 1e-9,
    apart: () => false,
    roundAt: (point) => {
      const z = (up * (table - point.y)) / scale
      const round = z < 0 ? undefined : plan.rounds.find(({ at: { arc } }) => placeAt(plan, arc).z >= z)
      return round && Math.abs(point.x - x) <= placeAt(plan, round.at.arc).radius * scale ? round : undefined
    },
    startLine: [at(0, begins), at(0, plan.rounds.at(-1)!.at.arc)],
  }
}

/** How far out and how high the fabric stands so far along it, mm: a wall on a chain as high as it is long. */
function placeAt(plan: Plan, along: number): { readonly radius: number; readonly z: number } {
  const round: PlannedRound = plan.rounds.find(({ at }) => at.arc >= along - 1e-9) ?? plan.rounds.at(-1)!
  const below = belowOf(plan.rounds, round)
  const alongChain = chainsAlong(plan.rounds[0]!) !== undefined
  const chain = plan.rounds[0]!.from > 0 && !alongChain
  // Seen from its long side an oval reaches out by half of that, too.
  const reach = ({ radius, spine = 0 }: { readonly radius: number; readonly spine?: number }) =>
    radius + spine / 2
  const foot = below?.at ?? {
    radius: chain ? round.at.radius : plan.hole,
    z: 0,
    arc: plan.hole,
    spine: round.at.spine ?? 0,
  }
  const share = Math.min(1, (along - foot.arc) / (round.at.arc - foot.arc))
  const z = chain ? along - plan.hole : foot.z + (round.at.z - foot.z) * share
  return { radius: reach(foot) + (reach(round.at) - reach(foot)) * share, z }
}
