import fc from 'fast-check'
import type { LogEvent } from '../../core/index.ts'
import { UzelDatabase } from './database.ts'
import { eventsAfter, lastSeq, latestEvents, putLogs, removeLogs } from './workLog.ts'
import { runs } from '../../core/testing/runs.ts'

const logOf = (copyId: string, length: number, from = 1): LogEvent[] =>
  Array.from({ length }, (_, index) => ({
    id: `${copyId}-${from + index}`,
    copyId,
    seq: from + index,
    at: index,
    type: 'finish',
  }))

let databases = 0
const fresh = () => new UzelDatabase(`log ${databases++}`)

test('a log is read the same however it is stored: from its start, after any event, from its end', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 0, max: 4200 }),
      fc.integer({ min: 0, max: 90 }),
      fc.array(fc.integer({ min: 0, max: 4300 }), { minLength: 3, maxLength: 3 }),
      async (imported, tapped, places) => {
        const db = fresh()
        const log = logOf('one', imported + tapped)
        await putLogs([...log.slice(0, imported)].reverse().concat(logOf('other', 1500)), undefined, db)
        await db.events.bulkAdd(log.slice(imported))
        for (const place of [0, imported, ...places]) {
          expect(await eventsAfter('one', place, db)).toEqual(log.slice(place))
          expect(await latestEvents('one', place + 1, db)).toEqual(log.slice(-place - 1))
        }
        expect(await lastSeq('one', db)).toBe(log.at(-1)?.seq)
        await removeLogs(['one'], db)
        expect(await eventsAfter('one', 0, db)).toEqual([])
        expect(await eventsAfter('other', 0, db)).toHaveLength(1500)
        db.close()
      },
    ),
    { numRuns: runs(5) },
  )
})

test('a long log takes few records, and its last sixty lie one by one', async () => {
  const db = fresh()
  let told = 0
  await putLogs(logOf('one', 12_345), (count) => (told += count), db)
  expect(told).toBe(12_345)
  expect(await db.logBlocks.count()).toBe(13)
  expect(await db.events.count()).toBe(60)
  expect(await db.events.orderBy('[copyId+seq]').first()).toMatchObject({ seq: 12_286 })
})

test('what came after the last of a log is asked of its single events alone', async () => {
  const db = fresh()
  await putLogs(logOf('one', 1500), undefined, db)
  const blocks = jest.spyOn(db.logBlocks, 'where')
  expect(await eventsAfter('one', 1500, db)).toEqual([])
  expect((await eventsAfter('one', 1450, db)).map(({ seq }) => seq)).toEqual(
    Array.from({ length: 50 }, (_, index) => 1451 + index),
  )
  expect(blocks).not.toHaveBeenCalled()
  expect(await eventsAfter('one', 1400, db)).toHaveLength(100)
  expect(blocks).toHaveBeenCalled()
})
