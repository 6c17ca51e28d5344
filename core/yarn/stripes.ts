import type { ColourRun } from '../plan/plan.ts'
import type { HeldYarns } from './strands.ts'
import { sameYarns } from './strands.ts'

/** A band of a stripe: in which yarns, and how high, in rounds or in mm. */
export interface Band extends HeldYarns {
  readonly rounds?: number
  readonly high?: number
}

/** How far along the fabric a round ends, mm. */
export interface RoundToStripe {
  readonly number: number
  readonly at: { readonly arc: number }
}

const heldOf = ({ yarn, beside }: HeldYarns): HeldYarns =>
  beside && beside.length > 0 ? { yarn, beside } : { yarn }

/** The yarns of each round, from the first on, as runs. */
function runsOf(held: readonly HeldYarns[]): ColourRun[] {
  return held.flatMap((yarns, index) =>
    index > 0 && sameYarns(held[index - 1]!, yarns) ? [] : [{ fromRound: index + 1, ...heldOf(yarns) }],
  )
}

/** The yarns of each of so many rounds. */
const yarnsByRound = (colours: readonly ColourRun[], rounds: number): HeldYarns[] =>
  Array.from({ length: rounds }, (_, index) => colours.findLast(({ fromRound }) => fromRound <= index + 1)!)

/**
 * Runs of yarn with some rounds in others; what is worked after them goes on as it was.
 * @param rounds how many the piece has
 */
export function painted(
  colours: readonly ColourRun[],
  { from, to }: { readonly from: number; readonly to: number },
  held: HeldYarns,
  rounds: number,
): ColourRun[] {
  const all = yarnsByRound(colours, Math.max(rounds, to)).map((before, index) =>
    index + 1 >= from && index + 1 <= to ? held : before,
  )
  return runsOf(all)
}

/**
 * Runs of yarn with bands over some rounds, again and again. A band that is told in mm has the rounds whose ends lie
 * nearest to where it ends: three of a short stitch look as high as two of a taller (FIELD §12).
 * @param rounds all of the piece
 * @param bands each at least a round high, or more than nothing
 */
export function striped(
  colours: readonly ColourRun[],
  { from, to }: { readonly from: number; readonly to: number },
  bands: readonly Band[],
  rounds: readonly RoundToStripe[],
): ColourRun[] {
  const all = yarnsByRound(colours, Math.max(rounds.length, to))
  const endOf = (number: number) => rounds[number - 1]?.at.arc ?? 0
  let number = from
  let wanted = endOf(from - 1)
  for (let band = 0; number <= to; band++) {
    const { rounds: counted, high, ...held } = bands[band % bands.length]!
    let end = number + Math.max(1, counted ?? 1) - 1
    if (high !== undefined) {
      wanted += high
      end = number
      while (end < to && Math.abs(endOf(end + 1) - wanted) < Math.abs(endOf(end) - wanted)) end++
    }
    for (; number <= Math.min(end, to); number++) all[number - 1] = heldOf(held)
  }
  return runsOf(all)
}
