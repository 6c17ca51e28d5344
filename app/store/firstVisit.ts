import { database } from './database.ts'
import { fetchDemo, putDemo } from './demo.ts'

const OFFERED = 'demoLoaded'

/**
 * On the very first visit, puts the demo workshop on the shelf, which says that it is one. A workshop that
 * was emptied afterwards stays empty.
 */
export async function loadDemoOnFirstVisit(): Promise<void> {
  if (await database.remembered.get(OFFERED)) return
  if ((await database.projects.count()) > 0) return
  const demo = await fetchDemo().catch(() => undefined)
  if (!demo) return
  await database.transaction('rw', database.tables, async () => {
    if (await database.remembered.get(OFFERED)) return
    await database.remembered.put({ key: OFFERED, value: true })
    await putDemo(demo, 'here')
    if (demo.workshop) await database.settings.put({ ...demo.workshop, key: 'workshop' })
  })
}
