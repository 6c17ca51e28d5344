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
import { eventsAfter, latestEvents } from './workLog.ts'

/** What the maker does next, from where the work is: an event, or nothing when there is nothing to do. */
export type Deed = (state: WorkState) => NewEvent | undefined

export interface SessionView {
  /** Where the work is: as stored, or as counted while nothing can be stored, which `unsaved` then says. */
  readonly state: WorkState
  /** Deeds that are on their way for longer than a maker waits to see them: told beside the count, not in it. */
  readonly late?: number
  /** Since when events could not be stored, with those events; they are counted all the same. */
  readonly unsaved?: { readonly since: number; readonly events: readonly LogEvent[] }
}

export interface WorkSession {
  readonly view: () => SessionView
  readonly subscribe: (listener: () => void) => () => void
  /** Counts on top of all that was counted before, and stores; shown when stored. Returns the event. */
  readonly act: (deed: Deed) => LogEvent | undefined
  /** Resolves when all that was counted is stored or known to be unsaved. */
  readonly settled: () => Promise<void>
  /** Takes in what another tab has stored. */
  readonly catchUp: () => void
}

/** A tap that is not stored after so long is told as being on its way. */
const TOLD_AFTER_MS = 180
/** What could not be stored is tried again after so long, or with the next tap. */
const AGAIN_AFTER_MS = 3000

/** Events first read when a copy is opened: enough to undo a good while without reading 100,000. */
const FIRST_WINDOW = 400

/** The state of a copy from the end of its log, reading further back only when undos reach there. */
export async function readWorkState(
  copy: CopyRecord,
  db = database,
  window = FIRST_WINDOW,
): Promise<WorkState> {
  const tail = await latestEvents(copy.id, window, db)
  const whole = tail.length < window || tail[0]!.seq === 1
  const before = whole ? NOT_STARTED : stateBefore(tail, copy)
  // Nothing but notes and counts: where the hook is stands further back.
  if (!before) return readWorkState(copy, db, window * 8)
  try {
    return replay(tail, before)
  } catch (error) {
    if (whole || !(error instanceof BrokenLog)) throw error
    return readWorkState(copy, db, window * 8)
  }
}

/** Where the work must have been before the first of these events; unknown when none of them moves. */
function stateBefore(tail: readonly LogEvent[], copy: CopyRecord): WorkState | undefined {
  const move = tail.find((event) => 'from' in event)
  if (!move) return undefined
  const ended = tail.find(({ type }) => type === 'finish' || type === 'reopen')
  return {
    position: move.from,
    finished: ended ? ended.type === 'reopen' : copy.finishedAt !== undefined,
    planVersion: copy.planVersion,
    undoable: [],
    lastSeq: tail[0]!.seq - 1,
  }
}

/** Something counted that is not stored yet: the event as it stands now, and the deed to do it again from. */
interface Waiting {
  readonly deed: Deed
  readonly event: LogEvent
}

/**
 * Opens a copy for work. All that waits is stored in one transaction, which first takes in what another tab
 * has stored since and does the waiting deeds again on top: the transaction is the one writer, so that nothing
 * is lost and nothing doubled, and no tab ever shows a count that is taken back.
 */
export function openWorkSession(copy: CopyRecord, initial: WorkState, db = database): WorkSession {
  const listeners = new Set<() => void>()
  let stored = initial
  let waiting: readonly Waiting[] = []
  /** The stored state with all that waits done on top. */
  let ahead = initial
  let current: SessionView = { state: initial }
  let queue: Promise<void> = Promise.resolve()
  let again: ReturnType<typeof setTimeout> | undefined

  const show = (view: SessionView) => {
    if (view.state === current.state && view.unsaved === current.unsaved && view.late === current.late) return
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

  /** Deeds done again from another state; those with nothing to do there any more fall away. */
  const redo = (deeds: readonly Waiting[], from: WorkState): { done: Waiting[]; state: WorkState } => {
    const done: Waiting[] = []
    let state = from
    for (const { deed, event } of deeds) {
      const made = deed(state)
      if (!made) continue
      const placed = place(made, state, event.id, event.at)
      state = replay([placed], state)
      done.push({ deed, event: placed })
    }
    return { done, state }
  }

  const lateNow = () => waiting.filter(({ event }) => Date.now() - event.at >= TOLD_AFTER_MS).length

  /** The view while all is well: what is stored, and how much is late. */
  const showStored = () => {
    const late = lateNow()
    show({ state: stored, ...(late > 0 ? { late } : {}) })
  }

  /** What is stored now, and what still waits on top of it. */
  const settle = (nowStored: WorkState, rest: readonly Waiting[], moved: boolean) => {
    stored = nowStored
    if (moved) {
      const { done, state } = redo(rest, stored)
      waiting = done
      ahead = state
    } else waiting = rest
    if (waiting.length > 0 && current.unsaved) show({ ...current, state: ahead })
    else showStored()
  }

  const storeWaiting = async () => {
    while (waiting.length > 0) {
      const batch = waiting
      const outcome = await db.transaction('rw', db.events, db.logBlocks, db.copies, async () => {
        const news = await eventsAfter(copy.id, stored.lastSeq, db)
        const base = replay(news, stored)
        // A batch whose storing was only reported as failed comes back as news.
        const arrived = new Set(news.map(({ id }) => id))
        const missing = batch.filter(({ event }) => !arrived.has(event.id))
        const events = (news.length > 0 ? redo(missing, base).done : batch).map(({ event }) => event)
        await db.events.bulkAdd(events)
        await noteOnCopy(db, events, base)
        return { state: replay(events, base), moved: news.length > 0 }
      })
      settle(outcome.state, waiting.slice(batch.length), outcome.moved)
    }
  }

  const run = () => {
    clearTimeout(again)
    queue = queue.then(async () => {
      try {
        await storeWaiting()
      } catch {
        const since = current.unsaved?.since ?? waiting[0]?.event.at ?? Date.now()
        show({ state: ahead, unsaved: { since, events: waiting.map(({ event }) => event) } })
        clearTimeout(again)
        again = setTimeout(() => void run(), AGAIN_AFTER_MS)
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
      const made = deed(ahead)
      if (!made) return undefined
      const event = place(made, ahead, freshId(), Date.now())
      ahead = replay([event], ahead)
      waiting = [...waiting, { deed, event }]
      if (current.unsaved) show({ ...current, state: ahead })
      else setTimeout(() => !current.unsaved && showStored(), TOLD_AFTER_MS + 1)
      void run()
      return event
    },
    settled: () => queue,
    catchUp: () => {
      queue = queue.then(async () => {
        const news = await eventsAfter(copy.id, stored.lastSeq, db)
        if (news.length === 0) return
        const arrived = new Set(news.map(({ id }) => id))
        const rest = waiting.filter(({ event }) => !arrived.has(event.id))
        settle(replay(news, stored), rest, true)
      })
    },
  }
}

/** The copy carries what the shelf needs to know without reading the log. */
async function noteOnCopy(db: UzelDatabase, events: readonly LogEvent[], before: WorkState): Promise<void> {
  const after = replay(events, before)
  const turned = after.planVersion !== before.planVersion ? { planVersion: after.planVersion } : {}
  const ended = events.findLast(({ type }) => type === 'finish' || type === 'reopen')
  const finished = ended ? { finishedAt: ended.type === 'finish' ? ended.at : undefined } : {}
  const change = { ...turned, ...finished }
  if (events.length > 0 && Object.keys(change).length > 0) await db.copies.update(events[0]!.copyId, change)
}
