import { footMiddle, heightOf, topMiddle, traceRelief } from './relief.ts'
import { BEHIND, BUNCH, INC, LEVEL, LONG, OPEN, OUT, WORK, type Cells } from './views/cells.ts'
import { pathOf } from './svgPath.ts'
import type { MotifInView } from './views/motifs.ts'
import { DEC as DEC_INK, INC as INC_INK, yarnInk, type YarnInk } from './yarnInk.ts'

/**
 * How much of the work is there: all of it in yarn; made up to a stitch and the rest to come; or only a
 * guess, where nothing but the increases is worth drawing.
 */
export type Shown =
  | { readonly kind: 'all' }
  | { readonly kind: 'guess' }
  | { readonly kind: 'madeTo'; readonly round: number; readonly unit: number; readonly toCome: boolean }

const INSET = 0.6
const CORNER = 4
/** Under this height of a stitch, px, its strand would only be noise. */
const STRAND_FROM = 16
/** Under this height what stands in relief is told by its shade alone. */
const RELIEF_FROM = 7
/** Under this height its rounded corners cannot be seen, and cost most of the painting. */
const ROUNDED_FROM = 10

/** Paths by look, so that thousands of stitches take a few strokes. */
interface Batch {
  /** Cells one by one, filled and outlined. */
  readonly cells: Path2D
  /** Strips of small cells that touch, filled as one, and one side and the top of each cell in them. */
  readonly strips: Path2D
  readonly edges: Path2D
  readonly strands: Path2D
  /** How they stand in the fabric. */
  readonly relief: number
  /** Yarn of the cells, and of their strands. */
  readonly yarn: string
  readonly strand: string
}

/** What is painted of some cells. */
interface Traced {
  readonly batches: ReadonlyMap<number, Batch>
  readonly toCome: Path2D
  /** By yarn. */
  readonly increases: ReadonlyMap<string, Path2D>
  readonly slots: Path2D
  readonly decreases: Path2D
}

/**
 * Paints stitches, increases and decreases in turns: it stops after so many traced, and then after every stroke of the
 * brush, since what was painted is laid on the canvas when a turn ends.
 * @param yarns colours by id
 */
export function* paintCells(
  context: CanvasRenderingContext2D,
  cells: Cells,
  yarns: ReadonlyMap<string, string>,
  shown: Shown,
  atATime: number,
): Generator<void, void> {
  yield* paintTraced(context, yield* traceCells(cells, shown, atATime), yarns, shown)
}

function* traceCells(cells: Cells, shown: Shown, atATime: number): Generator<void, Traced> {
  const batches = new Map<number, Batch>()
  const toCome = new Path2D()
  const increases = new Map<string, Path2D>()
  const slots = new Path2D()
  const decreases = new Path2D()
  const { count, round, unit, kind, relief, yarn, strand } = cells
  /** Where a strip of small stitches of one round and yarn that touch began; they are filled as one. */
  let begun = -1
  const endStrip = (end: number) => {
    if (begun >= 0) traceStrip(batchFor(batches, cells, begun), cells, begun, end)
    begun = -1
  }
  for (let cell = 0; cell < count; cell++) {
    if (cell > 0 && cell % atATime === 0) yield
    const made = hasMade(round[cell]!, unit[cell]!, shown)
    const plain = kind[cell] === WORK
    const touches =
      begun >= 0 &&
      plain &&
      made &&
      round[cell] === round[cell - 1] &&
      unit[cell] === unit[cell - 1]! + 1 &&
      relief[cell] === relief[begun] &&
      yarn[cell] === yarn[begun] &&
      strand[cell] === strand[begun]
    if (!touches) endStrip(cell)
    if (!made && ((shown.kind === 'madeTo' && !shown.toCome) || (shown.kind === 'guess' && plain))) continue
    const height = heightOf(cells, cell)
    const trace = height < ROUNDED_FROM ? tracePlain : traceRounded
    if (!made) trace(toCome, cells, cell)
    else if (kind[cell] === INC) {
      trace(pathFor(increases, cells.yarns[yarn[cell]!]!), cells, cell)
      if (height >= ROUNDED_FROM / 2) traceSlot(slots, cells, cell)
    } else if (!plain) trace(decreases, cells, cell)
    else if (height >= ROUNDED_FROM) {
      endStrip(cell)
      const batch = batchFor(batches, cells, cell)
      trace(batch.cells, cells, cell)
      if (relief[cell] === LEVEL ? height >= STRAND_FROM : height >= RELIEF_FROM) {
        traceRelief(batch.strands, cells, cell)
      }
    } else if (begun < 0) begun = cell
  }
  endStrip(count)
  return { batches, toCome, increases, slots, decreases }
}

