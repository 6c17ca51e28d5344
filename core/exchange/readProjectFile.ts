import { faultOfPiece, faultsFrom, type FileFault } from './fileFault.ts'
import { faultsOfReferences } from './faultsOfReferences.ts'
import { faultsOfWork } from './faultsOfWork.ts'
import { FILE_SCHEMA } from './fileSchema.ts'
import { fitsAsEvent } from './fitsAsEvent.ts'
import { migrated } from './migrations.ts'
import { FILE_FORMAT, FILE_VERSION, type ProjectFile } from './records.ts'
import { event } from './workSchemas.ts'

export type ReadFile = { ok: true; file: ProjectFile } | { ok: false; faults: readonly FileFault[] }

/** Told how much of a file is read, from 0 to 1. */
export type OnProgress = (share: number) => void

const MOST_FAULTS = 20
/** Events are looked at so many at a time, with a word on how far it is in between. */
const EVENTS_AT_A_TIME = 5000

/** Reads a `*.uzel.json` text. Never throws on bad content; changes nothing anywhere. */
export function readProjectFile(text: string, onProgress: OnProgress = () => undefined): ReadFile {
  try {
    return readContent(text, onProgress)
  } catch (error) {
    // Nesting without end: the parser, the schema or a migration has run out of room.
    if (!(error instanceof RangeError)) throw error
    return refuse('', 'This file is nested deeper than any Uzel file.')
  }
}

function readContent(text: string, onProgress: OnProgress): ReadFile {
  let content: unknown
  try {
    content = JSON.parse(text)
  } catch (error) {
    return refuse('', `This is not JSON, so it is not a Uzel file. ${(error as Error).message.slice(0, 120)}`)
  }
  const heading = faultOfHeading(content)
  if (heading) return { ok: false, faults: [heading] }
  onProgress(0.2)
  const file = migrated(content as object) as ProjectFile
  const misshapen = faultsOfShape(file, onProgress)
  if (misshapen.length > 0) return { ok: false, faults: misshapen }
  onProgress(0.8)
  const faults: FileFault[] = []
  for (const fault of faultsOf(file)) if (faults.push(fault) >= MOST_FAULTS) break
  return faults.length > 0 ? { ok: false, faults } : { ok: true, file }
}

function* faultsOf(file: ProjectFile): Generator<FileFault> {
  yield* faultsOfReferences(file)
  for (const [index, piece] of file.pieces.entries()) {
    const fault = faultOfPiece(piece, `pieces[${index}].`)
    if (fault) yield fault
  }
  yield* faultsOfWork(file)
}

/** What the schema finds. The log, which is most of a large file, is looked at by itself. */
function faultsOfShape(file: ProjectFile, onProgress: OnProgress): FileFault[] {
  const log: unknown = file.events
  const { error } = FILE_SCHEMA.validate(Array.isArray(log) ? { ...file, events: [] } : file, {
    abortEarly: false,
    convert: false,
  })
  if (error) return faultsFrom(error, MOST_FAULTS)
  const events = log as unknown[]
  const faults: FileFault[] = []
  for (const [index, line] of events.entries()) {
    if (index % EVENTS_AT_A_TIME === 0) onProgress(0.3 + (0.5 * index) / events.length)
    if (fitsAsEvent(line)) continue
    const wrong = event.validate(line, { abortEarly: true, convert: false }).error
    if (!wrong) continue
    for (const { path, message } of faultsFrom(wrong, 1)) {
      const at = `events[${index}]`
      faults.push({ path: path === '' ? at : `${at}.${path}`, message })
    }
    if (faults.length >= MOST_FAULTS) break
  }
  return faults
}

const refuse = (path: string, message: string): ReadFile => ({ ok: false, faults: [{ path, message }] })

function faultOfHeading(content: unknown): FileFault | undefined {
  if (typeof content !== 'object' || content === null || Array.isArray(content)) {
    return { path: '', message: 'This is JSON, but not a Uzel file: a file begins with an object.' }
  }
  const { format, version } = content as { format?: unknown; version?: unknown }
  if (format !== FILE_FORMAT) {
    return { path: 'format', message: `This is not a Uzel file: its format should be "${FILE_FORMAT}".` }
  }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { path: 'version', message: `A Uzel file has a version from 1 to ${FILE_VERSION}.` }
  }
  if (version > FILE_VERSION) {
    return {
      path: 'version',
      message: `This file is of version ${version}; this Uzel reads up to ${FILE_VERSION}. Update Uzel and open it again.`,
    }
  }
  return undefined
}
