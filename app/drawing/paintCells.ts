import type { Cell, Point } from './unrolledDisc.ts'
import { DEC, INC, yarnInk, type YarnInk } from './yarnInk.ts'

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
/** Under this height its rounded corners cannot be seen, and cost most of the painting. */
const ROUNDED_FROM = 10

/** Paths by look, so that thousands of stitches take a few strokes. */
interface Batch {
  /** What is filled: cells, or strips of small ones that touch. */
  readonly cells: Path2D
  /** What is stroked: outlines, or in strips one side and the top of each cell. */
  readonly edges: Path2D
  readonly strands: Path2D
  /** Yarn of the cells, and of their strands. */
  readonly yarn: string
  readonly strand: string
}

/** Small stitches of one round and yarn that touch, filled as one. */
interface Strip {
  readonly batch: Batch
  readonly round: number
  nextUnit: number
  readonly foot: Point[]
  readonly top: Point[]
}

/** Paints stitches, increases and decreases. Yarns are colours by id. */
export function paintCells(
  context: CanvasRenderingContext2D,
  cells: readonly Cell[],
  yarns: ReadonlyMap<string, string>,
  shown: Shown,
): void {
  const batches = new Map<string, Batch>()
  const toCome = new Path2D()
  const increases = new Map<string, Path2D>()
  const slots = new Path2D()
  const decreases = new Path2D()
  let strip: Strip | undefined
  const endStrip = () => {
    if (strip) traceStrip(strip)
    strip = undefined
  }
  for (const cell of cells) {
    const made = isMade(cell, shown)
    if (
      !made &&
      ((shown.kind === 'madeTo' && !shown.toCome) || (shown.kind === 'guess' && cell.kind === 'work'))
    ) {
      continue
    }
    const height = heightOf(cell)
    const trace = height < ROUNDED_FROM ? tracePlain : traceRounded
    if (!made) trace(toCome, cell)
    else if (cell.kind === 'inc') {
      trace(pathFor(increases, cell.yarn), cell)
      if (height >= ROUNDED_FROM / 2) traceSlot(slots, cell)
    } else if (cell.kind === 'dec') trace(decreases, cell)
    else {
      const batch = batchFor(batches, cell)
      if (height >= ROUNDED_FROM) {
        trace(batch.cells, cell)
        trace(batch.edges, cell)
        if (height >= STRAND_FROM) traceStrand(batch.strands, cell)
        continue
      }
      if (strip?.batch !== batch || strip.round !== cell.round || strip.nextUnit !== cell.unit) {
        endStrip()
        strip = { batch, round: cell.round, nextUnit: cell.unit, foot: [], top: [] }
      }
      strip.nextUnit = cell.unit + 1
      strip.foot.push(...cell.foot)
      strip.top.push(...cell.top)
      traceSide(batch.edges, cell)
    }
  }
  endStrip()
  const ink = (yarn: string): YarnInk => yarnInk(yarns.get(yarn) ?? '#FAFCFB')
  context.lineJoin = 'round'
  for (const { yarn, strand: strandYarn, cells: path, edges, strands } of batches.values()) {
    const { fill, outline, strand } = ink(yarn)
    const marled = strandYarn !== yarn
    context.fillStyle = fill
    context.fill(path)
    context.lineWidth = 0.6
    context.strokeStyle = outline
    context.stroke(edges)
    context.lineWidth = marled ? 2.4 : 1
    context.strokeStyle = marled ? ink(strandYarn).fill : strand
    context.stroke(strands)
  }
  context.lineWidth = 0.8
  context.strokeStyle = '#7F959B'
  context.setLineDash(shown.kind === 'guess' ? [3, 3] : [])
  context.stroke(toCome)
  context.setLineDash([])
  for (const [yarn, path] of increases) {
    context.lineWidth = 1.8
    context.strokeStyle = ink(yarn).keyline
    context.stroke(path)
    context.fillStyle = INC
    context.fill(path)
  }
  context.lineWidth = 1.4
  context.strokeStyle = '#FFFFFF'
  context.stroke(slots)
  context.lineWidth = 2
  context.strokeStyle = DEC
  context.stroke(decreases)
}

function isMade({ round, unit }: Cell, shown: Shown): boolean {
  if (shown.kind !== 'madeTo') return shown.kind === 'all'
  return round < shown.round || (round === shown.round && unit < shown.unit)
}

function batchFor(batches: Map<string, Batch>, { yarn, strand }: Cell): Batch {
  const key = yarn === strand ? yarn : `${yarn} ${strand}`
  const known = batches.get(key)
  if (known) return known
  const batch = { cells: new Path2D(), edges: new Path2D(), strands: new Path2D(), yarn, strand }
  batches.set(key, batch)
  return batch
}

