import {
  pin,
  positionAfter,
  type PieceReading,
  type PieceSpec,
  type Plan,
  type Position,
  type WorkState,
} from '../../core/index.ts'
import { database, freshId } from './database.ts'
import { mustFit } from './mustFit.ts'
import type { Deed } from './workSession.ts'

export interface NewVersion {
  readonly pieceId: string
  readonly spec: PieceSpec
  readonly plan: Plan
  /** What led to it. */
  readonly reading?: PieceReading
}

/** Pins another version of a piece's plan, after those there are. Returns its number. */
export async function pinVersion(
  { pieceId, spec, plan, reading }: NewVersion,
  db = database,
): Promise<number> {
  if (reading) await mustFit('readings', reading)
  return db.transaction('rw', db.planVersions, db.readings, async () => {
    const last = await db.planVersions
      .where('[pieceId+version]')
      .between([pieceId, 0], [pieceId, Infinity])
      .last()
    const version = (last?.version ?? 0) + 1
    await db.planVersions.add({ id: freshId(), pieceId, version, at: Date.now(), spec, plan: pin(plan) })
    if (reading) await db.readings.put(reading)
    return version
  })
}

/** The event that turns the work over to another version of its plan. */
export const turnTo = (before: Plan, after: Plan, keeps: number, planVersion: number): Deed =>
  turned(planVersion, (position) => positionAfter(before, after, position, keeps))

/** The same where the round in hand is worked otherwise, and so much of it is made. */
export const turnWithin = (planVersion: number, unit: number): Deed =>
  turned(planVersion, ({ round }) => ({ round, unit }))

const turned =
  (planVersion: number, to: (from: Position) => Position): Deed =>
  ({ position, planVersion: fromVersion, finished }: WorkState) =>
    finished ? undefined : { type: 'replan', planVersion, fromVersion, from: position, to: to(position) }
