import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { overOpenings, slitsIn, withOpenings } from './openings.ts'
import { edgingSteps, hasEdging } from './edging.ts'
import { layRounds } from './layRounds.ts'
import { measureFinished } from './measureFinished.ts'
import type { GoesOn, PieceSpec, Plan, PlannedRound } from './plan.ts'
import { asBelow, stepsOf, type RoundBelow } from './stepsOf.ts'
import { sumsOf } from './sumsOf.ts'
import type { Worked } from './worked.ts'
import { textureAt } from './textureAt.ts'
import type { Step } from '../rounds/steps.ts'
import { hostsOn } from '../rounds/hostsOn.ts'
import { roundNamed } from '../rounds/inOrder.ts'
import { loopsBelow, stitchesIn, type Round } from '../rounds/round.ts'

/**
 * The piece if its remaining rounds are worked as they were planned: the same increases on top of what is
 * really there, staggered as they were, by the maker's gauge in this piece.
 */
export function carryOnPlan(
  spec: PieceSpec,
  plan: Plan,
  worked: readonly Round[],
  edge: Worked['edge'],
): Plan {
  const rounds = [...worked]
  const numberOf = (id: string) => roundNamed(plan.rounds, id)?.number
  for (const round of plan.rounds.slice(worked.length)) {
    const planned = plan.rounds.slice(0, rounds.length)
    const hosts = hostsOn(
      round,
      (id) => roundNamed(plan.rounds, id)?.count,
      (id) => rounds[(numberOf(id) ?? 0) - 1],
    )
    const off = stitchesIn(hosts) - stitchesIn(round.hosts)
    rounds.push({
      ...round,
      hosts,
      steps: off === 0 ? round.steps : stepsWith(off, spec, round, planned, rounds),
    })
  }
  const goesOn: GoesOn = { after: worked.length, ...edge }
  const laid = layRounds(spec, rounds, goesOn)
  return {
    ...plan,
    rounds: laid,
    goesOn,
    finished: measureFinished(spec, laid),
    checkpoints: chooseCheckpoints(spec, laid, 0).filter(
      ({ afterRound, purpose }) => afterRound > worked.length || purpose === 'finish',
    ),
    ...sumsOf(laid, spec),
    notices: [],
  }
}

/** What a planned round is worked into among the real ones: the last of them, or one before a lip. */
const hostIn = (real: readonly Round[], { number, into = number - 1 }: PlannedRound): Round => real[into - 1]!

/** A planned round with so many stitches more, its texture and openings kept. */
function stepsWith(
  off: number,
  spec: PieceSpec,
  round: PlannedRound,
  planned: readonly Round[],
  real: readonly Round[],
): readonly Step[] {
  const { section, stitch, side } = round
  if (hasEdging(spec) && stitch === 'slst') return edgingSteps(spec, round.from + off)
  const into = loopsBelow(round)
  const shape = { section, stitch, from: round.from + off, count: round.count + off }
  const turns = into === 'back' && planned.at(-1)!.section !== section
  const texture = textureAt(spec, shape, real, turns)
  // Staggered against the plan's own rounds below, whatever their counts have become.
  const before = shapedLike(planned, real)
  const steps = stepsOf({ ...shape, texture, side }, before, spec.construction, into)
  return withOpenings(overOpenings(steps, hostIn(real, round).steps), slitsIn(round.steps), stitch)
}

/** The rounds below as they were planned to be shaped, with the steps that are really there. */
function shapedLike(planned: readonly Round[], real: readonly Round[]): RoundBelow[] {
  return planned.map((round, index) => ({
    shapes: asBelow(round).shapes,
    steps: real[index]?.steps ?? round.steps,
  }))
}
