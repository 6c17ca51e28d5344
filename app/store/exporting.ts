import { format } from 'date-fns'
import { projectFile, writeProjectFile } from '../../core/index.ts'
import { database } from './database.ts'
import { readSettings } from './queries.ts'
import { recordsOf } from './records.ts'

/** What is to be a file: one project, or the whole workshop when none is named; with its photos where that is asked for. */
export interface Exported {
  readonly project?: { readonly id: string; readonly name: string } | undefined
  readonly photos?: boolean
  /** Told what stayed out of the file, and how it comes in. */
  readonly say?: (text: string, action: { readonly label: string; readonly run: () => void }) => void
}

export async function exportFile(what: Exported = {}): Promise<void> {
  const { project, photos = false, say } = what
  const settings = await readSettings()
  const records = await recordsOf(project && [project.id], { photos })
  const now = new Date()
  const file = projectFile(records, now.toISOString(), project ? undefined : settings)
  const name = fileNameOf(project?.name ?? settings.name)
  download(`${name || 'workshop'}-${format(now, 'yyyy-MM-dd')}.uzel.json`, writeProjectFile(file))
  if (photos || !say) return
  const left = await database.photos
    .where('copyId')
    .anyOf(records.copies.map(({ id }) => id))
    .count()
  if (left === 0) return
  say(left === 1 ? 'One photo is not in the file.' : `${left} photos are not in the file.`, {
    label: 'Export with photos',
    run: () => void exportFile({ ...what, photos: true }),
  })
}

/** A name as files have it: "Tin-mug mat" is "tin-mug-mat". */
export const fileNameOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

export function download(name: string, text: string, type = 'application/json'): void {
  const address = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
