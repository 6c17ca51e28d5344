import type { Outline, Sizes, Target } from '../forms/family.ts'
import { familyOf } from '../forms/registry.ts'
import { doubtOf, growthOf, measured } from '../lay/measures.ts'
import type { Laid } from '../lay/lay.ts'
import { FLAT_TOLERANCE } from '../lay/flatness.ts'
import type { SectionId } from '../rounds/round.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { validateSpec } from './validateSpec.ts'
import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { chooseRounds, reachableWithin, wholeRounds, type RoundChoice } from './chooseRounds.ts'
import { layAs, toLay, type LayAs, type RoundToLay } from './beginningOf.ts'
import { countsFor } from './countsFor.ts'
import { onTheWayBack, type RoundAsked } from './pacedCounts.ts'
import { doubtOfPlaces } from './doubtOfPlaces.ts'
import { alongEdge, layPiece, type LayPiece } from './layPiece.ts'
import { hasEdging } from './edging.ts'
import { layRounds } from './layRounds.ts'
import { measureFinished } from './measureFinished.ts'
import { measureHole } from './measureHole.ts'
import { planGiven } from './planGiven.ts'
import { roundsAsked, type RoundOf } from './roundsAsked.ts'
import { noticesOf, repeatCost } from './notices.ts'
import type { FoundEdge, PieceSpec, Plan, PlannedRound } from './plan.ts'
import { freeLastRoundsIn, gaugeIn, gaugesOf, stitchIn, type Gauges } from './sectionWork.ts'
import { beforeRowsAfter, withRowsAfter } from './rowsAfter.ts'
import { sumsOf } from './sumsOf.ts'
import { sectionsOf, sizesOf, asBegun } from './wantedAround.ts'
import { wholeSection, type Ahead } from './wholeSection.ts'
import type { Worked } from './worked.ts'
import { writeRounds, type RoundToWrite } from './writeRounds.ts'

/**
 * How many of the nearest ways to reach the size are planned through. In a piece of few rounds the give
 * differs from way to way, so more of them are tried; pieces that take long get one.
 */
const finalists = (rounds: number): number => (rounds <= 16 ? 5 : rounds <= 100 ? 2 : 1)

interface Candidate {
  readonly choice: RoundChoice
  readonly asked: readonly RoundAsked[]
  readonly counts: readonly number[]
  readonly laid: Laid
  /** What it comes to in the size that the last rounds are chosen for, mm. */
  readonly size: number
}

/** Where rounds to be planned begin. */
interface Base {
  /** Whole rounds of the sections before the last. */
  readonly before: readonly RoundOf[]
  /** The last section, whose last rounds are chosen for the size. */
  readonly last: Ahead
  /** How far along each section its rounds to come begin, mm. */
  readonly along: ReadonlyMap<SectionId, number>
  /** The size that the last rounds are chosen for. */
  readonly target: Target
  /** The edge that they go on from, or the start. */
  readonly edge: FoundEdge
  readonly lay: LayPiece
  readonly as: LayAs
  /** The last of the worked rounds, as it is laid. */
  readonly below?: RoundToLay
  readonly worked: readonly PlannedRound[]
  /** Sections of the worked rounds. */
  readonly sections: readonly Outline[]
}

/**
 * Plans every round of a piece: counts, steps, predicted sizes, checkpoints, yarn and time.
 * Pure: the same spec gives the same plan.
 * @param worked rounds that are facts; planning goes on from where the last of them was found to lie
 * @throws SpecError when the spec cannot be planned, with the field and what would be valid
 */
export function planPiece(asked: PieceSpec, worked?: Worked): Plan {
  const spec = worked ? asBegun(asked, worked.rounds) : asked
  validateSpec(spec)
  if (spec.constraints?.given) return planGiven(spec, spec.constraints.given, worked)
  const plan = planRounds(spec, worked)
  const { multiples, ...others } = spec.constraints ?? {}
  if (!multiples?.length) return plan
  // What holding counts to a multiple costs is told by the plan without it.
  const free = planRounds({ ...spec, constraints: others }, worked)
  return { ...plan, notices: [...plan.notices, ...repeatCost(plan, free, multiples)] }
}

