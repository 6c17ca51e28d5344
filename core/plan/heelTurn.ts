import type { Plan } from './plan.ts'

/** What a panel makes of a tube that it stands on: mm, and radians. */
export interface HeelTurn {
  /** From the toe to where the heel begins, and how wide the tube is there. */
  readonly tube: number
  readonly across: number
  /** By how much the leg turns. */
  readonly turn: number
  /** From the toe to the back of the heel. */
  readonly long: number
}

/**
 * How a sock turns: by the height that its panel adds at the back over the diameter (FIELD §11), about the front of the
 * ankle. Nothing of what has no panel, or no round after it.
 */
export function heelTurn({ rounds }: Pick<Plan, 'rounds'>): HeelTurn | undefined {
  const after = rounds.findIndex(({ at }) => at.turned !== undefined)
  const first = rounds.findIndex(({ closed }) => !closed)
  if (after < 0 || first < 1) return undefined
  const foot = rounds[first - 1]!.at
  const across = 2 * foot.radius
  const turn = (rounds[after]!.at.turned! - foot.arc) / across
  return { tube: foot.z, across, turn, long: foot.z + across * Math.sin(Math.min(turn, Math.PI / 2)) }
}
