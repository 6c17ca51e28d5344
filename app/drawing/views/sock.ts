import { heelTurn, type Plan, type PlannedRound } from '../../../core/index.ts'
import { partOfPlan } from './oval.ts'

/** A place of a sock seen from the side, mm: from its toe toward the heel, and up from its sole. */
export interface SidePlace {
  readonly x: number
  readonly z: number
}

/** Where a round is cut: on the side of the sole and the heel, and on that of the instep; a row of the heel only behind. */
export interface CutRound {
  readonly round: PlannedRound
  readonly back: SidePlace
  readonly front: SidePlace | undefined
}

/** Whether a piece turns a heel: rounds go on after rows on a part of one. */
export const turnsHeel = (plan: Plan): boolean => heelTurn(plan) !== undefined

/** Whether rows stand on the first stitches of a round: the heel of a sock, the sides of a slipper. */
export function hasPanel({ rounds }: Plan): boolean {
  const first = rounds.find(({ closed }) => !closed)
  return rounds[0]!.closed && first?.left !== undefined && first.hosts[0]!.from === 0
}

/** The toe of a sock, and all that goes up from it. */
export function partsOfSock(plan: Plan): { readonly toe: Plan; readonly tube: Plan } {
  const { section } = plan.rounds[0]!
  return {
    toe: partOfPlan(plan, (round) => round.section === section),
    tube: partOfPlan(plan, (round) => round.section !== section),
  }
}

/** A sock cut through from toe to leg: every round on both sides, in working order. */
export function cutOfSock(plan: Plan): CutRound[] {
  const bend = heelTurn(plan)
  if (!bend) return cutStraight(plan)
  const { tube, across, turn } = bend
  const half = across / 2
  const pivot = { x: tube, z: across }
  const foot = plan.rounds.find(({ closed }) => !closed)
  const from = foot ? plan.rounds[foot.number - 2]!.at : undefined
  return plan.rounds.map((round): CutRound => {
    const { at } = round
    if (!round.closed) {
      const angle = (at.arc - from!.arc) / across
      const back = { x: pivot.x + across * Math.sin(angle), z: pivot.z - across * Math.cos(angle) }
      return { round, back, front: undefined }
    }
    if (at.turned === undefined) {
      return { round, back: { x: at.z, z: half - at.radius }, front: { x: at.z, z: half + at.radius } }
    }
    // On along the leg, from the middle of where the heel ended.
    const [sin, cos] = [Math.sin(turn), Math.cos(turn)]
    const up = at.arc - at.turned
    const middle = { x: pivot.x + half * sin + up * cos, z: pivot.z - half * cos + up * sin }
    return {
      round,
      back: { x: middle.x + at.radius * sin, z: middle.z - at.radius * cos },
      front: { x: middle.x - at.radius * sin, z: middle.z + at.radius * cos },
    }
  })
}

/** What turns no heel: its sides go on behind the instep that stays open. */
function cutStraight({ rounds }: Plan): CutRound[] {
  const half = rounds.findLast(({ closed }) => closed)!.at.radius
  return rounds.map((round): CutRound => {
    const { z, radius } = round.at
    const back = { x: z, z: half - radius }
    return { round, back, front: round.closed ? { x: z, z: half + radius } : undefined }
  })
}

/** How large that is, mm. */
export function sizeOfSock(plan: Plan): { readonly long: number; readonly high: number } {
  const places = cutOfSock(plan).flatMap(({ back, front }) => (front ? [back, front] : [back]))
  return {
    long: Math.max(...places.map(({ x }) => x)),
    high: Math.max(...places.map(({ z }) => z)),
  }
}
