import { accuracyOf, type Accuracy } from '../testing/accuracyOf.ts'
import { layShell, USUAL_FABRIC } from '../testing/elasticShell.ts'

/**
 * The floor of docs/ACCURACY.md, with fewer makers. They live in an elastic shell that shares no code with
 * the planner; shares are of makers with a mistake, false alarms of makers without.
 */
const MAKERS = 14
/** Where nothing is counted less is found: more of them tell it. */
const UNCOUNTED = 16

function expectFloor({ mistaken, honest, scHeight }: Accuracy, timesNearer: number): void {
  expect(mistaken.makers).toBeGreaterThan(MAKERS / 3)
  for (const { corrected, uncorrected } of [mistaken, honest]) {
    expect(corrected).toBeLessThan(Math.max(uncorrected / timesNearer, scHeight))
  }
}

test.each([
  ['swatch', 220],
  ['table', 220],
  ['swatch', 150],
] as const)(
  'from a %s, %i mm, last round counted: the cause is found, the size comes near',
  (start, across) => {
    const found = accuracyOf(MAKERS, { start, across, counts: true })
    expectFloor(found, 3)
    expect(found.mistaken.firstTwo).toBeGreaterThanOrEqual(0.85)
    expect(found.mistaken.firstAfterLooks).toBeGreaterThanOrEqual(0.85)
    expect(found.honest.falseAlarms).toBeLessThanOrEqual(0.1)
  },
)

test('with nothing counted Uzel asks for the count that decides, and then finds most causes', () => {
  const found = accuracyOf(UNCOUNTED, { start: 'swatch', across: 220, counts: false })
  expectFloor(found, 3)
  expect(found.mistaken.firstAfterLooks).toBeGreaterThan(0.6)
  expect(found.mistaken.firstAfterLooks).toBeGreaterThan(found.mistaken.first + 0.2)
})

describe('the shell makers live in', () => {
  const w = 7.25
  const h = 0.955 * w
  const disc = (rounds: number, off: number) =>
    Array.from({ length: rounds }, (_, index) => ({
      count: 6 * (index + 1) * (1 + off),
      w,
      h,
      edging: false,
    }))
  const edge = (rounds: number, off: number) => layShell(disc(rounds, off), 0.3 * h, USUAL_FABRIC).at(-1)!

  test('a disc of six a round lies flat at the sum of its heights', () => {
    for (const rounds of [8, 15, 25]) {
      const { radius, z } = edge(rounds, 0)
      expect(z).toBeLessThan(0.1)
      expect(Math.abs(radius / ((rounds + 0.3) * h) - 1)).toBeLessThan(0.02)
    }
  })

  test('4% short it still lies flat, 8% short its edge stands up as a cone does', () => {
    expect(edge(15, -0.04).z).toBeLessThan(0.1)
    const { radius, z } = edge(15, -0.08)
    // A cone of these rings: sin θ = 0.92, and Σh along its side.
    const side = 15.3 * h
    expect(Math.abs(radius / (side * 0.92) - 1)).toBeLessThan(0.04)
    expect(Math.abs(z / (side * Math.sqrt(1 - 0.92 ** 2)) - 1)).toBeLessThan(0.15)
  })

  test('even rounds turn into a wall that stands upright on its base', () => {
    const wall = [...disc(8, 0), ...disc(8, 0).map((round) => ({ ...round, count: 48 }))]
    const laid = layShell(wall, 0.3 * h, USUAL_FABRIC)
    expect(Math.abs(laid.at(-1)!.radius / ((48 * w) / (2 * Math.PI)) - 1)).toBeLessThan(0.03)
    expect(laid.at(-1)!.z - laid[9]!.z).toBeGreaterThan(5.5 * h)
  })

  test('10% long it keeps about its radius and waves', () => {
    const { radius, excess, z } = edge(15, 0.1)
    expect(z).toBeLessThan(0.1)
    expect(excess).toBeGreaterThan(0.03)
    expect(Math.abs(radius / edge(15, 0.06).radius - 1)).toBeLessThan(0.02)
  })
})
