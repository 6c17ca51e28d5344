import { heightOf, traceRelief } from './relief.ts'
import { tracePlain, traceRounded, traceSlot, traceStrip } from './traceCell.ts'
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
