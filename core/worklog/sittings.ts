import type { Plan } from '../plan/plan.ts'
import { placeOf, roundNamed } from '../rounds/inOrder.ts'
import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import type { LogEvent, Position } from './logEvent.ts'
import { unitsOf } from './moves.ts'
import { deviationOf, studentAt } from './spread.ts'
import { isCatchingUp, isWork } from './paceFromLog.ts'
import { madeAt, stitchesMade } from './workView.ts'

/** Who does nothing for longer than this has got up. */
export const BETWEEN_SITTINGS_MS = 20 * 60_000

/** What was worked of one stitch: how many, and how long that took, rests left out. */
export interface WorkedStitch {
  readonly stitches: number
  /** ms. */
  readonly time: number
}

/** A while at the hook, on one copy. Times in ms since 1970, durations in ms. */
export interface Sitting {
  readonly copyId: string
  readonly from: number
  readonly to: number
  /** At work: pauses longer than two minutes left out. */
  readonly worked: number
  /** Stitches made, and those of them that were taken out again. */
  readonly stitches: number
  readonly out: number
  /** Numbers of the first and the last round. */
  readonly rounds: readonly [number, number]
  readonly byStitch: ReadonlyMap<StitchName, WorkedStitch>
}

/** The plan that a version of a piece goes by; nothing where it is not kept. */
export type PlanOfVersion = (version: number) => Plan | undefined

/** Work that was taken out: how much, where, and why as far as the log knows. */
export interface TakenOut {
  readonly copyId: string
  readonly at: number
  readonly stitches: number
  /** The round that it was worked in last, and the one that it was taken back to. */
  readonly from: number
  readonly to: number
  /** The rest was planned anew, or the maker went back. */
  readonly why: 'replan' | 'wentBack'
  /** What was noted beside it. */
  readonly note?: string
}

/** A log as it is told. */
export interface LogTold {
  readonly sittings: readonly Sitting[]
  readonly takenOut: readonly TakenOut[]
}

interface Open {
  from: number
  to: number
  worked: number
  stitches: number
  out: number
  rounds: [number, number]
  byStitch: Map<StitchName, WorkedStitch>
}

/** Fewer stitches taken back in the same round are a slip of the finger. */
const LEAST_OUT = 8
/** A note so soon after tells why. */
const TELLS_WHY_MS = 10 * 60_000

/** The sittings of a copy, and what was taken out in them, oldest first. */
export function tellLog(events: readonly LogEvent[], planOf: PlanOfVersion): LogTold {
  const sittings: Sitting[] = []
  const takenOut: TakenOut[] = []
  const undone = new Set(events.flatMap((event) => (event.type === 'undo' ? [event.undoes] : [])))
  let open: Open | undefined
  let plan: Plan | undefined
  let before: LogEvent | undefined
  const close = () => {
    if (open && (open.stitches > 0 || open.out > 0)) sittings.push({ copyId: before!.copyId, ...open })
    open = undefined
  }
  for (const event of events) {
    if (event.type === 'start' || event.type === 'replan') {
      // Where it went back from is told in the plan before.
      if (event.type === 'replan') tellOut(event, plan, takenOut, undone)
      plan = planOf(event.planVersion)
    }
    const pause = before ? event.at - before.at : 0
    if (open && pause > BETWEEN_SITTINGS_MS) close()
    const number = plan && 'to' in event ? (roundNamed(plan.rounds, event.to.round)?.number ?? 1) : 1
    open ??= {
      from: event.at,
      to: event.at,
      worked: 0,
      stitches: 0,
      out: 0,
      rounds: [number, number],
      byStitch: new Map(),
    }
    open.to = event.at
    if (event.type === 'work' && plan) {
      const round = roundNamed(plan.rounds, event.from.round)
      if (round) {
        const units = unitsOf(round)
        const made = stitchesMade(units, event.to.unit) - stitchesMade(units, event.from.unit)
        const time = isWork(pause, made) ? pause : 0
        open.stitches += made
        open.worked += time
        open.rounds = [Math.min(open.rounds[0], round.number), Math.max(open.rounds[1], round.number)]
        if (time > 0 && !isCatchingUp(time, made * STITCHES[round.stitch].effort)) {
          const known = open.byStitch.get(round.stitch) ?? { stitches: 0, time: 0 }
          open.byStitch.set(round.stitch, { stitches: known.stitches + made, time: known.time + time })
        }
      }
    } else if (isWork(pause, 0)) open.worked += pause
    if (plan && (event.type === 'goTo' || event.type === 'undo')) {
      if (!undone.has(event.id)) open.out += Math.max(0, madeAt(plan, event.from) - madeAt(plan, event.to))
      if (event.type === 'goTo') tellOut(event, plan, takenOut, undone)
    }
    if (event.type === 'note') whyOf(takenOut, event)
    before = event
  }
  close()
  return { sittings, takenOut }
}

