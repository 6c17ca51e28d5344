import { useMemo } from 'react'
import {
  DEFAULT_SETTINGS,
  gaugesUsed,
  sizeSeen,
  paceFromLog,
  trackRecord,
  type CopyRecord,
  type GaugeRecord,
  type PieceReading,
  type PieceRecord,
  type TrackRecord,
  type WorkshopSettings,
  type YarnRecord,
  lastMeasured,
} from '../../core/index.ts'
import { database, type StoredProject } from './database.ts'
import { useFirstVisitSettled } from './firstVisit.ts'
import { useStored } from './liveQueries.ts'
import { versionOf, type PlanVersion } from './planVersions.ts'
import { latestEvents } from './workLog.ts'

/** A piece with all that its screens show. */
export interface PieceView {
  readonly project: StoredProject
  /** All pieces of the project, this one among them, in their order. */
  readonly pieces: readonly PieceRecord[]
  readonly piece: PieceRecord
  readonly gauge: GaugeRecord
  /** Gauges that sections of it go by. */
  readonly others: readonly GaugeRecord[]
  readonly copies: readonly CopyRecord[]
  /** Plans that work was begun on, oldest first. */
  readonly versions: readonly PlanVersion[]
}

/** Pieces of a project, in their order. */
export const piecesOf = (projectId: string): Promise<PieceRecord[]> =>
  database.pieces.where('projectId').equals(projectId).sortBy('place')

/** What is kept of some pieces, each table whole. */
interface Kept {
  readonly gauges: ReadonlyMap<string, GaugeRecord>
  readonly copies: readonly CopyRecord[]
  /** Oldest first. */
  readonly versions: readonly PlanVersion[]
}

function pieceView(
  project: StoredProject,
  pieces: readonly PieceRecord[],
  piece: PieceRecord,
  kept: Kept,
): PieceView | undefined {
  const [gauge, ...others] = gaugesUsed(piece).map((id) => kept.gauges.get(id))
  if (!gauge) return undefined
  return {
    project,
    pieces,
    piece,
    gauge,
    others: others.filter((one) => one !== undefined),
    copies: kept.copies
      .filter(({ pieceId }) => pieceId === piece.id)
      .sort((one, other) => one.number - other.number),
    versions: kept.versions.filter(({ pieceId }) => pieceId === piece.id),
  }
}

const byId = <T extends { readonly id: string }>(records: readonly T[]): ReadonlyMap<string, T> =>
  new Map(records.map((record) => [record.id, record]))

/** What is kept of one piece alone. */
async function keptOf(piece: PieceRecord): Promise<Kept> {
  const [gauges, copies, versions] = await Promise.all([
    database.gauges.bulkGet(gaugesUsed(piece)),
    database.copies.where('pieceId').equals(piece.id).toArray(),
    database.planVersions.where('[pieceId+version]').between([piece.id, 0], [piece.id, Infinity]).toArray(),
  ])
  return {
    gauges: byId(gauges.filter((one) => one !== undefined)),
    copies,
    versions: versions.map(versionOf),
  }
}

/** What is kept of all pieces: a table is read in one go sooner than piece by piece. */
async function keptOfAll(): Promise<Kept> {
  const [gauges, copies, versions] = await Promise.all([
    database.gauges.toArray(),
    database.copies.toArray(),
    database.planVersions.orderBy('[pieceId+version]').toArray(),
  ])
  return { gauges: byId(gauges), copies, versions: versions.map(versionOf) }
}

const PROJECT_TABLES = ['projects', 'pieces', 'gauges', 'copies', 'planVersions']

export function usePiece(id: string | undefined): PieceView | null | undefined {
  const settled = useFirstVisitSettled()
  const view = useStored(['piece', id], PROJECT_TABLES, async () => {
    const piece = id === undefined ? undefined : await database.pieces.get(id)
    const project = piece && (await database.projects.get(piece.projectId))
    if (!project || project.deletedAt) return undefined
    return pieceView(project, await piecesOf(project.id), piece, await keptOf(piece))
  })
  return view ?? (settled ? view : undefined)
}

