import { expose } from 'comlink'
import {
  attempt,
  compromises,
  planPiece,
  rhythmScale,
  type Answer,
  type Compromises,
  type PieceSpec,
  type Plan,
  type RhythmOffer,
} from '../../core/index.ts'

/** Errors lose their class on the way between threads, so they travel as plain facts. */
const planner = {
  plan: (spec: PieceSpec): Answer<Plan> => attempt(() => planPiece(spec)),
  compromises: (spec: PieceSpec): Answer<Compromises | undefined> => attempt(() => compromises(spec)),
  rhythm: (spec: PieceSpec): Answer<RhythmOffer[]> => attempt(() => rhythmScale(spec)),
}

export type Planner = typeof planner

expose(planner)
