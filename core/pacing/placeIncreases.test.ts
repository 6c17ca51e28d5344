import fc from 'fast-check'
import { writeSteps } from '../pattern/writeRound.ts'
import { placeIncreases, type PlaceRequest } from './placeIncreases.ts'
import { expandSteps, stitchesConsumed, stitchesProduced } from './steps.ts'

const place = (from: number, count: number, rest: Partial<PlaceRequest> = {}) =>
  placeIncreases({
    stitch: 'sc',
    from,
    count,
    order: 'increaseLast',
    placement: 'stacked',
    shapingRounds: 0,
    joined: false,
    ...rest,
  })

const anyRequest = fc
  .record({
    from: fc.integer({ min: 4, max: 400 }),
    change: fc.double({ min: -0.5, max: 1, noNaN: true }),
    order: fc.constantFrom('increaseFirst', 'increaseLast'),
    placement: fc.constantFrom('stacked', 'staggered', 'scattered'),
    shapingRounds: fc.integer({ min: 0, max: 40 }),
    joined: fc.boolean(),
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

test('scattered increases never stand above those of the two rounds before, and keep off the join', () => {
  for (let shaping = 8; shaping < 30; shaping++) {
    const phases = [0, 1, 2].map((back) => {
      const from = 6 * (shaping + 1 - back)
      const units = expandSteps(
        place(from, from + 6, { placement: 'scattered', shapingRounds: shaping - back, joined: true }),
      )
      expect(units[0]!.kind).toBe('work')
      expect(units.at(-1)!.kind).toBe('work')
      return (units.findIndex(({ kind }) => kind === 'inc') + 0.5) / (units.length / 6)
    })
    for (const other of phases.slice(1))
      expect(Math.abs(phases[0]! - other) * (shaping + 1)).toBeGreaterThan(0.5)
  }
})
