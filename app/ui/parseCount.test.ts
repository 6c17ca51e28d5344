import fc from 'fast-check'
import { parseCount, parsePercent, parseWhole } from './parseCount.ts'

const counted = parseCount(0.25, 1000, 'a count; a quarter counts')
const strands = parseWhole(1, 6, 'a number of strands')

test.each([
  ['20 1/4', 20.25],
  ['20¼', 20.25],
  ['20-1/4', 20.25],
  ['20,25', 20.25],
  [' 20.25 ', 20.25],
  ['1/2', 0.5],
  ['20.', 20],
])('where a quarter counts, %s is %d', (text, value) => {
  expect(counted(text)).toEqual({ ok: true, value })
})

test.each(['10,5', '2 1/2', '2½'])('a whole number is not rounded from %s', (text) => {
  expect(parseWhole(1, 24, 'a repeat')(text)).toEqual({
    ok: false,
    message: `“${text}” is not a whole number. A repeat: a whole number from 1 to 24.`,
  })
})

test.each([
  ['', 'Nothing is typed. A number of strands: a whole number from 1 to 6.'],
  ['many', '“many” is not a whole number. A number of strands: a whole number from 1 to 6.'],
  ['-3', '“-3” is not a whole number. A number of strands: a whole number from 1 to 6.'],
  ['7', '7 will not do. A number of strands: a whole number from 1 to 6.'],
  ['0', '0 will not do. A number of strands: a whole number from 1 to 6.'],
  ['1e3', '“1e3” is not a whole number. A number of strands: a whole number from 1 to 6.'],
  ['4 cm', '“4 cm” is not a whole number. A number of strands: a whole number from 1 to 6.'],
])('of “%s” it says what would be right', (text, message) => {
  expect(strands(text)).toEqual({ ok: false, message })
})

test('1,000 is asked about, not guessed', () => {
  expect(parseWhole(1, 100_000, 'what you count')('1,000')).toEqual({
    ok: false,
    message: '“1,000” can be read two ways. Write 1000 or 1.0.',
  })
})

test('nothing that is typed is repeated at length, and what is taken is always within its bounds', () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string({ maxLength: 12_000 }), fc.double().map(String), fc.nat().map(String)),
      (text) => {
        const read = counted(text)
        if (read.ok) {
          expect(read.value).toBeGreaterThanOrEqual(0.25)
          expect(read.value).toBeLessThanOrEqual(1000)
        } else expect(read.message.length).toBeLessThan(160)
      },
    ),
  )
})

test.each([
  ['3', 0.03],
  ['3%', 0.03],
  ['2,5 %', 0.025],
  ['-2', -0.02],
  ['−10%', -0.1],
  ['0', 0],
])('a share in percent: %s', (text, value) => {
  const read = parsePercent(-0.1, 0.2)(text)
  expect(read).toEqual({ ok: true, value: expect.closeTo(value, 9) })
})

test.each(['', '%', 'much', '21', '-11', '1.000,5x'])('no share: “%s”, and what would be one', (text) => {
  expect(parsePercent(-0.1, 0.2)(text)).toEqual({
    ok: false,
    message: expect.stringMatching(/From −10% to 20%\.$/),
  })
})
