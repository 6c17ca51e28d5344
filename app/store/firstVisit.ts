import { database } from './database.ts'
import { OFFERED, putDemoOnFirstVisit } from './putDemo.ts'

/** Whether this browser has never had a workshop: one that was emptied afterwards stays empty. */
const isFirstVisit = async (): Promise<boolean> =>
  !(await database.remembered.get(OFFERED)) && (await database.projects.count()) === 0

/**
 * On the very first visit, puts the demo workshop on the shelf, which says that it is one. It is written away from
 * the screen.
 */
export async function loadDemoOnFirstVisit(): Promise<void> {
  if (!(await isFirstVisit())) return
  const worker = new Worker(new URL('../workers/firstVisit.worker.ts', import.meta.url), { type: 'module' })
  const done = await new Promise<boolean>((resolve) => {
    worker.addEventListener('message', ({ data }) => resolve(data === 'done'))
    worker.addEventListener('error', () => resolve(false))
  })
  worker.terminate()
  if (!done) await putDemoOnFirstVisit()
}
