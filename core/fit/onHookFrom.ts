import { attempt } from '../errors/attempt.ts'
import { gaugeOnHook } from '../gauge/hookAdvice.ts'
import { carryOnPlan } from '../plan/carryOnPlan.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import type { Otherwise } from '../plan/workedOtherwise.ts'
import { gaugeIn } from '../plan/sectionWork.ts'
import { edgeAsPlanned } from './edgeAsPlanned.ts'

/**
 * The piece with another hook from a round on: the rounds before it stay, those from it on are planned to the same size
 * by the stitches that are to be expected then. Rounds of a written pattern stay as they are written.
 * @param hookNow the hook in use, mm
 * @returns nothing where the rounds to come have a gauge of their own, or none come out
 */
export function onHookFrom(
  spec: PieceSpec,
  plan: Plan,
  from: number,
  hookNow: number,
  hook: number,
): Otherwise | undefined {
  const first = plan.rounds[from - 1]
  if (!first || hook === hookNow || gaugeIn(spec, first.section) !== spec.gauge) return undefined
  const next: PieceSpec = { ...spec, gauge: gaugeOnHook(spec.gauge, hookNow, hook) }
  const rounds = plan.rounds.slice(0, from - 1)
  const last = rounds.at(-1)
  const worked = last && { rounds, edge: edgeAsPlanned(last) }
  const made = attempt(() =>
    worked && spec.constraints?.given
      ? carryOnPlan(next, plan, rounds, worked.edge)
      : planPiece(next, worked),
  )
  return made.ok ? { spec: next, plan: made.value } : undefined
}
