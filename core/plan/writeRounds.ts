import { countOf, topOf, type Round, type Run, type SectionId } from '../rounds/round.ts'
import { goesRoundPosts } from '../rounds/texture.ts'
import { rimSteps, type Rim } from '../rounds/rim.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import type { PieceSpec, Start } from './plan.ts'
import { constructionIn, loopsIn, wayOf } from './sectionWork.ts'
import { overOpenings, withOpenings, type Slit } from './openings.ts'
import { asBelow, stepsOf } from './stepsOf.ts'
import { textureAt } from './textureAt.ts'

export interface RoundToWrite {
  readonly section: SectionId
  readonly stitch: StitchName
  readonly count: number
  readonly slits?: readonly Slit[] | undefined
  /** It edges the piece so. */
  readonly rim?: Rim
}

/** The first chain of a short foundation, worked into as into a ring. */
const ONE_CHAIN: readonly Run[] = [{ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: 1 }]

/** What round 1 is worked into: nothing in a ring, as many chains as it has stitches in a tube. */
function startHosts(start: Start, count: number): readonly Run[] {
  if (start.kind === 'chainTwo') return ONE_CHAIN
  return start.kind === 'joinedChain'
    ? [{ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: count }]
    : []
}

/** A name for a round that none of these has. */
function freshId(number: number, taken: ReadonlySet<string>): string {
  let id = `r${number}`
  for (let again = 2; taken.has(id); again++) id = `r${number}-${again}`
  return id
}

/** The yarns in hand at a round. */
function heldIn({ colours }: Pick<PieceSpec, 'colours'>, number: number): HeldYarns {
  const { yarn, beside } = colours.findLast(({ fromRound }) => fromRound <= number)!
  return beside && beside.length > 0 ? { yarn, beside } : { yarn }
}

/** The side that faces the maker: in turned rounds every other one shows the wrong side. */
export function sideOf(
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  section: SectionId,
  below: Pick<Round, 'side' | 'section'> | undefined,
): Round['side'] {
  const isTurned = (id: SectionId) => wayOf(constructionIn(spec, id).rounds) === 'turned'
  const turns = below !== undefined && isTurned(section) && isTurned(below.section)
  return turns && below.side === 'right' ? 'wrong' : 'right'
}

/**
 * The worked rounds, and those to come in steps, each on top of the one below.
 * @param crisp sections whose first round takes the back loops, for a crisp edge
 * @param lips sections whose round takes the front loops, and is passed over by what comes after it
 * @param toCome section, stitch and count of each
 */
export function writeRounds(
  spec: Pick<PieceSpec, 'construction' | 'colours' | 'sections' | 'constraints'>,
  crisp: ReadonlySet<SectionId>,
  lips: ReadonlySet<SectionId>,
  worked: readonly Round[],
  toCome: readonly RoundToWrite[],
): Round[] {
  const rounds = [...worked]
  const taken = new Set(worked.map(({ id }) => id))
  for (const { section, stitch, count, slits, rim } of toCome) {
    const top = rounds.at(-1)
    const below = top && lips.has(top.section) ? rounds.at(-2) : top
    const number = rounds.length + 1
    const id = freshId(number, taken)
    taken.add(id)
    const from = below ? countOf(below) : 0
    const turns = below !== undefined && below.section !== section && crisp.has(section)
    const texture = textureAt(spec, { section, stitch, from, count }, rounds, turns)
    const into = turns
      ? 'back'
      : lips.has(section)
        ? 'front'
        : texture?.of && goesRoundPosts(texture.of)
          ? undefined
          : loopsIn(spec, { section, stitch })
    const construction = constructionIn(spec, section)
    const side = sideOf(spec, section, top)
    const shaped = () =>
      stepsOf({ stitch, from, count, texture, side }, rounds.map(asBelow), construction, into)
    const standing = rim ? rimSteps(rim, from) : overOpenings(shaped(), below?.steps ?? [])
    rounds.push({
      id,
      section,
      closed: true,
      side,
      fabric: stitch,
      ...heldIn(spec, number),
      hosts: below ? [topOf(below, into)] : startHosts(spec.construction.start, count),
      steps: withOpenings(standing, slits ?? [], stitch),
    })
  }
  return rounds
}
