import type { Outline } from '../forms/family.ts'
import type { SectionId } from '../rounds/round.ts'
import type { RoundAsked } from './pacedCounts.ts'
import { openingsToCome, roundOfOpening, slitOf, type Slit } from './openings.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'
import { accentAt, type Gauges } from './sectionWork.ts'

/** A round of a section, before it has a count. */
export type RoundOf = Omit<RoundAsked, 'ideal'>

/** Where rounds that are asked for go on from. */
interface AskedFrom {
  /** How far along each section its rounds to come begin, mm. */
  readonly along: ReadonlyMap<SectionId, number>
  readonly worked: readonly PlannedRound[]
  /** Sections of the worked rounds. */
  readonly sections: readonly Outline[]
}

/** Rounds to come with what their guides ask for, and the openings that they are to leave. */
export const roundsAsked = (
  spec: PieceSpec,
  rounds: readonly RoundOf[],
  gauges: Gauges,
  from: AskedFrom,
): readonly RoundAsked[] => withSlits(spec, asksOf(spec, rounds, gauges, from), gauges, from)

/** What the guide of each round's section asks for there. */
function asksOf(
  spec: PieceSpec,
  rounds: readonly RoundOf[],
  gauges: Gauges,
  { along, worked, sections }: AskedFrom,
): RoundToAsk[] {
  const reached = new Map(along)
  return rounds.map(({ section, stitch }, index) => {
    const below = (rounds[index - 1] ?? { section: sections.at(-1) }).section?.id
    const crisp = section.crisp === true && below !== section.id
    const accent = accentAt(spec, { number: worked.length + index + 1, section: section.id, stitch })
    const { w, h } = gauges({ section: section.id, stitch, crisp, ...(accent ? { accent } : {}) })
    const here = reached.get(section.id)! + h
    reached.set(section.id, here)
    return { section, stitch, ideal: section.guide.perimeter(here) / w, along: here }
  })
}

/** A round that is to be, and how far along its section its top lies, mm. */
type RoundToAsk = RoundAsked & { readonly along: number }

/** The rounds in which openings are to be left, each in the round nearest to where it is wanted. */
function withSlits(
  { constraints }: PieceSpec,
  asked: readonly RoundToAsk[],
  gauges: Gauges,
  { worked, sections }: AskedFrom,
): readonly RoundAsked[] {
  const openings = openingsToCome(constraints?.openings ?? [], worked)
  if (openings.length === 0) return asked
  const slits = asked.map((): Slit[] => [])
  for (const opening of openings) {
    const inSection = asked.flatMap(({ section }, index) => (section.id === opening.section ? [index] : []))
    // Something stands below it, and above it; what goes around over a panel takes up all that is there.
    const overPanel = (index: number) =>
      (index === 0 ? sections.at(-1) : asked[index - 1]!.section)?.rows?.panel === true
    const standing = inSection.filter(
      (index) => index + worked.length > 0 && index < asked.length - 1 && !overPanel(index),
    )
    const found = roundOfOpening(
      opening,
      standing.map((index) => asked[index]!.along),
    )
    if (found === undefined) continue
    const { section, stitch } = asked[standing[found]!]!
    slits[standing[found]!]!.push(slitOf(opening, gauges({ section: section.id, stitch }).w))
  }
  return asked.map((round, index) => (slits[index]!.length > 0 ? { ...round, slits: slits[index]! } : round))
}
