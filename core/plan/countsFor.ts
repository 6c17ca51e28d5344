import type { Outline } from '../forms/family.ts'
import { takenIn } from '../rounds/spine.ts'
import { paced, type PacedRound, type RoundAsked } from './pacedCounts.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'
import { foundationOf } from './wantedAround.ts'

/**
 * Paced counts of rounds to come. Where rounds are worked already, the last of them is a fact that the
 * others go on from.
 * @param before sections of the worked rounds, as many as there are
 * @throws SpecError when no counts obey the constraints
 */
export function countsFor(
  spec: PieceSpec,
  asked: readonly RoundAsked[],
  worked: readonly PlannedRound[],
  before: readonly Outline[],
): readonly number[] {
  const isPanel = ({ rows }: Outline) => rows?.panel === true
  if ([...before, ...asked.map(({ section }) => section)].some(isPanel)) {
    return withPanels(spec, asked, worked, before)
  }
  const foundation = foundationOf(spec)
  if (!foundation) return paced(spec, asked, worked, before)
  const there: PacedRound[] = [...worked]
  const sections = [...before]
  let straight = before.reduce(
    (left, { takesIn }, index) => (takesIn ? takenIn(left, worked[index]!.from, worked[index]!.count) : left),
    2 * foundation.side,
  )
  for (const stretch of stretchesOf(asked)) {
    const { takesIn, flares, count: out } = stretch[0]!.section
    const counts = takesIn
      ? asManyLess(stretch, there)
      : flares
        ? stretch.map(() => out!)
        : pacedAtEnds(spec, stretch, there, sections, { straight, first: 2 * foundation.end })
    stretch.forEach(({ section, stitch, ideal }, index) => {
      const [from, count] = [there.at(-1)?.count ?? 0, counts[index]!]
      if (takesIn) straight = takenIn(straight, from, count)
      there.push({ number: there.length + 1, stitch, count, from, ideal })
      sections.push(section)
    })
  }
  return there.slice(worked.length).map(({ count }) => count)
}

/** Rounds are paced as if no panel stood between them; its rows all have their share of what it stands on. */
function withPanels(
  spec: PieceSpec,
  asked: readonly RoundAsked[],
  worked: readonly PlannedRound[],
  before: readonly Outline[],
): readonly number[] {
  const isRing = ({ rows }: Outline) => rows?.panel !== true
  const there = worked.filter((_, index) => isRing(before[index]!))
  const counts = countsFor(
    spec,
    asked.filter(({ section }) => isRing(section)),
    there.map((round, index) => ({ ...round, number: index + 1 })),
    before.filter(isRing),
  )
  let ring = 0
  const begun = worked.at(-1)
  return asked.map(({ section: { rows, id } }) => {
    if (!rows?.panel) return counts[ring++]!
    // Rows of a panel that has begun are as long as those that are there.
    if (begun?.section === id) return begun.count
    return panelCount(rows.share, counts[ring - 1] ?? there.at(-1)!.count)
  })
}

/** Stitches of a panel over a share of a round. */
const panelCount = (share: number, count: number): number => Math.max(2, Math.round(share * count))

/** What goes around a chain has its sides given: its ends are paced as the disc that they make, the same in each. */
function pacedAtEnds(
  spec: PieceSpec,
  asked: readonly RoundAsked[],
  worked: readonly PacedRound[],
  before: readonly Outline[],
  { straight, first }: { readonly straight: number; readonly first: number },
): readonly number[] {
  const atEnds = (count: number) => count - straight
  const wallCount = spec.constraints?.wallCount
  return paced(
    {
      ...spec,
      constraints: {
        ...spec.constraints,
        firstCount: first,
        ...(wallCount === undefined ? {} : { wallCount: atEnds(wallCount) }),
      },
    },
    asked.map((round) => ({ ...round, ideal: atEnds(round.ideal) })),
    worked.map((round) => ({
      ...round,
      count: atEnds(round.count),
      from: atEnds(round.from),
      ideal: atEnds(round.ideal),
    })),
    before,
    { count: 2, sides: straight, whole: (count) => count + straight },
  ).map((count) => count + straight)
}

/** Rounds that are paced together: what is taken in over an end, or flares, goes by a rule of its own. */
function stretchesOf(asked: readonly RoundAsked[]): readonly (readonly RoundAsked[])[] {
  const stretches: RoundAsked[][] = []
  asked.forEach((round, index) => {
    const below = asked[index - 1]?.section
    const { takesIn, flares } = round.section
    if (below && below.takesIn === takesIn && below.flares === flares) stretches.at(-1)!.push(round)
    else stretches.push([round])
  })
  return stretches
}

/** Fewer than so many stitches go around nothing. */
const FEWEST = 6

/** As many less every round, so that it can be kept in mind, on both sides of the middle: by as much as the ideal falls. */
function asManyLess(asked: readonly RoundAsked[], worked: readonly PacedRound[]): readonly number[] {
  let { count, ideal: above } = worked.at(-1)!
  return asked.map(({ ideal }) => {
    count = Math.max(FEWEST, count - 2 * Math.max(0, Math.round((above - ideal) / 2)))
    above = ideal
    return count
  })
}
