/** One project, or the whole workshop, as a file to keep; what writes it is loaded when it is asked for. */
export async function exportFile(project?: { id: string; name: string }): Promise<void> {
  const writer = await import('./exporting.ts')
  await writer.exportFile(project)
}
