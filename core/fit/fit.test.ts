import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { stitchesConsumed, stitchesProduced } from '../rounds/steps.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { metresOfYarn } from '../plan/yarnAndTime.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { discSpec, seenAcross, promise } from '../testing/specs.ts'
import { replay } from '../worklog/replay.ts'
import type { Evidence } from '../gauge/evidence.ts'
import type { LogEvent } from '../worklog/logEvent.ts'
import { beliefFromEvidence, sizeOf } from '../gauge/gaugeFromEvidence.ts'
import { diagnose, type Diagnosis } from './diagnose.ts'
import { learnFromPiece } from './learnFromPiece.ts'
import type { PieceReading } from './pieceReading.ts'
import { positionAfter } from './positionAfter.ts'
import { repairCount } from './repairCount.ts'
import { trackRecord } from './trackRecord.ts'
import { waysOut } from './waysOut.ts'
import { yarnCheck } from './yarnCheck.ts'
import { runs } from '../testing/runs.ts'

const construction = { ...discSpec(1).construction, freeLastRounds: 2 as const }
const spec: PieceSpec = discSpec(220, { construction })
const plan = planPiece(spec)
const reading = (afterRound: number, across: number, more: Partial<PieceReading> = {}): PieceReading => ({
  id: 'reading',
  copyId: 'copy',
  at: 1,
  planVersion: 1,
  afterRound,
  seen: seenAcross(afterRound, across),
  edge: { kind: 'flat' },
  ...more,
})
const look = (afterRound: number, across: number, more: Partial<PieceReading> = {}): Diagnosis =>
  diagnose({ spec, rounds: plan.rounds.slice(0, afterRound), readings: [reading(afterRound, across, more)] })
const planned = (round: number) => 2 * plan.rounds[round - 1]!.at.radius
const counted = (round: number, count: number) => ({ counts: [{ round, count }] })

/** Every round works off the round below and makes its count. */
function expectSound({ rounds }: Plan): void {
  rounds.forEach(({ number, from, count, steps }, index) => {
    expect(number).toBe(index + 1)
    expect(stitchesProduced(steps)).toBe(count)
    expect(from).toBe(rounds[index - 1]?.count ?? 0)
    if (index > 0) expect(stitchesConsumed(steps)).toBe(from)
  })
}

