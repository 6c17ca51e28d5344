import fc from 'fast-check'
import {
  nextRound,
  planPiece,
  replay,
  specOf,
  undo,
  workOn,
  type CopyRecord,
  type LogEvent,
} from '../../core/index.ts'
import { newPiece, UNMEASURED_GAUGE, withEvenRound } from '../../core/index.ts'
import { beginCopy } from './beginCopy.ts'
import { UzelDatabase } from './database.ts'
import { openWorkSession, readWorkState, type Deed } from './workSession.ts'
import { runs } from '../../core/testing/runs.ts'

const gauge = { ...UNMEASURED_GAUGE, id: 'gauge' }
const mat = newPiece({
  id: 'mat',
  projectId: 'mats',
  gaugeId: 'gauge',
  yarnId: 'fog',
  form: { family: 'disc', across: 110 },
})
const spec = specOf(mat, gauge, 18)
const plan = planPiece(spec)
const stitch: Deed = (state) => workOn(plan.rounds, state, 'stitch') ?? nextRound(plan.rounds, state)

let databases = 0
async function begun(): Promise<{ db: UzelDatabase; copy: CopyRecord }> {
  const db = new UzelDatabase(`test ${databases++}`)
  return { db, copy: await beginCopy({ pieceId: 'mat', number: 1, spec, plan }, db) }
}

const logOf = (db: UzelDatabase, copy: CopyRecord): Promise<LogEvent[]> =>
  db.events.where('[copyId+seq]').between([copy.id, 0], [copy.id, Infinity]).toArray()

test('what is shown is stored: any work and undo in one tab replays to the same place', async () => {
  const deed = fc.constantFrom<Deed>(stitch, stitch, stitch, undo)
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { maxLength: 25 }), async (deeds) => {
      const { db, copy } = await begun()
      const session = openWorkSession(copy, await readWorkState(copy, db), db)
      for (const make of deeds) session.act(make)
      await session.settled()
      expect(replay(await logOf(db, copy)).position).toEqual(session.view().state.position)
      expect((await readWorkState(copy, db)).position).toEqual(session.view().state.position)
      expect(session.view().unsaved).toBeUndefined()
    }),
    { numRuns: runs(15) },
  )
})

test('two sessions on one copy interleave to one log: every tap once, in one order', async () => {
  const { db, copy } = await begun()
  const [one, other] = [
    openWorkSession(copy, await readWorkState(copy, db), db),
    openWorkSession(copy, await readWorkState(copy, db), db),
  ]
  for (let tap = 0; tap < 10; tap++) {
    one.act(stitch)
    other.act(stitch)
  }
  await Promise.all([one.settled(), other.settled()])
  one.catchUp()
  other.catchUp()
  await Promise.all([one.settled(), other.settled()])
  const log = await logOf(db, copy)
  expect(log).toHaveLength(1 + 20)
  expect(replay(log).position).toEqual(one.view().state.position)
  expect(other.view().state.position).toEqual(one.view().state.position)
})

test('a copy is begun once, and its plan pinned once, however often it is asked for', async () => {
  const { db, copy } = await begun()
  const again = await beginCopy({ pieceId: 'mat', number: 1, spec, plan }, db)
  expect(again).toEqual(copy)
  await beginCopy({ pieceId: 'mat', number: 2, spec: { ...spec, pace: 25 }, plan }, db)
  expect(await db.planVersions.count()).toBe(1)
  const wider = specOf({ ...mat, form: { family: 'disc', across: 140 } }, gauge, 18)
  // The same spec, worked otherwise: a plan of its own, and the first one is not what it was once that is there.
  const more = withEvenRound(spec, plan, 3)!
  const otherwise = await beginCopy({ pieceId: 'mat', number: 4, ...more }, db)
  expect(otherwise.planVersion).toBe(2)
  expect((await beginCopy({ pieceId: 'mat', number: 5, spec, plan }, db)).planVersion).toBe(3)
  const third = await beginCopy({ pieceId: 'mat', number: 3, spec: wider, plan: planPiece(wider) }, db)
  expect(third.planVersion).toBe(4)
})

test('a long log opens from its end, and undo still reaches back through it', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  for (let tap = 0; tap < 60; tap++) session.act(stitch)
  await session.settled()
  const whole = await readWorkState(copy, db)
  const tail = await readWorkState(copy, db, 10)
  expect(tail.position).toEqual(whole.position)
  expect(tail.undoable).toHaveLength(10)
  for (let back = 0; back < 9; back++) session.act(undo)
  await session.settled()
  // The window ends inside the undone stretch: it reads further back instead of failing.
  expect((await readWorkState(copy, db, 4)).position).toEqual(session.view().state.position)
})

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Keeps the log busy, as a slow disk or another tab would, until it is let go. */
function hold(db: UzelDatabase): () => void {
  let held = true
  void db.transaction('rw', db.events, db.copies, async () => {
    while (held) await db.events.count()
  })
  return () => {
    held = false
  }
}

