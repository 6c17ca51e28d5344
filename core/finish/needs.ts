import type { PieceSpec } from '../plan/plan.ts'
import type { Finish } from './finish.ts'
import type { Joint } from './joint.ts'
import { seamOf } from './seam.ts'

/** A tail to leave where a copy is fastened off, for the seam that it will sew. */
export interface TailToLeave {
  readonly joint: Joint
  /** m, with what it takes to hold and weave in. */
  readonly metres: number
}

/** The tails that a copy leaves at its end: a seam is sewn with the yarn of the first of its edges. */
export function tailsOf(
  { joints }: Pick<Finish, 'joints'>,
  { pieceId, copy }: { readonly pieceId: string; readonly copy: number },
  { gauge, pace }: Pick<PieceSpec, 'gauge' | 'pace'>,
): readonly TailToLeave[] {
  return joints.flatMap((joint) => {
    const [edge] = joint.edges
    if (edge.pieceId !== pieceId || edge.copy !== copy || edge.of !== 'last') return []
    const { tail } = seamOf(joint, gauge, pace)
    return tail === undefined ? [] : [{ joint, metres: tail }]
  })
}

/** What a project still takes of a yarn, and what there is of it, m. */
export interface YarnForAll {
  readonly yarn: string
  readonly takes: number
  readonly there: number
  readonly enough: boolean
}

/**
 * Whether the yarn that is there does for all that is left: rounds, seams and tails.
 * @param left metres that pieces still take, by yarn
 * @param seams metres of seams that are not done, each with its yarn
 * @param there metres at hand; a yarn that nobody has counted says nothing
 */
export function yarnForAll(
  left: ReadonlyMap<string, number>,
  seams: readonly { readonly yarn: string; readonly metres: number }[],
  there: ReadonlyMap<string, number>,
): readonly YarnForAll[] {
  const takes = new Map(left)
  for (const { yarn, metres } of seams) takes.set(yarn, (takes.get(yarn) ?? 0) + metres)
  return [...takes].flatMap(([yarn, metres]) => {
    const have = there.get(yarn)
    return have === undefined || metres <= 0
      ? []
      : [{ yarn, takes: metres, there: have, enough: metres <= have }]
  })
}

/** A piece, or all seams, with what it still takes of each yarn, m. */
export interface TakesInTurn {
  readonly id: string
  readonly takes: ReadonlyMap<string, number>
}

/** One yarn over a whole project, in the order in which it is used. */
export interface YarnInTurn {
  readonly yarn: string
  readonly there: number
  /** What is left after each that takes of it: below 0 it does not do. */
  readonly turns: readonly { readonly id: string; readonly takes: number; readonly left: number }[]
}

/** Whether what is left after one piece is enough for the next: each yarn that somebody has counted, piece by piece. */
export function yarnInTurn(
  inOrder: readonly TakesInTurn[],
  there: ReadonlyMap<string, number>,
): readonly YarnInTurn[] {
  return [...there].flatMap(([yarn, have]) => {
    let left = have
    const turns = inOrder.flatMap(({ id, takes }) => {
      const metres = takes.get(yarn) ?? 0
      if (metres <= 0) return []
      left -= metres
      return [{ id, takes: metres, left }]
    })
    return turns.length > 0 ? [{ yarn, there: have, turns }] : []
  })
}

/** How long the whole takes and what is left of it, s: pieces, and the seams that join them. */
export function timeOfWhole(
  pieces: readonly { readonly secondsInAll: number; readonly secondsLeft: number }[],
  seams: readonly { readonly seconds: number; readonly done: boolean }[],
): { readonly inAll: number; readonly left: number } {
  const add = (sum: number, seconds: number) => sum + seconds
  return {
    inAll: [...pieces.map((piece) => piece.secondsInAll), ...seams.map(({ seconds }) => seconds)].reduce(
      add,
      0,
    ),
    left: [
      ...pieces.map((piece) => piece.secondsLeft),
      ...seams.map(({ seconds, done }) => (done ? 0 : seconds)),
    ].reduce(add, 0),
  }
}
