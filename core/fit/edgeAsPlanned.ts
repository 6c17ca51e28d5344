import type { FoundEdge, PlannedRound } from '../plan/plan.ts'

/** Where the edge of a round is that nobody measured: where its plan has it. */
export const edgeAsPlanned = ({ at }: Pick<PlannedRound, 'at'>): FoundEdge => ({
  radius: at.radius,
  z: at.z,
  sd: at.sd,
  along: { arc: at.arc, sd: at.sdArc },
})
