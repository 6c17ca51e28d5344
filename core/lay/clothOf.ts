import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { Cloth } from './cloth.ts'

/** A round as it is laid down. */
export interface RoundOfCloth {
  readonly count: number
  readonly stitch: StitchName
  /** It turns a crisp edge with the round below. */
  readonly crisp?: boolean
  /** Besides `count`: stitches along both of its straight sides, which neither cup nor wave. */
  readonly straight?: number
  /** It is a row that takes up so much of its ring; `count` is that of the whole ring. */
  readonly share?: number
  /** It stands on a part of the ring below, which goes on as if it were not there: behind a heel that it makes room for. */
  readonly panel?: boolean
}

/** Where rounds to be laid down begin, mm. */
export interface Beginning<R> {
  /** Radius at which the first of them begins, for sizes. */
  readonly centre: number
  /** Distance along the fabric at which it begins, for counts: the hole that stays open. */
  readonly hole: number
  /** It begins on as many stitches, which give with it: a tube. */
  readonly tube?: R
  /** It stands free, or is worn or filled: no hand pats it flat. */
  readonly free?: boolean
  /** It goes on from an edge that is there already, and takes its slope. */
  readonly goesOn?: boolean
}

/**
 * Rounds as cloth: a mat on a table, or something that stands free.
 * @param sizeOf width and height of the stitches of a round, mm
 */
export function clothOf<R extends RoundOfCloth>(
  rounds: readonly R[],
  { centre, hole, tube, free = false, goesOn = false }: Beginning<R>,
  sizeOf: (round: R) => { readonly w: number; readonly h: number },
): Cloth {
  return {
    rounds: rounds.map((round, index) => {
      const { w, h } = sizeOf(round)
      const { count, stitch, crisp = false } = round
      return { count, w, h, edging: isEdging(stitch), crisp: crisp || (goesOn && index === 0) }
    }),
    centre,
    hole,
    ...(tube ? { foundation: { count: tube.count, w: sizeOf(tube).w } } : {}),
    patted: !tube && !free,
  }
}
