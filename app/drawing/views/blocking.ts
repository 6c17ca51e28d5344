import type { Plan } from '../../../core/index.ts'
import type { Point } from './points.ts'
import { motifsIn } from './motifs.ts'
import { mainOf, roundLine } from './view.ts'
import {
  isDisc,
  isPart,
  isStrip,
  outlineOfPart,
  outlineOfStrip,
  outlineStanding,
  stands,
  wholeIn,
} from './viewOf.ts'

/** What a piece is pinned to while it dries, mm from its upper left corner. */
export interface BlockingOutline {
  readonly width: number
  readonly height: number
  /** Closed outlines: the piece itself, then what stands free on its edge. */
  readonly lines: readonly (readonly Point[])[]
  /** Folded flat: half as wide as it goes around, not as wide as it stands. */
  readonly folded: boolean
}

/** Any size that drawings keep their proportions in, px. */
const DRAWN = 1000
/** A ring laid flat is half as long as it goes around: against its own width. */
const FOLDED = Math.PI / 2

/** The outline of a piece at its true size, as it lies on the table. */
export function blockingOutline(plan: Plan, mirrored: boolean, hangs: boolean): BlockingOutline {
  const { view } = wholeIn(plan, { width: DRAWN, height: DRAWN }, mirrored, { hangs })
  const folded = stands(plan)
  const outline = folded
    ? outlineStanding(view)
    : isStrip(plan)
      ? outlineOfStrip(view)
      : isPart(plan)
        ? outlineOfPart(view)
        : roundLine(view, mainOf(view.plan).at(-1)!)
  const all = [outline, ...(folded ? [] : motifsIn(view).map((motif) => motif.outline))]
  const wider = folded ? FOLDED : 1
  const { scale } = view
  // What lies flat is drawn by its fabric; on the table it is as large as the tape will find it.
  const across = isDisc(plan) && plan.finished.promises.find(({ of }) => of === 'across')?.value
  const size = across ? across / (spreadOf(outline) / scale) : 1
  const placed = all.map((line) =>
    line.map(({ x, y }) => ({ x: (x * wider * size) / scale, y: (y * size) / scale })),
  )
  const [xs, ys] = [placed.flat().map(({ x }) => x), placed.flat().map(({ y }) => y)]
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  return {
    width: Math.max(...xs) - left,
    height: Math.max(...ys) - top,
    lines: placed.map((line) => line.map(({ x, y }) => ({ x: x - left, y: y - top }))),
    folded,
  }
}

/** How far points lie apart from left to right. */
function spreadOf(line: readonly Point[]): number {
  const xs = line.map(({ x }) => x)
  return Math.max(...xs) - Math.min(...xs)
}

/** One sheet of paper: which part of an outline is on it, mm. */
export interface Sheet {
  readonly row: number
  readonly column: number
  readonly x: number
  readonly y: number
}

/** What a sheet shows: less than A4 and letter paper have within their margins, mm. */
export const SHEET = { width: 180, height: 240 } as const
/** Neighbours show so much of the same, mm. */
export const OVERLAP = 10

/** As many sheets as an outline needs, row by row. */
export function sheetsFor({ width, height }: Pick<BlockingOutline, 'width' | 'height'>): readonly Sheet[] {
  const often = (size: number, sheet: number) =>
    Math.max(1, Math.ceil((size - OVERLAP) / (sheet - OVERLAP) - 1e-9))
  const [columns, rows] = [often(width, SHEET.width), often(height, SHEET.height)]
  return Array.from({ length: rows * columns }, (_, index) => {
    const [row, column] = [Math.floor(index / columns), index % columns]
    return { row, column, x: column * (SHEET.width - OVERLAP), y: row * (SHEET.height - OVERLAP) }
  })
}