function* paintTraced(
  context: CanvasRenderingContext2D,
  { batches, toCome, increases, slots, decreases }: Traced,
  yarns: ReadonlyMap<string, string>,
  shown: Shown,
): Generator<void, void> {
  const ink = (name: string): YarnInk => yarnInk(yarns.get(name) ?? '#FAFCFB')
  context.lineJoin = 'round'
  for (const batch of batches.values()) yield* paintBatch(context, batch, ink)
  context.lineWidth = 0.8
  context.strokeStyle = '#7F959B'
  context.setLineDash(shown.kind === 'guess' ? [3, 3] : [])
  context.stroke(toCome)
  context.setLineDash([])
  for (const [name, path] of increases) {
    context.lineWidth = 1.8
    context.strokeStyle = ink(name).keyline
    context.stroke(path)
    context.fillStyle = INC_INK
    context.fill(path)
  }
  context.lineWidth = 1.4
  context.strokeStyle = '#FFFFFF'
  context.stroke(slots)
  context.lineWidth = 2
  context.strokeStyle = DEC_INK
  context.stroke(decreases)
}

/** Paints what stands free along the edge: in its yarn when it is made, its outline while it is to come. */
export function paintMotifs(
  context: CanvasRenderingContext2D,
  motifs: readonly MotifInView[],
  yarns: ReadonlyMap<string, string>,
  shown: Shown,
): void {
  context.lineJoin = 'round'
  for (const { round, unit, yarn, outline: points } of motifs) {
    const made = hasMade(round, unit, shown)
    if (!made && shown.kind === 'madeTo' && !shown.toCome) continue
    const path = new Path2D(pathOf(points, true))
    const ink = yarnInk(yarns.get(yarn) ?? '#FAFCFB')
    if (made) {
      context.fillStyle = ink.fill
      context.fill(path)
    }
    context.lineWidth = 1
    context.strokeStyle = made ? ink.keyline : '#7F959B'
    context.setLineDash(made ? [] : [3, 3])
    context.stroke(path)
  }
  context.setLineDash([])
}

/** What stands out is light with a keyline and a post, what stands behind is dark, an opening is not filled. */
function* paintBatch(
  context: CanvasRenderingContext2D,
  { yarn, strand, relief, cells, strips, edges, strands }: Batch,
  ink: (name: string) => YarnInk,
): Generator<void, void> {
  const { fill, outline, strand: line, out, behind, post } = ink(yarn)
  const marled = strand !== yarn
  const stands = relief === OUT || relief === BUNCH || relief === LONG
  context.fillStyle = stands ? out : relief === BEHIND ? behind : fill
  if (relief !== OPEN) {
    context.fill(cells)
    context.fill(strips)
  }
  yield
  context.lineWidth = stands ? 1.1 : 0.6
  context.strokeStyle = stands ? post : outline
  context.stroke(cells)
  context.stroke(edges)
  yield
  context.lineWidth = relief === LEVEL && marled ? 2.4 : stands ? 1.6 : 1
  context.strokeStyle = relief === LEVEL && marled ? ink(strand).fill : stands ? post : line
  context.stroke(strands)
  yield
}

/** Whether a unit of a round is made. */
export function hasMade(round: number, unit: number, shown: Shown): boolean {
  if (shown.kind !== 'madeTo') return shown.kind === 'all'
  return round < shown.round || (round === shown.round && unit < shown.unit)
}

function batchFor(batches: Map<number, Batch>, { yarn, strand, relief, yarns }: Cells, cell: number): Batch {
  const key = 65536 * relief[cell]! + 256 * yarn[cell]! + strand[cell]!
  const known = batches.get(key)
  if (known) return known
  const batch = {
    cells: new Path2D(),
    strips: new Path2D(),
    edges: new Path2D(),
    strands: new Path2D(),
    relief: relief[cell]!,
    yarn: yarns[yarn[cell]!]!,
    strand: yarns[strand[cell]!]!,
  }
  batches.set(key, batch)
  return batch
}

function pathFor(paths: Map<string, Path2D>, yarn: string): Path2D {
  const path = paths.get(yarn) ?? new Path2D()
  paths.set(yarn, path)
  return path
}

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
function traceRounded(path: Path2D, cells: Cells, cell: number): void {
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
function tracePlain(path: Path2D, cells: Cells, cell: number): void {
  const { data } = cells.points
  const [foot, top, end] = [cells.foot[cell]!, cells.top[cell]!, cells.foot[cell + 1]!]
  path.moveTo(data[2 * foot]!, data[2 * foot + 1]!)
  lineAlong(path, cells, foot + 1, top)
  lineAlong(path, cells, end - 1, top - 1)
  path.lineTo(data[2 * foot]!, data[2 * foot + 1]!)
}

/** The outline of a strip, closed by a line; the top edge of its stitches, and the side where each begins. */
function traceStrip({ strips: area, edges }: Batch, cells: Cells, from: number, to: number): void {
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
function traceSlot(path: Path2D, cells: Cells, cell: number): void {
  const [topX, topY] = topMiddle(cells, cell)
  const [footX, footY] = footMiddle(cells, cell)
  path.moveTo(topX + (footX - topX) * 0.06, topY + (footY - topY) * 0.06)
  path.lineTo(topX + (footX - topX) * 0.42, topY + (footY - topY) * 0.42)
}
