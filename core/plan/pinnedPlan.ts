import { layRounds } from './layRounds.ts'
import { measureHole } from './measureHole.ts'
import type { PieceSpec, PinnedPlan, Plan } from './plan.ts'
import { sumsOf } from './sumsOf.ts'
import type { Round } from '../rounds/round.ts'

/** A plan as it is kept. */
export function pin({ rounds, goesOn, finished, checkpoints, notices }: Plan): PinnedPlan {
  return {
    rounds: rounds.map(onlyRound),
    ...(goesOn ? { goesOn } : {}),
    finished,
    checkpoints,
    notices,
  }
}

const onlyRound = (round: Round): Round => {
  const { id, section, closed, side, fabric, yarn, beside, hosts, steps, left } = round
  return {
    id,
    section,
    closed,
    side,
    fabric,
    yarn,
    ...(beside ? { beside } : {}),
    hosts,
    steps,
    ...(left ? { left } : {}),
  }
}

/** A kept plan with all that follows from its rounds: numbers, counts, places, yarn and time. */
export function unpin(spec: PieceSpec, { rounds, goesOn, ...promises }: PinnedPlan): Plan {
  const laid = layRounds(spec, rounds, goesOn)
  return {
    rounds: laid,
    ...(goesOn ? { goesOn } : {}),
    ...promises,
    hole: measureHole(spec),
    ...sumsOf(laid, spec),
  }
}
