import { gaugesUsed, RECORD_TABLES, yarnsOf, type Records, type WorkshopSettings } from '../../core/index.ts'
import { database, type StoredProject } from './database.ts'
import { eventsAfter, putLogs, removeLogs } from './workLog.ts'

/** Everything that belongs to some projects (all that are not deleted when none are named); photos when asked for. */
export async function recordsOf(
  projectIds?: readonly string[],
  { photos: withPhotos = false } = {},
): Promise<Records> {
  const stored = projectIds
    ? (await database.projects.bulkGet([...projectIds])).filter((project) => project !== undefined)
    : await database.projects.filter(({ deletedAt }) => !deletedAt).toArray()
  const pieces = await database.pieces
    .where('projectId')
    .anyOf(stored.map(({ id }) => id))
    .toArray()
  const pieceIds = pieces.map(({ id }) => id)
  const copies = await database.copies.where('pieceId').anyOf(pieceIds).toArray()
  const planVersions = await database.planVersions
    .filter(({ pieceId }) => pieceIds.includes(pieceId))
    .toArray()
  const events = (await Promise.all(copies.map(({ id }) => eventsAfter(id, 0)))).flat()
  const copyIds = copies.map(({ id }) => id)
  const readings = await database.readings.where('copyId').anyOf(copyIds).toArray()
  const photos = withPhotos ? await database.photos.where('copyId').anyOf(copyIds).toArray() : []
  // A whole workshop keeps yarns and gauges that no project uses yet.
  const usedGauges = new Set(pieces.flatMap(gaugesUsed))
  const usedYarns = new Set([
    ...pieces.flatMap(({ colours }) => yarnsOf(colours)),
    ...planVersions.flatMap(({ spec }) => yarnsOf(spec.colours)),
  ])
  const gauges = await database.gauges.filter(({ id }) => !projectIds || usedGauges.has(id)).toArray()
  const yarns = await database.yarns.filter(({ id }) => !projectIds || usedYarns.has(id)).toArray()
  return {
    projects: stored.map(withoutDeletion),
    pieces,
    gauges,
    yarns,
    copies,
    planVersions,
    events,
    readings,
    photos,
  }
}

function withoutDeletion({ deletedAt: _, ...project }: StoredProject) {
  return project
}

/** Removes projects with everything that belongs to them alone. */
export async function removeProjects(ids: readonly string[]): Promise<void> {
  const { projects, pieces } = database
  await database.transaction('rw', [...workTables(), projects], async () => {
    await removePieces(await pieces.where('projectId').anyOf(ids).primaryKeys())
    await projects.bulkDelete([...ids])
  })
}

function workTables() {
  const { pieces, copies, planVersions, events, logBlocks, readings, photos } = database
  return [pieces, copies, planVersions, events, logBlocks, readings, photos]
}

/** Removes pieces with all their work. */
export async function removePieces(ids: readonly string[]): Promise<void> {
  const { pieces, copies, planVersions, readings, photos } = database
  await database.transaction('rw', workTables(), async () => {
    const copyIds = await copies.where('pieceId').anyOf(ids).primaryKeys()
    await readings.where('copyId').anyOf(copyIds).delete()
    await photos.where('copyId').anyOf(copyIds).delete()
    await removeLogs(copyIds)
    for (const pieceId of ids) {
      await planVersions.where('[pieceId+version]').between([pieceId, 0], [pieceId, Infinity]).delete()
    }
    await copies.bulkDelete(copyIds)
    await pieces.bulkDelete([...ids])
  })
}

/** Records written between two words on how far it is. */
const RECORDS_AT_A_TIME = 5000

/** Writes records in one transaction, over those of the same ids. */
export async function putRecords(
  records: Records,
  workshop?: WorkshopSettings,
  onProgress: (share: number) => void = () => undefined,
): Promise<void> {
  const tables = RECORD_TABLES.filter((table) => table !== 'events')
  const all = tables.reduce((sum, table) => sum + records[table].length, records.events.length)
  let written = 0
  const count = (some: number) => onProgress((written += some) / all)
  await database.transaction('rw', database.tables, async () => {
    for (const table of tables) {
      for (let from = 0; from < records[table].length; from += RECORDS_AT_A_TIME) {
        const some = records[table].slice(from, from + RECORDS_AT_A_TIME)
        await database.table(table).bulkPut(some)
        count(some.length)
      }
    }
    await putLogs(records.events, count)
    if (workshop) await database.settings.put({ ...workshop, key: 'workshop' })
  })
}
