import { familyOf } from '../forms/registry.ts'
import { doubtOf, measured, type Promised } from '../lay/measures.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'

/** What a tape will find after a round: the sizes that its form is measured by. */
export function promisesOf(
  { form }: Pick<PieceSpec, 'form'>,
  { at, number, section }: PlannedRound,
): Promised[] {
  return familyOf(form)
    .measures(form)
    .filter((measure) => measure.in?.includes(section) ?? true)
    .map(({ of }) => ({
      of,
      at: number,
      value: measured(of, at),
      sd: doubtOf(of, { radius: at.sd, arc: at.sdArc }),
    }))
}
