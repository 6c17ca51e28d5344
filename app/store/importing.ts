import { withFreshIds, type CopyRecord, type ProjectFile, type Records } from '../../core/index.ts'
import { database, freshId } from './database.ts'
import type { FileFault } from '../../core/exchange/fileFault.ts'
import { putRecords, removeProjects } from './records.ts'

/** What an import would do, shown before anything is written. */
export interface ImportPreview {
  /** Name of the workshop whose settings are in the file. */
  readonly workshop?: string
  readonly projects: readonly {
    readonly id: string
    readonly name: string
    readonly copies: number
    readonly events: number
    readonly photos: number
    /** A project of this id is on the shelf already. */
    readonly alreadyHere: boolean
  }[]
}

export async function previewImport(file: ProjectFile): Promise<ImportPreview> {
  const here = await database.projects.bulkGet(file.projects.map(({ id }) => id))
  const eventsOf = new Map<string, number>()
  for (const { copyId } of file.events) eventsOf.set(copyId, (eventsOf.get(copyId) ?? 0) + 1)
  const photosOf = new Map<string, number>()
  for (const { copyId } of file.photos) photosOf.set(copyId, (photosOf.get(copyId) ?? 0) + 1)
  const projectOf = new Map(file.pieces.map(({ id, projectId }) => [id, projectId]))
  const copiesOf = new Map<string, CopyRecord[]>()
  for (const copy of file.copies) {
    const project = projectOf.get(copy.pieceId)!
    copiesOf.set(project, [...(copiesOf.get(project) ?? []), copy])
  }
  return {
    workshop: file.workshop?.name,
    projects: file.projects.map(({ id, name }, index) => {
      const copies = copiesOf.get(id) ?? []
      return {
        id,
        name,
        copies: copies.length,
        events: copies.reduce((sum, copy) => sum + (eventsOf.get(copy.id) ?? 0), 0),
        photos: copies.reduce((sum, copy) => sum + (photosOf.get(copy.id) ?? 0), 0),
        alreadyHere: here[index] !== undefined && !here[index].deletedAt,
      }
    }),
  }
}

export type FoundInFile =
  | { readonly ok: true; readonly preview: ImportPreview }
  | { readonly ok: false; readonly faults: readonly FileFault[] }

/** `keepBoth`: what is here already stays, the file's come beside it. `replace`: the file's take their place. */
export type OnConflict = 'keepBoth' | 'replace'

/** Writes a file's records, all in one transaction: broken off, nothing was written. */
export async function importFile(
  file: ProjectFile,
  onConflict: OnConflict,
  withSettings: boolean,
  onProgress?: (share: number) => void,
): Promise<void> {
  const { projects } = await previewImport(file)
  const settings = withSettings ? file.workshop : undefined
  await database.transaction('rw', database.tables, async () => {
    if (onConflict === 'replace' || !projects.some(({ alreadyHere }) => alreadyHere)) {
      // Deleted ones of the same id go for good, and so do those that are replaced.
      await removeProjects(projects.map(({ id }) => id))
      await putRecords(await withoutKnown(file), settings, onProgress)
    } else {
      await putRecords(withFreshIds(file, freshId, await sameAsHere(file)), settings, onProgress)
    }
  })
}

/** Gauges and yarns that are here already, letter for letter, are shared; others of the same id are not touched. */
async function sameAsHere(file: Records): Promise<ReadonlySet<string>> {
  const gauges = await database.gauges.bulkGet(file.gauges.map(({ id }) => id))
  const yarns = await database.yarns.bulkGet(file.yarns.map(({ id }) => id))
  const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)
  return new Set([
    ...file.gauges.filter((gauge, index) => same(gauge, gauges[index])).map(({ id }) => id),
    ...file.yarns.filter((yarn, index) => same(yarn, yarns[index])).map(({ id }) => id),
  ])
}

/** The file's records, with gauges and yarns that would overwrite a different one here under new ids. */
async function withoutKnown(file: ProjectFile): Promise<Records> {
  const gauges = await database.gauges.bulkGet(file.gauges.map(({ id }) => id))
  const yarns = await database.yarns.bulkGet(file.yarns.map(({ id }) => id))
  const taken = new Set([...gauges, ...yarns].filter((record) => record !== undefined).map(({ id }) => id))
  const same = await sameAsHere(file)
  const conflicts = new Set([...taken].filter((id) => !same.has(id)))
  if (conflicts.size === 0) return file
  const everything = Object.values({
    ...file,
    format: [],
    version: [],
    exportedAt: [],
    workshop: [],
  }) as { id: string }[][]
  const keep = new Set(
    everything
      .flat()
      .map(({ id }) => id)
      .filter((id) => !conflicts.has(id)),
  )
  return withFreshIds<Records>(file, freshId, keep)
}
