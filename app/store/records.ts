import { yarnsOf, type Records } from '../../core/index.ts'
import { database, type StoredProject } from './database.ts'

/** Everything that belongs to some projects (all that are not deleted when none are named). */
export async function recordsOf(projectIds?: readonly string[]): Promise<Records> {
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
  const events = (
    await Promise.all(
      copies.map(({ id }) =>
        database.events.where('[copyId+seq]').between([id, 0], [id, Infinity]).toArray(),
      ),
    )
  ).flat()
  const readings = await database.readings
    .where('copyId')
    .anyOf(copies.map(({ id }) => id))
    .toArray()
  // A whole workshop keeps yarns and gauges that no project uses yet.
  const usedGauges = new Set(pieces.map(({ gaugeId }) => gaugeId))
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
  }
}

function withoutDeletion({ deletedAt: _, ...project }: StoredProject) {
  return project
}
