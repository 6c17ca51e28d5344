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
