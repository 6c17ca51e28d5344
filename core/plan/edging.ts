import { budgetOf, edgeSteps, repeatOfEdge, usedByMotifs } from '../rounds/edge.ts'
import { usedByMotif } from '../rounds/motif.ts'
import { repeatOfRim, rimSteps } from '../rounds/rim.ts'
import type { Step } from '../rounds/steps.ts'
import { SpecError } from '../errors/specError.ts'
import type { PieceSpec } from './plan.ts'

type Edged = Pick<PieceSpec, 'construction' | 'constraints'>

/** Whether a piece is edged in one round after all others. */
export const hasEdging = ({ construction, constraints }: Edged): boolean =>
  construction.rim !== undefined || constraints?.edge !== undefined

/** What the last round before an edging must divide by. */
export function repeatOfEdging({ construction, constraints }: Edged): number {
  if (constraints?.edge) return repeatOfEdge(constraints.edge)
  return construction.rim ? repeatOfRim(construction.rim) : 1
}

/**
 * The edging of a piece on so many stitches.
 * @throws SpecError where motifs use more of them than there are
 */
export function edgingSteps({ construction, constraints }: Edged, count: number): Step[] {
  const edge = constraints?.edge
  if (!edge) return rimSteps(construction.rim!, count)
  if (budgetOf(edge, count)) return edgeSteps(edge, count)
  const most = Math.floor((count / usedByMotifs(edge)) * edge.motifs.length)
  throw new SpecError(
    'constraints.edge',
    `${edge.motifs.length} motifs use ${usedByMotifs(edge)} stitches of an edge that has ${count}.`,
    `Take some out: about ${most} of them have room.`,
  )
}

/** @throws SpecError where an edge has two edgings, or a motif stands on nothing */
export function validateEdge({ construction, constraints }: Edged): void {
  const edge = constraints?.edge
  if (!edge) return
  const wrong = (message: string, valid: string) => new SpecError('constraints.edge', message, valid)
  if (construction.rim) {
    throw wrong('An edge has one edging: a rim all around, or motifs along it.', 'Take one of them out.')
  }
  for (const motif of edge.motifs) {
    if (usedByMotif(motif) < 1) {
      throw wrong(`“${motif.name}” stands on no stitch of the edge.`, 'End it in one: add “sl st”.')
    }
  }
}
