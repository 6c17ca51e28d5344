import { expose } from 'comlink'
import { readProjectFile, type ReadFile } from '../../core/exchange/readProjectFile.ts'

const reader = {
  /** Reads and checks a file away from the screen: large or hostile ones must not stop a tap. */
  read: async (file: Blob): Promise<ReadFile> => readProjectFile(await file.text()),
}

export type FileReaderWorker = typeof reader

expose(reader)
