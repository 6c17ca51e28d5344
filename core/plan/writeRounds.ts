import { countOf, partOf, topOf, turned, type Round, type Run, type SectionId } from '../rounds/round.ts'
import { bothSidesOf, straightOf, takenIn } from '../rounds/spine.ts'
import { plain, type Op, type Step } from '../rounds/steps.ts'
import { goesRoundPosts } from '../rounds/texture.ts'
import type { Foundation } from '../forms/alongChain.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import type { Construction, PieceSpec, Start } from './plan.ts'
import { constructionIn, gaugesOf, loopsIn, wayOf } from './sectionWork.ts'
import { aroundPanel, hostsOfPanel, panelSteps } from './panelRows.ts'
import { overOpenings, withOpenings, type Slit } from './openings.ts'
import { edgingSteps } from './edging.ts'
import { toLay } from './beginningOf.ts'
import { ownZonesOf, shapedInZones, standsUp, zonesOn } from './ownZones.ts'
import { asBelow, intoLoops, stepsOf, type RoundBelow } from './stepsOf.ts'
import {
  crispIn,
  flatIn,
  foundationOf,
  holesIn,
  lipsIn,
  rowsIn,
  takenInIn,
  type PieceToOutline,
} from './wantedAround.ts'
import { aroundEnds, firstAlong, takenInOver, theOtherWay } from './zonedSteps.ts'
import { textureAt } from './textureAt.ts'

export interface RoundToWrite {
  readonly section: SectionId
  readonly stitch: StitchName
  readonly count: number
  readonly slits?: readonly Slit[] | undefined
  /** It edges the piece. */
  readonly edges?: true
}

/** The first chain of a short foundation, worked into as into a ring. */
const ONE_CHAIN: readonly Run[] = [{ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: 1 }]

/** What round 1 is worked into: nothing in a ring, as many chains as it has stitches in a tube. */
function startHosts(start: Start, count: number, foundation: Foundation | undefined): readonly Run[] {
  if (start.kind === 'chainTwo') return ONE_CHAIN
  if (foundation) return bothSidesOf(foundation.chains, foundation.side)
  return start.kind === 'joinedChain' || start.kind === 'chain'
    ? [{ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: count }]
    : []
}

/** A name for a round that none of these has. */
export function freshId(number: number, taken: ReadonlySet<string>): string {
  let id = `r${number}`
  for (let again = 2; taken.has(id); again++) id = `r${number}-${again}`
  return id
}

/** An even round with a hole after so many stitches: a chain over one that is skipped. */
function withHoles(stitch: StitchName, count: number, every: number): Step[] {
  const times = Math.floor(count / every)
  const hole: Op = { stitch, uses: 1, makes: 1, times: 1, manner: 'space' }
  const over = count - times * every
  return [
    { times, ops: [plain(stitch, every - 1), hole] },
    ...(over > 0 ? [{ times: 1, ops: [plain(stitch, over)] }] : []),
  ]
}

/** The yarns in hand at a round. */
export function heldIn({ colours }: Pick<PieceSpec, 'colours'>, number: number): HeldYarns {
  const { yarn, beside } = colours.findLast(({ fromRound }) => fromRound <= number)!
  return beside && beside.length > 0 ? { yarn, beside } : { yarn }
}

/** Both edges of a row stay straight when its first and last stitch are plain (FIELD §13). */
const offTheEdges = ({ rounds, ...others }: Construction): Construction => ({
  ...others,
  rounds: rounds.kind === 'joined' ? { ...rounds, shaping: 'offTheJoin' } : rounds,
})

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
 * A lip takes the front loops, and is passed over by what comes after it.
 * @param toCome section, stitch and count of each
 */
