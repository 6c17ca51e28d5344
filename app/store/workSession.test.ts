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
import { newMat, UNMEASURED_GAUGE } from '../../core/index.ts'
import { beginCopy } from './beginCopy.ts'
import { UzelDatabase } from './database.ts'
import { openWorkSession, readWorkState, type Deed } from './workSession.ts'

const gauge = { ...UNMEASURED_GAUGE, id: 'gauge' }
const mat = newMat({ id: 'mat', projectId: 'mats', gaugeId: 'gauge', yarnId: 'fog', across: 110 })
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
    { numRuns: 15 },
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
  const wider = specOf({ ...mat, shape: { ...mat.shape, across: 140 } }, gauge, 18)
  const third = await beginCopy({ pieceId: 'mat', number: 3, spec: wider, plan: planPiece(wider) }, db)
  expect(third.planVersion).toBe(2)
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
