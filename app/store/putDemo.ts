import type { ProjectFile, Records } from '../../core/index.ts'
import { database } from './database.ts'
import { keepDemo, type Demo } from './demoRecord.ts'
import { putRecords } from './records.ts'

/** Under which this browser remembers that the demo was on its shelf. */
export const OFFERED = 'demoLoaded'

const ids = (records: readonly { readonly id: string }[]) => records.map(({ id }) => id)

/** Writes records, but no gauge or yarn over one that stayed here and may have been changed since. */
export async function putBeside(records: Records): Promise<Records> {
  const gauges = new Set(await database.gauges.toCollection().primaryKeys())
  const yarns = new Set(await database.yarns.toCollection().primaryKeys())
  const put: Records = {
    ...records,
    gauges: records.gauges.filter(({ id }) => !gauges.has(id)),
    yarns: records.yarns.filter(({ id }) => !yarns.has(id)),
  }
  await putRecords(put)
  return put
}

/** Puts the demo workshop that came with the server on the shelf. Uzel's own file: tested, not validated here. */
export async function putDemo(file: ProjectFile, place: Demo['place']): Promise<void> {
  await database.transaction('rw', database.tables, async () => {
    const { projects, gauges, yarns } = await putBeside(file)
    const { workshop } = file
    await keepDemo({
      projects: ids(projects),
      gauges: ids(gauges),
      yarns: ids(yarns),
      workshop: workshop?.name ?? '',
      place,
    })
  })
}

/** The demo workshop as it is fetched. */
export const demoIn = (fetched: ArrayBuffer): ProjectFile =>
  JSON.parse(new TextDecoder().decode(fetched)) as ProjectFile

/** @throws Error when the demo cannot be written; nothing is written then */
export async function putDemoOnFirstVisit(demo: ProjectFile): Promise<void> {
  await database.transaction('rw', database.tables, async () => {
    if (await database.remembered.get(OFFERED)) return
    await database.remembered.put({ key: OFFERED, value: true })
    await putDemo(demo, 'here')
    if (demo.workshop) await database.settings.put({ ...demo.workshop, key: 'workshop' })
  })
}
