import fc from 'fast-check'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import {
  validateCalibration,
  measuredMetres,
  tellsLittle,
  yarnUseOf,
  type Calibration,
} from './calibration.ts'
import { ballsToBuy, metresAtHand } from './stock.ts'
import { substitutionPoints, type LabelledYarn } from './substitution.ts'

const gauge = gaugeFromTable('sc', { weight: 4, strands: 1, hook: 5 })
const taken = { id: 'c', at: 1, stitch: 'sc' } as const
const weighed = (stitches: number, grams: number): Calibration => ({
  ...taken,
  kind: 'weighed',
  stitches,
  gramsBefore: 50,
  gramsAfter: 50 - grams,
  metresPerBall: 85,
  gramsPerBall: 50,
})
const pulled = (length: number): Calibration => ({ ...taken, kind: 'unravelled', stitches: 10, length })

test('metres at hand: balls and the weighed rest, or what was typed while the label is lost', () => {
  const label = { metresPerBall: 85, gramsPerBall: 50 }
  expect(metresAtHand({ ...label, balls: 2, leftoverGrams: 20 })).toBeCloseTo(204, 6)
  expect(metresAtHand({ ...label, balls: 0, leftoverGrams: 0 })).toBe(0)
  expect(metresAtHand({ ...label, metres: 40 })).toBe(40)
  expect(metresAtHand({ metres: 40, leftoverGrams: 12 })).toBe(40)
  expect(metresAtHand({})).toBeUndefined()
  expect(ballsToBuy(170, 0, 85)).toBe(3)
  expect(ballsToBuy(170, 102, 85)).toBe(1)
  expect(ballsToBuy(77.27, 0, 85)).toBe(1)
  expect(ballsToBuy(50, 200, 85)).toBe(0)
})

test('an estimate is 65 mm a sc, ±25%; 300 sc weighed, or ten pulled out, better it', () => {
  expect(measuredMetres(weighed(300, 11.5), 1).metres).toBeCloseTo(19.55, 2)
  expect(yarnUseOf(gauge, [])).toEqual({ factor: 1, sd: 0.125 })
  expect(tellsLittle(weighed(100, 4))).toBe(true)
  expect(tellsLittle(weighed(400, 15))).toBe(false)
  const after = yarnUseOf(gauge, [pulled(715)])
  expect(after.factor).toBeGreaterThan(1.08)
  expect(after.factor).toBeLessThan(1.1)
  expect(after.sd).toBeLessThan(0.03)
})

test('calibrations combine in any order, and every one narrows', () => {
  const calibration = fc.oneof(
    fc.integer({ min: 560, max: 740 }).map(pulled),
    fc.integer({ min: 10, max: 30 }).map((grams) => weighed(grams * 26, grams)),
  )
  fc.assert(
    fc.property(fc.array(calibration, { minLength: 1, maxLength: 6 }), (all) => {
      const forward = yarnUseOf(gauge, all)
      const backward = yarnUseOf(gauge, [...all].reverse())
      expect(forward.factor).toBeCloseTo(backward.factor, 9)
      expect(forward.sd).toBeLessThan(yarnUseOf(gauge, all.slice(1)).sd)
    }),
  )
})

test.each([
  [{ ...weighed(300, 11), stitches: 0 }, 'stitches'],
  [{ ...weighed(300, 11), gramsAfter: 60 }, 'gramsAfter'],
  [{ ...weighed(300, 11), metresPerBall: 0 }, 'metresPerBall'],
  [weighed(300, 48), 'gramsAfter'],
  [pulled(0), 'length'],
  [pulled(66), 'length'],
] as const)('calibration %# is refused at %s', (calibration, path) => {
  expect(() => validateCalibration(calibration, gauge)).toThrow(expect.objectContaining({ path }))
})

test('one yarn for another: class, fitness, fibre, metres in 100 g and dye lot', () => {
  const cotton: LabelledYarn = {
    weight: 4,
    fibre: 'cotton',
    metresPerBall: 85,
    gramsPerBall: 50,
    dyeLot: 'A',
  }
  const points = (change: Partial<LabelledYarn>, uses: Parameters<typeof substitutionPoints>[2] = []) =>
    substitutionPoints(cotton, { ...cotton, ...change }, uses)
  expect(points({})).toEqual([])
  expect(points({ weight: 3 })).toContainEqual({ code: 'otherClass', wanted: 'medium', has: 'light' })
  expect(points({ fibre: 'acrylic' }, ['hot'])).toEqual([
    { code: 'unfit', use: 'hot' },
    { code: 'otherFibre' },
  ])
  expect(points({ metresPerBall: 120 })).toEqual([{ code: 'otherLength', share: expect.closeTo(1.41, 2) }])
  expect(points({ dyeLot: 'B' })).toEqual([{ code: 'otherDyeLot' }])
})
