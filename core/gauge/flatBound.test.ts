import fc from 'fast-check'
import { boundedWithin } from './flatBound.ts'
import { runs } from '../testing/runs.ts'

/** The same moments by adding up slices of the curve. */
function byHand(mean: number, variance: number, bound: number, blur: number) {
  const edge = (x: number) => 0.5 * (1 + erf(x / Math.SQRT2))
  const [from, to, slices] = [-bound - 8 * blur, bound + 8 * blur, 3_000]
  const width = (to - from) / slices
  let [total, first, second] = [0, 0, 0]
  for (let slice = 0; slice < slices; slice++) {
    const x = from + (slice + 0.5) * width
    const curve = Math.exp(-((x - mean) ** 2) / 2 / variance) / Math.sqrt(2 * Math.PI * variance)
    const weight = curve * (edge((bound - x) / blur) - edge((-bound - x) / blur)) * width
    total += weight
    first += weight * x
    second += weight * x * x
  }
  const middle = first / total
  return { mean: middle, variance: second / total - middle ** 2, logShare: Math.log(total) }
}

/** By the formula of Abramowitz and Stegun 7.1.26, good to 1.5e-7. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const sum = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t
  return Math.sign(x) * (1 - sum * Math.exp(-x * x))
}

test('moments within a bound are those of the curve cut off, added up by hand', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -0.12, max: 0.12, noNaN: true }),
      fc.double({ min: 0.008, max: 0.15, noNaN: true }),
      (mean, sd) => {
        const exact = boundedWithin(mean, sd ** 2, 0.04, 0.01)
        const slices = byHand(mean, sd ** 2, 0.04, 0.01)
        if (slices.logShare < -12) return
        expect(exact.mean).toBeCloseTo(slices.mean, 4)
        expect(exact.variance).toBeCloseTo(slices.variance, 5)
        expect(exact.logShare).toBeCloseTo(slices.logShare, 2)
      },
    ),
    { numRuns: runs(40) },
  )
})

test('far outside the mean comes to the edge, deep inside nothing changes, and both sides are alike', () => {
  const far = boundedWithin(1, 0.02 ** 2, 0.04, 0.01)
  expect(far.logShare).toBeLessThan(-500)
  expect(Number.isFinite(far.mean) && far.variance > 0).toBe(true)
  expect(boundedWithin(0.01, 1e-8, 0.04, 0.001)).toEqual({
    mean: 0.01,
    variance: expect.closeTo(1e-8, 14),
    logShare: 0,
  })
  const [left, right] = [boundedWithin(-0.07, 0.001, 0.04, 0.01), boundedWithin(0.07, 0.001, 0.04, 0.01)]
  expect(left.mean).toBeCloseTo(-right.mean, 12)
  expect(left.logShare).toBeCloseTo(right.logShare, 12)
})
