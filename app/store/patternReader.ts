import { wrap, type Remote } from 'comlink'
import type { PatternReader } from '../workers/pattern.worker.ts'

interface Away {
  readonly remote: Remote<PatternReader>
  readonly failed: Promise<never>
}

let reader: Away | undefined

function start(): Away {
  const worker = new Worker(new URL('../workers/pattern.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', ({ message }) => {
      reader = undefined
      worker.terminate()
      reject(new Error(message || 'the part that reads patterns did not start'))
    })
  })
  failed.catch(() => undefined)
  return { remote: wrap<PatternReader>(worker), failed }
}

/**
 * What the reading worker answers. One that fails is put away, and the next question starts another.
 * @throws what stopped it
 */
export async function askReader<T>(ask: (reader: Remote<PatternReader>) => Promise<T>): Promise<T> {
  reader ??= start()
  const { remote, failed } = reader
  return Promise.race([ask(remote), failed])
}
