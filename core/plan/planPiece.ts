import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { paceCounts } from '../pacing/paceCounts.ts'
import { betaOf, deviationFrom, type PacingProblem } from '../pacing/pacingProblem.ts'
import { placeIncreases } from '../pacing/placeIncreases.ts'
import { flatness, idealCount } from '../shape/disc.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { checkSpec } from './checkSpec.ts'
import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { chooseRounds, reachableWithin, type RoundChoice } from './chooseRounds.ts'
import { measureFinished } from './measureFinished.ts'
import { noticesOf } from './notices.ts'
import type { PieceSpec, Plan, Round } from './plan.ts'
import { leftOfDish, predictProfile, type RoundFabric } from '../shape/predictProfile.ts'
import { doubtOfRadii } from './doubtOfRadii.ts'
import type { Worked } from './worked.ts'
import { timeOf, yarnOf } from './yarnAndTime.ts'

/**
 * How many of the nearest ways to reach the size are planned through. In a piece of few rounds the give
 * differs from way to way, so more of them are tried; pieces that take long get one.
 */
const finalists = (rounds: number): number => (rounds <= 16 ? 5 : rounds <= 100 ? 2 : 1)

/** A closed ring still has a small centre: 0.3 ± 0.15 h. */
const CENTRE_OF_CLOSED_RING = 0.3

interface Candidate {
  readonly choice: RoundChoice
  readonly counts: readonly number[]
  readonly ideals: readonly number[]
  readonly fabric: readonly RoundFabric[]
  readonly across: number
}

/** Where rounds to be planned begin. */
interface Base {
  /** Radius at which the fabric begins, for counts: 0 in a closed ring. */
  readonly inner: number
  /** Radius at which it settles, for sizes. */
  readonly centre: number
  /** Standard deviation of `centre`, mm; as the gauge has it when not given. */
  readonly sd?: number
  /** Height of the edge that they go on from. */
  readonly z: number
  readonly worked: readonly Round[]
}

/**
 * Plans every round of a piece: counts, steps, predicted sizes, checkpoints, yarn and time.
 * Pure: the same spec gives the same plan.
 * @param worked rounds that are facts; planning goes on from where the last of them was found to lie
 * @throws SpecError when the spec cannot be planned, with the field and what would be valid
 */
export function planPiece(spec: PieceSpec, worked?: Worked): Plan {
  checkSpec(spec)
  const gauges = gaugesByStitch(spec)
  const base = baseOf(spec, worked)
  const best = bestCandidate(spec, gauges, base)
  const { centre } = base
  const positions = predictProfile(best.fabric, centre, base.worked.at(-1)?.at.arc ?? base.inner)
  const sds = doubtOfRadii(best.fabric, centre, spec.gauge, base.sd)
  const rounds = [
    ...flattened(base.worked, best.choice.stitches.length),
    ...writeRounds(spec, best, base, (index) => {
      const { z, ...position } = positions[index]!
      return { ...position, z: z + base.z * leftOfDish(index + 1, base.worked.length), sd: sds[index]! }
    }),
  ]
  const finished = measureFinished(rounds)
  const checkpoints = chooseCheckpoints(rounds, best.choice.trimmed).filter(
    ({ afterRound }) => afterRound > base.worked.length || afterRound === rounds.length,
  )
  const { freeLastRounds } = spec.construction
  const reachable = reachableWithin(spec.stitch, freeLastRounds, (stitch) => gauges(stitch).h)
  const yarn = yarnOf(rounds, spec, gauges('sc').w)
  return {
    rounds,
    hole: holeRadius(spec),
    finished,
    checkpoints,
    yarn,
    stitches: rounds.reduce((sum, { count }) => sum + count, 0),
    seconds: timeOf(rounds, spec),
    notices: noticesOf(spec, rounds, finished, best.choice, checkpoints, reachable),
  }
}

function gaugesByStitch({ gauge }: PieceSpec): (stitch: StitchName) => Gauge {
  const known = new Map<StitchName, Gauge>()
  return (stitch) => {
    const found = known.get(stitch) ?? gaugeForStitch(gauge, stitch)
    known.set(stitch, found)
    return found
  }
}

/** Radius of the hole a chain ring leaves: chains × w / 2π. 0 for a closed start. */
function holeRadius({ construction, gauge }: Pick<PieceSpec, 'construction' | 'gauge'>): number {
  const { start } = construction
  return start.kind === 'chainRing' ? (start.chains * gauge.w) / (2 * Math.PI) : 0
}

/** Where round 1 really begins: the hole, or the small centre of a closed ring. */
function settledCentre(spec: PieceSpec): number {
  return holeRadius(spec) || CENTRE_OF_CLOSED_RING * spec.gauge.h
}

/** A dish that flat rounds are added around comes to lie flatter itself. */
function flattened(worked: readonly Round[], added: number): Round[] {
  const left = added === 0 ? 1 : leftOfDish(added, worked.length)
  return worked.map((round) => ({ ...round, at: { ...round.at, z: round.at.z * left } }))
}

function baseOf(spec: PieceSpec, worked: Worked | undefined): Base {
  if (!worked) return { inner: holeRadius(spec), centre: settledCentre(spec), z: 0, worked: [] }
  const { radius, z, sd } = worked.edge
  const last = worked.rounds.at(-1)!
  const edge = { ...last, at: { ...last.at, radius, z, sd } }
  return { inner: radius, centre: radius, sd, z, worked: [...worked.rounds.slice(0, -1), edge] }
}

