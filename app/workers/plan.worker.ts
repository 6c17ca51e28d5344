import { expose } from 'comlink'
import {
  attempt,
  compromises,
  planPiece,
  rhythmScale,
  specOf,
  unpin,
  type Answer,
  type Compromises,
  type GaugeRecord,
  type PieceRecord,
  type PieceSpec,
  type PlanVersionRecord,
  type Plan,
  type RhythmOffer,
} from '../../core/index.ts'

/** Errors lose their class on the way between threads, so they travel as plain facts. */
const planner = {
  /** The plan of a piece as it is kept, and what it was asked to be. */
  planPiece: (
    piece: PieceRecord,
    gauge: GaugeRecord,
    pace: number,
    others: readonly GaugeRecord[],
  ): Answer<{ plan: Plan; spec: PieceSpec }> =>
    attempt(() => {
      const spec = specOf(piece, gauge, pace, others)
      return { plan: planPiece(spec), spec }
    }),
  /** A plan that work was begun on, with what follows from its rounds. */
  unpin: (spec: PieceSpec, kept: PlanVersionRecord['plan']): Answer<Plan> => attempt(() => unpin(spec, kept)),
  plan: (spec: PieceSpec): Answer<Plan> => attempt(() => planPiece(spec)),
  compromises: (spec: PieceSpec): Answer<Compromises | undefined> => attempt(() => compromises(spec)),
  rhythm: (spec: PieceSpec): Answer<RhythmOffer[]> => attempt(() => rhythmScale(spec)),
}

export type Planner = typeof planner

expose(planner)
