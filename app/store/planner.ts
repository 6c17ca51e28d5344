import { wrap, type Remote } from 'comlink'
import type { Planner } from '../workers/plan.worker.ts'

interface PlannerAway {
  readonly remote: Remote<Planner>
  /** Never kept: broken when the worker is. */
  readonly failed: Promise<never>
}

let planner: PlannerAway | undefined

function startPlanner(): PlannerAway {
  const worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', ({ message }) => {
      planner = undefined
      worker.terminate()
      reject(new Error(message || 'the part that plans large pieces did not start'))
    })
  })
  failed.catch(() => undefined)
  return { remote: wrap<Planner>(worker), failed }
}

/**
 * What the planning worker answers. A worker that fails is put away, and the next question starts another.
 * @throws what stopped the worker, when it failed
 */
export async function askPlanner<T>(ask: (planner: Remote<Planner>) => Promise<T>): Promise<T> {
  planner ??= startPlanner()
  const { remote, failed } = planner
  return Promise.race([ask(remote), failed])
}
