import 'fake-indexeddb/auto'
import {
  flatRound,
  newPiece,
  planPiece,
  specOf,
  UNMEASURED_GAUGE,
  workOn,
  type LogEvent,
} from '../../core/index.ts'
import type { Bench } from '../../tools/benchKit.ts'
import { beginCopy } from './beginCopy.ts'
import { UzelDatabase } from './database.ts'
import { openWorkSession, readWorkState } from './workSession.ts'

const mat = newPiece({
  id: 'mat',
  projectId: 'mats',
  gaugeId: 'gauge',
  yarnId: 'fog',
  form: flatRound(1200),
})
const spec = specOf(mat, { ...UNMEASURED_GAUGE, id: 'gauge' }, 18)
const plan = planPiece(spec)

/** A copy whose log already holds so many moves back and forth. */
async function behindIt(behind: number) {
  const db = new UzelDatabase(`bench ${behind}`)
  const copy = await beginCopy({ pieceId: 'mat', number: 1, spec, plan }, db)
  const events: LogEvent[] = []
  for (let seq = 2; seq <= behind + 1; seq++) {
    const [from, to] = seq % 2 ? [1, 0] : [0, 1]
    events.push({
      id: `e${seq}`,
      copyId: copy.id,
      seq,
      at: seq,
      type: 'goTo',
      from: { round: 'r1', unit: from },
      to: { round: 'r1', unit: to },
    })
  }
  await db.events.bulkAdd(events)
  return { db, copy }
}

const session = async ({ db, copy }: Awaited<ReturnType<typeof behindIt>>) =>
  openWorkSession(copy, await readWorkState(copy, db), db)

const [few, many] = [await behindIt(10), await behindIt(100_000)]
const small = await session(few)
const large = await session(many)
const tap = (open: Awaited<ReturnType<typeof session>>) => async () => {
  open.act(
    (state) =>
      workOn(plan.rounds, state, 'stitch') ?? {
        type: 'goTo',
        from: state.position,
        to: { round: 'r2', unit: 0 },
      },
  )
  await open.settled()
}

export const benches: Bench[] = [
  {
    name: 'where the work is, by a log of 100,000 events, against one of 10',
    baseline: async () => void (await readWorkState(few.copy, few.db)),
    run: async () => void (await readWorkState(many.copy, many.db)),
    budgetMs: 200,
  },
  {
    name: 'a tap with 100,000 events behind it, stored, against one with 10',
    baseline: tap(small),
    run: tap(large),
    budgetMs: 200,
  },
]
