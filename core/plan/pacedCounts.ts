import { oneCount } from '../counts/oneCount.ts'
import { spreadCounts } from '../counts/spreadCounts.ts'
import { betaOf, deviationFrom, type CountsProblem } from '../counts/countsProblem.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { Outline } from '../forms/family.ts'
import { partOf, type SectionId } from '../rounds/round.ts'
import { repeatOf } from '../rounds/texture.ts'
import { repeatOfEdging } from './edging.ts'
import type { Slit } from './openings.ts'
import { accentAt, textureIn } from './sectionWork.ts'
import type { Constraints, PieceSpec, PlannedRound } from './plan.ts'

/** A round that is to be: of which section and stitch, and how many stitches its guide asks for. */
export interface RoundAsked {
  readonly section: Outline
  readonly stitch: StitchName
  readonly ideal: number
  /** Left open in it, which takes no increase. */
  readonly slits?: readonly Slit[]
}

/** What of a round is paced that goes around so many ends alike, and the stitches of the whole of it. */
interface Ends {
  readonly count: number
  /** Stitches of the round besides. */
  readonly sides: number
  readonly whole: (count: number) => number
}

/** @param ends where only the ends of rounds are paced */
export function paced(
  spec: PieceSpec,
  asked: readonly RoundAsked[],
  worked: readonly PacedRound[],
  before: readonly Outline[],
  ends?: Ends,
): readonly number[] {
  const last = worked.at(-1)
  if (last && asked.length === 0) return []
  const mirror = asked.findIndex(({ section }) => section.mirrors !== undefined)
  if (mirror >= 0) {
    const begun = before.filter(({ id }) => id === asked[mirror]!.section.id).length
    // Where the way back has begun otherwise than it was to, it is paced afresh.
    if (begun === 0 || onTheWayBack(worked, before) === begun) {
      return mirrored(spec, asked, mirror, worked, before, begun)
    }
  }
  const wall = asked.every(({ section }) => section.even)
  const oneWall = wall && asked.every(({ section }) => section.id === asked[0]!.section.id)
  const solve = (problem: CountsProblem, goesOn: boolean) =>
    (oneWall ? oneCount(problem, goesOn) : spreadCounts(problem)).counts
  if (!last) return solve(problemOf(spec, asked, 1, ends), false)
  const ideals = asked.map(({ ideal }) => ideal)
  const there = worked.map(({ stitch, ideal, count }, index) => ({
    section: before[index]!,
    stitch,
    ideal: index === worked.length - 1 ? count : ideal,
  }))
  const problem = problemOf(spec, [...there, ...asked], last.number, ends)
  const goingOn: CountsProblem = {
    ...problem,
    ideals: [last.count, ...ideals],
    firstCounts: [last.count, last.count],
    increaseBefore: Math.max(0, last.count - last.from),
  }
  return solve(goingOn, true).slice(1)
}

/** What pacing needs to know of a round that is worked. */
export type PacedRound = Pick<PlannedRound, 'number' | 'stitch' | 'count' | 'from' | 'ideal'>

/** The second half of what closes again: the counts of the first, the other way, but for the one that both share. */
function mirrored(
  spec: PieceSpec,
  asked: readonly RoundAsked[],
  from: number,
  worked: readonly PacedRound[],
  before: readonly Outline[],
  begun: number,
): readonly number[] {
  const of = asked[from]!.section.mirrors
  const first = from === 0 ? [] : paced(spec, asked.slice(0, from), worked, before)
  const there = worked.flatMap(({ count }, index) => (before[index]!.id === of ? [count] : []))
  const back = [...there, ...first].reverse().slice(1)
  const countOn = (index: number) => back[Math.min(begun + index, back.length - 1)]!
  return [...first, ...asked.slice(from).map((_, index) => countOn(index))]
}

/**
 * How many worked rounds of what closes again are on the way back, each with the count that its way out had; nothing
 * when one of them has another.
 */
export function onTheWayBack(
  worked: readonly Pick<PlannedRound, 'count'>[],
  before: readonly Outline[],
): number | undefined {
  const of = before.at(-1)?.mirrors
  if (of === undefined) return undefined
  const out = worked.filter((_, index) => before[index]!.id === of)
  const back = worked.filter((_, index) => before[index]!.mirrors === of)
  const undoes = back.every(({ count }, index) => count === out[out.length - 2 - index]?.count)
  return undoes ? back.length : undefined
}

/**
 * What goes around something is judged by its girth: a count that is off by a share of the give costs so much more
 * there than in what lies flat, where rounds even one another out.
 */
const WALL = 12

/**
 * The integer problem behind the rounds. Slip stitch rounds edge the piece and never increase.
 * @param all of the whole piece, those before `fromRound` with them
 */
