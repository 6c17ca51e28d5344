import { wrap, type Remote } from 'comlink'

interface Away<T> {
  readonly remote: Remote<T>
  /** Never kept: broken when the worker is. */
  readonly failed: Promise<never>
}

/**
 * Asks a worker that is started with the first question. One that fails is put away, and the next question starts
 * another.
 * @param begin starts it; Vite finds a worker only where it is named itself
 * @param notStarted what is said when it fails without a word of its own
 * @returns what asks it; throws what stopped the worker, when it failed
 */
export function awayWorker<T>(
  begin: () => Worker,
  notStarted: string,
): <A>(ask: (remote: Remote<T>) => Promise<A>) => Promise<A> {
  let away: Away<T> | undefined
  const start = (): Away<T> => {
    const worker = begin()
    const failed = new Promise<never>((_, reject) => {
      worker.addEventListener('error', ({ message }) => {
        away = undefined
        worker.terminate()
        reject(new Error(message || notStarted))
      })
    })
    failed.catch(() => undefined)
    return { remote: wrap<T>(worker), failed }
  }
  return async (ask) => {
    away ??= start()
    const { remote, failed } = away
    return Promise.race([ask(remote), failed])
  }
}
