import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { chooseCheckpoints } from '../plan/chooseCheckpoints.ts'
import { doubtOfRadii } from '../plan/doubtOfRadii.ts'
import { measureFinished } from '../plan/measureFinished.ts'
import type { PieceSpec, Plan, Round } from '../plan/plan.ts'
import type { Worked } from '../plan/worked.ts'
import { timeOf, yarnOf } from '../plan/yarnAndTime.ts'
import { placeIncreases } from '../pacing/placeIncreases.ts'
import { flatness } from '../shape/disc.ts'
import { leftOfDish, predictProfile } from '../shape/predictProfile.ts'
import { isEdging } from '../stitches/stitch.ts'

/**
 * The piece if its remaining rounds are worked as they were planned: the same increases on top of what is
 * really there, by the maker's gauge in this piece.
 */
export function carryOnPlan(
  spec: PieceSpec,
  plan: Plan,
  worked: readonly Round[],
  edge: Worked['edge'],
): Plan {
  const before = plan.rounds.slice(0, worked.length)
  const ahead = plan.rounds.slice(worked.length)
  const off = worked.at(-1)!.count - before.at(-1)!.count
  let arc = edge.radius
  const fabric = ahead.map(({ stitch, count }) => {
    const { w, h } = gaugeForStitch(spec.gauge, stitch)
    arc += h
    return {
      count: count + off,
      w,
      h,
      flatness: flatness(count + off, w, arc),
      edging: isEdging(stitch),
    }
  })
  const positions = predictProfile(fabric, edge.radius, worked.at(-1)!.at.arc)
  const sds = doubtOfRadii(fabric, edge.radius, spec.gauge, edge.sd)
  const last = worked.at(-1)!
  const rounds = [
    ...worked.slice(0, -1),
    { ...last, at: { ...last.at, ...edge } },
    ...ahead.map((round, index): Round => {
      const position = positions[index]!
      const [from, count] = [round.from + off, round.count + off]
      return {
        ...round,
        from,
        count,
        steps:
          off === 0
            ? round.steps
            : placeIncreases({
                stitch: round.stitch,
                from,
                count,
                order: spec.construction.order,
                placement: spec.construction.placement,
                shapingRounds: round.number,
                joined: spec.construction.rounds.kind === 'joined',
              }),
        at: {
          radius: position.radius,
          z: position.z + edge.z * leftOfDish(index + 1, worked.length),
          arc: position.arc,
          sd: sds[index]!,
        },
        flatness: fabric[index]!.flatness,
      }
    }),
  ]
  return {
    ...plan,
    rounds,
    finished: measureFinished(rounds),
    checkpoints: chooseCheckpoints(rounds, 0).filter(
      ({ afterRound }) => afterRound > worked.length || afterRound === rounds.length,
    ),
    yarn: yarnOf(rounds, spec, gaugeForStitch(spec.gauge, 'sc').w),
    stitches: rounds.reduce((sum, { count }) => sum + count, 0),
    seconds: timeOf(rounds, spec),
    notices: [],
  }
}
