import { STITCHES } from '../stitches/stitch.ts'
import { stitchesConsumed, stitchesProduced } from '../pacing/steps.ts'
import type { LogEvent } from '../worklog/logEvent.ts'
import { BrokenLog, replay } from '../worklog/replay.ts'
import { faultOfPiece, faultsFrom, type FileFault } from './fileFault.ts'
import { FILE_SCHEMA } from './fileSchema.ts'
import { migrated } from './migrations.ts'
import { FILE_FORMAT, FILE_VERSION, type ProjectFile } from './records.ts'

export type ReadFile = { ok: true; file: ProjectFile } | { ok: false; faults: readonly FileFault[] }

const MOST_FAULTS = 20

/** Reads a `*.uzel.json` text. Never throws on bad content; changes nothing anywhere. */
export function readProjectFile(text: string): ReadFile {
  let content: unknown
  try {
    content = JSON.parse(text)
  } catch (error) {
    return refuse('', `This is not JSON, so it is not a Uzel file. ${(error as Error).message.slice(0, 120)}`)
  }
  const heading = faultOfHeading(content)
  if (heading) return { ok: false, faults: [heading] }
  const checked = FILE_SCHEMA.validate(migrated(content as object), { abortEarly: false, convert: false })
  if (checked.error) {
    return { ok: false, faults: faultsFrom(checked.error, MOST_FAULTS) }
  }
  const file = checked.value as ProjectFile
  const faults = [
    ...faultsOfReferences(file),
    ...faultsOfPieces(file),
    ...faultsOfPlans(file),
    ...faultsOfLogs(file),
  ]
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : { ok: true, file }
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

function faultsOfReferences(file: ProjectFile): FileFault[] {
  const faults: FileFault[] = []
  const ids = {
    projects: new Set(file.projects.map(({ id }) => id)),
    pieces: new Set(file.pieces.map(({ id }) => id)),
    gauges: new Set(file.gauges.map(({ id }) => id)),
    yarns: new Set(file.yarns.map(({ id }) => id)),
    copies: new Set(file.copies.map(({ id }) => id)),
  }
  for (const table of [
    'projects',
    'pieces',
    'gauges',
    'yarns',
    'copies',
    'planVersions',
    'events',
    'readings',
  ] as const) {
    const seen = new Set<string>()
    file[table].forEach(({ id }, index) => {
      if (seen.has(id)) faults.push({ path: `${table}[${index}].id`, message: 'The same id stands twice.' })
      seen.add(id)
    })
  }
  const need = (known: ReadonlySet<string>, id: string, path: string) => {
    if (!known.has(id)) faults.push({ path, message: `Nothing in the file has the id “${id}”.` })
  }
  file.pieces.forEach((piece, index) => {
    need(ids.projects, piece.projectId, `pieces[${index}].projectId`)
    need(ids.gauges, piece.gaugeId, `pieces[${index}].gaugeId`)
    piece.colours.forEach(({ yarn, beside = [] }, run) => {
      const path = `pieces[${index}].colours[${run}]`
      need(ids.yarns, yarn, `${path}.yarn`)
      beside.forEach((other, strand) => need(ids.yarns, other, `${path}.beside[${strand}]`))
    })
  })
  file.planVersions.forEach(({ pieceId }, index) =>
    need(ids.pieces, pieceId, `planVersions[${index}].pieceId`),
  )
  const versions = new Set(file.planVersions.map(({ pieceId, version }) => `${pieceId} ${version}`))
  file.copies.forEach(({ pieceId, planVersion }, index) => {
    need(ids.pieces, pieceId, `copies[${index}].pieceId`)
    if (!versions.has(`${pieceId} ${planVersion}`)) {
      faults.push({
        path: `copies[${index}].planVersion`,
        message: `Plan version ${planVersion} is missing.`,
      })
    }
  })
  file.events.forEach(({ copyId }, index) => need(ids.copies, copyId, `events[${index}].copyId`))
  file.readings.forEach(({ copyId }, index) => need(ids.copies, copyId, `readings[${index}].copyId`))
  return faults
}

const faultsOfPieces = (file: ProjectFile): FileFault[] =>
  file.pieces.flatMap((piece, index) => faultOfPiece(piece, `pieces[${index}].`) ?? [])

/** A pinned plan must count: every round works off the round below and makes what it says. */
function faultsOfPlans(file: ProjectFile): FileFault[] {
  return file.planVersions.flatMap(({ plan }, version) =>
    plan.rounds.flatMap((round, index) => {
      const path = `planVersions[${version}].plan.rounds[${index}]`
      const below = index === 0 ? 0 : plan.rounds[index - 1]!.count
      if (round.number !== index + 1) return [{ path: `${path}.number`, message: 'Rounds are not in order.' }]
      if (!STITCHES[round.stitch]) return [{ path: `${path}.stitch`, message: 'No such stitch.' }]
      const makes = stitchesProduced(round.steps)
      const uses = round.hosts.kind === 'round' ? stitchesConsumed(round.steps) : 0
      if (makes === round.count && uses === below && round.from === below) return []
      return [
        {
          path: `${path}.steps`,
          message: `The steps work ${uses} stitches into ${makes}; the round says ${below} into ${round.count}.`,
        },
      ]
    }),
  )
}

function faultsOfLogs(file: ProjectFile): FileFault[] {
  const logs = new Map<string, LogEvent[]>()
  for (const event of file.events) {
    const log = logs.get(event.copyId)
    if (log) log.push(event)
    else logs.set(event.copyId, [event])
  }
  return [...logs.values()].flatMap((log) => {
    try {
      replay(log)
      return []
    } catch (error) {
      if (!(error instanceof BrokenLog)) throw error
      const at = file.events.findIndex(({ copyId, seq }) => copyId === log[0]!.copyId && seq === error.seq)
      return [{ path: `events[${at}]`, message: `The work log does not add up. ${error.message}` }]
    }
  })
}
