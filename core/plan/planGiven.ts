import { SpecError } from '../errors/specError.ts'
import { familyOf } from '../forms/registry.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import { verify } from '../rounds/verify.ts'
import type { Round } from '../rounds/round.ts'
import { carryOnPlan } from './carryOnPlan.ts'
import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { layRounds } from './layRounds.ts'
import { measureFinished } from './measureFinished.ts'
import { measureHole } from './measureHole.ts'
import { noticesOf } from './notices.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { sumsOf } from './sumsOf.ts'
import { asBegun, sizesOf } from './wantedAround.ts'
import type { Worked } from './worked.ts'
import { heldIn } from './writeRounds.ts'

/** A round that is to be worked as it is written; its yarn is that of the piece there. */
export type GivenRound = Omit<Round, keyof HeldYarns>

/** Rounds that are given need no trim. */
const NO_TRIM = { stitches: [], trimmed: 0, reach: 0 }

/**
 * The plan of rounds that are given: nothing of them is chosen, all that follows from them is worked out. What was worked
 * otherwise is carried on from.
 */
export function planGiven(asked: PieceSpec, given: readonly GivenRound[], worked: Worked | undefined): Plan {
  const all: Round[] = given.map((round, index) => ({ ...round, ...heldIn(asked, index + 1) }))
  const spec = asBegun(asked, all)
  const rounds = layRounds(spec, all)
  const finished = measureFinished(spec, rounds)
  const checkpoints = chooseCheckpoints(spec, rounds, 0)
  const [target] = familyOf(spec.form).targets(spec.form, sizesOf(spec))
  const plan: Plan = {
    rounds,
    hole: measureHole(spec),
    finished,
    checkpoints,
    ...sumsOf(rounds, spec),
    notices: noticesOf(spec, rounds, finished, NO_TRIM, checkpoints, 0, target),
  }
  return worked ? carryOnPlan(spec, plan, worked.rounds, worked.edge) : plan
}

/** @throws SpecError where given rounds are none, or do not stand on one another */
export function validateGiven({ constraints, colours }: Pick<PieceSpec, 'constraints' | 'colours'>): void {
  const given = constraints?.given
  if (!given) return
  if (given.length === 0) {
    throw new SpecError('constraints.given', 'There is no round to work.', 'Read a pattern that has some.')
  }
  const [flaw] = verify(given.map((round) => ({ ...round, yarn: colours[0]?.yarn ?? '' })))
  if (flaw) throw new SpecError('constraints.given', flaw.message, 'Mend it in the text.')
}
