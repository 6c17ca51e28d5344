import type { Finish } from './finish.ts'
import { nextOfSeam, seamStitches, type Joint, type NextOfSeam } from './joint.ts'

/** How far a seam is. */
export interface SeamInHand {
  /** Its stitches, and how many of them are worked before it is filled. */
  readonly all: number
  readonly until: number
  readonly made: number
  /** Nothing where it waits to be filled, or is there. */
  readonly next?: NextOfSeam
}

const stepOf = ({ id }: Pick<Joint, 'id'>): string => `join:${id}`

/** A seam as it is in hand: until it is filled, the last of its stitches stay open. */
export function seamInHand({ done }: Pick<Finish, 'done'>, joint: Joint): SeamInHand {
  const all = seamStitches(joint)
  const { made = 0, filledThrough } = joint
  const joined = done.includes(stepOf(joint))
  const until = filledThrough !== undefined && !joined ? all - filledThrough : all
  const next = made < until ? nextOfSeam(joint, made) : undefined
  return { all, until, made, ...(next ? { next } : {}) }
}

/** So many stitches of a seam are made: its step is done with the last of them, and in hand again one before. */
export function withSeamMade(finish: Finish, joint: Joint, made: number): Finish {
  const { all, until } = seamInHand(finish, joint)
  const { filledThrough } = joint
  const others = finish.done.filter((id) => id !== stepOf(joint))
  // The first part of what is filled through an opening stays done while the rest is in hand.
  const isJoined = made >= until || (filledThrough !== undefined && made >= all - filledThrough)
  return {
    ...finish,
    joints: finish.joints.map((one) => (one.id === joint.id ? { ...joint, made } : one)),
    done: isJoined ? [...others, stepOf(joint)] : others,
  }
}
