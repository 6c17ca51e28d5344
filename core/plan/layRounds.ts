import { layDown } from '../lay/layDown.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { countAround, countOf, usedBy, type Round, type Run, type SectionId } from '../rounds/round.ts'
import { leftOfDish } from '../lay/leftOfDish.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import { beginningOf, toLay, type SpecToLay } from './beginningOf.ts'
import { doubtOfPlaces } from './doubtOfPlaces.ts'
import { alongEdge, layPiece } from './layPiece.ts'
import type { GoesOn, PlannedRound, RoundPosition } from './plan.ts'
import { leansAt } from './leansAt.ts'
import { zonesAlong } from './ownZones.ts'
import { beforeRowsAfter } from './rowsAfter.ts'
import type { Op } from '../rounds/steps.ts'
import { TEXTURE_SD } from '../rounds/texture.ts'
import { accentAt, gaugeIn, gaugesOf, isOfTexture, textureIn, type Gauges } from './sectionWork.ts'
import { asBegun, crispIn, flatIn, wantedIn } from './wantedAround.ts'

/**
 * Rounds with their numbers and counts, and where they come to lie: what follows from a list of rounds and the
 * maker's stitches, planned, re-planned or read from a file alike.
 */
export function layRounds(
  planned: SpecToLay,
  all: readonly Round[],
  goesOn?: GoesOn,
): readonly PlannedRound[] {
  const spec = asBegun(planned, all)
  const rounds = beforeRowsAfter(spec, all)
  const gauges = gaugesOf(spec)
  const places = placesOf(spec, gauges, rounds, goesOn)
  const edges = placesAsEdges(spec, gauges, rounds, goesOn, places)
  const wanted = wantedIn(spec)
  const crisp = crispIn(spec)
  const flat = flatIn(spec)
  const toBeLaid = toLay(spec, rounds)
  const leans = leansAt(spec, rounds)
  const zones = zonesAlong(spec, rounds)
  const laid = rounds.map((round, index): PlannedRound => {
    const turns = crisp.has(round.section) && rounds[index - 1]?.section !== round.section
    const [section, stitch] = [round.section, round.fabric]
    const accent = accentAt(spec, { number: index + 1, section, stitch })
    const { w } = gauges({ section, stitch, crisp: turns, ...(accent ? { accent } : {}) })
    const [count, at] = [countOf(round), places[index]!]
    const host = hostOf(rounds, index)
    const around = wanted(round.section, at.arc, places[index - 1]?.arc)
    return {
      ...round,
      number: index + 1,
      ...(host === undefined || host === index - 1 ? {} : { into: host + 1 }),
      stitch: round.fabric,
      ...(leans[index]! > 0 ? { leans: leans[index]! } : {}),
      ...(zones[index] && round.closed && round.steps.some(({ zone }) => zone === undefined)
        ? { zones: zones[index] }
        : {}),
      from: usedBy(round),
      count,
      around,
      ideal: around / w,
      at,
      asEdge: edges[index]!,
      flatness: flatnessOf({
        count: countAround(round),
        w,
        around,
        straight: flat.has(section) ? toBeLaid[index]!.straight : 0,
      }),
    }
  })
  return withRowsLaid(laid, all.slice(rounds.length), gauges, flat)
}

/**
 * Rows that come after the rounds of a piece lie on as their edge does: so much of its ring as they have stitches, around
 * the middle of what they stand in, or along the edge at which they stay straight. Along the ends of rows they lie beyond the edge, as long as both straight sides.
 */
