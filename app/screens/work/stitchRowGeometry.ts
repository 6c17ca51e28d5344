import type { Unit, WorkView } from '../../../core/index.ts'

/** Sizes of the tiles, px; they shrink with the window. */
export interface TileMeasures {
  readonly tile: number
  readonly gap: number
  readonly height: number
  /** How much larger the stitch in hand is, on each side. */
  readonly grow: number
  /** The stage is that of a phone on its side. */
  readonly lying: boolean
}

export interface TilePlace {
  readonly x: number
  readonly width: number
}

export interface StitchRowGeometry {
  readonly measures: TileMeasures
  /** Tiles at least partly in view, by unit; the current one in the middle. */
  readonly places: ReadonlyMap<number, TilePlace>
  /** Left and right end of the current run of the repeat; off the screen where it runs off. */
  readonly bracket: readonly [number, number]
}

/** An increase is as wide as its two stitches look. */
const SHAPING_WIDTH = 1.84
const BEYOND = 220

function measuresIn({ width, height }: Room): TileMeasures {
  const lying = liesOnItsSide({ width, height })
  if (lying) return { tile: 64, gap: 6, height: 56, grow: 8, lying }
  if (width < 600 || (height > 0 && height < LOW)) return { tile: 64, gap: 6, height: 62, grow: 10, lying }
  if (width < 1000) return { tile: 92, gap: 7, height: 86, grow: 12, lying }
  return { tile: 106, gap: 8, height: 98, grow: 14, lying }
}

interface Room {
  readonly width: number
  /** Of the whole stage; 0 until it is known. */
  readonly height: number
}

const LOW = 520
/** Px under which the count stands beside the repeat, not under its tape. */
const LYING = 400

/** Whether a stage is that of a phone on its side. */
export const liesOnItsSide = ({ width, height }: Room): boolean =>
  width > height && height > 0 && height < LYING

/** Where the tiles of a round lie around the stitch in hand, in a row of this width. */
export function stitchRowGeometry(
  units: readonly Unit[],
  unit: number,
  run: WorkView['bracket'],
  room: Room,
): StitchRowGeometry {
  const { width } = room
  const measures = measuresIn(room)
  const current = Math.min(unit, units.length - 1)
  const widthOf = ({ kind }: Unit) => (kind === 'work' ? measures.tile : measures.tile * SHAPING_WIDTH)
  const places = new Map<number, TilePlace>()
  if (width > 0) {
    const own = widthOf(units[current]!)
    const middle = { x: width / 2 - own / 2, width: own }
    places.set(current, middle)
    let right = middle.x + own + measures.grow
    for (let index = current + 1; index < units.length && right < width + BEYOND; index++) {
      const wide = widthOf(units[index]!)
      places.set(index, { x: right + measures.gap, width: wide })
      right += measures.gap + wide
    }
    let left = middle.x - measures.grow
    for (let index = current - 1; index >= 0 && left > -BEYOND; index--) {
      const wide = widthOf(units[index]!)
      left -= measures.gap + wide
      places.set(index, { x: left, width: wide })
    }
  }
  const first = places.get(run.from)
  const last = places.get(run.to - 1)
  return { measures, places, bracket: [first?.x ?? -8, last ? last.x + last.width : width + 8] }
}