function planRounds(spec: PieceSpec, worked: Worked | undefined): Plan {
  const gauges = gaugesOf(spec)
  const before = worked && { ...worked, rounds: beforeRowsAfter(spec, worked.rounds) }
  const base = baseOf(spec, gauges, before)
  const best = bestCandidate(spec, gauges, base)
  const toCome = best.asked.map(({ section: { id }, stitch, slits }, index) => ({
    section: id,
    stitch,
    count: best.counts[index]!,
    slits,
  }))
  const goesOn = worked && { after: base.worked.length, ...worked.edge }
  // Once rows stand on the edge of its rounds, that is where the rounds end.
  const written =
    worked && worked.rounds.length > base.worked.length
      ? worked.rounds
      : writeRounds(spec, before?.rounds ?? [], [...toCome, ...edgingOf(spec, base)])
  const rounds = layRounds(spec, withRowsAfter(spec, written), goesOn)
  const finished = measureFinished(spec, rounds)
  const checkpoints = chooseCheckpoints(spec, rounds, best.choice.trimmed).filter(
    ({ afterRound, purpose }) => afterRound > base.worked.length || purpose === 'finish',
  )
  const { id } = base.last.section
  const heightOf = (stitch: StitchName) => gauges({ section: id, stitch }).h
  const reachable = reachableWithin(stitchIn(spec, id), freeLastRoundsIn(spec, id), heightOf)
  return {
    rounds,
    ...(goesOn ? { goesOn } : {}),
    hole: measureHole(spec),
    finished,
    checkpoints,
    ...sumsOf(rounds, spec),
    notices: noticesOf(
      spec,
      beforeRowsAfter(spec, rounds),
      finished,
      best.choice,
      checkpoints,
      reachable,
      base.target,
    ),
  }
}

/** The round that edges the piece, once all others are there; nothing where it has none, or has it already. */
function edgingOf(spec: PieceSpec, { worked, last }: Base): RoundToWrite[] {
  if (!hasEdging(spec) || isEdged(worked)) return []
  return [{ section: last.section.id, stitch: 'slst', count: 0, edges: true }]
}

const isEdged = (worked: readonly PlannedRound[]): boolean => worked.at(-1)?.stitch === 'slst'

/** The size that is left for the rounds before the edging to reach, mm along the fabric. */
const heightOfRim = (spec: PieceSpec, gauges: Gauges, { worked, last }: Base): number =>
  hasEdging(spec) && !isEdged(worked) ? gauges({ section: last.section.id, stitch: 'slst' }).h : 0

function baseOf(spec: PieceSpec, gauges: Gauges, worked: Worked | undefined): Base {
  const outlines = sectionsOf(spec)
  const sizes = sizesOf(spec)
  const [target] = familyOf(spec.form).targets(spec.form, sizes)
  const there = worked && layRounds(spec, worked.rounds, { after: worked.rounds.length, ...worked.edge })
  const ahead = sectionsAhead(outlines, sizes, there, worked?.edge)
  const last = ahead.at(-1)!
  const sectionOf = ({ section }: PlannedRound) => outlines.find(({ id }) => id === section) ?? last.section
  const { centre, sd } = sizes.start
  const asLaid = there && worked && { rounds: toLay(spec, worked.rounds), edge: worked.edge }
  const below = asLaid?.rounds.at(-1)
  return {
    before: ahead.slice(0, -1).flatMap((one) => wholeSection(spec, gauges, one)),
    last,
    along: new Map(ahead.map(({ section, along }) => [section.id, along])),
    target,
    edge: worked?.edge ?? { radius: centre, z: 0, sd, along: { arc: 0, sd: 0 } },
    lay: layPiece(spec, gauges, asLaid),
    as: layAs(spec),
    ...(below ? { below } : {}),
    worked: there ?? [],
    sections: there?.map(sectionOf) ?? [],
  }
}

const unbegun = (section: Outline): Ahead => ({ section, along: 0, begun: false, worked: 0 })

/** The sections that still have rounds to come: the one on the hook, from where its edge was found, and all after it. */
function sectionsAhead(
  outlines: readonly Outline[],
  { start }: Sizes,
  there: readonly PlannedRound[] | undefined,
  edge: FoundEdge | undefined,
): Ahead[] {
  if (!there || !edge) return outlines.map(unbegun)
  const onHook = Math.max(
    0,
    outlines.findIndex(({ id }) => id === there.at(-1)!.section),
  )
  const first = there.findIndex(({ section }) => section === outlines[onHook]!.id)
  // Flat fabric goes on from as far out as its edge was found.
  const along = alongEdge(edge) - (there[first - 1]?.at.arc ?? start.hole)
  return outlines
    .slice(onHook)
    .map((section, index) =>
      index === 0 ? { section, along, begun: true, worked: there.length - first } : unbegun(section),
    )
}

/**
 * Whole rounds of the body stitch while they land within half the tolerance, or while the size is known no
 * better than the tolerance; else the way that comes nearest, if that brings it within half the tolerance or
 * whole rounds miss it altogether (FIELD §3).
 */
