import fc from 'fast-check'
import { formatLength, formatLengthUnit } from './formatLength.ts'
import { parseLength } from './parseLength.ts'

test.each([
  ['10.5', 'cm', 105],
  ['10,5 cm', 'in', 105],
  ['4 1/8 in', 'cm', 104.775],
  ['4⅛″', 'cm', 104.775],
  ['1/2"', 'cm', 12.7],
  ['½ in', 'cm', 12.7],
  [' 220mm ', 'cm', 220],
  ['.5', 'in', 12.7],
] as const)('reads "%s" (%s assumed) as %f mm', (text, assumed, value) => {
  expect(parseLength(text, assumed)).toEqual({ ok: true, value: expect.closeTo(value, 6) })
})

test.each(['', 'wide', '12 ells', '4 1/0 in', '-3', '1 2 3', '3..4', '/8'])(
  'refuses "%s" with a sentence',
  (text) => {
    const read = parseLength(text, 'cm')
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.message).toMatch(/\.$/)
  },
)

test('what is written is read back, in every unit, within what the tape shows', () => {
  const halfStep = { mm: 0.05, cm: 0.5, in: 25.4 / 16 }
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 3000, noNaN: true }),
      fc.constantFrom('mm', 'cm', 'in'),
      (length, unit) => {
        const read = parseLength(formatLengthUnit(length, unit), unit === 'cm' ? 'in' : 'cm')
        expect(read.ok && Math.abs(read.value - length)).toBeLessThanOrEqual(halfStep[unit] + 1e-9)
      },
    ),
  )
})

test('signs and zero are written plainly', () => {
  expect(formatLength(-0.2, 'cm')).toBe('0.0')
  expect(formatLength(-3, 'cm')).toBe('-0.3')
  expect(formatLength(25.4 * 1.5, 'in')).toBe('1 1/2')
  expect(formatLength(0, 'in')).toBe('0')
})
