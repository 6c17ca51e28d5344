import { familyOf } from '../forms/registry.ts'
import { endOf, type EndWork } from '../plan/endOf.ts'
import { fillAfter } from '../plan/fillAfter.ts'
import type { PieceSpec, PlannedRound, WayOfRounds } from '../plan/plan.ts'
import { accentAt, constructionIn, gaugeIn, wayOf } from '../plan/sectionWork.ts'
import type { TextureKind } from '../rounds/texture.ts'
import { loopsBelow, type SectionId } from '../rounds/round.ts'
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
  /** That round alone is worked in a texture. */
  readonly accent?: TextureKind
  /** Other yarns are taken up there. */
  readonly yarns?: HeldYarns
}

/** A change is told when it is so many rounds away or fewer: early enough to look it up, late enough to remember. */
const TOLD_AHEAD = 2

/** The first change of section or of yarn that the rounds after the one on the hook bring; filling and closing. */
export function whatIsAhead(
  rounds: readonly PlannedRound[],
  place: number,
  spec?: Pick<PieceSpec, 'form' | 'gauge' | 'construction' | 'sections' | 'constraints'>,
): Ahead | undefined {
  const number = place + 1
  if (spec && fillAfter(spec, { rounds }) === number) return { rounds: 1, fill: true }
  if (spec && familyOf(spec.form).closes && number === rounds.length) {
    return { rounds: 1, draw: rounds.at(-1)!.count }
  }
  const end = spec && number === rounds.length ? endOf(spec, { rounds }) : undefined
  if (end) return { rounds: 1, end }
  for (let ahead = 1; ahead <= TOLD_AHEAD; ahead++) {
    const [below, next] = [rounds[place + ahead - 1], rounds[place + ahead]]
    if (!below || !next) return undefined
    const begins = next.section !== below.section
    const changes = !sameYarns(below, next)
    const [opening, overOpening] = [chainsIn(next), chainsIn(below)]
    const accent = spec && accentAt(spec, next)
    if (!begins && !changes && !accent && opening === 0 && overOpening === 0) continue
    return {
      rounds: ahead,
      ...(begins
        ? {
            section: next.section,
            backLoops: loopsBelow(next) === 'back' && loopsBelow(below) !== 'back',
            widens: below.count > below.from,
            ...(next.into === undefined ? {} : { behind: next.into }),
            ...(spec ? newWay(spec, below, next) : {}),
            ...(spec && gaugeIn(spec, next.section) !== gaugeIn(spec, below.section) ? { tools: true } : {}),
          }
        : {}),
      ...(opening > 0 ? { opening } : {}),
      ...(overOpening > 0 ? { overOpening } : {}),
      ...(accent ? { accent: accent.kind } : {}),
      ...(changes ? { yarns: next } : {}),
    }
  }
  return undefined
}

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
