import { partOf, type SectionId } from '../rounds/round.ts'
import type { Constraints, Opening, PieceSpec, PlannedRound } from './plan.ts'
import { gaugesOf } from './sectionWork.ts'

/** A part of the form from so far along it on, mm, worked like the section of that index was until now. */
export interface SplitLike {
  readonly along: number
  readonly like: number
}

/** What of a piece goes by its sections. */
interface Sectioned<W> {
  readonly sections?: Readonly<Partial<Record<SectionId, W>>>
  readonly constraints: Constraints
}

const sectionAt = (part: SectionId, index: number): SectionId => (index === 0 ? part : `${part}-${index + 1}`)

/** Where the sections of a part begin, mm along it. */
export const beginnings = ({ splits = [] }: Constraints, part: SectionId): readonly number[] => [
  0,
  ...splits
    .filter((split) => split.part === part)
    .map(({ along }) => along)
    .sort((one, other) => one - other),
]

/** How far along its part a round begins, mm, by the heights of the rounds that the part has below it. */
export function alongAt(spec: PieceSpec, rounds: readonly PlannedRound[], number: number): number {
  const { section } = rounds[number - 1]!
  const gauges = gaugesOf(spec)
  return rounds
    .slice(0, number - 1)
    .filter((round) => partOf(round.section) === partOf(section))
    .reduce((sum, round) => sum + gauges({ section: round.section, stitch: round.stitch }).h, 0)
}

/**
 * A piece whose part is split there and nowhere else. Every section keeps how it is worked, and every opening its
 * place.
 * @param usual how a part is worked while nothing is said of it
 */
export function withSplits<W, P extends Sectioned<W>>(
  piece: P & Sectioned<W>,
  part: SectionId,
  wanted: readonly SplitLike[],
  usual?: W,
): P {
  const { splits = [], openings, ...others } = piece.constraints
  const before = beginnings(piece.constraints, part)
  const next = [...wanted].sort((one, other) => one.along - other.along)
  const after = [0, ...next.map(({ along }) => along)]
  const { sections = {}, ...rest } = piece
  const kept = Object.entries(sections).filter(([id]) => partOf(id) !== part)
  const own = [{ like: 0 }, ...next].flatMap(({ like }, index) => {
    const work = sections[sectionAt(part, like)] ?? (index > 0 ? usual : undefined)
    return work === undefined ? [] : [[sectionAt(part, index), work] as const]
  })
  const all = Object.fromEntries([...kept, ...own])
  const moved = (opening: Opening): Opening => {
    const index = before.findIndex((_, at) => sectionAt(part, at) === opening.section)
    if (index < 0) return opening
    const along = before[index]! + opening.along
    const into = after.findLastIndex((begins) => begins <= along)
    return { ...opening, section: sectionAt(part, into), along: along - after[into]! }
  }
  const cuts = [
    ...splits.filter((split) => split.part !== part),
    ...next.map(({ along }) => ({ part, along })),
  ]
  return {
    ...(rest as unknown as P),
    ...(Object.keys(all).length > 0 ? { sections: all } : {}),
    constraints: {
      ...others,
      ...(openings ? { openings: openings.map(moved) } : {}),
      ...(cuts.length > 0 ? { splits: cuts } : {}),
    },
  }
}
