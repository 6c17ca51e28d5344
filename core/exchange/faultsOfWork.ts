import type { PinnedPlan } from '../plan/plan.ts'
import { placeOf } from '../rounds/inOrder.ts'
import { verify } from '../rounds/verify.ts'
import type { LogEvent, Position } from '../worklog/logEvent.ts'
import { unitsOf } from '../worklog/moves.ts'
import { BrokenLog, replay } from '../worklog/replay.ts'
import type { FileFault } from './fileFault.ts'
import type { CopyRecord, PlanVersionRecord, ProjectFile } from './records.ts'

/** Pinned plans that count, logs that are a chain on them, and readings of rounds that there are. */
export function* faultsOfWork(file: ProjectFile): Generator<FileFault> {
  for (const [index, pinned] of file.planVersions.entries())
    yield* faultsOfPlan(pinned, `planVersions[${index}]`)
  const plans = new Map(
    file.planVersions.map(({ pieceId, version, plan }) => [`${pieceId} ${version}`, plan]),
  )
  const logs = logsOf(file.events)
  for (const [index, copy] of file.copies.entries()) {
    const planOf = (version: number) => plans.get(`${copy.pieceId} ${version}`)
    const log = logs.get(copy.id) ?? []
    yield* faultsOfLog(copy, log, planOf, `copies[${index}]`)
  }
  yield* faultsOfReadings(file, plans)
}

/** A plan must be a fabric that can be worked, and what is said of it must be of rounds that there are. */
function* faultsOfPlan({ plan }: PlanVersionRecord, path: string): Generator<FileFault> {
  for (const { at, field, message } of verify(plan.rounds)) {
    yield { path: `${path}.plan.rounds[${at}].${field}`, message }
  }
  if (plan.goesOn && plan.goesOn.after > plan.rounds.length) {
    yield { path: `${path}.plan.goesOn.after`, message: 'More rounds are worked than the plan has.' }
  }
  const last = plan.rounds.length
  for (const [index, { afterRound }] of plan.checkpoints.entries()) {
    if (afterRound <= last) continue
    yield {
      path: `${path}.plan.checkpoints[${index}].afterRound`,
      message: `The plan has ${last} rounds; nothing can be measured after Rnd ${afterRound}.`,
    }
  }
}

interface Line {
  readonly event: LogEvent
  /** Where it stands in the file. */
  readonly index: number
}

function logsOf(events: readonly LogEvent[]): Map<string, Line[]> {
  const logs = new Map<string, Line[]>()
  events.forEach((event, index) => {
    const log = logs.get(event.copyId)
    if (log) log.push({ event, index })
    else logs.set(event.copyId, [{ event, index }])
  })
  for (const log of logs.values()) log.sort((one, other) => one.event.seq - other.event.seq)
  return logs
}

function* faultsOfLog(
  copy: CopyRecord,
  log: readonly Line[],
  planOf: (version: number) => PinnedPlan | undefined,
  path: string,
): Generator<FileFault> {
  if (log[0]?.event.type !== 'start') {
    yield { path, message: 'Its work log has no beginning: a copy begins with the event “start”.' }
    return
  }
  let planVersion: number
  try {
    planVersion = replay(log.map(({ event }) => event)).planVersion
  } catch (error) {
    if (!(error instanceof BrokenLog)) throw error
    const broken = log.find(({ event }) => event.seq === error.seq)!
    yield { path: `events[${broken.index}]`, message: `The work log does not add up. ${error.message}` }
    return
  }
  yield* faultsOfPositions(log, planOf)
  if (planVersion !== copy.planVersion) {
    yield {
      path: `${path}.planVersion`,
      message: `The copy says plan version ${copy.planVersion}, its work log ends with ${planVersion}.`,
    }
  }
}

/** Where the hook was must be a stitch of the plan that was worked to then. */
function* faultsOfPositions(
  log: readonly Line[],
  planOf: (version: number) => PinnedPlan | undefined,
): Generator<FileFault> {
  const versions: number[] = []
  /** Events that turned the work over to another plan. */
  const turned = new Set<string>()
  let plan: PinnedPlan | undefined
  for (const [at, { event, index }] of log.entries()) {
    const path = `events[${index}]`
    if (event.type === 'start' && at > 0) yield { path, message: 'A copy is started once.' }
    if (event.type === 'start' || event.type === 'replan') {
      versions.push(event.planVersion)
      if (event.type === 'replan') turned.add(event.id)
      plan = planOf(event.planVersion)
      if (!plan) {
        yield { path: `${path}.planVersion`, message: `Plan version ${event.planVersion} is missing.` }
        return
      }
    } else if (event.type === 'undo' && turned.has(event.undoes)) {
      versions.pop()
      plan = planOf(versions.at(-1) ?? 0) ?? plan
    }
    const where = 'to' in event ? event.to : event.type === 'note' ? event.position : undefined
    if (!where || !plan) continue
    const wrong = wrongIn(where, plan)
    if (wrong) {
      yield { path: `${path}.${'to' in event ? 'to' : 'position'}`, message: wrong }
      return
    }
  }
}

function wrongIn({ round, unit }: Position, { rounds }: PinnedPlan): string | undefined {
  const place = placeOf(rounds, round)
  const planned = rounds[place]
  if (!planned) return `The plan worked to has ${rounds.length} rounds; there is no “${round}” among them.`
  const most = unitsOf(planned).length
  return unit > most ? `Rnd ${place + 1} has ${most} places to work; there is no place ${unit}.` : undefined
}

function* faultsOfReadings(
  { readings, copies }: ProjectFile,
  plans: ReadonlyMap<string, PinnedPlan>,
): Generator<FileFault> {
  const pieceOf = new Map(copies.map(({ id, pieceId }) => [id, pieceId]))
  for (const [index, { copyId, planVersion, afterRound, counts }] of readings.entries()) {
    const plan = plans.get(`${pieceOf.get(copyId)} ${planVersion}`)
    const path = `readings[${index}]`
    if (!plan) {
      yield { path: `${path}.planVersion`, message: `Plan version ${planVersion} is missing.` }
    } else if (afterRound > plan.rounds.length) {
      yield {
        path: `${path}.afterRound`,
        message: `The plan has ${plan.rounds.length} rounds; nothing can be measured after Rnd ${afterRound}.`,
      }
    }
    const later = counts?.findIndex(({ round }) => round > afterRound) ?? -1
    if (later >= 0) {
      yield { path: `${path}.counts[${later}].round`, message: `Rnd ${afterRound} was the last then.` }
    }
  }
}
