import fc from 'fast-check'
import { formatLength, formatLengthUnit } from './formatLength.ts'
import { formatMass, parseMass } from './mass.ts'
import { parseLength } from './parseLength.ts'
import { formatYarnLength, parseYarnLength } from './yarnLength.ts'

test.each([
  ['10.5', 'cm', 105],
  ['10,5 cm', 'in', 105],
  ['4 1/8 in', 'cm', 104.775],
  ['4⅛″', 'cm', 104.775],
  ['1/2"', 'cm', 12.7],
  ['½ in', 'cm', 12.7],
  [' 220mm ', 'cm', 220],
  ['.5', 'in', 12.7],
  ['4-1/8"', 'cm', 104.775],
  ['4 1⁄8 in', 'cm', 104.775],
  ["10''", 'cm', 254],
  ['10.', 'cm', 100],
  ['10 cm.', 'in', 100],
  ['10, cm', 'in', 100],
  ['1,234.5 mm', 'cm', 1234.5],
  ['1.234,5 mm', 'cm', 1234.5],
  ['0,125 in', 'cm', 3.175],
  ['3 / 4 in', 'cm', 19.05],
] as const)('reads "%s" (%s assumed) as %f mm', (text, assumed, value) => {
  expect(parseLength(text, assumed)).toEqual({ ok: true, value: expect.closeTo(value, 6) })
})

test.each([
  '',
  'wide',
  '12 ells',
  '4 1/0 in',
  '-3',
  '1 2 3',
  '3..4',
  '/8',
  '1,000 mm',
  '9'.repeat(400),
  '1e999',
  'Infinity',
  '2000 m',
  '1e6 cm',
])('refuses "%s" with a sentence', (text) => {
  const read = parseLength(text, 'cm')
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.message).toMatch(/\.$/)
})

test('a thousand or a decimal is asked about, not guessed', () => {
  expect(parseLength('1,000 mm', 'cm')).toEqual({
    ok: false,
    message: '“1,000” can be read two ways. Write 1000 mm, or 1.0 mm.',
  })
  expect(parseLength('12,250', 'mm')).toMatchObject({
    ok: false,
    message: expect.stringContaining('12250 mm, or 12.25 mm'),
  })
})

test('too much gets a sentence with what there can be, and nothing long is repeated', () => {
  expect(parseYarnLength('1000000000', 'm')).toMatchObject({
    ok: false,
    message: expect.stringContaining('Up to 100 km'),
  })
  expect(parseMass('1000000000 g', 'g')).toMatchObject({ ok: false })
  const read = parseLength('x'.repeat(10_000), 'cm')
  expect(!read.ok && read.message.length).toBeLessThan(90)
})

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

test('weights and yarn lengths are written and read back in every unit', () => {
  const amount = fc.double({ min: 0, max: 900, noNaN: true })
  fc.assert(
    fc.property(amount, fc.constantFrom('g', 'oz'), (grams, unit) => {
      const read = parseMass(`${formatMass(grams, unit)} ${unit}`, unit === 'g' ? 'oz' : 'g')
      expect(read.ok && Math.abs(read.value - grams)).toBeLessThanOrEqual(
        (unit === 'g' ? 0.05 : 0.1418) + 1e-9,
      )
    }),
  )
  fc.assert(
    fc.property(amount, fc.constantFrom('m', 'yd'), (metres, unit) => {
      const read = parseYarnLength(`${formatYarnLength(metres, unit)} ${unit}`, unit === 'm' ? 'yd' : 'm')
      expect(read.ok && Math.abs(read.value - metres)).toBeLessThanOrEqual(0.5 + 1e-9)
    }),
  )
})

test.each([
  [parseMass('1 3/4 oz', 'g'), 49.6117],
  [parseMass('48,5', 'g'), 48.5],
  [parseYarnLength('93 yards', 'm'), 85.0392],
])('reads quantity %#', (read, value) => {
  expect(read).toEqual({ ok: true, value: expect.closeTo(value, 3) })
})

test('a unit of another kind is named', () => {
  expect(parseMass('12 cm', 'g')).toEqual({ ok: false, message: '“cm” is not a unit here. Use g or oz.' })
})
