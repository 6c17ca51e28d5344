import type { Gauge } from '../gauge/gauge.ts'
import type { Outline } from '../forms/family.ts'
import { familyOf } from '../forms/registry.ts'
import type { Laid } from '../lay/lay.ts'
import { FLAT_TOLERANCE } from '../shape/disc.ts'
import { startOfFabric } from '../shape/startOfFabric.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { validateSpec } from './validateSpec.ts'
import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { chooseRounds, reachableWithin, wholeRounds, type RoundChoice } from './chooseRounds.ts'
import { countsFor } from './countsFor.ts'
import { doubtOfRadii } from './doubtOfRadii.ts'
import { layPiece, type LayPiece } from './layPiece.ts'
import { gaugesByStitch, layRounds } from './layRounds.ts'
import { measureFinished } from './measureFinished.ts'
import { measureHole } from './measureHole.ts'
import { noticesOf, repeatCost } from './notices.ts'
import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { sumsOf } from './sumsOf.ts'
import type { Worked } from './worked.ts'
import { writeRounds } from './writeRounds.ts'

/**
 * How many of the nearest ways to reach the size are planned through. In a piece of few rounds the give
 * differs from way to way, so more of them are tried; pieces that take long get one.
 */
const finalists = (rounds: number): number => (rounds <= 16 ? 5 : rounds <= 100 ? 2 : 1)

interface Candidate {
  readonly choice: RoundChoice
  readonly counts: readonly number[]
  readonly ideals: readonly number[]
  readonly laid: Laid
  readonly across: number
}

/** Where rounds to be planned begin. */
interface Base {
  /** The stretch of the form that is planned, and how far along it the rounds to come begin, mm. */
  readonly section: Outline
  readonly along: number
  /** Radius of the edge that they go on from, or of the centre, and its standard deviation. */
  readonly centre: number
  readonly sd: number
  readonly lay: LayPiece
  readonly worked: readonly PlannedRound[]
}

/**
 * Plans every round of a piece: counts, steps, predicted sizes, checkpoints, yarn and time.
 * Pure: the same spec gives the same plan.
 * @param worked rounds that are facts; planning goes on from where the last of them was found to lie
 * @throws SpecError when the spec cannot be planned, with the field and what would be valid
 */
export function planPiece(spec: PieceSpec, worked?: Worked): Plan {
  validateSpec(spec)
  const plan = planRounds(spec, worked)
  const { multiples, ...others } = spec.constraints ?? {}
  if (!multiples?.length) return plan
  // What holding counts to a multiple costs is told by the plan without it.
  const free = planRounds({ ...spec, constraints: others }, worked)
  return { ...plan, notices: [...plan.notices, ...repeatCost(plan, free, multiples)] }
}

function planRounds(spec: PieceSpec, worked: Worked | undefined): Plan {
  const gauges = gaugesByStitch(spec)
  const base = baseOf(spec, gauges, worked)
  const best = bestCandidate(spec, gauges, base)
  const toCome = best.choice.stitches.map((stitch, index) => ({ stitch, count: best.counts[index]! }))
  const goesOn = worked && { after: worked.rounds.length, ...worked.edge }
  const rounds = layRounds(spec, writeRounds(spec, base.section.id, worked?.rounds ?? [], toCome), goesOn)
  const finished = measureFinished(rounds)
  const checkpoints = chooseCheckpoints(rounds, best.choice.trimmed).filter(
    ({ afterRound }) => afterRound > base.worked.length || afterRound === rounds.length,
  )
  const reachable = reachableWithin(spec.stitch, spec.construction.freeLastRounds, heightIn(gauges))
  return {
    rounds,
    ...(goesOn ? { goesOn } : {}),
    hole: measureHole(spec),
    finished,
    checkpoints,
    ...sumsOf(rounds, spec),
    notices: noticesOf(spec, rounds, finished, best.choice, checkpoints, reachable),
  }
}

type Gauges = (stitch: StitchName) => Gauge

const heightIn = (gauges: Gauges) => (stitch: StitchName) => gauges(stitch).h

