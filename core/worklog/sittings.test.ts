import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { STITCHES } from '../stitches/stitch.ts'
import { dice } from '../testing/dice.ts'
import { discSpec } from '../testing/specs.ts'
import { alikeOf, driftOf, foundAgainstPlan } from './drift.ts'
import { startOf, type LogEvent, type NewEvent } from './logEvent.ts'
import { goTo, nextRound, undo, workOn } from './moves.ts'
import { replay } from './replay.ts'
import { effortLeft, minutesByDay, paceByStitch, tellLog, timeFor, type Sitting } from './sittings.ts'
import { runs } from '../testing/runs.ts'

const plan = planPiece(discSpec(140))
const planOf = () => plan
const MINUTE = 60_000

/** A log that is written as the work screen writes it, at times of one's own. */
class Log {
  readonly events: LogEvent[] = []
  at = Date.UTC(2026, 10, 2, 18)

  constructor() {
    this.write({ type: 'start', planVersion: 1, to: startOf(plan.rounds) })
  }

  get state() {
    return replay(this.events)
  }

  write(event: NewEvent | undefined): void {
    if (!event) return
    const seq = this.events.length + 1
    this.events.push({ ...event, id: `e${seq}`, copyId: 'c', seq, at: this.at })
  }

  /** So many stitches, each after so long. */
  work(stitches: number, ms: number): void {
    for (let made = 0; made < stitches; made++) {
      this.at += ms
      this.write(workOn(plan.rounds, this.state, 'stitch') ?? nextRound(plan.rounds, this.state))
    }
  }
}

test('sittings are told by the pauses between them; rests within one are no work', () => {
  const log = new Log()
  log.work(20, 4000)
  log.at += 5 * MINUTE
  log.work(10, 4000)
  log.at += 45 * MINUTE
  log.work(12, 5000)
  const { sittings } = tellLog(log.events, planOf)
  expect(sittings).toHaveLength(2)
  const [first, second] = sittings as [Sitting, Sitting]
  // Twenty-nine pauses of 4 s; the stitch after the rest took nobody knows how long.
  expect(first.worked).toBe(29 * 4000)
  expect(first.to - first.from).toBe(20 * 4000 + 5 * MINUTE + 10 * 4000)
  expect(second.worked).toBe(11 * 5000)
  expect(second.from - first.to).toBe(45 * MINUTE + 5000)
  expect(first.rounds[0]).toBe(1)
  expect(second.rounds[1]).toBeGreaterThanOrEqual(first.rounds[1])
})

test('every stitch that the log has is in one sitting, whatever was done in between', () => {
  const deed = fc.oneof(
    fc.record({ do: fc.constant('work' as const), many: fc.integer({ min: 1, max: 25 }) }),
    fc.record({ do: fc.constant('undo' as const), many: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ do: fc.constant('rest' as const), many: fc.integer({ min: 1, max: 60 }) }),
  )
  fc.assert(
    fc.property(fc.array(deed, { minLength: 1, maxLength: 20 }), (deeds) => {
      const log = new Log()
      for (const one of deeds) {
        if (one.do === 'work') log.work(one.many, 3000)
        else if (one.do === 'rest') log.at += one.many * MINUTE
        else {
          for (let time = 0; time < one.many; time++) {
            log.at += 1000
            log.write(undo(log.state))
          }
        }
      }
      const { sittings } = tellLog(log.events, planOf)
      const { position } = log.state
      const place = plan.rounds.findIndex(({ id }) => id === position.round)
      const before = plan.rounds.slice(0, place).reduce((sum, { count }) => sum + count, 0)
      const units = plan.rounds[place]!.steps.flatMap(({ times, ops }) =>
        Array.from({ length: times }, () =>
          ops.flatMap((op) => Array.from({ length: op.times }, () => op.makes)),
        ).flat(),
      )
      const made = before + units.slice(0, position.unit).reduce((sum, makes) => sum + makes, 0)
      const net = sittings.reduce((sum, { stitches, out }) => sum + stitches - out, 0)
      expect(net).toBe(made)
      for (const [index, { from, to, worked }] of sittings.entries()) {
        expect(worked).toBeLessThanOrEqual(to - from)
        if (index > 0) expect(from - sittings[index - 1]!.to).toBeGreaterThan(20 * MINUTE)
      }
    }),
    { numRuns: runs(60) },
  )
})

