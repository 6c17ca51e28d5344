import { BUNCH, LEVEL, LONG, OPEN, OUT, type Cells } from './views/cells.ts'

/** The middle of a line of points, as (x, y). */
function middleOf({ points: { data } }: Cells, from: number, to: number): readonly [number, number] {
  const size = to - from
  const at = 2 * (from + ((size - 1) >> 1))
  if (size % 2 === 1) return [data[at]!, data[at + 1]!]
  return [(data[at]! + data[at + 2]!) / 2, (data[at + 1]! + data[at + 3]!) / 2]
}

export const footMiddle = (cells: Cells, cell: number) => middleOf(cells, cells.foot[cell]!, cells.top[cell]!)
export const topMiddle = (cells: Cells, cell: number) =>
  middleOf(cells, cells.top[cell]!, cells.foot[cell + 1]!)

export function heightOf(cells: Cells, cell: number): number {
  const [footX, footY] = footMiddle(cells, cell)
  const [topX, topY] = topMiddle(cells, cell)
  return Math.hypot(topX - footX, topY - footY)
}

/** Where places in a cell are: so far from its start to its end, and from its foot to its top. */
function placesIn(cells: Cells, cell: number): (across: number, up: number) => readonly [number, number] {
  const { data } = cells.points
  const [foot, top, end] = [cells.foot[cell]!, cells.top[cell]!, cells.foot[cell + 1]!]
  const along = (across: number, up: number, axis: 0 | 1) => {
    const low = data[2 * foot + axis]! + (data[2 * top - 2 + axis]! - data[2 * foot + axis]!) * across
    const high = data[2 * top + axis]! + (data[2 * end - 2 + axis]! - data[2 * top + axis]!) * across
    return low + (high - low) * up
  }
  return (across, up) => [along(across, up, 0), along(across, up, 1)]
}

/** What shows that a stitch stands in relief: a post, a bunch, a leg that goes down beyond its foot. */
export function traceRelief(path: Path2D, cells: Cells, cell: number): void {
  const relief = cells.relief[cell]
  if (relief === LEVEL) return traceStrand(path, cells, cell)
  const at = placesIn(cells, cell)
  if (relief === OUT) {
    path.moveTo(...at(0.5, 0.2))
    path.lineTo(...at(0.5, 0.8))
  } else if (relief === BUNCH) {
    path.moveTo(...at(0.5, 0.1))
    path.quadraticCurveTo(...at(0, 0.5), ...at(0.5, 0.9))
    path.quadraticCurveTo(...at(1, 0.5), ...at(0.5, 0.1))
  } else if (relief === OPEN) {
    // The chain over it, bead by bead.
    const [[fromX, fromY], [toX, toY]] = [at(0, 0.86), at(1, 0.86)]
    const [width, height] = [Math.hypot(toX - fromX, toY - fromY), heightOf(cells, cell)]
    const beads = Math.max(1, Math.round(width / (0.8 * height)))
    for (let bead = 0; bead < beads; bead++) {
      const [x, up] = at((bead + 0.5) / beads, 0.86)
      const radius = Math.min(width / beads, 0.5 * height) * 0.36
      path.moveTo(x + radius, up)
      path.arc(x, up, radius, 0, 2 * Math.PI)
    }
  } else if (relief === LONG) {
    path.moveTo(...at(0.3, 0.8))
    path.lineTo(...at(0.5, -0.8))
    path.lineTo(...at(0.7, 0.8))
  }
}

/** One slanting S from foot to top. */
function traceStrand(path: Path2D, cells: Cells, cell: number): void {
  const at = placesIn(cells, cell)
  const [[footX, footY], [topX, topY]] = [at(0.36, 0), at(0.64, 1)]
  /** On the line that slants from foot to top. */
  const slant = (up: number) => [footX + (topX - footX) * up, footY + (topY - footY) * up] as const
  path.moveTo(...slant(0.14))
  path.bezierCurveTo(...at(0.78, 0.5), ...at(0.22, 0.5), ...slant(0.86))
}