/** The first piece of a project: where an address leads that names no piece. */
export function useFirstPieceId(projectId: string | undefined): string | null | undefined {
  return useStored(['first piece', projectId], ['pieces'], async () => {
    if (projectId === undefined) return undefined
    return (await piecesOf(projectId))[0]?.id
  })
}

/** All pieces of projects that are not deleted, the project last touched first. */
export function usePieces(): readonly PieceView[] | undefined {
  return (
    useStored(['pieces'], PROJECT_TABLES, async () => {
      const [projects, all, kept] = await Promise.all([
        database.projects.orderBy('updatedAt').reverse().toArray(),
        database.pieces.toCollection().sortBy('place'),
        keptOfAll(),
      ])
      return projects
        .filter(({ deletedAt }) => !deletedAt)
        .flatMap((project) => {
          const pieces = all.filter(({ projectId }) => projectId === project.id)
          return pieces.map((piece) => pieceView(project, pieces, piece, kept))
        })
        .filter((view) => view !== undefined)
    }) ?? undefined
  )
}

export function useYarns(): readonly YarnRecord[] | undefined {
  return useStored(['yarns'], ['yarns'], () => database.yarns.toArray()) ?? undefined
}

/** Colours of yarns by id; the same map for as long as the yarns are the same. */
export function useYarnColours(): ReadonlyMap<string, string> {
  const yarns = useYarns()
  return useMemo(() => new Map(yarns?.map(({ id, colour }) => [id, colour])), [yarns])
}

export function useGauges(): readonly GaugeRecord[] | undefined {
  return useStored(['gauges'], ['gauges'], () => database.gauges.toArray()) ?? undefined
}

/** Events that show the pace a maker works at now. */
const PACE_WINDOW = 800

/** Single crochets a minute as the log of the last copy of a piece shows them; `null` while it shows too little. */
export function useLearnedPace(pieceId: string | undefined): number | null | undefined {
  const settled = useFirstVisitSettled()
  const pace = useStored(['pace', pieceId], ['copies', 'planVersions', 'events'], async () => {
    const copies = await database.copies
      .where('pieceId')
      .equals(pieceId ?? '')
      .sortBy('number')
    const copy = copies.at(-1)
    const pinned = copy && (await database.planVersions.get({ pieceId, version: copy.planVersion }))
    return pinned && paceFromLog(await latestEvents(copy.id, PACE_WINDOW), versionOf(pinned))
  })
  return pace ?? (settled ? pace : undefined)
}

/** What was measured on a copy, oldest first. */
export function useReadings(copyId: string): readonly PieceReading[] | undefined {
  return (
    useStored(['readings', copyId], ['readings'], () =>
      database.readings.where('copyId').equals(copyId).sortBy('at'),
    ) ?? undefined
  )
}

/** How the last finished pieces came out against what was foretold of them. */
export function useTrackRecord(): TrackRecord | undefined {
  return (
    useStored(['trackRecord'], ['readings', 'planVersions', 'copies'], async () => {
      const readings = await database.readings.toArray()
      const copies = new Map((await database.copies.toArray()).map((copy) => [copy.id, copy]))
      const outcomes = await Promise.all(
        readings
          .filter(({ washed }) => !washed)
          .sort((one, other) => one.at - other.at)
          .map(async (reading) => {
            const { copyId, planVersion, afterRound } = reading
            const copy = copies.get(copyId)
            const pinned =
              copy?.finishedAt === undefined
                ? undefined
                : await database.planVersions
                    .where('[pieceId+version]')
                    .equals([copy.pieceId, planVersion])
                    .first()
            if (!pinned || lastMeasured(pinned.plan) !== afterRound) return undefined
            const [promised] = pinned.plan.finished.promises
            const measured = promised && sizeSeen(reading, promised.of)
            return promised && measured ? { predicted: promised.value, measured } : undefined
          }),
      )
      return trackRecord(outcomes.filter((outcome) => outcome !== undefined))
    }) ?? undefined
  )
}

export async function readSettings(): Promise<WorkshopSettings> {
  const { key: _, ...stored } = (await database.settings.get('workshop')) ?? { key: 'workshop' }
  return { ...DEFAULT_SETTINGS, ...stored }
}

export function useSettings(): WorkshopSettings {
  return useStored(['settings'], ['settings'], readSettings) ?? DEFAULT_SETTINGS
}
