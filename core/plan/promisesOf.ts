import { familyOf } from '../forms/registry.ts'
import { partOf } from '../rounds/round.ts'
import { doubtOf, measured, type Promised } from '../lay/measures.ts'
import type { PlannedRound } from './plan.ts'
import { sizesOf, type PieceToOutline } from './wantedAround.ts'

/** What a tape will find when a round is done and the edge: the sizes that its form is measured by. */
export function promisesOf(spec: PieceToOutline, { asEdge, number, section }: PlannedRound): Promised[] {
  const { form } = spec
  const { thickness } = sizesOf(spec)
  return familyOf(form)
    .measures(form)
    .filter((measure) => measure.in?.includes(partOf(section)) ?? true)
    .map(({ of }) => ({
      of,
      at: number,
      value: measured(of, asEdge, thickness),
      sd: doubtOf(of, {
        radius: asEdge.sd,
        z: asEdge.sdZ,
        // Up from a heel only what comes after it is in doubt.
        arc: asEdge.sdArc * (of === 'leg' && asEdge.turned ? 1 - asEdge.turned / asEdge.arc : 1),
        spine: asEdge.sdSpine ?? 0,
      }),
    }))
}
