import { samePosition, type LogEvent, type Position } from './logEvent.ts'

type MoveEvent = Extract<LogEvent, { from: Position }>

export interface WorkState {
  readonly position: Position
  readonly finished: boolean
  readonly planVersion: number
  /** Moves that undo would take back, the latest last. */
  readonly undoable: readonly MoveEvent[]
  readonly lastSeq: number
}

/** Before the first event of a log: in no round yet. */
export const NOT_STARTED: WorkState = {
  position: { round: '', unit: 0 },
  finished: false,
  planVersion: 0,
  undoable: [],
  lastSeq: 0,
}

/** A log that contradicts itself; `seq` is where. */
export class BrokenLog extends Error {
  readonly seq: number

  constructor(seq: number, message: string) {
    super(message)
    this.name = 'BrokenLog'
    this.seq = seq
  }
}

/**
 * Where the work is after these events, beginning from a state already known.
 * @throws BrokenLog when a number is missing or a move does not begin where the one before ended
 */
export function replay(events: readonly LogEvent[], from: WorkState = NOT_STARTED): WorkState {
  let { position, finished, planVersion, lastSeq } = from
  const undoable = [...from.undoable]
  for (const event of events) {
    if (event.seq !== lastSeq + 1) {
      throw new BrokenLog(event.seq, `After event ${lastSeq} comes ${event.seq}.`)
    }
    lastSeq = event.seq
    if (event.type === 'start') {
      planVersion = event.planVersion
      position = event.to
    } else if (event.type === 'finish' || event.type === 'reopen') {
      finished = event.type === 'finish'
    } else if ('from' in event) {
      if (!samePosition(event.from, position)) {
        throw new BrokenLog(event.seq, `Event ${event.seq} begins where the one before did not end.`)
      }
      position = event.to
      if (event.type === 'undo') {
        const undone = undoable.pop()
        if (undone?.id !== event.undoes) {
          throw new BrokenLog(event.seq, `Event ${event.seq} takes back a move that was not the last.`)
        }
        if (undone.type === 'replan') planVersion = undone.fromVersion
      } else {
        if (event.type === 'replan') planVersion = event.planVersion
        undoable.push(event)
      }
    }
  }
  return { position, finished, planVersion, undoable, lastSeq }
}
