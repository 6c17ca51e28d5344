import type { Exported } from './exporting.ts'

/** One project, or the whole workshop, as a file to keep; what writes it is loaded when it is asked for. */
export async function exportFile(what: Exported = {}): Promise<void> {
  const writer = await import('./exporting.ts')
  await writer.exportFile(what)
}
