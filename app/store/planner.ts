import type { Planner } from '../workers/plan.worker.ts'
import { awayWorker } from './awayWorker.ts'

/** What the worker answers that plans large pieces. */
export const askPlanner = awayWorker<Planner>(
  () => new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
  'the part that plans large pieces did not start',
)

/** Has the planner start while what it will be asked for is still being read. */
export const startPlanner = (): void => void askPlanner(() => Promise.resolve()).catch(() => undefined)
