import { expose } from 'comlink'
import {
  planPiece,
  rhythmScale,
  SpecError,
  type PieceSpec,
  type Plan,
  type RhythmOffer,
} from '../../core/index.ts'

/** Errors lose their class on the way between threads, so they travel as plain facts. */
export type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly path: string; readonly unsaid: SpecError['unsaid'] }

function answer<T>(compute: () => T): Answer<T> {
  try {
    return { ok: true, value: compute() }
  } catch (error) {
    if (!(error instanceof SpecError)) throw error
    const { path, unsaid } = error
    return { ok: false, path, unsaid }
  }
}

const planner = {
  plan: (spec: PieceSpec): Answer<Plan> => answer(() => planPiece(spec)),
  rhythm: (spec: PieceSpec): Answer<RhythmOffer[]> => answer(() => rhythmScale(spec)),
}

export type Planner = typeof planner

expose(planner)
