import { wrap, type Remote } from 'comlink'
import { useEffect, useMemo, useRef, useState } from 'react'
import {
  planPiece,
  rhythmScale,
  SpecError,
  type PieceSpec,
  type Plan,
  type RhythmOffer,
} from '../../core/index.ts'
import type { Answer, Planner } from '../workers/plan.worker.ts'

/** What cannot be planned: the field, and what is wrong and would be right, still to be said. */
export type Unsaid = Pick<SpecError, 'path' | 'unsaid'>

export interface Planned {
  /** The last plan that could be made. */
  readonly plan?: Plan
  /** The spec that `plan` belongs to. */
  readonly spec?: PieceSpec
  readonly fault?: Unsaid
}

/** Pieces of more rounds are planned in a worker, and the last drawing stays until they are done. */
const ROUNDS_AT_ONCE = 60

let planner: Remote<Planner> | undefined
function sharedPlanner(): Remote<Planner> {
  planner ??= wrap<Planner>(
    new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
  )
  return planner
}

const isHeavy = ({ shape, gauge }: PieceSpec) => shape.across / (2 * gauge.h) > ROUNDS_AT_ONCE

/** Computes at once or, when heavy, in the worker; `undefined` until the first heavy answer. */
function useAnswer<T>(
  spec: PieceSpec | undefined,
  atOnce: (spec: PieceSpec) => T,
  inWorker: (worker: Remote<Planner>, spec: PieceSpec) => Promise<Answer<T>>,
): Answer<T> | undefined {
  const key = spec && JSON.stringify(spec)
  const [late, setLate] = useState<{ key: string; answer: Answer<T> }>()
  const heavy = spec !== undefined && isHeavy(spec)
  const direct = useMemo((): Answer<T> | undefined => {
    if (!spec || heavy) return undefined
    try {
      return { ok: true, value: atOnce(spec) }
    } catch (error) {
      if (!(error instanceof SpecError)) throw error
      return { ok: false, path: error.path, unsaid: error.unsaid }
    }
    // The key stands for the spec's content.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, heavy])
  useEffect(() => {
    if (!spec || !heavy || key === undefined) return
    let wanted = true
    void inWorker(sharedPlanner(), spec).then((answer) => wanted && setLate({ key, answer }))
    return () => {
      wanted = false
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, heavy])
  return direct ?? (late?.key === key ? late?.answer : undefined)
}

/** The plan of a spec; while a spec cannot be planned, the last that could. */
export function usePlan(spec: PieceSpec | undefined): Planned {
  const answer = useAnswer(spec, planPiece, (worker, heavy) => worker.plan(heavy))
  const last = useRef<{ plan: Plan; spec: PieceSpec }>(undefined)
  if (answer?.ok && spec) last.current = { plan: answer.value, spec }
  const { plan, spec: planned } = last.current ?? {}
  return answer && !answer.ok ? { plan, spec: planned, fault: answer } : { plan, spec: planned }
}

/** What each position of the rhythm control buys. */
export function useRhythmScale(spec: PieceSpec | undefined): readonly RhythmOffer[] | undefined {
  const answer = useAnswer(spec, rhythmScale, (worker, heavy) => worker.rhythm(heavy))
  return answer?.ok ? answer.value : undefined
}
