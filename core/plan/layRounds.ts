import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { clothOf } from '../lay/clothOf.ts'
import { lay } from '../lay/lay.ts'
import { countOf, usedBy, type Round } from '../rounds/round.ts'
import { flatness, idealCount } from '../shape/disc.ts'
import { leftOfDish } from '../shape/leftOfDish.ts'
import { startOfFabric } from '../shape/startOfFabric.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { doubtOfRadii } from './doubtOfRadii.ts'
import { layPiece } from './layPiece.ts'
import type { GoesOn, PieceSpec, PlannedRound, RoundPosition } from './plan.ts'

type SpecToLay = Pick<PieceSpec, 'construction' | 'stitch' | 'gauge'>

/** Sizes of the stitches of a spec, each worked out once. */
export function gaugesByStitch({ gauge }: Pick<PieceSpec, 'gauge'>): (stitch: StitchName) => Gauge {
  const known = new Map<StitchName, Gauge>()
  return (stitch) => {
    const found = known.get(stitch) ?? gaugeForStitch(gauge, stitch)
    known.set(stitch, found)
    return found
  }
}

/**
 * Rounds with their numbers and counts, and where they come to lie: what follows from a list of rounds and the
 * maker's stitches, planned, re-planned or read from a file alike.
 */
export function layRounds(spec: SpecToLay, rounds: readonly Round[], goesOn?: GoesOn): PlannedRound[] {
  const gauges = gaugesByStitch(spec)
  const places = goesOn
    ? placesOnAnEdge(spec, gauges, rounds, goesOn)
    : placesFromTheStart(spec, gauges, rounds)
  return rounds.map((round, index): PlannedRound => {
    const { w } = gauges(round.fabric)
    const [count, at] = [countOf(round), places[index]!]
    return {
      ...round,
      number: index + 1,
      stitch: round.fabric,
      from: usedBy(round),
      count,
      ideal: idealCount(at.arc, w),
      at,
      flatness: flatness(count, w, at.arc),
    }
  })
}

const toLay = (rounds: readonly Round[]) =>
  rounds.map((round) => ({ stitch: round.fabric, count: countOf(round) }))

function placesFromTheStart(
  spec: SpecToLay,
  gauges: (stitch: StitchName) => Gauge,
  rounds: readonly Round[],
): RoundPosition[] {
  const { sd } = startOfFabric(spec.construction.start, spec.stitch, spec.gauge.w, spec.gauge.h)
  const laid = layPiece(spec, gauges, undefined)(toLay(rounds))
  const sds = doubtOfRadii(laid, spec.gauge, sd)
  return laid.rings.map((ring, index) => ({ ...ring, sd: sds[index]! }))
}

/**
 * Worked rounds lie so that their edge is where it was found, in a dish as deep as it stood; what is added goes on
 * from there, and a dish that flat rounds are added around comes to lie flatter.
 */
function placesOnAnEdge(
  spec: SpecToLay,
  gauges: (stitch: StitchName) => Gauge,
  rounds: readonly Round[],
  { after, ...edge }: GoesOn,
): RoundPosition[] {
  const [there, ahead] = [rounds.slice(0, after), rounds.slice(after)]
  const { centre, hole, sd } = startOfFabric(spec.construction.start, spec.stitch, spec.gauge.w, spec.gauge.h)
  const alone = lay(clothOf(toLay(there), { centre, hole }, gauges))
  const rim = alone.rings.at(-1)!
  const sds = doubtOfRadii(alone, spec.gauge, sd)
  const left = ahead.length === 0 ? 1 : leftOfDish(ahead.length, after)
  const worked = alone.rings.map(({ radius, arc }, index): RoundPosition => ({
    radius: (radius * edge.radius) / rim.radius,
    z: edge.z * (radius / rim.radius) ** 2 * left,
    arc: (arc * edge.radius) / rim.arc,
    sd: index === after - 1 ? edge.sd : sds[index]!,
  }))
  const laid = layPiece(spec, gauges, { rounds: toLay(there), edge })(toLay(ahead))
  const doubts = doubtOfRadii(laid, spec.gauge, edge.sd)
  return [...worked, ...laid.rings.map((ring, index) => ({ ...ring, sd: doubts[index]! }))]
}
