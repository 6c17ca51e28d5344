import {
  attempt,
  planPiece,
  specOf,
  unpin,
  type Answer,
  type PieceSpec,
  type Plan,
  type WorkshopSettings,
} from '../../core/index.ts'
import { laysHere } from './planVersions.ts'
import type { PieceView } from './queries.ts'

// What plans on this thread. The first screen has it done by the worker, and loads this only when that fails; every other
// screen brings it with it.
laysHere(unpin)

/** A piece that is planned here. */
export const planHere = (
  { piece, gauge, others }: Pick<PieceView, 'piece' | 'gauge' | 'others'>,
  { pace }: WorkshopSettings,
): Answer<{ readonly plan: Plan; readonly spec: PieceSpec }> =>
  attempt(() => {
    const spec = specOf(piece, gauge, pace, others)
    return { plan: planPiece(spec), spec }
  })