function problemOf(
  { constraints, construction, rhythm, sections }: PieceSpec,
  all: readonly RoundAsked[],
  fromRound: number,
  ends: Ends | undefined,
): CountsProblem {
  const allIdeals = all.map(({ ideal }) => ideal)
  const rounds = all.slice(fromRound - 1)
  const ideals = allIdeals.slice(fromRound - 1)
  const evenRounds = new Set(constraints?.evenRounds)
  const first = ideals[0]!
  const deviation = deviationFrom(
    allIdeals,
    rhythm,
    all.map(({ section }) => (slopes(section, all) ? 'sloping' : section.guide.lies)),
  )
  // One count all the way. The first of its rounds to come may step to it, unless it turns a crisp edge or goes on
  // from what grew to meet it.
  // A texture has a width of its own: it steps to its count on the plain round that it stands on.
  const keepsCount = (index: number) => {
    const { section } = rounds[index]!
    const below = rounds[index - 1]?.section
    if (index === 0 || !below) return false
    if (section.keeps) return true
    if (turns(index)) return true
    if (fromRound > 1 && index === 1) return false
    if (textureIn({ sections }, section.id) && (below.id !== section.id || turns(index - 1))) return false
    return section.even === true && (below.id === section.id || !below.even)
  }
  const turns = (index: number) => {
    const { section } = rounds[index]!
    return section.crisp === true && index > 0 && rounds[index - 1]!.section.id !== section.id
  }
  // A repeat from the start may ask for more than a ring usually takes.
  const accentOf = ({ section, stitch }: RoundAsked, number: number) =>
    accentAt({ constraints, sections }, { number, section: section.id, stitch })
  const multipleOf = (round: RoundAsked, number: number) => {
    const accent = accentOf(round, number)
    const own = accent ? repeatOf(accent) : repeatIn(sections, round.section.id)
    return commonMultiple(multipleAt(constraints, number), own)
  }
  // Of a wall that has begun, what it has is a fact.
  const wall = all.find(({ section }) => section.even && !section.lip)
  const begun = fromRound > 1 && partOf(rounds[0]!.section.id) === wall?.section.id
  // From a round on in stitches of another width, others of them go around.
  const settled = ({ section, ideal }: RoundAsked) =>
    partOf(section.id) === wall?.section.id && !begun && Math.abs(ideal - wall.ideal) < ALIKE
      ? constraints?.wallCount
      : undefined
  /** What a form asks for must be met, unless a texture or the maker asks for another count. */
  const asked = ({ section }: RoundAsked) =>
    section.count === undefined || textureIn({ sections }, section.id)
      ? undefined
      : section.count - ends!.sides
  const even = rounds.map(
    (round, index) =>
      isEdging(round.stitch) ||
      evenRounds.has(index + fromRound) ||
      round.slits !== undefined ||
      keepsCount(index) ||
      (index + fromRound > 1 && accentOf(round, index + fromRound) !== undefined),
  )
  /** Whether a round has the count that is settled on: of the wall, and of what it goes up from. */
  const isSettled = (index: number): boolean =>
    settled(rounds[index]!) !== undefined || (even[index + 1] === true && isSettled(index + 1))
  const of = multipleOf(rounds[0]!, fromRound)
  const nearest = of === 1 ? Math.round(first) : of * Math.max(1, Math.round(first / of))
  return {
    ideals,
    ...(ends ? { ends, grows: rounds.map((round, index) => isInside(round, rounds[index + 1])) } : {}),
    firstCounts: [
      Math.max(FEWEST, Math.min(nearest, Math.max(4, Math.floor(first * 0.85)))),
      Math.max(FEWEST, nearest, Math.ceil(first * 1.2)),
    ],
    beta: betaOf(rhythm),
    // An edging follows the round below and is no fabric that could wave or cup.
    deviationCost: (index, count) => {
      const { stitch, section } = rounds[index]!
      return isEdging(stitch) ? 0 : (section.even ? WALL : 1) * deviation(index + fromRound - 1, count)
    },
    even,
    multiples: rounds.map((round, index) => {
      const number = index + fromRound
      if (isSettled(index)) return 1
      const of = turns(index) ? multipleAt(constraints, number) : multipleOf(round, number)
      // What edges it repeats on the last of them.
      return index === rounds.length - 1
        ? commonMultiple(of, repeatOfEdging({ construction, ...(constraints ? { constraints } : {}) }))
        : of
    }),
    fixed: rounds.map((round, index) => {
      const joined = index === rounds.length - 1 && !ends ? constraints?.lastCount : undefined
      if (index > 0) return joined ?? settled(round) ?? asked(round)
      return fromRound > 1 ? first : (constraints?.firstCount ?? settled(round))
    }),
  }
}

/** A row of a single stitch has no edges. */
const FEWEST = 2

/** Whether a flat round has another around it. */
const isInside = ({ section }: RoundAsked, next: RoundAsked | undefined): boolean =>
  section.guide.lies === 'flat' && next?.section.guide.lies === 'flat'

/** Sections that ask for so nearly the same count, in stitches, are of one. */
const ALIKE = 0.01

/** Fitted fabric that widens or narrows to its end. */
const slopes = (section: Outline, all: readonly RoundAsked[]): boolean =>
  section.guide.lies === 'fitted' && !section.even && partOf(section.id) === partOf(all.at(-1)!.section.id)

/** What the count of a round must divide by: of the rules that have begun, in any order, the latest. */
export function multipleAt(constraints: Constraints | undefined, round: number): number {
  const begun = (constraints?.multiples ?? []).filter(({ fromRound }) => fromRound <= round)
  return begun.reduce((latest, rule) => (rule.fromRound >= latest.fromRound ? rule : latest), {
    fromRound: 0,
    of: 1,
  }).of
}

/** What the texture of a section asks its counts to divide by. */
export function repeatIn(sections: PieceSpec['sections'], section: SectionId): number {
  const texture = textureIn({ sections }, section)
  return texture ? repeatOf(texture) : 1
}

/** The least count that divides by both. */
export function commonMultiple(one: number, other: number): number {
  let [divides, left] = [one, other]
  while (left > 0) [divides, left] = [left, divides % left]
  return (one * other) / divides
}
