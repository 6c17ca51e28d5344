import type { Page } from '@playwright/test'

/** All records of a table, as this browser has them stored. */
export function stored<T>(page: Page, table: string): Promise<T[]> {
  return page.evaluate(
    (name) =>
      new Promise<T[]>((resolve, reject) => {
        const open = indexedDB.open('uzel')
        open.onerror = () => reject(open.error ?? new Error('The database did not open.'))
        open.onsuccess = () => {
          open.result.onversionchange = () => open.result.close()
          const all = open.result.transaction(name).objectStore(name).getAll()
          all.onsuccess = () => {
            open.result.close()
            resolve(all.result as T[])
          }
        }
      }),
    table,
  )
}

interface StoredEvent {
  readonly copyId: string
  readonly seq: number
  readonly type: string
  readonly text?: string
}

/** The logs of all copies as stored, in blocks and one by one; of each its events in order. */
export async function storedLogs(page: Page): Promise<StoredEvent[]> {
  const blocks = await stored<{ events: StoredEvent[] }>(page, 'logBlocks')
  const singles = await stored<StoredEvent>(page, 'events')
  return [...blocks.flatMap(({ events }) => events), ...singles].sort((one, other) => one.seq - other.seq)
}

/** The log of the trivet as stored: its events in order. */
export const trivetLog = async (page: Page): Promise<StoredEvent[]> =>
  (await storedLogs(page)).filter(({ copyId }) => copyId === 'trivet-1')

/** Puts a record into a table behind the application's back. */
export function put(page: Page, table: string, record: object): Promise<void> {
  return page.evaluate(
    ([name, value]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('uzel')
        open.onerror = () => reject(open.error ?? new Error('The database did not open.'))
        open.onsuccess = () => {
          const transaction = open.result.transaction(name, 'readwrite')
          transaction.objectStore(name).put(value)
          transaction.oncomplete = () => {
            open.result.close()
            resolve()
          }
        }
      }),
    [table, record] as const,
  )
}