test('what was taken out is told with its rounds and the note beside it; a recount and what was undone are not', () => {
  const log = new Log()
  log.work(60, 3000)
  const { round } = log.state.position
  const number = plan.rounds.findIndex(({ id }) => id === round) + 1
  log.write(goTo(plan.rounds, log.state, { round, unit: 0 }))
  expect(tellLog(log.events, planOf).takenOut).toEqual([])
  log.work(5, 3000)
  log.write(goTo(plan.rounds, log.state, { round: plan.rounds[1]!.id, unit: 0 }))
  log.at += MINUTE
  log.write({ type: 'note', position: log.state.position, text: 'Too tight at the middle' })
  const [out] = tellLog(log.events, planOf).takenOut
  expect(out).toMatchObject({ from: number, to: 2, why: 'wentBack', note: 'Too tight at the middle' })
  const [second] = plan.rounds
  expect(out!.stitches).toBeGreaterThan(second!.count)
  log.write(undo(log.state))
  expect(tellLog(log.events, planOf).takenOut).toEqual([])
})

test('pace is that of the taps; a day is the sum of its sittings', () => {
  const log = new Log()
  for (let evening = 0; evening < 3; evening++) {
    log.work(40, 3000 + evening * 1000)
    log.at += 24 * 60 * MINUTE
  }
  const { sittings } = tellLog(log.events, planOf)
  const [sc] = paceByStitch(sittings)
  expect(sc!.stitch).toBe('sc')
  expect(sc!.seconds).toBeGreaterThan(3)
  expect(sc!.seconds).toBeLessThan(5)
  // Some stitches of the plan are increases, which make two at a tap: pace is by stitch.
  expect(sc!.sd).toBeGreaterThan(0.3)
  const days = minutesByDay(sittings, (at) => new Date(at).toISOString().slice(0, 10))
  expect([...days.keys()]).toEqual(['2026-11-02', '2026-11-03', '2026-11-04'])
  const all = sittings.reduce((sum, { worked }) => sum + worked, 0) / MINUTE
  expect([...days.values()].reduce((sum, one) => sum + one, 0)).toBeCloseTo(all, 9)
  expect(effortLeft(plan, startOf(plan.rounds))).toBeCloseTo(plan.stitches * STITCHES.sc.effort, 6)
})

const sitting = (effort: number, each: number): Sitting => ({
  copyId: 'c',
  from: 0,
  to: 0,
  worked: 0,
  stitches: effort,
  out: 0,
  rounds: [1, 1],
  byStitch: new Map([['sc', { stitches: effort / STITCHES.sc.effort, time: effort * each * 1000 }]]),
})

test('the time that is left lies within its ± about 19 times in 20, however many sittings are known', () => {
  for (const known of [2, 3, 6, 12]) {
    const { normal } = dice(100 + known)
    let within = 0
    const trials = 1500
    for (let trial = 0; trial < trials; trial++) {
      // Each evening has a pace of its own, about 4 s, ±15%.
      const evening = () => 4 * (1 + 0.15 * normal())
      const told = timeFor(
        600,
        Array.from({ length: known }, () => sitting(200, evening())),
      )!
      const truly = Array.from({ length: 3 }, () => 200 * evening()).reduce((sum, one) => sum + one, 0)
      if (Math.abs(truly - told.seconds) <= told.plusMinus!) within++
    }
    expect(within / trials).toBeGreaterThan(0.93)
    expect(within / trials).toBeLessThan(0.975)
  }
  expect(timeFor(600, [sitting(200, 4)])).toEqual({ seconds: 2400 })
  expect(timeFor(600, [])).toBeUndefined()
})

