import { footMiddle, topMiddle } from './relief.ts'
import type { Cells } from './views/cells.ts'

const INSET = 0.6
const CORNER = 4

/** Room for the outline of one cell, used again by the next. */
let outline = new Float64Array(64)

/** Outline of the cell a hair inside its true edges: foot from start to end, then the top back. Returns its length. */
function insetOutline(cells: Cells, cell: number): number {
  const { data } = cells.points
  const [foot, top, end] = [cells.foot[cell]!, cells.top[cell]!, cells.foot[cell + 1]!]
  const length = end - foot
  if (outline.length < 2 * length) outline = new Float64Array(4 * length)
  const [footX, footY] = footMiddle(cells, cell)
  const [topX, topY] = topMiddle(cells, cell)
  const [x, y] = [(footX + topX) / 2, (footY + topY) / 2]
  for (let index = 0; index < length; index++) {
    const point = foot + index < top ? foot + index : end - 1 - (foot + index - top)
    const [pointX, pointY] = [data[2 * point]!, data[2 * point + 1]!]
    const away = Math.hypot(pointX - x, pointY - y)
    const inward = away < 2 * INSET ? 0 : (INSET * 1.3) / away
    outline[2 * index] = pointX + (x - pointX) * inward
    outline[2 * index + 1] = pointY + (y - pointY) * inward
  }
  return length
}

/**
 * A closed outline with its sharp corners rounded. It is closed by a line: `closePath` takes longer the
 * more a path already holds, and thousands of stitches share one.
 */
export function traceRounded(path: Path2D, cells: Cells, cell: number): void {
  const length = insetOutline(cells, cell)
  let [startX, startY] = [0, 0]
  for (let index = 0; index < length; index++) {
    const before = 2 * ((index + length - 1) % length)
    const after = 2 * ((index + 1) % length)
    const [x, y] = [outline[2 * index]!, outline[2 * index + 1]!]
    const [backX, backY] = [outline[before]! - x, outline[before + 1]! - y]
    const [onX, onY] = [outline[after]! - x, outline[after + 1]! - y]
    const [into, out] = [Math.hypot(backX, backY), Math.hypot(onX, onY)]
    const reach = Math.min(CORNER, into * 0.32, out * 0.32)
    const [back, on] = [into > 0 ? reach / into : 0, out > 0 ? reach / out : 0]
    const [fromX, fromY] = [x + backX * back, y + backY * back]
    if (index === 0) {
      ;[startX, startY] = [fromX, fromY]
      path.moveTo(fromX, fromY)
    } else path.lineTo(fromX, fromY)
    path.quadraticCurveTo(x, y, x + onX * on, y + onY * on)
  }
  path.lineTo(startX, startY)
}

/** Adds points one after the other, forwards or back. */
function lineAlong(path: Path2D, { points: { data } }: Cells, from: number, to: number): void {
  const by = from <= to ? 1 : -1
  for (let point = from; point !== to; point += by) path.lineTo(data[2 * point]!, data[2 * point + 1]!)
}

/** A closed outline on the true edges. */
export function tracePlain(path: Path2D, cells: Cells, cell: number): void {
  const { data } = cells.points
  const [foot, top, end] = [cells.foot[cell]!, cells.top[cell]!, cells.foot[cell + 1]!]
  path.moveTo(data[2 * foot]!, data[2 * foot + 1]!)
  lineAlong(path, cells, foot + 1, top)
  lineAlong(path, cells, end - 1, top - 1)
  path.lineTo(data[2 * foot]!, data[2 * foot + 1]!)
}

/** The outline of a strip, closed by a line; the top edge of its stitches, and the side where each begins. */
export function traceStrip(
  { strips: area, edges }: { readonly strips: Path2D; readonly edges: Path2D },
  cells: Cells,
  from: number,
  to: number,
): void {
  const { foot, top, points } = cells
  const { data } = points
  const start = foot[from]!
  area.moveTo(data[2 * start]!, data[2 * start + 1]!)
  // Where one stitch ends the next begins: that point is drawn once.
  for (let cell = from; cell < to; cell++) lineAlong(area, cells, foot[cell]! + 1, top[cell]!)
  for (let cell = to - 1; cell >= from; cell--) {
    const last = foot[cell + 1]! - (cell === to - 1 ? 1 : 2)
    lineAlong(area, cells, last, top[cell]! - 1)
  }
  area.lineTo(data[2 * start]!, data[2 * start + 1]!)
  edges.moveTo(data[2 * top[from]!]!, data[2 * top[from]! + 1]!)
  for (let cell = from; cell < to; cell++) lineAlong(edges, cells, top[cell]! + 1, foot[cell + 1]!)
  for (let cell = from; cell < to; cell++) {
    edges.moveTo(data[2 * foot[cell]!]!, data[2 * foot[cell]! + 1]!)
    edges.lineTo(data[2 * top[cell]!]!, data[2 * top[cell]! + 1]!)
  }
}

/** The light slot cut into the wide side of an increase. */
export function traceSlot(path: Path2D, cells: Cells, cell: number): void {
  const [topX, topY] = topMiddle(cells, cell)
  const [footX, footY] = footMiddle(cells, cell)
  path.moveTo(topX + (footX - topX) * 0.06, topY + (footY - topY) * 0.06)
  path.lineTo(topX + (footX - topX) * 0.42, topY + (footY - topY) * 0.42)
}
