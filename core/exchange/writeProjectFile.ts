import {
  FILE_FORMAT,
  FILE_VERSION,
  type ProjectFile,
  type Records,
  type WorkshopSettings,
} from './records.ts'

/**
 * Records as a project file.
 * @param exportedAt ISO date and time, from the caller's clock
 */
export function projectFile(records: Records, exportedAt: string, workshop?: WorkshopSettings): ProjectFile {
  const { projects, pieces, gauges, yarns, copies, planVersions, events, readings, photos } = records
  return {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    exportedAt,
    ...(workshop ? { workshop } : {}),
    projects,
    pieces,
    gauges,
    yarns,
    copies,
    planVersions,
    readings,
    photos,
    events: [...events].sort((one, other) => compare(one.copyId, other.copyId) || one.seq - other.seq),
  }
}

/** The file as text that people can read and compare: indented, one event a line. */
export function writeProjectFile(file: ProjectFile): string {
  const { events, ...rest } = file
  const head = JSON.stringify(rest, null, 2).slice(0, -2)
  const lines = events.map((event) => `    ${JSON.stringify(event)}`).join(',\n')
  return `${head},\n  "events": [${lines ? `\n${lines}\n  ` : ''}]\n}\n`
}

const compare = (one: string, other: string) => (one < other ? -1 : one > other ? 1 : 0)