function baseOf(spec: PieceSpec, gauges: Gauges, worked: Worked | undefined): Base {
  const { w, h } = spec.gauge
  const start = startOfFabric(spec.construction.start, spec.stitch, w, h)
  const [section] = familyOf(spec.form).sections(spec.form, { w, h, start }) as [Outline]
  if (!worked) {
    const { centre, sd } = start
    return { section, along: 0, centre, sd, lay: layPiece(spec, gauges, undefined), worked: [] }
  }
  const { rounds, edge } = worked
  const there = layRounds(spec, rounds, { after: rounds.length, ...edge })
  const toLay = there.map(({ stitch, count }) => ({ stitch, count }))
  return {
    section,
    // Flat fabric goes on from as far out as its edge was found.
    along: edge.radius - start.hole,
    centre: edge.radius,
    sd: edge.sd,
    lay: layPiece(spec, gauges, { rounds: toLay, edge }),
    worked: there,
  }
}

/**
 * Whole rounds of the body stitch while they land within half the tolerance, or while the size is known no
 * better than the tolerance; else the way that comes nearest, if that brings it within half the tolerance or
 * whole rounds miss it altogether (FIELD §3).
 */
function bestCandidate(spec: PieceSpec, gauges: Gauges, base: Base): Candidate {
  const wanted = base.section.guide.length - base.along
  const { value } = familyOf(spec.form).target(spec.form)
  const least = base.worked.length > 0 ? 0 : 2
  const body = gauges(spec.stitch).h
  const missed = ({ across }: Candidate) => Math.abs(across - value)
  const nearest = (all: readonly Candidate[]) =>
    all.reduce((best, next) => (missed(next) < missed(best) - 1e-9 ? next : best))
  const tried = (choices: readonly RoundChoice[]) =>
    choices.map((choice) => candidate(spec, choice, gauges, base))

  const pilot = candidate(spec, wholeRounds(Math.max(0, wanted), spec.stitch, body, least)[0]!, gauges, base)
  // Fabric gives a little both ways: aim off by what the first try was found to give.
  const give = pilot.across / 2 - value / 2 + wanted - pilot.choice.reach
  const aim = Math.max(0, wanted - give)
  const same = ({ stitches }: RoundChoice) => stitches.length === pilot.choice.stitches.length
  const whole = nearest([
    pilot,
    ...tried(wholeRounds(aim, spec.stitch, body, least).filter((choice) => !same(choice))),
  ])
  const { freeLastRounds } = spec.construction
  const { tolerance } = spec
  if (freeLastRounds === 0 || missed(whole) <= tolerance / 2) return whole
  if (tolerance > 0 && plusMinusOf(whole, spec, base) > tolerance) return whole
  const trims = chooseRounds(aim, spec.stitch, freeLastRounds, heightIn(gauges), least)
    .filter(({ trimmed }) => trimmed > 0)
    .slice(0, finalists(pilot.choice.stitches.length))
  if (trims.length === 0) return whole
  const ways = tried(trims)
  const flat = ways.filter(trimsFlat)
  const trimmed = nearest(flat.length > 0 ? flat : ways)
  const worthIt =
    missed(trimmed) < missed(whole) && (missed(trimmed) <= tolerance / 2 || missed(whole) > tolerance)
  return worthIt ? trimmed : whole
}

/** Whether the rounds that trim the size lie flat themselves: a last round that draws in is no trim. */
function trimsFlat({ choice: { stitches, trimmed }, counts, ideals }: Candidate): boolean {
  const first = stitches.length - trimmed
  return counts.every(
    (count, index) =>
      index < first || isEdging(stitches[index]!) || Math.abs(count / ideals[index]! - 1) <= FLAT_TOLERANCE,
  )
}

/** ± of the finished size (19 times of 20), mm across. */
function plusMinusOf({ laid }: Candidate, { gauge }: PieceSpec, { sd }: Base): number {
  return 4 * (doubtOfRadii(laid, gauge, sd).at(-1) ?? sd)
}

function candidate(spec: PieceSpec, choice: RoundChoice, gauges: Gauges, base: Base): Candidate {
  let { along } = base
  const ideals = choice.stitches.map((stitch) => {
    const { w, h } = gauges(stitch)
    return base.section.guide.perimeter((along += h)) / w
  })
  const counts = countsFor(spec, choice.stitches, ideals, base.worked)
  const made = choice.stitches.map((stitch, index) => ({ stitch, count: counts[index]! }))
  const laid = base.lay(made)
  return { choice, counts, ideals, laid, across: 2 * (laid.rings.at(-1)?.radius ?? base.centre) }
}
