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
        arc: asEdge.sdArc,
        spine: asEdge.sdSpine ?? 0,
      }),
    }))
}
