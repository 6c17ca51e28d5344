import {
  pin,
  startOf,
  type CopyRecord,
  type PieceSpec,
  type Plan,
  type PlanVersionRecord,
} from '../../core/index.ts'
import { database, freshId } from './database.ts'

export interface BeginRequest {
  readonly pieceId: string
  /** Which of the set it is, from 1. */
  readonly number: number
  readonly spec: PieceSpec
  readonly plan: Plan
}

/**
 * Puts a new copy on the hook: pins the plan it is worked to (a new version only when spec or rounds
 * have changed since the last), and writes the first event of its log. A copy of that number that is already
 * begun is returned as it is, so that two tabs begin one mat once.
 */
export async function beginCopy(
  { pieceId, number, spec, plan }: BeginRequest,
  db = database,
): Promise<CopyRecord> {
  return db.transaction('rw', db.copies, db.events, db.planVersions, async () => {
    const begun = await db.copies.where('[pieceId+number]').equals([pieceId, number]).first()
    if (begun) return begun
    const at = Date.now()
    const last = await db.planVersions
      .where('[pieceId+version]')
      .between([pieceId, 0], [pieceId, Infinity])
      .last()
    const pinned = pin(plan)
    const version = last && isSame(last, spec, pinned) ? last.version : (last?.version ?? 0) + 1
    if (version !== last?.version) {
      await db.planVersions.add({ id: freshId(), pieceId, version, at, spec, plan: pinned })
    }
    const copy: CopyRecord = { id: freshId(), pieceId, number, planVersion: version, startedAt: at }
    await db.copies.add(copy)
    await db.events.add({
      id: freshId(),
      copyId: copy.id,
      seq: 1,
      at,
      type: 'start',
      planVersion: version,
      to: startOf(plan.rounds),
    })
    return copy
  })
}

/** Whether a copy may be worked to a version: by spec and by rounds, since what was worked otherwise has the same spec. */
function isSame(version: PlanVersionRecord, spec: PieceSpec, { rounds }: PlanVersionRecord['plan']): boolean {
  // Pace changes the time, not the plan.
  const text = (some: PieceSpec, its: PlanVersionRecord['plan']['rounds']) =>
    JSON.stringify([{ ...some, pace: 0 }, its], sortedKeys)
  return text(version.spec, version.plan.rounds) === text(spec, rounds)
}

function sortedKeys(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
}