test('a hand that gets tighter is seen, and by how much; chance is not taken for one', () => {
  const found = (shares: readonly number[]) => shares.map((share) => ({ found: 100 * share, planned: 100 }))
  const straight = driftOf(found([1.03, 1.02, 1.01, 1, 0.99].map((share) => Math.exp(share - 1))))!
  expect(straight.each).toBeCloseTo(-0.01, 9)
  expect(straight.seen).toBe(true)
  let false_ = 0
  let seen = 0
  const { normal } = dice(7)
  for (let trial = 0; trial < 2000; trial++) {
    const noise = () => 1 + 0.01 * normal()
    if (driftOf(found(Array.from({ length: 6 }, noise)))!.seen) false_++
    if (driftOf(found(Array.from({ length: 8 }, (_, index) => noise() - 0.012 * index)))!.seen) seen++
  }
  expect(false_ / 2000).toBeLessThan(0.065)
  expect(seen / 2000).toBeGreaterThan(0.95)
  expect(driftOf(found([1, 1, 1]))).toBeUndefined()
})

test('what the tape found stands against what its plan says there; what was washed, or promised nowhere, is left out', () => {
  const { checkpoints, rounds } = plan
  const [checkpoint] = checkpoints
  const promise = checkpoint!.promises[0]!
  const reading = (afterRound: number, value: number, more = {}) => ({
    id: `r${afterRound}`,
    copyId: 'c',
    at: afterRound,
    planVersion: 1,
    afterRound,
    seen: [{ of: promise.of, at: afterRound, values: [value] }],
    ...more,
  })
  const told = foundAgainstPlan(
    [
      reading(rounds.length, 141),
      reading(checkpoint!.afterRound, promise.value * 1.02),
      reading(2, 20),
      reading(rounds.length, 150, { washed: true }),
    ],
    planOf,
  )
  expect(told.map(({ finished }) => finished)).toEqual([false, true])
  expect(told[0]!.found / told[0]!.planned).toBeCloseTo(1.02, 9)
  expect(told[1]!.planned).toBeCloseTo(plan.finished.promises[0]!.value, 6)
})

test('finished ones are held against one another, each by its last measurement; one alone is alike to nothing', () => {
  const found = (copyId: string, size: number, finished = true) =>
    ({ copyId, at: 0, of: 'across', found: size, planned: 108, finished }) as const
  expect(alikeOf([found('a', 108.5), found('b', 112), found('b', 109), found('c', 50, false)])).toEqual({
    of: 'across',
    count: 2,
    apart: 0.5,
    share: 109 / 108.5 - 1,
  })
  expect(alikeOf([found('a', 108), found('a', 109)])).toBeUndefined()
  expect(alikeOf([])).toBeUndefined()
})

test('who counts round by round worked in between; who catches up on paper’s work shows no pace by it', () => {
  const log = new Log()
  for (let round = 0; round < 6; round++) {
    const made = plan.rounds[round]!.count
    // Four seconds a stitch, told at the end of each round.
    log.at += made * 4000
    log.write(workOn(plan.rounds, log.state, 'round'))
    log.at += 2000
    log.write(nextRound(plan.rounds, log.state))
  }
  const all = plan.rounds.slice(0, 6).reduce((sum, { count }) => sum + count, 0)
  const byHand = tellLog(log.events, planOf).sittings
  expect(byHand).toHaveLength(1)
  expect(byHand[0]!.worked).toBe(all * 4000 + 6 * 2000)
  const [before] = paceByStitch(byHand)
  expect(before!.seconds).toBeCloseTo(4, 6)
  // Two rounds that were worked on paper, tapped in at once.
  for (let round = 0; round < 2; round++) {
    log.at += 500
    log.write(workOn(plan.rounds, log.state, 'round'))
    log.at += 500
    log.write(nextRound(plan.rounds, log.state))
  }
  const caughtUp = tellLog(log.events, planOf).sittings
  expect(caughtUp[0]!.stitches).toBeGreaterThan(byHand[0]!.stitches)
  expect(paceByStitch(caughtUp)).toEqual([before])
})
