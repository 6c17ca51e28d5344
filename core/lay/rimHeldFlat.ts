import { flatness } from '../lay/flatness.ts'
import { SLIDES, tautness, USUAL_STIFFNESS } from './cloth.ts'
import { layFlat } from './lay.ts'

/** A disc's stitches round by round, mm, and where it begins. */
export interface FlatDisc {
  readonly counts: readonly number[]
  readonly w: Float64Array
  readonly h: Float64Array
  readonly centre: number
  readonly hole: number
}

let [pivot, right, holds] = [new Float64Array(0), new Float64Array(0), new Float64Array(0)]

/**
 * The rim of a disc held flat, mm: what `layFlat` says of its last round. Fitting asks for it thousands of times, so
 * this is the same least squares by the Thomas algorithm in room that is used again; where a round waves or slides
 * `layFlat` is asked.
 */
export function rimHeldFlat({ counts, w, h, centre, hole }: FlatDisc): number {
  const size = counts.length
  if (pivot.length < size) {
    ;[pivot, right, holds] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)]
  }
  const { give } = USUAL_STIFFNESS
  let arc = hole
  let [link, below] = [counts[0]! / (h[0]! * h[0]!), centre * (counts[0]! / (h[0]! * h[0]!))]
  let carried = 0
  for (let round = 0; round < size; round++) {
    const count = counts[round]!
    arc += h[round]!
    holds[round] = count * tautness(flatness(count, w[round]!, arc), give)
    const stretch = (2 * Math.PI) / (count * w[round]!)
    const next = round + 1 < size ? counts[round + 1]! / (h[round + 1]! * h[round + 1]!) : 0
    pivot[round] = holds[round]! * stretch * stretch + link + next - carried * link
    right[round] = holds[round]! * stretch + link * h[round]! - (next > 0 ? next * h[round + 1]! : 0) + below
    carried = next / pivot[round]!
    below = carried * right[round]!
    link = next
  }
  const rim = right[size - 1]! / pivot[size - 1]!
  let radius = rim
  for (let round = size - 1; round >= 0; round--) {
    if (round < size - 1) {
      const up = counts[round + 1]! / (h[round + 1]! * h[round + 1]!)
      radius = (right[round]! + up * radius) / pivot[round]!
    }
    const strain = (2 * Math.PI * radius) / (counts[round]! * w[round]!) - 1
    if (holds[round]! > 0 && (strain < -give || strain > SLIDES)) {
      const rounds = counts.map((count, index) => ({ count, w: w[index]!, h: h[index]! }))
      return layFlat({ rounds, centre, hole, patted: true }).at(-1)!
    }
  }
  return rim
}