export function writeRounds(
  spec: PieceToOutline & Pick<PieceSpec, 'colours'>,
  worked: readonly Round[],
  toCome: readonly RoundToWrite[],
): Round[] {
  const [crisp, lips, takesIn] = [crispIn(spec), lipsIn(spec), takenInIn(spec)]
  const holes = holesIn(spec)
  const rows = rowsIn(spec)
  const foundation = foundationOf(spec)
  const rounds = [...worked]
  const straightAfter = (stitches: number, section: SectionId, from: number, count: number) =>
    takesIn.has(section) ? takenIn(stitches, from, count) : stitches
  let straight = worked.length > 0 ? toLay(spec, worked).at(-1)!.straight : undefined
  const taken = new Set(worked.map(({ id }) => id))
  const ownZones = ownZonesOf(spec)
  const keepsInside = ownZones.some(({ shapes }) => shapes)
  const flat = flatIn(spec)
  const gauges = gaugesOf(spec)
  let [zoned, zones] = [0, undefined as ReturnType<typeof zonesOn>]
  const zonesBelow = () => {
    for (; zoned < rounds.length; zoned++) zones = zonesOn(ownZones, zones, rounds[zoned]!)
    return zones
  }
  const isPanel = (id: SectionId) => rows.get(id)?.panel === true
  for (const { section, stitch, count, slits, edges } of toCome) {
    const top = rounds.at(-1)
    const below =
      top && lips.has(top.section) ? rounds.at(-2) : rounds.findLast((one) => !isPanel(one.section))
    const number = rounds.length + 1
    const id = freshId(number, taken)
    taken.add(id)
    const from = below ? countOf(below) : 0
    const named = { id, section, fabric: stitch, ...heldIn(spec, number) }
    if (below && isPanel(section)) {
      const standing = hostsOfPanel(below, top?.section === section ? top : undefined, count)
      rounds.push({
        ...named,
        closed: false,
        ...standing,
        steps: rows.get(section)?.tall
          ? panelSteps(stitch, count)
          : [{ times: 1, ops: [plain(stitch, count)] }],
      })
      continue
    }
    if (below && top && isPanel(top.section) && count === from) {
      const panel = rounds.filter((one) => one.section === top.section)
      rounds.push({ ...named, closed: true, ...aroundPanel(below, panel, stitch) })
      continue
    }
    const turns = below !== undefined && below.section !== section && crisp.has(section)
    const texture = textureAt(spec, { section, stitch, from, count }, rounds, turns)
    const into = turns
      ? 'back'
      : lips.has(section)
        ? 'front'
        : texture?.of && goesRoundPosts(texture.of)
          ? undefined
          : loopsIn(spec, { section, stitch })
    const construction = rows.has(section)
      ? offTheEdges(constructionIn(spec, section))
      : constructionIn(spec, section)
    const side = sideOf(spec, section, top)
    const shapedEvenly = (before: readonly RoundBelow[]) =>
      stepsOf({ stitch, from, count, texture, side, row: rows.has(section) }, before, construction, into)
    const shaped = () => {
      const before = rounds.map(asBelow)
      if (foundation && !below) return firstAlong(stitch, foundation)
      const zone = takesIn.get(section)
      const every = holes.get(section)
      if (every && count === from) return intoLoops(withHoles(stitch, count, every), into)
      const inZones =
        keepsInside && !texture && count !== from && standsUp(count - from, gauges({ section, stitch }))
      const zones = inZones && !flat.has(section) ? zonesBelow() : undefined
      const inside = zones && shapedInZones(spec, { stitch, from, count, below: zones })
      if (inside) return intoLoops(inside, into)
      if (!foundation || straight === undefined || texture) return shapedEvenly(before)
      // After a stitch lost or gained both ends are no longer alike: the round that mends it does so all around.
      const alike = [from, count].every((one) => one >= straight! && (one - straight!) % 2 === 0)
      const { ends } = foundation
      const zoned = { stitch, from, count, straight, ends }
      if (zone && count < from) return intoLoops(takenInOver(zoned), into)
      // What begins around a chain widens at its ends; what flares or draws in later does so all around.
      const inBase = partOf(section) === partOf(rounds[0]!.section)
      return alike && (count === from || inBase)
        ? intoLoops(aroundEnds(zoned, before, construction), into)
        : shapedEvenly(before)
    }
    const worked = foundation?.mirrored && !texture ? theOtherWay(shaped()) : shaped()
    const standing = edges ? edgingSteps(spec, from) : overOpenings(worked, below?.steps ?? [])
    const round: Round = {
      ...named,
      closed: !rows.has(section),
      side,
      hosts: below
        ? [rows.has(section) ? turned(topOf(below, into)) : topOf(below, into)]
        : startHosts(spec.construction.start, count, foundation),
      steps: withOpenings(standing, slits ?? [], stitch),
    }
    rounds.push(round)
    straight = straight === undefined ? straightOf(round) : straightAfter(straight, section, from, count)
  }
  return rounds
}
