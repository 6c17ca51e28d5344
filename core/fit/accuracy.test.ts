import { accuracyOf } from '../testing/accuracyOf.ts'

/** The figures of docs/ACCURACY.md with fewer makers: what must hold whatever is changed. */
const MAKERS = 40

test.each([
  ['swatch', 180, 3],
  ['swatch', 220, 3],
  ['table', 180, 6],
  ['table', 220, 6],
] as const)(
  'from a %s, %i mm: corrected pieces come %i times nearer, and causes are told',
  (start, across, times) => {
    const { uncorrected, corrected, firstTwo, falseAlarms } = accuracyOf(MAKERS, {
      start,
      across,
      counts: true,
    })
    expect(corrected).toBeLessThanOrEqual(uncorrected / times)
    expect(firstTwo).toBeGreaterThanOrEqual(0.9)
    expect(falseAlarms).toBeLessThan(0.05)
  },
)

test.each(['swatch', 'table'] as const)(
  'small pieces from a %s come within half a stitch or as much nearer',
  (start) => {
    const { uncorrected, corrected, scHeight } = accuracyOf(MAKERS, { start, across: 110, counts: true })
    expect(corrected).toBeLessThanOrEqual(Math.max(scHeight / 2, uncorrected / (start === 'swatch' ? 3 : 6)))
  },
)

test('without a count, what readings can tell is still told, and no alarm is false', () => {
  const { firstTwo, falseAlarms, firstAfterLooks } = accuracyOf(MAKERS, {
    start: 'swatch',
    across: 220,
    counts: false,
  })
  expect(firstTwo).toBeGreaterThanOrEqual(0.9)
  expect(firstAfterLooks).toBeGreaterThanOrEqual(0.9)
  expect(falseAlarms).toBeLessThan(0.05)
})