describe('diagnosis', () => {
  test('as planned is as planned; tight, tall and wide hands are told by size and edge', () => {
    expect(look(8, planned(8), counted(8, 48))).toMatchObject({ hands: 'asGauge', look: undefined })
    expect(look(8, 0.94 * planned(8)).hands).toBe('tight')
    expect(look(8, 1.06 * planned(8)).hands).toBe('loose')
    const cup = { edge: { kind: 'standsUp', by: 24 } } as const
    expect(look(8, 0.96 * planned(8), { ...cup, ...counted(8, 48) }).hands).toBe('tallForWidth')
    expect(look(8, planned(8), { edge: { kind: 'waves', much: 'lot' }, ...counted(8, 48) }).hands).toBe(
      'wideForHeight',
    )
  })

  test('a count that is off is never hands; where it went wrong is asked, not claimed', () => {
    const short = look(8, planned(8), counted(8, 45))
    expect(['missedIncreases', 'firstSkipped']).toContain(short.causes[0]!.kind)
    expect(short.causes[0]!.counts.at(-1)).toBe(45)
    expect(short.look).toMatchObject({ kind: 'countRound' })
    const waves = { edge: { kind: 'waves', much: 'lot' } } as const
    const long = look(8, planned(8), { ...waves, ...counted(8, 54) })
    expect(['joinWorked', 'extraIncreases']).toContain(long.causes[0]!.kind)
    // One more count parts a slip from a habit: after Rnd 4 a habit is three off, a slip in Rnd 7 none.
    const habit = look(8, planned(8), {
      ...waves,
      counts: [
        { round: 8, count: 54 },
        { round: 5, count: 33 },
      ],
    })
    expect(habit.causes[0]).toMatchObject({ kind: 'joinWorked', from: 3 })
    const slip = look(8, planned(8), {
      ...waves,
      counts: [
        { round: 8, count: 54 },
        { round: 5, count: 30 },
      ],
    })
    expect(slip.causes[0]).toMatchObject({ kind: 'extraIncreases', stitches: 6 })
  })

  test('probabilities add up, none is certain, and a spiral knows no join', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 12 }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        (round, by) => {
          const { causes } = look(round, by * planned(round))
          const sum = causes.reduce((total, { probability }) => total + probability, 0)
          expect(sum).toBeGreaterThan(0.98)
          expect(sum).toBeLessThanOrEqual(1 + 1e-9)
          expect(causes[0]!.probability).toBeLessThanOrEqual(0.99)
        },
      ),
      { numRuns: runs(25) },
    )
    const spiral = { ...spec, construction: { ...construction, rounds: { kind: 'spiral' as const } } }
    const { causes } = diagnose({
      spec: spiral,
      rounds: plan.rounds.slice(0, 8),
      readings: [reading(8, 120)],
    })
    expect(causes.map(({ kind }) => kind)).not.toContain('joinWorked')
  })

  test.each([
    [reading(8, 0), 'across', /wider than nothing/, /./],
    [reading(8, 1220), 'across', /more than any hand strays/, /Did you mean 12.2 cm/],
    [reading(8, 122, { seen: seenAcross(8, 122, 160) }), 'across', /cannot be one disc/, /hexagon/],
    [
      reading(8, 122, { seen: [...seenAcross(8, 122), { of: 'around', at: 8, values: [122] }] }),
      'around',
      /does not go with/,
      /38.3 cm/,
    ],
    [reading(8, 122, { edge: { kind: 'standsUp', by: 130 } }), 'edge', /cannot stand up/, /./],
    [reading(8, 122, counted(8, 480)), 'count', /cannot be Rnd 8/, /./],
    [reading(8, 122, counted(9, 54)), 'count', /not worked yet/, /./],
  ])('reading %# is questioned at once', (odd, path, message, valid) => {
    const attempt = () => diagnose({ spec, rounds: plan.rounds.slice(0, 8), readings: [odd] })
    expect(attempt).toThrow(SpecError)
    expect(attempt).toThrow(message)
    expect(attempt).toThrow(expect.objectContaining({ path, valid: expect.stringMatching(valid) }))
  })

  test('two diameters further apart than staggered increases explain are named', () => {
    expect(look(8, 122, { seen: seenAcross(8, 118, 128) }).uneven).toBeCloseTo(0.085, 2)
    expect(look(8, 122, { seen: seenAcross(8, 121, 123) }).uneven).toBeUndefined()
    const stacked = { ...spec, construction: { ...construction, placement: 'stacked' as const } }
    const hexagon = diagnose({
      spec: stacked,
      rounds: plan.rounds.slice(0, 8),
      readings: [reading(8, 122, { seen: seenAcross(8, 116, 130) })],
    })
    expect(hexagon).toMatchObject({
      uneven: undefined,
      polygon: { sides: 6, share: expect.closeTo(0.12, 2) },
    })
  })

  test('a hole is read from its own width: a wide one explains a large piece, a closed ring does not', () => {
    const large = 1.05 * planned(8)
    expect(look(8, large, { hole: 14 }).causes[0]!.kind).toBe('openCentre')
    expect(look(8, large, { hole: 0 }).causes[0]!.kind).toBe('hands')
    expect(() => look(8, large, { hole: 90 })).toThrow(/no fabric/)
  })
})

