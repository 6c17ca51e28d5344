import { database } from './database.ts'
import { demoForFirstVisit } from './demoAhead.ts'
import { queryClient, useStored } from './liveQueries.ts'
import { demoIn, OFFERED, putDemoOnFirstVisit } from './putDemo.ts'

let first: Promise<boolean> | undefined

/** Whether this browser had no workshop when it was opened: one that was emptied afterwards stays empty. */
const isFirstVisit = (): Promise<boolean> =>
  (first ??= (async () =>
    !(await database.remembered.get(OFFERED)) && (await database.projects.count()) === 0)())

const KEY = ['first visit']

let settled: Promise<void> | undefined

/**
 * On the very first visit, puts the demo workshop on the shelf, which says that it is one. It is written away from
 * the screen; without it the shelf is empty, and opens all the same.
 */
export const loadDemoOnFirstVisit = (): Promise<void> => (settled ??= loadDemo().catch(() => undefined))

/** Whether this is a first visit, to whose shelf the demo is on its way or has come; `undefined` until it is known. */
export const useFirstVisit = (): boolean | undefined =>
  useStored(['is first visit'], [], isFirstVisit) ?? undefined

/** Whether it is known what stands on the shelf of a first visit. */
export const useFirstVisitSettled = (): boolean =>
  useStored(KEY, [], async () => {
    await loadDemoOnFirstVisit()
    // What was put there is read before it is said to be known.
    await queryClient.refetchQueries({ predicate: ({ queryKey }) => queryKey !== KEY })
    return true
  }) === true

async function loadDemo(): Promise<void> {
  if (!(await isFirstVisit())) return
  const fetching = demoForFirstVisit()
  const worker = new Worker(new URL('../workers/firstVisit.worker.ts', import.meta.url), { type: 'module' })
  const written = new Promise<boolean>((resolve) => {
    worker.addEventListener('message', ({ data }) => resolve(data === 'done'))
    worker.addEventListener('error', () => resolve(false))
  })
  try {
    const fetched = await fetching
    worker.postMessage(fetched)
    if (!(await written)) await putDemoOnFirstVisit(demoIn(fetched))
  } finally {
    worker.terminate()
  }
}
