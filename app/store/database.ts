import Dexie, { type Table, type Transaction } from 'dexie'
import {
  MIGRATIONS,
  namesOf,
  type CopyRecord,
  type GaugeRecord,
  type LogEvent,
  type Migration,
  type OldRecord,
  type PhotoRecord,
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

const STORES_ADDED: Readonly<Record<number, Record<string, string>>> = {
  3: { readings: 'id, copyId' },
  10: { photos: 'id, copyId' },
}

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
  declare photos: Table<PhotoRecord, string>
  declare settings: Table<StoredSettings, string>
  declare remembered: Table<Remembered, string>

  constructor(name = 'uzel') {
    // Strict: a tap that was stored survives the battery, not only the tab.
    super(name, { chromeTransactionDurability: 'strict' })
    for (const { to, up, log } of MIGRATIONS) {
      const version = this.version(to)
      if (STORES_ADDED[to]) version.stores(STORES_ADDED[to])
      version.upgrade(async (transaction) => {
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
        if (log) await changeLogs(transaction, log)
      })
    }
    // A table of this browser alone, which files know nothing of.
    this.version(4.1).stores({ logBlocks: '[copyId+from]' })
    // Named last, though it came first: with every version that is named Dexie reads all tables named before anew.
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
  }
}

/** Every copy's log as a version changed it: what came in blocks and what was tapped, one chain. */
async function changeLogs(transaction: Transaction, change: NonNullable<Migration['log']>): Promise<void> {
  const versions = await transaction.table<OldRecord>('planVersions').toArray()
  for (const { id, pieceId } of await transaction.table<OldRecord>('copies').toArray()) {
    const between = [
      [id, 0],
      [id, Infinity],
    ] as const
    const blocks = await transaction
      .table<OldBlock>('logBlocks')
      .where('[copyId+from]')
      .between(...between)
      .toArray()
    const singles = await transaction
      .table<OldRecord>('events')
      .where('[copyId+seq]')
      .between(...between)
      .toArray()
    const log = change([...blocks.flatMap(({ events }) => events), ...singles], namesOf(versions, pieceId))
    let taken = 0
    const next = (count: number) => log.slice(taken, (taken += count))
    await transaction
      .table('logBlocks')
      .bulkPut(blocks.map((block) => ({ ...block, events: next(block.events.length) })))
    await transaction.table('events').bulkPut(next(singles.length))
  }
}

interface OldBlock {
  readonly events: readonly OldRecord[]
}

export const database = new UzelDatabase()

export const freshId = (): string => crypto.randomUUID()