describe('ways out', () => {
  const situation = (afterRound: number, across: number, more: Partial<PieceReading> = {}) => ({
    spec,
    hook: 5,
    plan,
    afterRound,
    diagnosis: look(afterRound, across, more),
  })

  test('any reading gives sound plans: the worked rounds are facts, and re-planning comes nearer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 12 }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        fc.integer({ min: -3, max: 3 }),
        (round, by, off) => {
          const count = plan.rounds[round - 1]!.count + off
          const { unchanged, ways } = waysOut(situation(round, by * planned(round), counted(round, count)))
          expect(ways.map(({ cost }) => cost)).toEqual(
            ways.map(({ cost }) => cost).sort((one, two) => one - two),
          )
          for (const { plan: way, kind, keeps } of ways) {
            expectSound(way)
            if (kind !== 'goBack') expect(way.rounds[round - 1]!.count).toBe(count)
            expect(way.rounds.length).toBeGreaterThanOrEqual(keeps)
          }
          const again = ways.find(({ kind }) => kind === 'replan')!
          // In whole rounds, while the size is known no better, it may miss by half a round either side.
          expect(Math.abs(again.off)).toBeLessThanOrEqual(
            Math.max(1.3 * again.spec.gauge.h, Math.abs(unchanged.off) + 4),
          )
          // A round too many may be what it takes it for: the last that is there is the one measured.
          expect(again.plan.rounds[again.keeps - 1]!.at.radius).toBeCloseTo((by * planned(round)) / 2, 6)
        },
      ),
      { numRuns: runs(20) },
    )
  })

  test('a tight piece: more rounds or a larger hook, and unchanged it ends small', () => {
    const { unchanged, ways } = waysOut(situation(8, 0.94 * planned(8)))
    expect(promise(unchanged.plan.finished).value).toBeLessThan(212)
    expect(ways[0]!.kind).not.toBe('accept')
    expect(Math.abs(ways[0]!.off)).toBeLessThan(3)
    expect(ways.find(({ kind }) => kind === 'anotherHook')!.hook).toBe(5.5)
    expect(ways.find(({ kind }) => kind === 'accept')).toMatchObject({
      moreSeconds: 0,
      moreMetres: 0,
      pulledOut: 0,
    })
  })

  test('going back costs what is pulled out, and keeps nothing beyond the error', () => {
    const { ways } = waysOut(
      situation(8, planned(8), {
        counts: [
          { round: 8, count: 45 },
          { round: 7, count: 39 },
          { round: 6, count: 36 },
        ],
      }),
    )
    const back = ways.find(({ kind }) => kind === 'goBack')!
    expect(back.keeps).toBe(6)
    expect(back.pulledOut).toBe(39 + 45)
    expect(back.moreSeconds).toBeGreaterThan(0)
    expect(back.plan.rounds[6]!.from).toBe(36)
  })

  test('the hook stays where it is on a round that stays, and goes to the first that changes', () => {
    const other = {
      ...plan,
      rounds: plan.rounds.map((round) =>
        round.number === 9 ? { ...round, steps: plan.rounds[7]!.steps } : round,
      ),
    }
    expect(positionAfter(plan, other, { round: 'r9', unit: 4 }, 8)).toEqual({ round: 'r9', unit: 0 })
    expect(positionAfter(plan, plan, { round: 'r9', unit: 4 }, 8)).toEqual({ round: 'r9', unit: 4 })
    const done = { ...plan, rounds: plan.rounds.slice(0, 8) }
    expect(positionAfter(plan, done, { round: 'r8', unit: 42 }, 8)).toMatchObject({ round: 'r8' })
  })
})

describe('count repair', () => {
  test('43 where 42 were planned: an increase left out; 41: one more, clear of the others', () => {
    const repair = repairCount(spec, plan, 7, 43)
    expect(repair).toMatchObject({ advice: 'mend', why: 'hides', off: 1, goBackStitches: 86 })
    expect(writeRoundBody(repair.mending!, 'US')).toBe('11 sc, (inc, 6 sc) × 4, inc, 3 sc')
    expect(repair.mending!.count).toBe(48)
    expect(writeRoundBody(repairCount(spec, plan, 7, 41).mending!, 'US')).toBe(
      '3 sc, (inc, 2 sc) × 2, (inc, 6 sc) × 4, inc, 3 sc',
    )
  })

  test('few stitches show, many cannot hide, texture must be right, the last round has no next', () => {
    expect(repairCount(spec, plan, 3, 17)).toMatchObject({ advice: 'goBack', why: 'tooSmall' })
    expect(repairCount(spec, plan, 7, 48)).toMatchObject({ advice: 'goBack', why: 'tooMany' })
    const texture = [{ fromRound: 6, of: 6 }]
    expect(repairCount({ ...spec, constraints: { multiples: texture } }, plan, 7, 43)).toMatchObject({
      advice: 'goBack',
      why: 'texture',
    })
    expect(repairCount(spec, plan, plan.rounds.length, 80)).toMatchObject({ advice: 'carryOn' })
  })

  test('a mended plan is sound, whatever the round and however far it is off', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: plan.rounds.length - 1 }),
        fc.integer({ min: -4, max: 4 }),
        (round, off) => {
          const have = plan.rounds[round - 1]!.count + off
          const { mended, mending } = repairCount(spec, plan, round, have)
          if (!mended) return
          expectSound(mended)
          expect(mending!.count).toBe(plan.rounds[round]!.count)
          expect(mended.rounds.slice(round + 1)).toEqual(plan.rounds.slice(round + 1))
        },
      ),
    )
  })
})