test('a log that ends in notes alone is read back to where the hook is', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  for (let tap = 0; tap < 4; tap++) session.act(stitch)
  for (let line = 0; line < 12; line++) {
    session.act(({ position }) => ({ type: 'note', position, text: 'second ball' }))
  }
  await session.settled()
  expect((await readWorkState(copy, db, 5)).position).toEqual({ round: 'r1', unit: 4 })
  session.act(() => ({ type: 'finish' }))
  for (let line = 0; line < 12; line++) {
    session.act(({ position }) => ({ type: 'note', position, text: 'woven in' }))
  }
  await session.settled()
  const stored = (await db.copies.get(copy.id))!
  expect((await readWorkState(stored, db, 5)).finished).toBe(true)
})

test('a tap is shown when it is stored; one that takes long is told soon as being on its way', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  const letGo = hold(db)
  session.act(stitch)
  session.act(stitch)
  expect(session.view().state.position.unit).toBe(0)
  await pause(10)
  expect(session.view().state.position.unit).toBe(0)
  expect(session.view().late).toBeUndefined()
  await pause(200)
  expect(session.view()).toMatchObject({ late: 2, state: { position: { unit: 0 } } })
  letGo()
  await session.settled()
  expect(await logOf(db, copy)).toHaveLength(3)
  expect(session.view()).toMatchObject({ state: { position: { unit: 2 } } })
  expect(session.view().late).toBeUndefined()
})

test('a hurry of taps is stored in a few transactions, not one by one', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  const transactions = jest.spyOn(db, 'transaction')
  for (let tap = 0; tap < 150; tap++) session.act(stitch)
  await session.settled()
  expect(transactions.mock.calls.length).toBeLessThanOrEqual(3)
  expect(await logOf(db, copy)).toHaveLength(151)
})

test('two hurried tabs lose no tap, agree at the end, and never show a count that is taken back', async () => {
  const { db, copy } = await begun()
  const states = await Promise.all([1, 2].map(() => readWorkState(copy, db)))
  const sessions = states.map((state) => openWorkSession(copy, state, db))
  const shown = sessions.map((session) => {
    const seen: string[] = []
    session.subscribe(() => {
      const { round, unit } = session.view().state.position
      seen.push(`${round}.${unit}`)
    })
    return seen
  })
  const letGo = hold(db)
  setTimeout(letGo, 250)
  for (let tap = 0; tap < 60; tap++) {
    for (const session of sessions) session.act(stitch)
    // Longer than a tap may wait: from here on taps are late.
    if (tap === 30) await pause(300)
    if (tap % 7 === 0) await pause(1)
    if (tap % 11 === 0) for (const session of sessions) session.catchUp()
  }
  await Promise.all(sessions.map((session) => session.settled()))
  for (const session of sessions) session.catchUp()
  await Promise.all(sessions.map((session) => session.settled()))
  const log = await logOf(db, copy)
  expect(log).toHaveLength(1 + 120)
  const passed = log.map((_, index) => replay(log.slice(0, index + 1)).position)
  const order = passed.map(({ round, unit }) => `${round}.${unit}`)
  for (const seen of shown) {
    const places = seen.map((one) => order.indexOf(one))
    expect(places).toEqual([...places].sort((one, other) => one - other))
    expect(places).not.toContain(-1)
    expect(seen.at(-1)).toBe(order.at(-1))
  }
})

test('what could not be stored is counted, told, tried again by itself, and stored once', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  const full = jest.spyOn(db.events, 'bulkAdd').mockImplementation(() => {
    throw new DOMException('The disk is full', 'QuotaExceededError')
  })
  session.act(stitch)
  session.act(stitch)
  await session.settled()
  expect(session.view().unsaved?.events).toHaveLength(2)
  expect(session.view().state.position.unit).toBe(2)
  full.mockRestore()
  session.act(undo)
  expect(session.view().state.position.unit).toBe(1)
  await session.settled()
  expect(session.view().unsaved).toBeUndefined()
  expect((await logOf(db, copy)).map(({ type }) => type)).toEqual(['start', 'work', 'work', 'undo'])
})

test('finishing and reopening are noted on the copy, also in one batch with what came before', async () => {
  const { db, copy } = await begun()
  const session = openWorkSession(copy, await readWorkState(copy, db), db)
  session.act(stitch)
  session.act(() => ({ type: 'finish' }))
  await session.settled()
  expect((await db.copies.get(copy.id))?.finishedAt).toBeGreaterThan(0)
  session.act(undo)
  await session.settled()
  expect((await db.copies.get(copy.id))?.finishedAt).toBeUndefined()
  expect(session.view().state.position.unit).toBe(1)
})
