import fc from 'fast-check'
import { tapeTicks } from './tapeTicks.ts'

test('a tape of 3 cm has a tick every millimetre, longer at 5 and 10, and a numeral at each centimetre', () => {
  const { ticks, numerals } = tapeTicks(30, 10, 10, 1)
  expect(ticks).toHaveLength(29)
  expect(ticks.filter(({ share }) => share > 0.4).map(({ at }) => at)).toEqual([10, 20])
  expect(ticks.filter(({ share }) => share === 0.32).map(({ at }) => at)).toEqual([5, 15, 25])
  expect(numerals).toEqual([
    { at: 10, number: 1 },
    { at: 20, number: 2 },
    { at: 30, number: 3 },
  ])
})

test('an inch has eight parts, its half the longer tick', () => {
  const { ticks } = tapeTicks(25.4, 25.4, 8, 1)
  expect(ticks).toHaveLength(7)
  expect(ticks.filter(({ share }) => share === 0.32).map(({ at }) => at)).toEqual([12.7])
})

test('whatever is asked, marks are few, in order and on the tape', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1e12, noNaN: true }),
      fc.double({ min: 1e-3, max: 1e4, noNaN: true }),
      fc.constantFrom(8, 10),
      fc.double({ min: 0.1, max: 100, noNaN: true }),
      (length, unit, parts, room) => {
        const { ticks, numerals } = tapeTicks(length, unit, parts, room)
        expect(ticks.length).toBeLessThanOrEqual(401)
        expect(numerals.length).toBeLessThanOrEqual(401)
        for (const marks of [ticks, numerals]) {
          marks.forEach(({ at }, index) => {
            expect(at).toBeGreaterThan(index === 0 ? 0 : marks[index - 1]!.at)
            expect(at).toBeLessThanOrEqual(length * (1 + 1e-6) + 1e-3)
          })
        }
        numerals.forEach(({ at }, index) => {
          if (index > 0) expect(at - numerals[index - 1]!.at).toBeGreaterThanOrEqual(room * (1 - 1e-9))
        })
      },
    ),
  )
})

test('no tape at all has no marks', () => {
  for (const length of [0, -4, Infinity, NaN]) {
    expect(tapeTicks(length, 10, 10, 1)).toEqual({ ticks: [], numerals: [] })
  }
})