describe('yarn', () => {
  const ask = (left: number, position = { round: 'r8', unit: 0 }) =>
    yarnCheck({ spec, plan, position, yarn: 'fog', left, leftSd: 1.7, useSd: 0.05 })

  test('what is needed is what the rounds ahead take; the last safe round leaves its doubt aside', () => {
    const metres = metresOfYarn(plan.rounds, spec, 'fog')
    const needed = metres.slice(7).reduce((sum, one) => sum + one, 0)
    expect(ask(100).needed).toBeCloseTo(needed, 6)
    expect(ask(needed * 1.5)).toMatchObject({ piece: 'safe', lastSafeRound: plan.rounds.length })
    expect(ask(needed + 1)).toMatchObject({ piece: 'maybe', morePieces: 0 })
    const short = ask(needed * 0.5)
    expect(short.piece).toBe('short')
    expect(short.runsOut!.round).toBeGreaterThan(short.lastSafeRound)
    expect(ask(needed * 6).morePieces).toBeGreaterThanOrEqual(2)
    expect(ask(0.1).lastSafeRound).toBe(0)
  })

  test('more yarn is never less safe', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (left, more) => {
          expect(ask(left + more).lastSafeRound).toBeGreaterThanOrEqual(ask(left).lastSafeRound)
        },
      ),
    )
  })
})

test('the record: mean and spread of the last six', () => {
  const outcomes = [1.5, 1.01, 0.99, 1.02, 1, 1.01, 0.99].map((by) => ({
    predicted: 200,
    measured: 200 * by,
  }))
  expect(trackRecord(outcomes)!.mean).toBeCloseTo(0.0033, 4)
  expect(trackRecord(outcomes)).toMatchObject({ pieces: 6, sd: expect.closeTo(0.0121, 3) })
  expect(trackRecord(outcomes.slice(0, 1))).toEqual({ pieces: 1, mean: 0.5 })
  expect(trackRecord([])).toBeUndefined()
})

test('a finished piece teaches its gauge more than its label knew', () => {
  const yarn = { weight: 4, strands: 1, hook: 5 } as const
  const evidence = learnFromPiece(reading(plan.rounds.length, 205), plan, spec, 'Kettle trivet')!
  const size = (all: readonly Evidence[]) =>
    sizeOf(beliefFromEvidence(yarn, all, { mean: 0, sd: 0.02 }).belief, 'sc', 'both', 'worked')
  expect(size([evidence]).varLnH).toBeLessThan(size([]).varLnH / 10)
  expect(evidence).toMatchObject({ id: 'piece-copy', from: 'Kettle trivet', across: [205] })
  expect('stitches' in evidence && evidence.stitches).toHaveLength(plan.rounds.length)
})

test('a plan changed on the hook is a move: the log knows which version is worked, and undo takes it back', () => {
  const entry = { copyId: 'copy', at: 0 }
  const start = { round: 'r1', unit: 0 }
  const log: LogEvent[] = [
    { ...entry, id: 'a', seq: 1, type: 'start', planVersion: 1, to: start },
    { ...entry, id: 'b', seq: 2, type: 'goTo', from: start, to: { round: 'r9', unit: 3 } },
    {
      ...entry,
      id: 'c',
      seq: 3,
      type: 'replan',
      planVersion: 2,
      fromVersion: 1,
      from: { round: 'r9', unit: 3 },
      to: { round: 'r9', unit: 0 },
    },
  ]
  expect(replay(log)).toMatchObject({ planVersion: 2, position: { round: 'r9', unit: 0 } })
  const undone: LogEvent = {
    ...entry,
    id: 'd',
    seq: 4,
    type: 'undo',
    undoes: 'c',
    from: { round: 'r9', unit: 0 },
    to: { round: 'r9', unit: 3 },
  }
  expect(replay([...log, undone])).toMatchObject({ planVersion: 1, position: { round: 'r9', unit: 3 } })
})
