import {
  foundAgainstPlan,
  tellLog,
  type CopyRecord,
  type FoundAgainstPlan,
  type LogTold,
  type Position,
} from '../../core/index.ts'
import { database } from './database.ts'
import { useDemo } from './demo.ts'
import { useStored } from './liveQueries.ts'
import { usePieces, type PieceView } from './queries.ts'
import { readWorkState } from './workSession.ts'
import { eventsAfter } from './workLog.ts'

/** All that was done on a copy. */
export interface CopyLog extends LogTold {
  readonly copy: CopyRecord
  readonly found: readonly FoundAgainstPlan[]
  readonly position: Position
}

/** All that was done on a piece, copy by copy. */
export interface PieceLog {
  readonly view: PieceView
  readonly copies: readonly CopyLog[]
}

async function logOf(view: PieceView): Promise<PieceLog | undefined> {
  const plans = new Map(view.versions.map((version) => [version.version, version]))
  const planOf = (version: number) => plans.get(version)?.plan
  const copies: CopyLog[] = []
  for (const copy of view.copies) {
    const [events, readings, { position }] = await Promise.all([
      eventsAfter(copy.id, 0),
      database.readings.where('copyId').equals(copy.id).sortBy('at'),
      readWorkState(copy),
    ])
    copies.push({ copy, position, found: foundAgainstPlan(readings, planOf), ...tellLog(events, planOf) })
  }
  return copies.length > 0 ? { view, copies } : undefined
}

const NONE: readonly string[] = []

/** The log of everything that was begun, the piece worked at last first. */
export function useWorkshopLog(): readonly PieceLog[] | undefined {
  const demo = useDemo()
  // What is aside is no work of the maker's own.
  const aside = demo?.place === 'aside' ? demo.projects : NONE
  const all = usePieces()
  const pieces = demo === undefined ? undefined : all?.filter(({ project }) => !aside.includes(project.id))
  const key = pieces?.map(({ piece, copies, versions }) => `${piece.id} ${copies.length} ${versions.length}`)
  const logs = useStored(
    ['workshop log', pieces ? key : 'none yet'],
    ['events', 'logBlocks', 'readings'],
    async () => pieces && (await Promise.all(pieces.map(logOf))).filter((log) => log !== undefined),
  )
  return logs?.toSorted((one, other) => lastAt(other) - lastAt(one)) ?? undefined
}

/** When a piece was worked at last, ms since 1970. */
const lastAt = ({ copies }: PieceLog): number =>
  Math.max(0, ...copies.flatMap(({ sittings, copy }) => sittings.at(-1)?.to ?? copy.startedAt))