type GoesBack = Extract<LogEvent, { type: 'goTo' | 'replan' }>

function tellOut(
  event: GoesBack,
  plan: Plan | undefined,
  all: TakenOut[],
  undone: ReadonlySet<string>,
): void {
  if (!plan || undone.has(event.id)) return
  const [from, to] = [event.from, event.to].map(({ round }) => roundNamed(plan.rounds, round))
  const stitches = madeAt(plan, event.from) - madeAt(plan, event.to)
  // Within a round it is a recount; a round that the new plan alone has lies ahead.
  if (!from || !to || from.id === to.id || stitches < LEAST_OUT) return
  all.push({
    copyId: event.copyId,
    at: event.at,
    stitches,
    from: from.number,
    to: to.number,
    why: event.type === 'replan' ? 'replan' : 'wentBack',
  })
}

/** A note that comes soon after something was taken out says why. */
function whyOf(all: TakenOut[], { at, text }: Extract<LogEvent, { type: 'note' }>): void {
  const last = all.at(-1)
  if (last && last.note === undefined && at - last.at <= TELLS_WHY_MS) {
    all[all.length - 1] = { ...last, note: text }
  }
}

/** How long a stitch takes a maker, as their sittings show it. */
export interface StitchPace {
  readonly stitch: StitchName
  readonly stitches: number
  /** Seconds each, and how far that differs from sitting to sitting (one standard deviation); absent for one sitting. */
  readonly seconds: number
  readonly sd?: number
}

/** Fewer stitches of a sitting than this say nothing about pace. */
const FEWEST = 20

/** The pace of each stitch, those worked most first. */
export function paceByStitch(sittings: readonly Sitting[]): readonly StitchPace[] {
  const names = new Set(sittings.flatMap(({ byStitch }) => [...byStitch.keys()]))
  return [...names]
    .flatMap((stitch): StitchPace[] => {
      const own = sittings
        .flatMap(({ byStitch }) => byStitch.get(stitch) ?? [])
        .filter((one) => one.stitches >= FEWEST)
      const stitches = own.reduce((sum, one) => sum + one.stitches, 0)
      if (stitches === 0) return []
      const seconds = own.reduce((sum, { time }) => sum + time, 0) / 1000 / stitches
      const spread = deviationOf(own.map(({ time, stitches: made }) => time / 1000 / made))
      return [{ stitch, stitches, seconds, ...(spread === undefined ? {} : { sd: spread }) }]
    })
    .toSorted((one, other) => other.stitches - one.stitches)
}

/** Seconds, and within how many of them it comes out 19 times in 20. */
export interface TimeTold {
  readonly seconds: number
  readonly plusMinus?: number
}

/** Work in single crochets: what a stitch takes against one (FIELD §8). */
const effortIn = ({ byStitch }: Sitting): { effort: number; time: number } => {
  let [effort, time] = [0, 0]
  for (const [stitch, worked] of byStitch) {
    effort += worked.stitches * STITCHES[stitch].effort
    time += worked.time / 1000
  }
  return { effort, time }
}

/**
 * How long so many stitches will take: the pace of the sittings so far, and how far that of a few more may be off. Two
 * uncertainties add up: what the mean of the sittings known is not known by, and what the sittings to come differ by.
 * @param effort what is left, in single crochets
 * @returns nothing while no sitting shows a pace
 */
export function timeFor(effort: number, sittings: readonly Sitting[]): TimeTold | undefined {
  const shown = sittings.map(effortIn).filter((one) => one.effort >= FEWEST && one.time > 0)
  const all = shown.reduce((sum, one) => sum + one.effort, 0)
  if (all === 0) return undefined
  const each = shown.reduce((sum, { time }) => sum + time, 0) / all
  const seconds = effort * each
  const sd = deviationOf(shown.map((one) => one.time / one.effort))
  if (sd === undefined) return { seconds }
  const toCome = Math.max(1, effort / (all / shown.length))
  const plusMinus = studentAt(shown.length - 1) * effort * sd * Math.sqrt(1 / shown.length + 1 / toCome)
  return { seconds, plusMinus }
}

/** Effort of what is still to be worked of a plan, in single crochets. */
export function effortLeft({ rounds }: Plan, { round, unit }: Position): number {
  const place = Math.max(0, placeOf(rounds, round))
  return rounds.slice(place).reduce((sum, one, index) => {
    const made = index === 0 ? stitchesMade(unitsOf(one), unit) : 0
    return sum + (one.count - made) * STITCHES[one.stitch].effort
  }, 0)
}

/** Minutes at the hook by day, as "2026-11-16" in local time. */
export function minutesByDay(
  sittings: readonly Sitting[],
  dayOf: (at: number) => string,
): ReadonlyMap<string, number> {
  const days = new Map<string, number>()
  for (const { from, worked } of sittings) {
    const day = dayOf(from)
    days.set(day, (days.get(day) ?? 0) + worked / 60_000)
  }
  return days
}
