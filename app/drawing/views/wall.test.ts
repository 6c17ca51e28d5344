import fc from 'fast-check'
import { measured, planPiece } from '../../../core/index.ts'
import { discSpec, tubeSpec } from '../../../core/testing/specs.ts'
import { laidFlat, rows } from './rows.ts'
import { standing } from './standing.ts'
import { cellList, cellsIn, type Cell } from './cells.ts'
import { placeIn, rowOf, type View, span } from './view.ts'
import { isWall, wholeIn } from './viewOf.ts'
import { runs } from '../../../core/testing/runs.ts'

const plan = planPiece(tubeSpec({ girth: 240, length: 120 }))
const frame = { scale: 2, x: 40, y: 30, mirrored: false }
const middleOf = ({ foot, top }: Cell) => {
  const corners = [foot[0]!, foot.at(-1)!, top[0]!, top.at(-1)!]
  return {
    x: corners.reduce((sum, { x }) => sum + x, 0) / 4,
    y: corners.reduce((sum, { y }) => sum + y, 0) / 4,
  }
}

test('a piece that stands in a chain is a wall, one from a ring is none', () => {
  expect([isWall(plan), isWall(planPiece(discSpec(100)))]).toEqual([true, false])
})

test('rows of a wall meet their line exactly when the count has the girth', () => {
  fc.assert(
    fc.property(fc.integer({ min: 30, max: 50 }), fc.boolean(), (firstCount, mirrored) => {
      const some = planPiece(tubeSpec({ girth: 240, length: 100 }, { constraints: { firstCount } }))
      const view = rows(some, { ...frame, mirrored })
      for (const round of some.rounds) {
        const end = span(view, 1, 1, round.at.arc, rowOf(round))[0]!
        const [row, line] = [end.x - frame.x, view.fitLine!.from.x - frame.x]
        expect(row / line).toBeCloseTo(firstCount / round.ideal, 9)
        expect(row / line - 1).toBeCloseTo(round.flatness, 9)
      }
      expect(view.fitLine!.from.x).toBe(view.fitLine!.to.x)
    }),
    { numRuns: runs(15) },
  )
})

test('every stitch of a wall is as wide and as tall as it is, from its first row on', () => {
  const { gauge } = tubeSpec({})
  for (const { foot, top } of cellList(cellsIn(rows(plan, frame)))) {
    expect(top.at(-1)!.x - top[0]!.x).toBeCloseTo(gauge.w * frame.scale, 6)
    expect(foot.at(-1)!.x - foot[0]!.x).toBeCloseTo(gauge.w * frame.scale, 6)
    expect(top[0]!.y - foot[0]!.y).toBeCloseTo(gauge.h * frame.scale, 6)
  }
  expect(cellList(cellsIn(rows(plan, frame)))).toHaveLength(plan.stitches)
})

test.each([
  ['cut open', (mirrored: boolean): View => rows(plan, { ...frame, mirrored })],
  ['laid flat', (mirrored: boolean): View => laidFlat(plan, { ...frame, mirrored })],
  ['standing', (mirrored: boolean): View => standing(plan, { scale: 2, x: 200, table: 400, mirrored })],
])('the round under the middle of any stitch of it %s is the round it belongs to', (_, viewOf) => {
  for (const mirrored of [false, true]) {
    const view = viewOf(mirrored)
    const cells = cellList(cellsIn(view))
    expect(cells.length).toBeGreaterThan(plan.stitches / 2 - 1)
    for (const cell of cells) expect(view.roundAt(middleOf(cell))?.number).toBe(cell.round)
    expect(view.roundAt({ x: -500, y: -500 })).toBeUndefined()
  }
})

test('laid flat it is as wide and as long as it will be measured', () => {
  const points = cellList(cellsIn(laidFlat(plan, frame))).flatMap(({ foot, top }) => [...foot, ...top])
  const reach = (of: 'x' | 'y') =>
    (Math.max(...points.map((point) => point[of])) - Math.min(...points.map((point) => point[of]))) /
    frame.scale
  const { at } = plan.rounds.at(-1)!
  expect(reach('x')).toBeCloseTo(measured('width', at), 1)
  expect(reach('y')).toBeCloseTo(measured('length', at), 6)
})

test('standing it is as wide as its diameter, its first round on the table and the work in front', () => {
  const { view, width, height } = wholeIn(plan, { width: 300, height: 200 }, false)
  const points = cellList(cellsIn(view)).flatMap(({ foot, top }) => [...foot, ...top])
  expect(Math.min(...points.map(({ x }) => x))).toBeCloseTo(2, 1)
  expect(Math.max(...points.map(({ x }) => x))).toBeCloseTo(width - 2, 1)
  expect(Math.min(...points.map(({ y }) => y))).toBeCloseTo(2, 6)
  expect(Math.max(...points.map(({ y }) => y))).toBeCloseTo(height - 2, 6)
  expect(placeIn(view, plan.rounds[0]!, 0.25).y).toBeGreaterThan(placeIn(view, plan.rounds.at(-1)!, 0.25).y)
  // A stitch in the back keeps its place at the side.
  expect(placeIn(view, plan.rounds[3]!, 0.8)).toEqual(placeIn(view, plan.rounds[3]!, 0.5))
})

test('pulling the edge of a wall goes along it', () => {
  const { grip } = rows(plan, frame)
  expect(grip!.along(grip!.at)).toBeCloseTo(plan.rounds.at(-1)!.at.arc, 9)
  expect(grip!.turned).toBe(90)
})
