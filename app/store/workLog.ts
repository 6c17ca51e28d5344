import type { LogEvent } from '../../core/index.ts'
import { database, type LogBlock, type UzelDatabase } from './database.ts'

/**
 * The log of a copy as stored: taps of these days one by one, what came in with a file in blocks, for a
 * browser stores a block of a thousand events as fast as a handful. A log is a chain without gaps: blocks
 * first, then single events.
 */
const BLOCK = 1000
/** So many of a log's last events are stored one by one whatever it came from: who was away looks back at them. */
const LATEST = 60

const singlesOf = (db: UzelDatabase, copyId: string, from = 0) =>
  db.events.where('[copyId+seq]').between([copyId, from], [copyId, Infinity], true, true)

const blocksOf = (db: UzelDatabase, copyId: string, from = 0) =>
  db.logBlocks.where('[copyId+from]').between([copyId, from], [copyId, Infinity])

/** Events of a copy after one, in order; the whole log after 0. */
export async function eventsAfter(copyId: string, seq: number, db = database): Promise<LogEvent[]> {
  const singles = await singlesOf(db, copyId, seq).toArray()
  // What follows one that is stored by itself is stored so too.
  if (singles[0]?.seq === seq) return singles.slice(1)
  if (singles[0]?.seq === seq + 1) return singles
  const blocks = await blocksOf(db, copyId, Math.max(0, seq + 2 - BLOCK)).toArray()
  const older = blocks.flatMap(({ events }) => events).filter((event) => event.seq > seq)
  return older.length > 0 ? [...older, ...singles] : singles
}

/** The last events of a copy, in order. */
export async function latestEvents(copyId: string, count: number, db = database): Promise<LogEvent[]> {
  const singles = (await singlesOf(db, copyId).reverse().limit(count).toArray()).reverse()
  if (singles.length === count || singles[0]?.seq === 1) return singles
  const last = await blocksOf(db, copyId)
    .reverse()
    .limit(Math.ceil((count - singles.length) / BLOCK) + 1)
    .toArray()
  const older = last.reverse().flatMap(({ events }) => events)
  return [...older, ...singles].slice(-count)
}

/** The number of the last event of a copy. */
export async function lastSeq(copyId: string, db = database): Promise<number | undefined> {
  return (await latestEvents(copyId, 1, db))[0]?.seq
}

/** Writes logs that came with a file, whole. Within a transaction over events and blocks. */
export async function putLogs(
  events: readonly LogEvent[],
  onWritten: (count: number) => void = () => undefined,
  db = database,
): Promise<void> {
  const logs = new Map<string, LogEvent[]>()
  for (const event of events) {
    const log = logs.get(event.copyId)
    if (log) log.push(event)
    else logs.set(event.copyId, [event])
  }
  for (const [copyId, log] of logs) {
    log.sort((one, other) => one.seq - other.seq)
    const inBlocks = Math.max(0, log.length - LATEST)
    for (let from = 0; from < inBlocks; from += BLOCK) {
      const some = log.slice(from, Math.min(from + BLOCK, inBlocks))
      const block: LogBlock = { copyId, from: some[0]!.seq, events: some }
      await db.logBlocks.put(block)
      onWritten(some.length)
    }
    const singles = log.slice(inBlocks)
    await db.events.bulkPut(singles)
    onWritten(singles.length)
  }
}

/** Removes the logs of copies. */
export async function removeLogs(copyIds: readonly string[], db = database): Promise<void> {
  for (const copyId of copyIds) {
    await singlesOf(db, copyId).delete()
    await blocksOf(db, copyId).delete()
  }
}
