import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { observe, type Belief } from './belief.ts'
import { sdOfHeightOverWidth } from './gauge.ts'
import { gaugeForStitch } from './gaugeForStitch.ts'
import { gaugeFromSwatch } from './gaugeFromSwatch.ts'
import { gaugeFromTable } from './gaugeFromTable.ts'

const MEDIUM = { weight: 4, strands: 1, hook: 5 } as const

test('the label: medium on 5 mm is 7.25 mm wide, light on 3 mm 4.9; h/w known to 6%, size to 12%', () => {
  const medium = gaugeFromTable('sc', MEDIUM)
  expect(medium.w).toBeCloseTo(7.25, 2)
  expect(gaugeFromTable('sc', { weight: 3, strands: 1, hook: 3 }).w).toBeCloseTo(4.9, 1)
  expect(medium.h / medium.w).toBeCloseTo(0.955, 6)
  expect(sdOfHeightOverWidth(medium)).toBeCloseTo(0.059, 3)
  expect(medium.certainty).toBe('guess')
  expect(gaugeFromTable('sc', { ...MEDIUM, strands: 2 }).yarnDiameter).toBeCloseTo(2.5 * 1.4, 6)
})

test('a swatch in rounds outweighs the label; one in rows tells h/w only to 7%', () => {
  const yarn = { ...MEDIUM, hook: 7.6 }
  const swatch = { stitches: 11.2, rounds: 12.1, over: 100 }
  const rounds = gaugeFromSwatch('sc', { ...swatch, worked: 'rounds' }, yarn)
  const rows = gaugeFromSwatch('sc', { ...swatch, worked: 'rows' }, yarn)
  expect(Math.abs(rounds.w / (100 / 11.2) - 1)).toBeLessThan(0.02)
  expect(Math.abs(rounds.h / rounds.w - 11.2 / 12.1)).toBeLessThan(0.02)
  // Rows of h/w 0.926 are drawn toward the usual 0.955.
  expect(rows.h / rows.w).toBeGreaterThan(rounds.h / rounds.w)
  expect(rows.h / rows.w).toBeLessThan(0.955)
  expect(sdOfHeightOverWidth(rows)).toBeGreaterThan(sdOfHeightOverWidth(rounds))
  expect(sdOfHeightOverWidth(rows)).toBeLessThan(sdOfHeightOverWidth(gaugeFromTable('sc', yarn)))
})

test('the order of readings does not matter, and every reading narrows', () => {
  const prior: Belief = { lnW: 2, lnH: 1.9, varLnW: 0.0144, varLnH: 0.0144, covLnWLnH: 0.0127 }
  const reading = fc.record({
    onLnW: fc.constantFrom(0, 0.5, 1),
    onLnH: fc.constantFrom(0.5, 1),
    value: fc.double({ min: 1, max: 3, noNaN: true }),
    variance: fc.double({ min: 1e-5, max: 0.01, noNaN: true }),
  })
  fc.assert(
    fc.property(fc.array(reading, { minLength: 2, maxLength: 5 }), (readings) => {
      const forward = readings.reduce(observe, prior)
      const backward = [...readings].reverse().reduce(observe, prior)
      for (const key of ['lnW', 'lnH', 'varLnW', 'varLnH', 'covLnWLnH'] as const) {
        expect(forward[key]).toBeCloseTo(backward[key], 6)
      }
      expect(forward.varLnW).toBeLessThanOrEqual(prior.varLnW + 1e-12)
      expect(forward.varLnH).toBeLessThan(prior.varLnH)
    }),
  )
})

test('another stitch keeps the width, takes the usual height and more doubt', () => {
  const sc = gaugeFromSwatch('sc', { stitches: 14, rounds: 15, over: 100, worked: 'rounds' }, MEDIUM)
  const dc = gaugeForStitch(sc, 'dc')
  expect(dc.w).toBe(sc.w)
  expect(dc.h / sc.h).toBeCloseTo(2, 6)
  expect(dc.varLnH).toBeGreaterThan(sc.varLnH)
  expect(gaugeForStitch(sc, 'sc')).toBe(sc)
})

test.each([
  [{ stitches: 0, rounds: 12 }, 'gauge.stitches', /more than 0/],
  [{ stitches: 300, rounds: 12 }, 'gauge.stitches', /sewing thread/],
  [{ stitches: 1, rounds: 1 }, 'gauge.stitches', /thicker than any yarn/],
  [{ stitches: 14, rounds: 2 }, 'gauge.rounds', /as tall as wide/],
] as const)('a swatch of %j is refused at %s', (counts, path, message) => {
  const attempt = () => gaugeFromSwatch('sc', { ...counts, over: 100, worked: 'rounds' }, MEDIUM)
  expect(attempt).toThrow(SpecError)
  expect(attempt).toThrow(message)
  expect(attempt).toThrow(expect.objectContaining({ path }))
})

test.each([
  [{ ...MEDIUM, hook: 0 }, 'gauge.hook'],
  [{ ...MEDIUM, strands: 0 }, 'gauge.strands'],
  [{ ...MEDIUM, weight: 9 as never }, 'gauge.weight'],
])('a label of %j is refused', (label, path) => {
  expect(() => gaugeFromTable('sc', label)).toThrow(expect.objectContaining({ path }))
})
