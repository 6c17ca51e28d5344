import { database } from './database.ts'
import { putRecords } from './records.ts'
import type { ProjectFile } from '../../core/index.ts'

const OFFERED = 'demoLoaded'

/**
 * On the very first visit, puts the demo workshop that came with the server on the shelf. A workshop
 * that was emptied afterwards stays empty. The demo is Uzel's own file; it is tested, not validated here.
 */
export async function loadDemoOnFirstVisit(): Promise<void> {
  if (await database.remembered.get(OFFERED)) return
  if ((await database.projects.count()) > 0) return
  const response = await fetch('/demo/skarn-hut.uzel.json').catch(() => undefined)
  if (!response?.ok) return
  const demo = (await response.json()) as ProjectFile
  await database.transaction('rw', database.tables, async () => {
    if (await database.remembered.get(OFFERED)) return
    await database.remembered.put({ key: OFFERED, value: true })
    await putRecords(demo, demo.workshop)
  })
}
