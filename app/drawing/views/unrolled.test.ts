import fc from 'fast-check'
import { planPiece } from '../../../core/index.ts'
import { anySpec, discSpec } from '../../../core/testing/specs.ts'
import { UNROLL_CUT, unrolled, type DrawingFrame } from './unrolled.ts'
import { cellList, cellsIn } from './cells.ts'
import { placeIn, rowOf, span } from './view.ts'
import { runs } from '../../../core/testing/runs.ts'

const frame: DrawingFrame = { scale: 2, x: 300, y: 300, cut: UNROLL_CUT, mirrored: false }
const plan = planPiece(discSpec(200))

test('work begins at 3 o’clock, goes anticlockwise, and leaves along the tangent at the bottom', () => {
  const view = unrolled(plan, frame)
  const at = (share: number, along: number, row: number) => span(view, share, share, along, row)[0]!
  expect(at(0, 50, 0)).toEqual({ x: 400, y: 300 })
  const quarter = at(0.25, 50, 0)
  expect([quarter.x, quarter.y]).toEqual([expect.closeTo(300), expect.closeTo(200)])
  const past = at(1, 50, 2 * Math.PI * 50)
  expect([past.x, past.y]).toEqual([expect.closeTo(300 + 2 * 25 * Math.PI), expect.closeTo(400)])
  const left = span(unrolled(plan, { ...frame, mirrored: true }), 0, 0, 50, 0)[0]
  expect(left).toEqual({ x: 200, y: 300 })
})

test('row ends meet the flat line exactly when the count fits the radius', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.85, max: 1.05, noNaN: true }), fc.boolean(), (ratio, mirrored) => {
      const view = unrolled(planPiece(discSpec(180, {}, ratio)), { ...frame, mirrored })
      const { from, to } = view.fitLine!
      for (const round of view.plan.rounds) {
        const end = span(view, 1, 1, round.at.arc, rowOf(round))[0]!
        // The flat line as far down as the row's end.
        const share = (end.y - from.y) / (to.y - from.y)
        const line = from.x + share * (to.x - from.x)
        const straight = Math.abs(end.x - frame.x) / Math.abs(line - frame.x)
        expect(straight).toBeCloseTo(round.count / round.ideal, 9)
        expect(straight - 1).toBeCloseTo(round.flatness, 9)
      }
    }),
    { numRuns: runs(20) },
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
      const cells = cellList(cellsIn(unrolled(some, { ...frame, cut: 1 })))
      expect(cells.reduce((sum, { kind }) => sum + (kind === 'inc' ? 2 : 1), 0)).toBe(some.stitches)
      for (const { number } of some.rounds) {
        const row = cells.filter(({ round }) => round === number)
        row.slice(1).forEach((cell, index) => {
          const before = row[index]!.top.at(-1)!
          expect(Math.hypot(before.x - cell.top[0]!.x, before.y - cell.top[0]!.y)).toBeLessThan(1e-6)
        })
      }
    }),
    { numRuns: runs(25) },
  )
})

test('the round under a point is found on the disc and in the rows, on either hand', () => {
  for (const mirrored of [false, true]) {
    const view = unrolled(plan, { ...frame, mirrored })
    for (const round of plan.rounds) {
      expect(view.roundAt(placeIn(view, round, 0.3))).toBe(round)
      expect(view.roundAt(placeIn(view, round, 0.76))).toBe(round)
    }
    expect(view.roundAt(span(view, 0.3, 0.3, 500, 0)[0]!)).toBeUndefined()
  }
})

test('its grip lies on the edge, and tells how far out a point is', () => {
  const view = unrolled(plan, frame)
  const edge = plan.rounds.at(-1)!.at.arc
  expect(view.grip!.along(view.grip!.at)).toBeCloseTo(edge, 9)
})