function withRowsLaid(
  laid: readonly PlannedRound[],
  rows: readonly Round[],
  gauges: Gauges,
  flat: ReadonlySet<SectionId>,
): readonly PlannedRound[] {
  const all = [...laid]
  const edge = laid.at(-1)!
  // What goes on flat around a middle lies on a larger circle with every row.
  const widens = edge.closed && flat.has(edge.section)
  const known = new Map(all.map((round) => [round.id, round]))
  for (const row of rows) {
    const { w, h } = gauges({ section: row.section, stitch: row.fabric })
    const [host] = row.hosts
    const below = host?.of.kind === 'top' ? known.get(host.of.round) : undefined
    const { at } = below ?? edge
    const count = countOf(row)
    const around = count * w
    const larger = widens ? (at.arc + h) / edge.at.arc : 1
    const share = (around / rowOf(edge) / larger) * (edge.at.share ?? 1)
    const middle =
      below && host ? placeOfRun(below, host, fewerAtBeginning(row)) : (at.from ?? 0) + (at.share ?? 1) / 2
    const place: RoundPosition = {
      ...at,
      ...(below ? { share, from: middle - share / 2 } : {}),
      arc: at.arc + h,
      z: below && edge.at.z > 0 ? at.z + h : at.z,
    }
    const planned: PlannedRound = {
      ...row,
      number: all.length + 1,
      stitch: row.fabric,
      from: usedBy(row),
      count,
      around,
      ideal: count,
      at: place,
      asEdge: place,
      flatness: 0,
    }
    all.push(planned)
    known.set(planned.id, planned)
  }
  return all
}

/** How many more stitches a row takes in at its beginning than at its end. */
function fewerAtBeginning({ steps }: Pick<Round, 'steps'>): number {
  const taken = (op: Op | undefined) => (op ? op.uses - op.makes : 0)
  return taken(steps[0]?.ops[0]) - taken(steps.at(-1)?.ops.at(-1))
}

/**
 * Where the middle of some stitches of a round lies around, as a share, when what stands in them is so many stitches
 * shorter where it begins; a row that shows its wrong side goes back.
 */
function placeOfRun({ at, count, side, closed }: PlannedRound, { from, to }: Run, fewer: number): number {
  const along = ((from + to) / 2 + (Math.sign(to - from) * fewer) / 2) / count
  return (at.from ?? 0) + (side === 'wrong' && !closed ? 1 - along : along) * (at.share ?? 1)
}

/** Length of a round as its stitches make it, mm. */
const rowOf = (round: Pick<PlannedRound, 'steps' | 'around' | 'ideal'>): number =>
  (countAround(round) * round.around) / round.ideal

/** By how much stitches are longer than what is wanted around: beside those that lie straight. */
function flatnessOf({
  count,
  w,
  around,
  straight = 0,
}: Readonly<Record<'count' | 'w' | 'around', number>> & { readonly straight?: number | undefined }): number {
  return ((count - straight) * w) / (around - straight * w) - 1
}

/** Index of the round whose top one is worked into; nothing on a ring or a chain. */
function hostOf(rounds: readonly Round[], index: number): number | undefined {
  const of = rounds[index]!.hosts[0]?.of
  if (of?.kind !== 'top') return undefined
  let host = index - 1
  while (host >= 0 && rounds[host]!.id !== of.round) host--
  return host < 0 ? undefined : host
}

const placesOf = (
  spec: SpecToLay,
  gauges: Gauges,
  rounds: readonly Round[],
  goesOn: GoesOn | undefined,
): RoundPosition[] =>
  goesOn ? placesOnAnEdge(spec, gauges, rounds, goesOn) : placesFromTheStart(spec, gauges, rounds)

/** The same rounds, those of a section laid as if nothing came after it. */
function placesAsEdges(
  spec: SpecToLay,
  gauges: Gauges,
  rounds: readonly Round[],
  goesOn: GoesOn | undefined,
  places: readonly RoundPosition[],
): readonly RoundPosition[] {
  const edges: RoundPosition[] = []
  for (let end = 1; end < rounds.length; end++) {
    if (rounds[end]!.section === rounds[end - 1]!.section) continue
    const begun = goesOn && goesOn.after <= end ? goesOn : undefined
    edges.push(...placesOf(spec, gauges, rounds.slice(0, end), begun).slice(edges.length))
  }
  return [...edges, ...places.slice(edges.length)]
}

