import fc from 'fast-check'
import { planPiece } from '../../core/index.ts'
import { anySpec, discSpec } from '../../core/testing/specs.ts'
import {
  cellsOf,
  drawnRadius,
  flatRowLength,
  place,
  roundAt,
  rowLength,
  UNROLL_CUT,
  type DrawingFrame,
} from './unrolledDisc.ts'

const frame: DrawingFrame = { scale: 2, x: 300, y: 300, cut: UNROLL_CUT, mirrored: false }
const plan = planPiece(discSpec(200))

test('work begins at 3 o’clock, goes anticlockwise, and leaves along the tangent at the bottom', () => {
  expect(place(frame, 0, 50, 0)).toEqual({ x: 400, y: 300 })
  const quarter = place(frame, 0.25, 50, 0)
  expect([quarter.x, quarter.y]).toEqual([expect.closeTo(300), expect.closeTo(200)])
  const past = place(frame, 1, 50, 2 * Math.PI * 50)
  expect([past.x, past.y]).toEqual([expect.closeTo(300 + 2 * 25 * Math.PI), expect.closeTo(400)])
  const left = place({ ...frame, mirrored: true }, 0, 50, 0)
  expect(left).toEqual({ x: 200, y: 300 })
})

test('row ends meet the flat line exactly when the count fits the radius', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.85, max: 1.05, noNaN: true }), (ratio) => {
      for (const round of planPiece(discSpec(180, {}, ratio)).rounds) {
        const meets = rowLength(round) / flatRowLength(drawnRadius(round))
        expect(meets).toBeCloseTo(round.count / round.ideal, 9)
        expect(meets - 1).toBeCloseTo(round.flatness, 9)
      }
    }),
    { numRuns: 20 },
  )
})

test('every stitch has a cell; tops tile each round without gap or overlap', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      let some
      try {
        some = planPiece({ ...spec, constraints: undefined })
      } catch {
        return
      }
      if (some.stitches > 4000) return
      const cells = cellsOf(some, { ...frame, cut: 1 })
      expect(cells.reduce((sum, { kind }) => sum + (kind === 'inc' ? 2 : 1), 0)).toBe(some.stitches)
      for (const { number } of some.rounds) {
        const row = cells.filter(({ round }) => round === number)
        row.slice(1).forEach((cell, index) => {
          const before = row[index]!.top.at(-1)!
          expect(Math.hypot(before.x - cell.top[0]!.x, before.y - cell.top[0]!.y)).toBeLessThan(1e-6)
        })
      }
    }),
    { numRuns: 25 },
  )
})

test('the round under a point is found on the disc and in the rows, on either hand', () => {
  for (const mirrored of [false, true]) {
    const some = { ...frame, mirrored }
    for (const round of plan.rounds) {
      const inner = round.number === 1 ? 0 : drawnRadius(plan.rounds[round.number - 2]!)
      const middle = (inner + drawnRadius(round)) / 2
      expect(roundAt(plan, some, place(some, 0.3, middle, 0))).toBe(round)
      expect(roundAt(plan, some, place(some, 0.76, middle, 2 * Math.PI * middle))).toBe(round)
    }
    expect(roundAt(plan, some, place(some, 0.3, 500, 0))).toBeUndefined()
  }
})
