import fc from 'fast-check'
import { roundNamed } from '../rounds/inOrder.ts'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec } from '../testing/specs.ts'
import type { LogEvent, NewEvent } from './logEvent.ts'
import { atTheEnd, goTo, nextRound, undo, unitsOf, workOn } from './moves.ts'
import { paceFromLog } from './paceFromLog.ts'
import { BrokenLog, NOT_STARTED, replay, type WorkState } from './replay.ts'
import { workView } from './workView.ts'

const plan = planPiece(discSpec(110))
const { rounds } = plan

const write = (state: WorkState, event: NewEvent, at = state.lastSeq * 3000): LogEvent => ({
  ...event,
  id: `e${state.lastSeq + 1}`,
  copyId: 'mat 1',
  seq: state.lastSeq + 1,
  at,
})

type Deed = (state: WorkState) => NewEvent | undefined

const deed: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 6, arbitrary: fc.constant<Deed>((state) => workOn(rounds, state, 'stitch')) },
  { weight: 4, arbitrary: fc.constant<Deed>((state) => workOn(rounds, state, 'round')) },
  fc.constant<Deed>((state) => workOn(rounds, state, 'repeat')),
  { weight: 4, arbitrary: fc.constant<Deed>((state) => nextRound(rounds, state)) },
  { weight: 3, arbitrary: fc.constant<Deed>(undo) },
  fc
    .record({
      round: fc.integer({ min: -2, max: 99 }).map((number) => `r${number}`),
      unit: fc.integer({ min: -2, max: 999 }),
    })
    .map(
      (target): Deed =>
        (state) =>
          goTo(rounds, state, target),
    ),
)

function live(deeds: readonly Deed[]): { log: LogEvent[]; state: WorkState } {
  const start: NewEvent = { type: 'start', planVersion: 1, to: { round: 'r1', unit: 0 } }
  let log = [write(NOT_STARTED, start)]
  let state = replay(log)
  for (const make of deeds) {
    const event = make(state)
    if (!event) continue
    const written = write(state, event)
    log = [...log, written]
    state = replay([written], state)
  }
  return { log, state }
}

test('replaying the whole log, or going on from any state on the way, gives the same place', () => {
  fc.assert(
    fc.property(fc.array(deed, { maxLength: 60 }), fc.nat(60), (deeds, cut) => {
      const { log, state } = live(deeds)
      expect(replay(log)).toEqual(state)
      expect(replay(log.slice(cut), replay(log.slice(0, cut)))).toEqual(state)
      const round = roundNamed(rounds, state.position.round)!
      expect(state.position.unit).toBeGreaterThanOrEqual(0)
      expect(state.position.unit).toBeLessThanOrEqual(unitsOf(round).length)
    }),
  )
})

test('undo takes back every move to the beginning, one by one', () => {
  fc.assert(
    fc.property(fc.array(deed, { maxLength: 40 }), (deeds) => {
      const { log } = live([...deeds, ...new Array<Deed>(deeds.length).fill(undo)])
      expect(replay(log).position).toEqual({ round: 'r1', unit: 0 })
      expect(undo(replay(log))).toBeUndefined()
    }),
  )
})

test('a log with a gap, a jump or a wrong undo is refused where it breaks', () => {
  const { log } = live(new Array<Deed>(5).fill((state) => workOn(rounds, state, 'stitch')))
  const without = log.filter(({ seq }) => seq !== 3)
  expect(() => replay(without)).toThrow(BrokenLog)
  expect(() => replay(without)).toThrow(expect.objectContaining({ seq: 4 }))
  const jumped = log.map((event) =>
    event.seq === 4 && 'from' in event ? { ...event, from: { round: 'r2', unit: 0 } } : event,
  )
  expect(() => replay(jumped)).toThrow(expect.objectContaining({ seq: 4 }))
})

test('the piece can be worked to its end by rounds, and no further', () => {
  const round: Deed = (state) => workOn(rounds, state, 'round')
  const next: Deed = (state) => nextRound(rounds, state)
  const { state } = live(
    new Array(rounds.length * 2).fill(undefined).map((_, index) => (index % 2 ? next : round)),
  )
  expect(atTheEnd(rounds, state.position)).toBe(true)
  expect(workView(plan, state.position).madeInAll).toBe(plan.stitches)
  expect(workOn(rounds, state, 'stitch')).toBeUndefined()
  expect(nextRound(rounds, state)).toBeUndefined()
})

test('the view counts stitches as the maker does: an increase is two, and the repeat is named', () => {
  const third = workView(plan, { round: 'r3', unit: 3 })
  // (sc, inc) × 6: after sc, inc, sc the count is 4 and the second repeat is under way.
  expect(third.made).toBe(4)
  expect(third.repeat).toEqual({ step: 0, time: 2, times: 6 })
  expect(third.bracket).toEqual({ from: 2, to: 4 })
  expect(third.madeInAll).toBe(6 + 12 + 4)
  expect(third.nextCheckpoint!.stitchesTo).toBe(
    rounds.slice(2, third.nextCheckpoint!.checkpoint.afterRound).reduce((sum, { count }) => sum + count, 0) -
      4,
  )
})

test('pace is learned from taps, rests left out', () => {
  const { log } = live(
    new Array<Deed>(400).fill((state) => workOn(rounds, state, 'stitch') ?? nextRound(rounds, state)),
  )
  const withRest = log.map((event) => ({ ...event, at: event.at + (event.seq > 20 ? 3_600_000 : 0) }))
  // One tap in 3 s; an increase is two stitches in one tap.
  const pace = paceFromLog(withRest, plan)!
  expect(pace).toBeGreaterThan(20)
  expect(pace).toBeLessThan(30)
  expect(paceFromLog(log.slice(0, 5), plan)).toBeUndefined()
})

test('a learned pace is held to what hands can do, however the taps come', () => {
  const paced = (pause: number) => {
    let events: LogEvent[] = [
      {
        id: 'e1',
        copyId: 'copy',
        seq: 1,
        at: 0,
        type: 'start',
        planVersion: 1,
        to: { round: 'r1', unit: 0 },
      },
    ]
    for (let tap = 1; tap <= 60; tap++) {
      const state = replay(events)
      const event = workOn(plan.rounds, state, 'stitch') ?? nextRound(plan.rounds, state)!
      events = [...events, { ...event, id: `e${tap + 1}`, copyId: 'copy', seq: tap + 1, at: tap * pause }]
    }
    return paceFromLog(events, plan)!
  }
  // Fifteen sc a minute are four seconds each, an increase twice that.
  expect(paced(4000)).toBeGreaterThan(12)
  expect(paced(4000)).toBeLessThan(32)
  expect(paced(40)).toBe(40)
  expect(paced(110_000)).toBe(3)
})