/** The gauge that each round goes by. */
const gaugesUnder = (spec: SpecToLay, rounds: readonly Round[]): Gauge[] =>
  rounds.map(({ section }) => gaugeIn(spec, section))

const startSd = ({ construction, stitch, gauge }: SpecToLay): number =>
  startOfFabric(construction.start, stitch, gauge.w, gauge.h).sd

function placesFromTheStart(spec: SpecToLay, gauges: Gauges, rounds: readonly Round[]): RoundPosition[] {
  const laid = layPiece(spec, gauges, undefined)(toLay(spec, rounds))
  const doubts = doubtOfPlaces(laid, gaugesUnder(spec, rounds), { sd: startSd(spec) })
  return withTextures(
    spec,
    rounds,
    laid.rings.map((ring, index) => ({ ...ring, ...doubts[index]! })),
  )
}

/** What a texture that nobody has measured adds to the doubt: around, and for as long as it goes. */
function withTextures(
  spec: SpecToLay,
  rounds: readonly Round[],
  places: readonly RoundPosition[],
): RoundPosition[] {
  let long = 0
  return places.map((place, index) => {
    const { section, fabric: stitch } = rounds[index]!
    const accent = accentAt(spec, { number: index + 1, section, stitch })
    if (!accent && (!textureIn(spec, section) || isOfTexture(spec, section))) return place
    long += place.arc - (places[index - 1]?.arc ?? 0)
    const along = TEXTURE_SD * long
    return {
      ...place,
      sd: Math.hypot(place.sd, TEXTURE_SD * place.radius),
      sdZ: Math.hypot(place.sdZ, along),
      sdArc: Math.hypot(place.sdArc, along),
    }
  })
}

/**
 * Worked rounds lie so that their edge is where it was found, in a dish as deep as it stood; what is added goes on
 * from there, and a dish that flat rounds are added around comes to lie flatter.
 */
function placesOnAnEdge(
  spec: SpecToLay,
  gauges: Gauges,
  rounds: readonly Round[],
  { after, ...edge }: GoesOn,
): RoundPosition[] {
  const all = toLay(spec, rounds)
  const [there, ahead] = [all.slice(0, after), all.slice(after)]
  const from = beginningOf(spec, spec.gauge, there)
  const alone = layDown(there, from, gauges)
  const rim = alone.rings.at(-1)!
  const sdArc = edge.along?.sd ?? edge.sd
  const found = { sd: edge.sd, sdZ: sdArc, sdArc }
  const doubts = doubtOfPlaces(alone, gaugesUnder(spec, rounds), { sd: startSd(spec) })
  const left = ahead.length === 0 ? 1 : leftOfDish(ahead.length, after)
  const longer = alongEdge(edge) / rim.arc
  // What stands free is lifted by the rounds to come; a mat on its table is not.
  const lies = from.free && ahead.length > 0 ? layDown(all, from, gauges) : alone
  const worked = lies.rings
    .slice(0, after)
    .map(({ radius, z, arc, turned, ...beside }, index): RoundPosition => ({
      ...beside,
      ...(turned === undefined ? {} : { turned: turned * longer }),
      radius: (radius * edge.radius) / (from.free ? lies.rings[after - 1]!.radius : rim.radius),
      z: from.free ? z * longer : edge.z * (radius / rim.radius) ** 2 * left,
      arc: arc * longer,
      ...(index === after - 1 ? found : doubts[index]!),
    }))
  const laid = layPiece(spec, gauges, { rounds: there, edge })(ahead)
  const added = doubtOfPlaces(laid, gaugesUnder(spec, rounds.slice(after)), edge)
  const onward = laid.rings.map((ring, index) => ({ ...ring, ...added[index]! }))
  return [...worked, ...withTextures(spec, rounds.slice(after), onward)]
}
