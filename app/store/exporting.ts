import { format } from 'date-fns'
import { projectFile, writeProjectFile } from '../../core/index.ts'
import { readSettings } from './queries.ts'
import { recordsOf } from './records.ts'

/** One project, or the whole workshop when none is named, as a file to keep. */
export async function exportFile(project?: { id: string; name: string }): Promise<void> {
  const settings = await readSettings()
  const records = await recordsOf(project && [project.id])
  const now = new Date()
  const file = projectFile(records, now.toISOString(), project ? undefined : settings)
  const name = fileNameOf(project?.name ?? settings.name)
  download(`${name || 'workshop'}-${format(now, 'yyyy-MM-dd')}.uzel.json`, writeProjectFile(file))
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