function pathFor(paths: Map<string, Path2D>, yarn: string): Path2D {
  const path = paths.get(yarn) ?? new Path2D()
  paths.set(yarn, path)
  return path
}

const between = (one: Point, other: Point, share: number): Point => ({
  x: one.x + (other.x - one.x) * share,
  y: one.y + (other.y - one.y) * share,
})

const middle = (line: readonly Point[]): Point =>
  line.length % 2 === 1
    ? line[(line.length - 1) / 2]!
    : between(line[line.length / 2 - 1]!, line[line.length / 2]!, 0.5)

const distance = (one: Point, other: Point) => Math.hypot(one.x - other.x, one.y - other.y)

const heightOf = ({ foot, top }: Cell) => distance(middle(foot), middle(top))

/** Outline of the cell a hair inside its true edges: foot from start to end, then the top back. */
function insetCorners({ foot, top }: Cell): Point[] {
  const outline = [...foot, ...[...top].reverse()]
  const centre = between(middle(foot), middle(top), 0.5)
  return outline.map((point) => {
    const away = distance(point, centre)
    return away < 2 * INSET ? point : between(point, centre, (INSET * 1.3) / away)
  })
}

/**
 * A closed outline with its sharp corners rounded. It is closed by a line: `closePath` takes longer the
 * more a path already holds, and thousands of stitches share one.
 */
function traceRounded(path: Path2D, cell: Cell): void {
  const outline = insetCorners(cell)
  const { length } = outline
  let startX = 0
  let startY = 0
  for (let index = 0; index < length; index++) {
    const corner = outline[index]!
    const before = outline[(index + length - 1) % length]!
    const after = outline[(index + 1) % length]!
    const into = distance(before, corner)
    const out = distance(corner, after)
    const reach = Math.min(CORNER, into * 0.32, out * 0.32)
    const start = into > 0 ? between(corner, before, reach / into) : corner
    const end = out > 0 ? between(corner, after, reach / out) : corner
    if (index === 0) {
      startX = start.x
      startY = start.y
      path.moveTo(startX, startY)
    } else path.lineTo(start.x, start.y)
    path.quadraticCurveTo(corner.x, corner.y, end.x, end.y)
  }
  path.lineTo(startX, startY)
}

/** A closed outline on the true edges. */
function tracePlain(path: Path2D, { foot, top }: Cell): void {
  const start = foot[0]!
  path.moveTo(start.x, start.y)
  for (let index = 1; index < foot.length; index++) path.lineTo(foot[index]!.x, foot[index]!.y)
  for (let index = top.length - 1; index >= 0; index--) path.lineTo(top[index]!.x, top[index]!.y)
  path.lineTo(start.x, start.y)
}

/** The outline of a strip, closed by a line, and the top edge of its stitches. */
function traceStrip({ batch: { cells, edges }, foot, top }: Strip): void {
  foot.forEach(({ x, y }, index) => (index === 0 ? cells.moveTo(x, y) : cells.lineTo(x, y)))
  for (let index = top.length - 1; index >= 0; index--) cells.lineTo(top[index]!.x, top[index]!.y)
  cells.lineTo(foot[0]!.x, foot[0]!.y)
  top.forEach(({ x, y }, index) => (index === 0 ? edges.moveTo(x, y) : edges.lineTo(x, y)))
}

/** The side where a stitch begins: its neighbour draws the other. */
function traceSide(path: Path2D, { foot, top }: Cell): void {
  path.moveTo(foot[0]!.x, foot[0]!.y)
  path.lineTo(top[0]!.x, top[0]!.y)
}

/** One slanting S from foot to top. */
function traceStrand(path: Path2D, { foot, top }: Cell): void {
  const low = between(foot[0]!, foot.at(-1)!, 0.36)
  const high = between(top[0]!, top.at(-1)!, 0.64)
  const from = between(low, high, 0.14)
  const to = between(low, high, 0.86)
  const lowSide = between(between(foot[0]!, top[0]!, 0.5), between(foot.at(-1)!, top.at(-1)!, 0.5), 0.78)
  const highSide = between(between(foot[0]!, top[0]!, 0.5), between(foot.at(-1)!, top.at(-1)!, 0.5), 0.22)
  path.moveTo(from.x, from.y)
  path.bezierCurveTo(lowSide.x, lowSide.y, highSide.x, highSide.y, to.x, to.y)
}

/** The light slot cut into the wide side of an increase. */
function traceSlot(path: Path2D, { foot, top }: Cell): void {
  const outside = middle(top)
  const inside = middle(foot)
  const from = between(outside, inside, 0.06)
  const to = between(outside, inside, 0.42)
  path.moveTo(from.x, from.y)
  path.lineTo(to.x, to.y)
}
