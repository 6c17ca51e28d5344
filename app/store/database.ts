import Dexie, { type Table } from 'dexie'
import {
  MIGRATIONS,
  type CopyRecord,
  type GaugeRecord,
  type LogEvent,
  type OldRecord,
  type PieceReading,
  type PieceRecord,
  type PlanVersionRecord,
  type ProjectRecord,
  type WorkshopSettings,
  type YarnRecord,
} from '../../core/index.ts'

/** A project on the shelf; `deletedAt` hides it until it is brought back or swept away. */
export type StoredProject = ProjectRecord & { deletedAt?: number }
type StoredSettings = WorkshopSettings & { key: 'workshop' }

/** One row a fact the browser remembers about itself, e.g. that the demo was offered. */
interface Remembered {
  key: string
  value: unknown
}

/** A stretch of a log that came with a file: a thousand events in one record, never changed. */
export interface LogBlock {
  readonly copyId: string
  /** `seq` of the first. */
  readonly from: number
  readonly events: readonly LogEvent[]
}

const STORES_ADDED: Readonly<Record<number, Record<string, string>>> = { 3: { readings: 'id, copyId' } }

export class UzelDatabase extends Dexie {
  declare projects: Table<StoredProject, string>
  declare pieces: Table<PieceRecord, string>
  declare gauges: Table<GaugeRecord, string>
  declare yarns: Table<YarnRecord, string>
  declare copies: Table<CopyRecord, string>
  declare planVersions: Table<PlanVersionRecord, string>
  declare events: Table<LogEvent, string>
  declare logBlocks: Table<LogBlock, [string, number]>
  declare readings: Table<PieceReading, string>
  declare settings: Table<StoredSettings, string>
  declare remembered: Table<Remembered, string>

  constructor(name = 'uzel') {
    // Strict: a tap that was stored survives the battery, not only the tab.
    super(name, { chromeTransactionDurability: 'strict' })
    this.version(1).stores({
      projects: 'id, updatedAt',
      pieces: 'id, projectId, gaugeId',
      gauges: 'id',
      yarns: 'id',
      copies: 'id, pieceId, &[pieceId+number]',
      planVersions: 'id, &[pieceId+version]',
      events: 'id, &[copyId+seq]',
      settings: 'key',
      remembered: 'key',
    })
    for (const { to, up } of MIGRATIONS) {
      this.version(to)
        .stores(STORES_ADDED[to] ?? {})
        .upgrade(async (transaction) => {
          const all = {
            pieces: await transaction.table<OldRecord>('pieces').toArray(),
            gauges: await transaction.table<OldRecord>('gauges').toArray(),
          }
          for (const [table, change] of Object.entries(up)) {
            await transaction
              .table<OldRecord>(table === 'workshop' ? 'settings' : table)
              .toCollection()
              .modify((record, holder) => {
                holder.value = change(record, all)
              })
          }
        })
    }
    // A table of this browser alone, which files know nothing of.
    this.version(4.1).stores({ logBlocks: '[copyId+from]' })
  }
}

export const database = new UzelDatabase()

export const freshId = (): string => crypto.randomUUID()
