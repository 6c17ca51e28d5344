import { proxy, wrap } from 'comlink'
import type { ImportWorker } from '../workers/import.worker.ts'
import type { FoundInFile, OnConflict } from './importing.ts'

/** Larger files are refused unread: a workshop with a million taps has a fifth of this. */
export const LARGEST_FILE_BYTES = 1e9

/** A file the maker chose, read and taken in away from the screen. */
export interface OpenedFile {
  /** Never fails: what is wrong is said. */
  readonly found: Promise<FoundInFile>
  /** @throws Error when it could not be written; nothing was then */
  readonly take: (onConflict: OnConflict, withSettings: boolean) => Promise<void>
  /** Gives up whatever is going on; what is not written whole is not written at all. */
  readonly close: () => void
}

/** @param onProgress told how much is read or written, from 0 to 1 */
export function openFile(file: File, onProgress: (share: number) => void): OpenedFile {
  const refuse = (message: string): FoundInFile => ({ ok: false, faults: [{ path: '', message }] })
  if (file.size > LARGEST_FILE_BYTES) {
    const found = Promise.resolve(refuse('This file is over 1 GB; Uzel files are far smaller.'))
    return {
      found,
      take: () => Promise.reject(new Error('There is nothing to take in.')),
      close: () => undefined,
    }
  }
  const worker = new Worker(new URL('../workers/import.worker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<ImportWorker>(worker)
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', ({ message }) =>
      reject(new Error(message || 'Its reader did not start.')),
    )
  })
  failed.catch(() => undefined)
  const told = proxy(onProgress)
  return {
    found: Promise.race([remote.read(file, told), failed]).catch((error: unknown) =>
      refuse(`The file could not be read. ${error instanceof Error ? error.message : ''}`.trim()),
    ),
    take: (onConflict, withSettings) => Promise.race([remote.take(onConflict, withSettings, told), failed]),
    close: () => worker.terminate(),
  }
}