function bestCandidate(spec: PieceSpec, gauges: Gauges, base: Base): Candidate {
  const { section, along, begun } = base.last
  const rim = heightOfRim(spec, gauges, base)
  const wanted = section.guide.length - along - rim
  const { of } = base.target
  const value = base.target.value - growthOf(of) * rim
  const least = begun ? 0 : base.before.length + base.worked.length > 0 ? 1 : 2
  const body = stitchIn(spec, section.id)
  const heightOf = (stitch: StitchName) => gauges({ section: section.id, stitch }).h
  const height = heightOf(body)
  const missed = ({ size }: Candidate) => Math.abs(size - value)
  const nearest = (all: readonly Candidate[]) =>
    all.reduce((best, next) => (missed(next) < missed(best) - 1e-9 ? next : best))
  const tried = (choices: readonly RoundChoice[]) =>
    choices.map((choice) => candidate(spec, choice, gauges, base))

  // What closes again is as long as its shape is, in whole rounds.
  const { closes } = familyOf(spec.form)
  const wayBack = begun ? onTheWayBack(base.worked, base.sections) : undefined
  if (wayBack !== undefined) {
    const out = base.sections.filter(({ id }) => id === section.mirrors).length
    const left = Math.max(1, out - 1 - wayBack)
    return candidate(spec, wholeRounds(left * height, body, height, 1)[0]!, gauges, base)
  }
  if (closes && (begun || section.mirrors === undefined)) {
    const [rounds] = wholeRounds(Math.max(0, wanted), body, height, begun ? 0 : 1)
    return candidate(spec, rounds!, gauges, base)
  }
  if (section.mirrors !== undefined) {
    const back = [...base.before.map((one) => one.section.id), ...base.worked.map((round) => round.section)]
    const rounds = back.filter((id) => id === section.mirrors).length - 1
    return candidate(spec, wholeRounds(rounds * height, body, height, 1)[0]!, gauges, base)
  }
  const pilot = candidate(spec, wholeRounds(Math.max(0, wanted), body, height, least)[0]!, gauges, base)
  // Fabric gives a little both ways: aim off by what the first try was found to give.
  const give = (pilot.size - value) / growthOf(of) + wanted - pilot.choice.reach
  const aim = Math.max(0, wanted - give)
  const same = ({ stitches }: RoundChoice) => stitches.length === pilot.choice.stitches.length
  const whole = nearest([
    pilot,
    ...tried(wholeRounds(aim, body, height, least).filter((choice) => !same(choice))),
  ])
  const freeLastRounds = section.rows?.panel ? 0 : freeLastRoundsIn(spec, section.id)
  const { tolerance } = spec
  if (freeLastRounds === 0 || missed(whole) <= tolerance / 2) return whole
  if (tolerance > 0 && plusMinusOf(whole, spec, base) > tolerance) return whole
  const trims = chooseRounds(aim, body, freeLastRounds, heightOf, least)
    .filter(({ trimmed }) => trimmed > 0)
    .slice(0, finalists(pilot.choice.stitches.length))
  if (trims.length === 0) return whole
  const ways = tried(trims)
  const flat = section.guide.lies === 'flat' ? ways.filter(trimsFlat) : ways
  const trimmed = nearest(flat.length > 0 ? flat : ways)
  const worthIt =
    missed(trimmed) < missed(whole) && (missed(trimmed) <= tolerance / 2 || missed(whole) > tolerance)
  return worthIt ? trimmed : whole
}

/** Whether the rounds that trim the size lie flat themselves: a last round that draws in is no trim. */
function trimsFlat({ choice: { trimmed }, asked, counts }: Candidate): boolean {
  const first = asked.length - trimmed
  return asked.every(
    ({ stitch, ideal }, index) =>
      index < first || isEdging(stitch) || Math.abs(counts[index]! / ideal - 1) <= FLAT_TOLERANCE,
  )
}

/** ± of the finished size (19 times of 20), mm. */
function plusMinusOf({ laid, asked }: Candidate, spec: PieceSpec, { edge, target: { of } }: Base): number {
  const along = edge.along?.sd ?? edge.sd
  const gauges = asked.map(({ section }) => gaugeIn(spec, section.id))
  const { sd, sdZ, sdArc } = doubtOfPlaces(laid, gauges, edge).at(-1) ?? {
    sd: edge.sd,
    sdZ: along,
    sdArc: along,
  }
  return 2 * doubtOf(of, { radius: sd, z: sdZ, arc: sdArc })
}

function candidate(spec: PieceSpec, choice: RoundChoice, gauges: Gauges, base: Base): Candidate {
  const { section } = base.last
  const rounds = [...base.before, ...choice.stitches.map((stitch) => ({ section, stitch }))]
  const asked = roundsAsked(spec, rounds, gauges, base)
  const counts = countsFor(spec, asked, base.worked, base.sections)
  const made = base.as(
    asked.map((round, index) => ({
      number: base.worked.length + index + 1,
      section: round.section.id,
      stitch: round.stitch,
      count: counts[index]!,
    })),
    base.below,
  )
  const laid = base.lay(made)
  const { edge, target } = base
  const at = laid.rings.at(-1) ?? { radius: edge.radius, z: edge.z, arc: alongEdge(edge) }
  return { choice, asked, counts, laid, size: measured(target.of, at, sizesOf(spec).thickness) }
}
