import type { PatternReader } from '../workers/pattern.worker.ts'
import { awayWorker } from './awayWorker.ts'

/** What the worker answers that reads patterns. */
export const askReader = awayWorker<PatternReader>(
  () => new Worker(new URL('../workers/pattern.worker.ts', import.meta.url), { type: 'module' }),
  'the part that reads patterns did not start',
)
