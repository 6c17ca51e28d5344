import {
  BrokenLog,
  NOT_STARTED,
  replay,
  type CopyRecord,
  type LogEvent,
  type NewEvent,
  type WorkState,
} from '../../core/index.ts'
import { database, freshId, type UzelDatabase } from './database.ts'

/** What the maker does next, from where the work is: an event, or nothing when there is nothing to do. */
export type Deed = (state: WorkState) => NewEvent | undefined

export interface SessionView {
  readonly state: WorkState
  /** Since when events could not be stored, with those events; they are counted all the same. */
  readonly unsaved?: { readonly since: number; readonly events: readonly LogEvent[] }
}

export interface WorkSession {
  readonly view: () => SessionView
  readonly subscribe: (listener: () => void) => () => void
  /** Counts at once and stores behind; returns the event, if there was one. */
  readonly act: (deed: Deed) => LogEvent | undefined
  /** Resolves when all that was counted is stored or known to be unsaved. */
  readonly settled: () => Promise<void>
  /** Takes in what another tab has stored. */
  readonly catchUp: () => void
}

/** Events first read when a copy is opened: enough to undo a good while without reading 100,000. */
const FIRST_WINDOW = 400

const eventsAfter = (db: UzelDatabase, copyId: string, seq: number) =>
  db.events.where('[copyId+seq]').between([copyId, seq], [copyId, Infinity], false, true).toArray()

/** The state of a copy from the end of its log, reading further back only when undos reach there. */
export async function readWorkState(
  copy: CopyRecord,
  db = database,
  window = FIRST_WINDOW,
): Promise<WorkState> {
  const ofCopy = db.events.where('[copyId+seq]').between([copy.id, 0], [copy.id, Infinity])
  const tail = (await ofCopy.reverse().limit(window).toArray()).reverse()
  const whole = tail.length < window || tail[0]!.seq === 1
  try {
    return replay(tail, whole ? NOT_STARTED : stateBefore(tail, copy))
  } catch (error) {
    if (whole || !(error instanceof BrokenLog)) throw error
    return readWorkState(copy, db, window * 8)
  }
}

/** Where the work must have been before the first of these events. */
function stateBefore(tail: readonly LogEvent[], copy: CopyRecord): WorkState {
  const move = tail.find((event) => 'from' in event)
  return {
    position: move && 'from' in move ? move.from : NOT_STARTED.position,
    finished: tail.some(({ type }) => type === 'reopen'),
    planVersion: copy.planVersion,
    undoable: [],
    lastSeq: tail[0]!.seq - 1,
  }
}

/**
 * Opens a copy for work. The screen follows `view`; every deed is applied at once and stored in order.
 * When another tab has stored in between, the deed is done again on top of that, so that nothing is
 * lost and nothing doubled.
 */
export function openWorkSession(copy: CopyRecord, initial: WorkState, db = database): WorkSession {
  const listeners = new Set<() => void>()
  /** State as stored, and deeds counted on top of it that are still on their way. */
  let stored = initial
  let waiting: { deed: Deed; event: LogEvent }[] = []
  let current: SessionView = { state: initial }
  let queue: Promise<void> = Promise.resolve()

  const show = (view: SessionView) => {
    current = view
    for (const listener of listeners) listener()
  }

  const place = (event: NewEvent, state: WorkState, id: string, at: number): LogEvent => ({
    ...event,
    id,
    copyId: copy.id,
    seq: state.lastSeq + 1,
    at,
  })

  /** Does the waiting deeds again from a new stored state. */
  const rebase = () => {
    let state = stored
    waiting = waiting.flatMap(({ deed, event }) => {
      const again = deed(state)
      if (!again) return []
      const placed = place(again, state, event.id, event.at)
      state = replay([placed], state)
      return [{ deed, event: placed }]
    })
    show({ ...current, state })
  }

  const takeIn = (news: readonly LogEvent[]) => {
    if (news.length === 0) return
    stored = replay(news, stored)
    // A deed whose storing was only reported as failed comes back as news.
    const arrived = new Set(news.map(({ id }) => id))
    waiting = waiting.filter(({ event }) => !arrived.has(event.id))
    rebase()
  }

  const storeWaiting = async () => {
    while (waiting.length > 0) {
      const { event } = waiting[0]!
      const outcome = await db.transaction('rw', db.events, db.copies, async () => {
        const news = await eventsAfter(db, copy.id, stored.lastSeq)
        if (news.length > 0) return news
        await db.events.add(event)
        await noteOnCopy(db, event, stored)
        return undefined
      })
      if (outcome) takeIn(outcome)
      else {
        stored = replay([event], stored)
        waiting = waiting.slice(1)
        if (current.unsaved && waiting.length === 0) show({ state: current.state })
      }
    }
  }

  const run = () => {
    queue = queue.then(async () => {
      try {
        await storeWaiting()
      } catch {
        const since = current.unsaved?.since ?? waiting[0]?.event.at ?? Date.now()
        show({ ...current, unsaved: { since, events: waiting.map(({ event }) => event) } })
      }
    })
    return queue
  }

  return {
    view: () => current,
    subscribe: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    act: (deed) => {
      const made = deed(current.state)
      if (!made) return undefined
      const event = place(made, current.state, freshId(), Date.now())
      waiting = [...waiting, { deed, event }]
      show({ ...current, state: replay([event], current.state) })
      void run()
      return event
    },
    settled: () => queue,
    catchUp: () => {
      queue = queue.then(async () => takeIn(await eventsAfter(db, copy.id, stored.lastSeq)))
    },
  }
}

/** The copy and its project carry what the shelf needs to know without reading the log. */
async function noteOnCopy(db: UzelDatabase, event: LogEvent, before: WorkState): Promise<void> {
  const { copyId, type, at } = event
  const { planVersion } = replay([event], before)
  if (planVersion !== before.planVersion) await db.copies.update(copyId, { planVersion })
  if (type === 'finish') await db.copies.update(copyId, { finishedAt: at })
  if (type === 'reopen') await db.copies.update(copyId, { finishedAt: undefined })
}
