import type { Remote } from 'comlink'
import { startTransition, useEffect, useMemo, useRef, useState } from 'react'
import {
  attempt,
  faultIn,
  planPiece,
  roundsWanted,
  type Answer,
  type Compromises,
  type Fault,
  type PieceSpec,
  type Plan,
  type RhythmOffer,
} from '../../core/index.ts'
import type { Planner } from '../workers/plan.worker.ts'
import { askPlanner } from './planner.ts'

export interface Planned {
  /** The last plan that could be made. */
  readonly plan?: Plan
  /** The spec that `plan` belongs to. */
  readonly spec?: PieceSpec
  readonly fault?: Fault
}

/** Pieces of more rounds are planned in a worker, and the last drawing stays until they are done. */
const ROUNDS_AT_ONCE = 60

const isHeavy = (spec: PieceSpec) => roundsWanted(spec) > ROUNDS_AT_ONCE

/**
 * Computes at once where that is given, not heavy, and follows an answer; else in the worker, so that a screen that
 * opens can be drawn meanwhile. `undefined` until its first answer.
 */
function useAnswer<T>(
  spec: PieceSpec | undefined,
  inWorker: (worker: Remote<Planner>, spec: PieceSpec) => Promise<Answer<T>>,
  atOnce?: (spec: PieceSpec) => T,
): Answer<T> | undefined {
  const key = spec && JSON.stringify(spec)
  const [late, setLate] = useState<{ key: string; answer: Answer<T> }>()
  const opened = useRef(false)
  const known = late?.key === key ? late?.answer : undefined
  const heavy = spec !== undefined && (!atOnce || known !== undefined || !opened.current || isHeavy(spec))
  const direct = useMemo((): Answer<T> | undefined => {
    if (!spec || heavy || !atOnce) return undefined
    return attempt(() => atOnce(spec))
    // The key stands for the spec's content.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, heavy])
  useEffect(() => {
    if (!spec || !heavy || key === undefined) return
    let wanted = true
    void askPlanner((remote) => inWorker(remote, spec))
      .catch((error: unknown): Answer<T> =>
        atOnce && !isHeavy(spec) ? attempt(() => atOnce(spec)) : { ok: false, ...faultIn(error) },
      )
      .then((answer) => {
        if (!wanted) return
        opened.current = true
        startTransition(() => setLate({ key, answer }))
      })
    return () => {
      wanted = false
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, heavy])
  return direct ?? known
}

/** The plan of a spec; while a spec cannot be planned, the last that could. */
export function usePlan(spec: PieceSpec | undefined): Planned {
  const answer = useAnswer(spec, (worker, heavy) => worker.plan(heavy), planPiece)
  const last = useRef<{ plan: Plan; spec: PieceSpec }>(undefined)
  if (answer?.ok && spec) last.current = { plan: answer.value, spec }
  const { plan, spec: planned } = last.current ?? {}
  return answer && !answer.ok ? { plan, spec: planned, fault: answer } : { plan, spec: planned }
}

/** What each position of the rhythm control buys. */
export function useRhythmScale(spec: PieceSpec | undefined): readonly RhythmOffer[] | undefined {
  // Five plans are too much for a phone that has just opened the page.
  const answer = useAnswer(spec, (worker, asked) => worker.rhythm(asked))
  return answer?.ok ? answer.value : undefined
}

/** Which wishes fight, and what each way out costs; nothing where all can be had. */
export function useCompromises(spec: PieceSpec | undefined): Compromises | undefined {
  // Four plans are too much between two strokes of a key.
  const answer = useAnswer(spec, (worker, asked) => worker.compromises(asked))
  return answer?.ok ? answer.value : undefined
}