function bestCandidate(spec: PieceSpec, gauges: (stitch: StitchName) => Gauge, base: Base): Candidate {
  const wanted = spec.shape.across / 2 - base.inner
  const least = base.worked.length > 0 ? 0 : 2
  const heightOf = (stitch: StitchName) => gauges(stitch).h
  const choose = (reach: number) =>
    chooseRounds(Math.max(0, reach), spec.stitch, spec.construction.freeLastRounds, heightOf, least)
  const pilot = candidate(spec, choose(wanted)[0]!, gauges, base)
  // Fabric gives a little both ways: aim off by what the first try was found to give.
  const give = pilot.across / 2 - base.inner - pilot.choice.reach
  const candidates = choose(wanted - give)
    .slice(0, finalists(pilot.choice.stitches.length))
    .map((choice) => (sameRounds(choice, pilot.choice) ? pilot : candidate(spec, choice, gauges, base)))
  const cost = ({ across, choice }: Candidate) =>
    Math.abs(across - spec.shape.across) / 2 + choice.trimmed * 0.02 * spec.gauge.h
  return [...candidates, pilot].reduce((best, next) => (cost(next) < cost(best) ? next : best))
}

const sameRounds = (one: RoundChoice, other: RoundChoice): boolean =>
  one.stitches.length === other.stitches.length && one.reach === other.reach

function candidate(
  spec: PieceSpec,
  choice: RoundChoice,
  gauges: (stitch: StitchName) => Gauge,
  base: Base,
): Candidate {
  let radius = base.inner
  const radii = choice.stitches.map((stitch) => (radius += gauges(stitch).h))
  const ideals = choice.stitches.map((stitch, index) => idealCount(radii[index]!, gauges(stitch).w))
  const counts = countsFor(spec, choice, ideals, base.worked)
  const fabric = choice.stitches.map((stitch, index): RoundFabric => {
    const { w, h } = gauges(stitch)
    return {
      count: counts[index]!,
      w,
      h,
      flatness: flatness(counts[index]!, w, radii[index]!),
      edging: isEdging(stitch),
    }
  })
  const edge = predictProfile(fabric, base.centre).at(-1)
  return { choice, counts, ideals, fabric, across: 2 * (edge?.radius ?? base.centre) }
}

/** Paced counts; where rounds are worked already, the last of them is a fact that the others go on from. */
function countsFor(
  spec: PieceSpec,
  choice: RoundChoice,
  ideals: readonly number[],
  worked: readonly Round[],
): readonly number[] {
  const last = worked.at(-1)
  if (!last) return paceCounts(pacingProblem(spec, choice.stitches, ideals, 1)).counts
  if (ideals.length === 0) return []
  const problem = pacingProblem(
    spec,
    [last.stitch, ...choice.stitches],
    [...worked.slice(0, -1).map(({ ideal }) => ideal), last.count, ...ideals],
    last.number,
  )
  return paceCounts({
    ...problem,
    ideals: [last.count, ...ideals],
    firstCounts: [last.count, last.count],
    increaseBefore: Math.max(0, last.count - last.from),
  }).counts.slice(1)
}

/**
 * The integer problem behind a choice of rounds. Slip stitch rounds edge the piece and never increase.
 * @param allIdeals of the whole piece, those before `fromRound` with it
 */
function pacingProblem(
  { constraints, rhythm }: PieceSpec,
  stitches: readonly StitchName[],
  allIdeals: readonly number[],
  fromRound: number,
): PacingProblem {
  const ideals = allIdeals.slice(fromRound - 1)
  const evenRounds = new Set(constraints?.evenRounds)
  const even = stitches.map((stitch, index) => isEdging(stitch) || evenRounds.has(index + fromRound))
  const multiples = stitches.map((_, index) =>
    (constraints?.multiples ?? []).reduce(
      (of, rule) => (index + fromRound >= rule.fromRound ? rule.of : of),
      1,
    ),
  )
  const fixed = stitches.map((_, index) =>
    index === 0 ? (fromRound > 1 ? ideals[0]! : constraints?.firstCount) : undefined,
  )
  const first = ideals[0]!
  const deviation = deviationFrom(allIdeals, rhythm)
  return {
    ideals,
    firstCounts: [Math.max(4, Math.floor(first * 0.85)), Math.ceil(first * 1.2)],
    beta: betaOf(rhythm),
    // An edging follows the round below and is no fabric that could wave or cup.
    deviationCost: (index, count) =>
      isEdging(stitches[index]!) ? 0 : deviation(index + fromRound - 1, count),
    even,
    multiples,
    fixed,
  }
}

function writeRounds(
  spec: PieceSpec,
  { choice, counts, ideals, fabric }: Candidate,
  { worked }: Base,
  positionOf: (index: number) => Round['at'],
): Round[] {
  let shapingRounds = worked.filter(({ number, count, from }) => number > 1 && count !== from).length
  return choice.stitches.map((stitch, index): Round => {
    const count = counts[index]!
    const number = worked.length + index + 1
    const from = index > 0 ? counts[index - 1]! : (worked.at(-1)?.count ?? 0)
    const steps =
      number === 1
        ? [{ times: 1, ops: [{ kind: 'work' as const, stitch, count }] }]
        : placeIncreases({
            stitch,
            from,
            count,
            order: spec.construction.order,
            placement: spec.construction.placement,
            shapingRounds,
            joined: spec.construction.rounds.kind === 'joined',
          })
    if (number > 1 && count !== from) shapingRounds++
    return {
      number,
      stitch,
      yarn: spec.colours.findLast(({ fromRound }) => fromRound <= number)!.yarn,
      hosts: number === 1 ? { kind: 'ring' } : { kind: 'round', number: number - 1 },
      from,
      count,
      ideal: ideals[index]!,
      steps,
      at: positionOf(index),
      flatness: fabric[index]!.flatness,
    }
  })
}
