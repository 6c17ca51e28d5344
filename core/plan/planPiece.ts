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
import { predictProfile, type RoundFabric } from '../shape/predictProfile.ts'
import { doubtOfRadii } from './doubtOfRadii.ts'
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

/**
 * Plans every round of a piece: counts, steps, predicted sizes, checkpoints, yarn and time.
 * Pure: the same spec gives the same plan.
 * @throws SpecError when the spec cannot be planned, with the field and what would be valid
 */
export function planPiece(spec: PieceSpec): Plan {
  checkSpec(spec)
  const gauges = gaugesByStitch(spec)
  const best = bestCandidate(spec, gauges)
  const centre = settledCentre(spec)
  const positions = predictProfile(best.fabric, centre, holeRadius(spec))
  const sds = doubtOfRadii(best.fabric, centre, spec.gauge)
  const rounds = writeRounds(spec, best, (index) => ({ ...positions[index]!, sd: sds[index]! }))
  const finished = measureFinished(rounds)
  const checkpoints = chooseCheckpoints(rounds, best.choice.trimmed)
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

function bestCandidate(spec: PieceSpec, gauges: (stitch: StitchName) => Gauge): Candidate {
  const wanted = spec.shape.across / 2 - holeRadius(spec)
  const heightOf = (stitch: StitchName) => gauges(stitch).h
  const choose = (reach: number) =>
    chooseRounds(reach, spec.stitch, spec.construction.freeLastRounds, heightOf)
  const pilot = candidate(spec, choose(wanted)[0]!, gauges)
  // Fabric gives a little both ways: aim off by what the first try was found to give.
  const give = pilot.across / 2 - holeRadius(spec) - pilot.choice.reach
  const candidates = choose(wanted - give)
    .slice(0, finalists(pilot.choice.stitches.length))
    .map((choice) => (sameRounds(choice, pilot.choice) ? pilot : candidate(spec, choice, gauges)))
  const cost = ({ across, choice }: Candidate) =>
    Math.abs(across - spec.shape.across) / 2 + choice.trimmed * 0.02 * spec.gauge.h
  return [...candidates, pilot].reduce((best, next) => (cost(next) < cost(best) ? next : best))
}

const sameRounds = (one: RoundChoice, other: RoundChoice): boolean =>
  one.stitches.length === other.stitches.length && one.reach === other.reach

function candidate(spec: PieceSpec, choice: RoundChoice, gauges: (stitch: StitchName) => Gauge): Candidate {
  let radius = holeRadius(spec)
  const radii = choice.stitches.map((stitch) => (radius += gauges(stitch).h))
  const ideals = choice.stitches.map((stitch, index) => idealCount(radii[index]!, gauges(stitch).w))
  const { counts } = paceCounts(pacingProblem(spec, choice, ideals))
  const fabric = choice.stitches.map((stitch, index): RoundFabric => {
    const { w, h } = gauges(stitch)
    return { count: counts[index]!, w, h, flatness: flatness(counts[index]!, w, radii[index]!) }
  })
  const edge = predictProfile(fabric, settledCentre(spec)).at(-1)!
  return { choice, counts, ideals, fabric, across: 2 * edge.radius }
}

/** The integer problem behind a choice of rounds. Slip stitch rounds edge the piece and never increase. */
function pacingProblem(
  { constraints, rhythm }: PieceSpec,
  { stitches }: RoundChoice,
  ideals: readonly number[],
): PacingProblem {
  const evenRounds = new Set(constraints?.evenRounds)
  const even = stitches.map((stitch, index) => isEdging(stitch) || evenRounds.has(index + 1))
  const multiples = stitches.map((_, index) =>
    (constraints?.multiples ?? []).reduce((of, rule) => (index + 1 >= rule.fromRound ? rule.of : of), 1),
  )
  const fixed = stitches.map((_, index) => (index === 0 ? constraints?.firstCount : undefined))
  const first = ideals[0]!
  const deviation = deviationFrom(ideals, rhythm)
  return {
    ideals,
    firstCounts: [Math.max(4, Math.floor(first * 0.85)), Math.ceil(first * 1.2)],
    beta: betaOf(rhythm),
    // An edging follows the round below and is no fabric that could wave or cup.
    deviationCost: (index, count) => (isEdging(stitches[index]!) ? 0 : deviation(index, count)),
    even,
    multiples,
    fixed,
  }
}

function writeRounds(
  spec: PieceSpec,
  { choice, counts, ideals, fabric }: Candidate,
  positionOf: (index: number) => Round['at'],
): Round[] {
  let shapingRounds = 0
  return choice.stitches.map((stitch, index): Round => {
    const count = counts[index]!
    const from = index === 0 ? 0 : counts[index - 1]!
    const steps =
      index === 0
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
    if (index > 0 && count !== from) shapingRounds++
    return {
      number: index + 1,
      stitch,
      yarn: spec.colours.findLast(({ fromRound }) => fromRound <= index + 1)!.yarn,
      hosts: index === 0 ? { kind: 'ring' } : { kind: 'round', number: index },
      from,
      count,
      ideal: ideals[index]!,
      steps,
      at: positionOf(index),
      flatness: fabric[index]!.flatness,
    }
  })
}
