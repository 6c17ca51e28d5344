import fc from 'fast-check'
import { writeSteps } from '../pattern/writeSteps.ts'
import { MOST_REPEATS, readableGaps } from './readableGaps.ts'
import { placeIncreases, type PlaceRequest } from './placeIncreases.ts'
import { expandSteps, stitchesConsumed, stitchesProduced, type Step } from '../rounds/steps.ts'
import { runs } from '../testing/runs.ts'

const place = (from: number, count: number, rest: Partial<PlaceRequest> = {}) =>
  placeIncreases({
    stitch: 'sc',
    from,
    count,
    order: 'increaseLast',
    placement: 'stacked',
    shapingRounds: 0,
    offTheJoin: false,
    ...rest,
  })

const anyRequest = fc
  .record({
    from: fc.integer({ min: 4, max: 400 }),
    change: fc.double({ min: -0.5, max: 1, noNaN: true }),
    order: fc.constantFrom('increaseFirst', 'increaseLast'),
    placement: fc.constantFrom('stacked', 'staggered', 'scattered'),
    shapingRounds: fc.integer({ min: 0, max: 40 }),
    offTheJoin: fc.boolean(),
  })
  .map(({ change, from, ...rest }) => ({ ...rest, from, count: from + Math.trunc(change * from) }))

test('any round consumes what is below and makes its count, with gaps that differ by one at most', () => {
  fc.assert(
    fc.property(anyRequest, ({ from, count, ...rest }) => {
      const steps = place(from, count, rest)
      expect(stitchesConsumed(steps)).toBe(from)
      expect(stitchesProduced(steps)).toBe(count)
      const units = expandSteps(steps)
      const shapings = units.flatMap(({ kind }, index) => (kind === 'work' ? [] : [index]))
      const gaps = shapings.slice(1).map((at, index) => at - shapings[index]!)
      if (gaps.length > 0) expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1)
      expect(new Set(units.filter(({ kind }) => kind !== 'work').map(({ kind }) => kind)).size).toBeLessThan(
        2,
      )
    }),
  )
})

test.each([
  [18, 24, {}, '(2 sc, inc) × 6'],
  [18, 24, { order: 'increaseFirst' }, '(inc, 2 sc) × 6'],
  [18, 24, { placement: 'staggered', shapingRounds: 2 }, 'sc, inc, (2 sc, inc) × 5, sc'],
  [66, 72, { placement: 'staggered', shapingRounds: 10 }, '5 sc, inc, (10 sc, inc) × 5, 5 sc'],
  [6, 12, { placement: 'staggered', shapingRounds: 1 }, 'inc × 6'],
  [24, 18, {}, '(2 sc, sc2tog) × 6'],
  [44, 44, {}, '44 sc'],
  [51, 57, {}, '(7 sc, inc, 8 sc, inc) × 3'],
  [
    18,
    24,
    { order: 'increaseFirst', placement: 'staggered', shapingRounds: 2 },
    'sc, (inc, 2 sc) × 5, inc, sc',
  ],
] as const)('%i to %i %j reads "%s"', (from, count, rest, text) => {
  expect(writeSteps(place(from, count, rest), 'US')).toBe(text)
})

describe('scattered increases', () => {
  /** Rounds of six more each, scattered on top of one another. */
  function scattered(rounds: number, more: number, offTheJoin: boolean): Step[][] {
    const below: Step[][] = [place(0, more, {}), place(more, 2 * more, { placement: 'scattered' })]
    for (let round = 3; round <= rounds; round++) {
      const from = (round - 1) * more
      const near = below.slice(-3).reverse()
      below.push(place(from, from + more, { placement: 'scattered', offTheJoin, below: near }))
    }
    return below
  }
  /** Increases worked into a stitch that an increase of the round below made. */
  function onTop(below: readonly Step[], steps: readonly Step[]): number {
    const made = expandSteps(below).flatMap(({ kind }) => (kind === 'inc' ? [true, true] : [false]))
    let host = 0
    return expandSteps(steps).filter(({ kind }) => {
      const stands = made[host]
      host += kind === 'dec' ? 2 : 1
      return kind === 'inc' && stands
    }).length
  }

  test.each([
    [6, true],
    [6, false],
    [8, true],
    [12, true],
  ] as const)('from round 4 on none of %i stands in an increase below', (more, offTheJoin) => {
    const rounds = scattered(30, more, offTheJoin)
    const standing = rounds.slice(3).map((steps, index) => onTop(rounds[index + 2]!, steps))
    expect(standing.reduce((sum, one) => sum + one, 0)).toBe(0)
  })

  test('from round 6 on they keep off the join', () => {
    for (const steps of scattered(30, 6, true).slice(5)) {
      const units = expandSteps(steps)
      expect([units[0]!.kind, units.at(-1)!.kind]).toEqual(['work', 'work'])
    }
  })
})

describe('off the join', () => {
  test('first and last stitch stay plain as soon as the gaps have room, and staggering goes to and fro', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 3, max: 20 }),
        fc.constantFrom<PlaceRequest['placement']>('stacked', 'staggered'),
        fc.constantFrom<PlaceRequest['order']>('increaseFirst', 'increaseLast'),
        fc.nat(9),
        (more, times, placement, order, shapingRounds) => {
          const units = expandSteps(
            place(more * times, more * times + more, { placement, order, shapingRounds, offTheJoin: true }),
          )
          expect([units[0]!.kind, units.at(-1)!.kind]).toEqual(['work', 'work'])
        },
      ),
    )
    const written = [2, 3].map((shapingRounds) =>
      writeSteps(place(60, 66, { placement: 'staggered', shapingRounds, offTheJoin: true }), 'US'),
    )
    expect(written).toEqual(['2 sc, inc, (9 sc, inc) × 5, 7 sc', '7 sc, inc, (9 sc, inc) × 5, 2 sc'])
  })
})

test('any increase reads as three repeats at the most, its gaps within one stitch of each other', () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 400 }), fc.integer({ min: 1, max: 60 }), (from, more) => {
      fc.pre(more < from / 2)
      const gaps = readableGaps(from - more, more)
      expect(gaps.reduce((sum, gap) => sum + gap, 0)).toBe(from - more)
      expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1)
      const steps = place(from, from + more, {})
      expect(steps.filter(({ times }) => times > 1).length).toBeLessThanOrEqual(MOST_REPEATS)
      expect(steps.length).toBeLessThanOrEqual(MOST_REPEATS + 1)
    }),
    { numRuns: runs(300) },
  )
})
