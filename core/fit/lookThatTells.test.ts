import { seenAcross } from '../testing/specs.ts'
import fc from 'fast-check'
import { hypothesesFor, canBeWorked, type CauseKind } from './causes.ts'
import { lookThatTells, type Suspect } from './lookThatTells.ts'
import type { PieceReading } from './pieceReading.ts'

const PLANNED = [6, 12, 18, 24, 30, 36, 42, 48]
const joined = { kind: 'joined', turned: false, begins: 'chain', shaping: 'offTheJoin' } as const
const CLOSED = { rounds: joined, start: { kind: 'magicRing' } } as const
const reading = (more: Partial<PieceReading> = {}): PieceReading => ({
  id: 'r',
  copyId: 'c',
  at: 1,
  planVersion: 1,
  afterRound: PLANNED.length,
  seen: seenAcross(8, 120),
  edge: { kind: 'flat' },
  ...more,
})
const suspect = (kind: CauseKind, probability: number, counts: number[], from?: number): Suspect => ({
  kind,
  probability,
  counts,
  ...(from === undefined ? {} : { from }),
})
const less = (from: number, stitches: number) =>
  PLANNED.map((count, index) => (index + 1 >= from ? count - stitches : count))
const fewerEachRound = (from: number) => PLANNED.map((count, index) => count - Math.max(0, index + 2 - from))

test('one cause that is clear needs no look', () => {
  expect(
    lookThatTells([suspect('hands', 0.99, PLANNED), suspect('openCentre', 0.01, PLANNED)], reading()),
  ).toBeUndefined()
})

test('a count tells a missed increase from a habit, in a round where they differ and nobody has counted', () => {
  const suspects = [
    suspect('missedIncreases', 0.5, less(5, 3), 5),
    suspect('firstSkipped', 0.5, fewerEachRound(6), 6),
  ]
  const counts = [{ round: 8, count: 45 }]
  const look = lookThatTells(suspects, reading({ counts }))
  expect(look).toMatchObject({ kind: 'countRound' })
  if (look?.kind !== 'countRound') return
  expect(look.round).toBeLessThan(8)
  expect(new Set([look.first, look.second])).toEqual(
    new Set(suspects.map(({ counts: one }) => one[look.round - 1])),
  )
})

test('what makes the same counts is told at the join alone, and once it is looked at no more is asked', () => {
  const suspects = [
    suspect('missedIncreases', 0.55, less(8, 1), 8),
    suspect('firstSkipped', 0.45, fewerEachRound(8), 8),
  ]
  expect(lookThatTells(suspects, reading())).toEqual({ kind: 'lookAtJoin', round: 8 })
  expect(lookThatTells(suspects, reading({ join: 'right' }))).toBeUndefined()
})

test('an open ring is looked at, unless its hole is measured already', () => {
  const suspects = [suspect('hands', 0.6, PLANNED), suspect('openCentre', 0.4, PLANNED)]
  expect(lookThatTells(suspects, reading())).toEqual({ kind: 'lookAtCentre' })
  expect(lookThatTells(suspects, reading({ hole: 0 }))).toBeUndefined()
})

test('a round missing or too many is told by counting the rounds', () => {
  const suspects = [suspect('hands', 0.5, PLANNED), suspect('roundMissing', 0.5, PLANNED.slice(0, -1))]
  const look = lookThatTells(
    suspects,
    reading({ counts: PLANNED.map((count, index) => ({ round: index + 1, count })) }),
  )
  expect(look).toEqual({ kind: 'countRounds', first: 8, second: 7 })
})

test('whatever is suspected, a look is one not taken yet, shows two things, and is in the piece', () => {
  const kinds = fc.constantFrom<CauseKind>(
    'hands',
    'missedIncreases',
    'extraIncreases',
    'joinWorked',
    'firstSkipped',
  )
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          kinds,
          fc.integer({ min: 2, max: 8 }),
          fc.integer({ min: 1, max: 4 }),
          fc.double({ min: 0.01, max: 1, noNaN: true }),
        ),
        {
          minLength: 2,
          maxLength: 8,
        },
      ),
      fc.uniqueArray(fc.integer({ min: 1, max: 8 }), { maxLength: 6 }),
      (some, counted) => {
        const total = some.reduce((sum, [, , , weight]) => sum + weight, 0)
        const suspects = some.map(([kind, from, stitches, weight]) =>
          suspect(kind, weight / total, kind === 'hands' ? PLANNED : less(from, stitches), from),
        )
        const counts = counted.map((round) => ({ round, count: PLANNED[round - 1]! }))
        const look = lookThatTells(suspects, reading({ counts }))
        if (look?.kind !== 'countRound') return
        expect(counted).not.toContain(look.round)
        expect(look.round).toBeGreaterThan(1)
        expect(look.round).toBeLessThanOrEqual(8)
        expect(look.first).not.toBe(look.second)
      },
    ),
  )
})

describe('what may have happened to a piece', () => {
  const all = hypothesesFor(PLANNED, CLOSED)

  test('adds up to one, and every way of it can be worked', () => {
    expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9)
    for (const { kind, counts } of all) {
      // A stitch in the join stands in no stitch of the round below.
      expect([kind, canBeWorked(counts(PLANNED), kind === 'joinWorked' ? 1 : 0)]).toEqual([kind, true])
    }
  })

  test('has the join worked from round 2 on, although 13 do not stand on 6', () => {
    const from2 = all.find(({ kind, from }) => kind === 'joinWorked' && from === 2)
    expect(from2!.counts(PLANNED).slice(0, 4)).toEqual([6, 13, 20, 27])
  })

  test('has no join in a spiral and no open ring on chains', () => {
    const kinds = (construction: Parameters<typeof hypothesesFor>[1]) =>
      new Set(hypothesesFor(PLANNED, construction).map(({ kind }) => kind))
    const spiral = kinds({ ...CLOSED, rounds: { kind: 'spiral' } })
    expect([spiral.has('joinWorked'), spiral.has('firstSkipped'), spiral.has('openCentre')]).toEqual([
      false,
      false,
      true,
    ])
    expect(kinds({ ...CLOSED, start: { kind: 'chainRing', chains: 6 } }).has('openCentre')).toBe(false)
  })
})
