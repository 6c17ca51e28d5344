import { expose } from 'comlink'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import type { ProjectFile } from '../../core/index.ts'
import { importFile, previewImport, type FoundInFile, type OnConflict } from '../store/importing.ts'

let held: ProjectFile | undefined

/** Reads, checks and writes a file away from the screen: large or hostile ones must not stop a tap. */
const importer = {
  read: async (file: Blob, onProgress: (share: number) => void): Promise<FoundInFile> => {
    const read = readProjectFile(await file.text(), onProgress)
    if (!read.ok) return read
    held = read.file
    return { ok: true, preview: await previewImport(read.file) }
  },
  take: async (
    onConflict: OnConflict,
    withSettings: boolean,
    onProgress: (share: number) => void,
  ): Promise<void> => {
    if (!held) throw new Error('There is nothing to take in.')
    await importFile(held, onConflict, withSettings, onProgress)
  },
}

export type ImportWorker = typeof importer

expose(importer)
