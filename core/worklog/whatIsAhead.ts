import { familyOf } from '../forms/registry.ts'
import { endOf, type EndWork } from '../plan/endOf.ts'
import { fillAfter } from '../plan/fillAfter.ts'
import type { PieceSpec, PlannedRound, WayOfRounds } from '../plan/plan.ts'
import { placesIn, type PlaceInRound } from '../plan/places.ts'
import { accentAt, constructionIn, gaugeIn, textureIn, wayOf } from '../plan/sectionWork.ts'
import { strandRuns, yarnChangeBefore, type YarnChange } from '../plan/yarnChanges.ts'
import { hasMotifs, loopsBelow, type SectionId } from '../rounds/round.ts'
import { kindOf } from '../rounds/steps.ts'
import type { TextureKind } from '../rounds/texture.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { sameYarns, type HeldYarns } from '../yarn/strands.ts'

/** What changes in a round to come. */
export interface Ahead {
  /** How many rounds on; 1 is the next. */
  readonly rounds: number
  /** The section that begins there, and whether its first round goes into the back loops. */
  readonly section?: SectionId
  readonly backLoops?: boolean
  /** The round that it is worked into, where that is not the one before: a lip is passed over. */
  readonly behind?: number
  /** The section before it still widens. */
  readonly widens?: boolean
  /** It is filled before that round, or its last stitches are drawn together. */
  readonly fill?: true
  readonly draw?: number
  /** It has a gauge of its own: another hook, or other strands. */
  readonly tools?: true
  /** From that round on rounds pass into one another in this way. */
  readonly way?: WayOfRounds
  /** Its end is closed so once that is done. */
  readonly end?: EndWork
  /** An opening is left in that round, or stands below it: so many chains. */
  readonly opening?: number
  readonly overOpening?: number
  /** That round alone is worked in a texture; all of its section are in one. */
  readonly accent?: TextureKind
  readonly texture?: TextureKind
  /** It is of another stitch, or goes into other loops than the one before, where no section begins. */
  readonly stitch?: StitchName
  readonly loops?: 'both' | 'back' | 'front'
  /** From there on, to the end of its section, nothing is shaped any more. */
  readonly even?: 'increases' | 'decreases' | 'shaping'
  /** Something stands along it: the edge with its motifs. */
  readonly motifs?: true
  /** What is marked, left open or sewn on in it. */
  readonly places?: readonly PlaceInRound[]
  /** Other yarns are taken up there, and what becomes of those in hand. */
  readonly yarns?: HeldYarns
  readonly change?: YarnChange
}

/** A change is told when it is so many rounds away or fewer: early enough to look it up, late enough to remember. */
const TOLD_AHEAD = 2

type Told = Pick<PieceSpec, 'form' | 'gauge' | 'construction' | 'sections' | 'constraints'>

/** The first change that the rounds after the one on the hook bring; filling and closing. */
export function whatIsAhead(rounds: readonly PlannedRound[], place: number, spec?: Told): Ahead | undefined {
  const number = place + 1
  if (spec && fillAfter(spec, { rounds }) === number) return { rounds: 1, fill: true }
  if (spec && familyOf(spec.form).closes && number === rounds.length) {
    return { rounds: 1, draw: rounds.at(-1)!.count }
  }
  const end = spec && number === rounds.length ? endOf(spec, { rounds }) : undefined
  if (end) return { rounds: 1, end }
  for (let ahead = 1; ahead <= TOLD_AHEAD; ahead++) {
    const changes = whatChanges(rounds, place + ahead, spec)
    if (Object.keys(changes).length > 0) return { rounds: ahead, ...changes }
  }
  return undefined
}

/** What is otherwise in a round than in the one that it comes after. */
function whatChanges(rounds: readonly PlannedRound[], place: number, spec?: Told): Omit<Ahead, 'rounds'> {
  const [below, next] = [rounds[place - 1], rounds[place]]
  if (!below || !next) return {}
  const begins = next.section !== below.section
  const [opening, overOpening] = [chainsIn(next), chainsIn(below)]
  const accent = spec && accentAt(spec, next)
  const places = spec ? placesIn({ rounds }, spec).filter(({ round }) => round === next.number) : []
  const change = spec && yarnChangeBefore(strandRuns(rounds, spec), next.number)
  return {
    ...(begins ? whatBegins(below, next, spec) : whatIsOtherwise(rounds, place)),
    ...(opening > 0 ? { opening } : {}),
    ...(overOpening > 0 ? { overOpening } : {}),
    ...(accent ? { accent: accent.kind } : {}),
    ...(hasMotifs(next) ? { motifs: true } : {}),
    ...(places.length > 0 ? { places } : {}),
    ...(sameYarns(below, next) ? {} : { yarns: next, ...(change ? { change } : {}) }),
  }
}

/** What comes with a new section. */
function whatBegins(below: PlannedRound, next: PlannedRound, spec?: Told): Omit<Ahead, 'rounds'> {
  const texture = spec && textureIn(spec, next.section)
  return {
    section: next.section,
    backLoops: loopsBelow(next) === 'back' && loopsBelow(below) !== 'back',
    widens: below.count > below.from,
    ...(next.into === undefined ? {} : { behind: next.into }),
    ...(next.stitch === below.stitch || hasMotifs(next) ? {} : { stitch: next.stitch }),
    ...(texture ? { texture: texture.kind } : {}),
    ...(spec ? newWay(spec, below, next) : {}),
    ...(spec && gaugeIn(spec, next.section) !== gaugeIn(spec, below.section) ? { tools: true } : {}),
  }
}

/** What changes within a section. */
function whatIsOtherwise(rounds: readonly PlannedRound[], place: number): Omit<Ahead, 'rounds'> {
  const [below, next] = [rounds[place - 1]!, rounds[place]!]
  const [were, are] = [loopsBelow(below), loopsBelow(next)]
  // A round into a ring or a chain has no loops to change from.
  const otherLoops = were !== are && below.from > 0
  const shapes = (round: PlannedRound) => round.count !== round.from || isShaped(round)
  const end = rounds.findIndex(({ section }, index) => index > place && section !== next.section)
  const stays = rounds.slice(place, end < 0 ? undefined : end).every((round) => !shapes(round))
  return {
    ...(next.stitch === below.stitch || hasMotifs(next) ? {} : { stitch: next.stitch }),
    ...(otherLoops ? { loops: are ?? 'both' } : {}),
    ...(stays && shapes(below) ? { even: shapingOf(below) } : {}),
  }
}

/** What a round that is shaped does to the count. */
const shapingOf = ({ count, from }: PlannedRound): NonNullable<Ahead['even']> =>
  count > from ? 'increases' : count < from ? 'decreases' : 'shaping'

/** It has increases and decreases, though as many of one as of the other. */
const isShaped = ({ steps }: PlannedRound): boolean =>
  steps.some(({ ops }) => ops.some((op) => kindOf(op) !== 'work'))

/** How rounds pass into one another from a round on, where the one below did otherwise. */
function newWay(
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  below: PlannedRound,
  next: PlannedRound,
): Pick<Ahead, 'way'> {
  const [was, way] = [below, next].map(({ section }) => wayOf(constructionIn(spec, section).rounds))
  return way === was ? {} : { way: way! }
}

/** Chains of the openings that a round leaves. */
const chainsIn = ({ steps }: PlannedRound): number =>
  steps.reduce(
    (sum, { times, ops }) =>
      sum + times * ops.reduce((inner, { manner, makes }) => inner + (manner === 'slit' ? makes : 0), 0),
    0,
  )
