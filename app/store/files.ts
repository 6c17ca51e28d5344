import { wrap } from 'comlink'
import { format } from 'date-fns'
import {
  projectFile,
  withFreshIds,
  writeProjectFile,
  type ProjectFile,
  type Records,
} from '../../core/index.ts'
import type { ReadFile } from '../../core/exchange/readProjectFile.ts'
import type { FileReaderWorker } from '../workers/exchange.worker.ts'
import { database, freshId } from './database.ts'
import { putRecords, removeProjects } from './mutations.ts'
import { readSettings } from './queries.ts'
import { recordsOf } from './records.ts'

/** Larger files are refused unread: a workshop with a million taps has a fifth of this. */
export const LARGEST_FILE_BYTES = 1e9

/** Reads a file the maker chose, in a worker. */
export async function readChosenFile(file: File): Promise<ReadFile> {
  if (file.size > LARGEST_FILE_BYTES) {
    return {
      ok: false,
      faults: [{ path: '', message: 'This file is over 1 GB; Uzel files are far smaller.' }],
    }
  }
  const worker = new Worker(new URL('../workers/exchange.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await wrap<FileReaderWorker>(worker).read(file)
  } catch (error) {
    const message = `The file could not be read. ${error instanceof Error ? error.message : ''}`.trim()
    return { ok: false, faults: [{ path: '', message }] }
  } finally {
    worker.terminate()
  }
}

/** What an import would do, shown before anything is written. */
export interface ImportPreview {
  readonly file: ProjectFile
  readonly projects: readonly {
    readonly id: string
    readonly name: string
    readonly copies: number
    readonly events: number
    /** A project of this id is on the shelf already. */
    readonly alreadyHere: boolean
  }[]
}

export async function previewImport(file: ProjectFile): Promise<ImportPreview> {
  const here = await database.projects.bulkGet(file.projects.map(({ id }) => id))
  const eventsOf = new Map<string, number>()
  for (const { copyId } of file.events) eventsOf.set(copyId, (eventsOf.get(copyId) ?? 0) + 1)
  return {
    file,
    projects: file.projects.map(({ id, name }, index) => {
      const pieces = new Set(file.pieces.filter(({ projectId }) => projectId === id).map((piece) => piece.id))
      const copies = file.copies.filter(({ pieceId }) => pieces.has(pieceId))
      return {
        id,
        name,
        copies: copies.length,
        events: copies.reduce((sum, copy) => sum + (eventsOf.get(copy.id) ?? 0), 0),
        alreadyHere: here[index] !== undefined && !here[index].deletedAt,
      }
    }),
  }
}

/** `keepBoth`: what is here already stays, the file's come beside it. `replace`: the file's take their place. */
export type OnConflict = 'keepBoth' | 'replace'

export async function importFile(
  { file, projects }: ImportPreview,
  onConflict: OnConflict,
  withSettings: boolean,
): Promise<void> {
  const here = projects.filter(({ alreadyHere }) => alreadyHere).map(({ id }) => id)
  const settings = withSettings ? file.workshop : undefined
  if (onConflict === 'replace' || here.length === 0) {
    // Deleted ones of the same id go for good, and so do those that are replaced.
    await removeProjects(file.projects.map(({ id }) => id))
    await putRecords(await withoutKnown(file), settings)
  } else {
    await putRecords(withFreshIds(file, freshId, await sameAsHere(file)), settings)
  }
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

/** One project, or the whole workshop when none is named, as a file to keep. */
export async function exportFile(project?: { id: string; name: string }): Promise<void> {
  const settings = await readSettings()
  const records = await recordsOf(project && [project.id])
  const now = new Date()
  const file = projectFile(records, now.toISOString(), project ? undefined : settings)
  const name = (project?.name ?? settings.name)
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  download(`${name || 'workshop'}-${format(now, 'yyyy-MM-dd')}.uzel.json`, writeProjectFile(file))
}

export function download(name: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
