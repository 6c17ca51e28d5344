import { spreadCounts } from '../counts/spreadCounts.ts'
import { betaOf, deviationFrom, type CountsProblem } from '../counts/countsProblem.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { Constraints, PieceSpec, PlannedRound } from './plan.ts'

/**
 * Paced counts of rounds to come. Where rounds are worked already, the last of them is a fact that the
 * others go on from.
 * @throws SpecError when no counts obey the constraints
 */
export function countsFor(
  spec: PieceSpec,
  stitches: readonly StitchName[],
  ideals: readonly number[],
  worked: readonly PlannedRound[],
): readonly number[] {
  const last = worked.at(-1)
  if (!last) return spreadCounts(problemOf(spec, stitches, ideals, 1)).counts
  if (ideals.length === 0) return []
  const problem = problemOf(
    spec,
    [last.stitch, ...stitches],
    [...worked.slice(0, -1).map(({ ideal }) => ideal), last.count, ...ideals],
    last.number,
  )
  return spreadCounts({
    ...problem,
    ideals: [last.count, ...ideals],
    firstCounts: [last.count, last.count],
    increaseBefore: Math.max(0, last.count - last.from),
  }).counts.slice(1)
}

/**
 * The integer problem behind the rounds. Slip stitch rounds edge the piece and never increase.
 * @param allIdeals of the whole piece, those before `fromRound` with it
 */
function problemOf(
  { constraints, rhythm }: PieceSpec,
  stitches: readonly StitchName[],
  allIdeals: readonly number[],
  fromRound: number,
): CountsProblem {
  const ideals = allIdeals.slice(fromRound - 1)
  const evenRounds = new Set(constraints?.evenRounds)
  const first = ideals[0]!
  const deviation = deviationFrom(allIdeals, rhythm)
  // A repeat from the start may ask for more than a ring usually takes.
  const of = multipleAt(constraints, fromRound)
  const nearest = of === 1 ? Math.round(first) : of * Math.max(1, Math.round(first / of))
  return {
    ideals,
    firstCounts: [
      Math.min(nearest, Math.max(4, Math.floor(first * 0.85))),
      Math.max(nearest, Math.ceil(first * 1.2)),
    ],
    beta: betaOf(rhythm),
    // An edging follows the round below and is no fabric that could wave or cup.
    deviationCost: (index, count) =>
      isEdging(stitches[index]!) ? 0 : deviation(index + fromRound - 1, count),
    even: stitches.map((stitch, index) => isEdging(stitch) || evenRounds.has(index + fromRound)),
    multiples: stitches.map((_, index) => multipleAt(constraints, index + fromRound)),
    fixed: stitches.map((_, index) =>
      index > 0 ? undefined : fromRound > 1 ? first : constraints?.firstCount,
    ),
  }
}

/** What the count of a round must divide by: of the rules that have begun, in any order, the latest. */
export function multipleAt(constraints: Constraints | undefined, round: number): number {
  const begun = (constraints?.multiples ?? []).filter(({ fromRound }) => fromRound <= round)
  return begun.reduce((latest, rule) => (rule.fromRound >= latest.fromRound ? rule : latest), {
    fromRound: 0,
    of: 1,
  }).of
}
