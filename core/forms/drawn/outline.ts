import type { Line, OutlinePoint, Place } from '../family.ts'

/** Pieces that a curve is drawn in between two points. */
const PIECES = 12

/**
 * The line through some places, from the foot up: straight from each to the next, or as a curve that swings beyond
 * none of them (monotone cubic, Fritsch and Carlson 1980). What lies level is straight in any case.
 */
export function lineThrough(places: readonly Place[], curved: boolean): Line {
  const through = curved ? smooth(places) : places
  const along = [0]
  through.slice(1).forEach((place, index) => {
    const below = through[index]!
    along.push(along[index]! + Math.hypot(place.r - below.r, place.z - below.z))
  })
  const length = along.at(-1)!
  return {
    length,
    at(wanted) {
      if (wanted >= length) return through.at(-1)!
      const next = Math.max(
        1,
        along.findIndex((one) => one > wanted),
      )
      const [from, to] = [through[next - 1]!, through[next]!]
      const share = Math.max(0, (wanted - along[next - 1]!) / (along[next]! - along[next - 1]!))
      return { r: from.r + share * (to.r - from.r), z: from.z + share * (to.z - from.z) }
    },
    off: (place) => offLine(through, place),
  }
}

/** The outline of a drawn shape itself, one half of it: its points, and what lies between them. */
export function outlineOf(outline: readonly OutlinePoint[], curved: boolean): readonly Place[] {
  const places = outline.map(({ across, up }) => ({ r: across / 2, z: up }))
  return curved ? smooth(places) : places
}

function offLine(through: readonly Place[], { r, z }: Place): number {
  let [nearest, sign] = [Infinity, 1]
  for (let index = 1; index < through.length; index++) {
    const [from, to] = [through[index - 1]!, through[index]!]
    const [dr, dz] = [to.r - from.r, to.z - from.z]
    const square = dr * dr + dz * dz
    if (square === 0) continue
    const share = Math.max(0, Math.min(1, ((r - from.r) * dr + (z - from.z) * dz) / square))
    const far = Math.hypot(r - from.r - share * dr, z - from.z - share * dz)
    if (far >= nearest) continue
    nearest = far
    // Going up, outside lies on the right.
    sign = (r - from.r) * dz - (z - from.z) * dr >= 0 ? 1 : -1
  }
  return sign * nearest
}

/** The same places with those of a curve between them. */
function smooth(places: readonly Place[]): Place[] {
  const last = places.length - 1
  const slopes = places.slice(1).map(({ r, z }, index) => {
    const below = places[index]!
    return z > below.z ? (r - below.r) / (z - below.z) : undefined
  })
  // Where two slopes meet that turn back, or one is level, the curve stands upright, or as its neighbour does.
  const tangents = places.map((_, index) => {
    const [under, over] = [slopes[index - 1], slopes[index]]
    if (under === undefined || over === undefined) return under ?? over ?? 0
    return under * over <= 0 ? 0 : (2 * under * over) / (under + over)
  })
  return places.flatMap((place, index): Place[] => {
    const slope = slopes[index]
    if (index === last || slope === undefined) return [place]
    const next = places[index + 1]!
    const high = next.z - place.z
    const [start, end] = [tangents[index]! * high, tangents[index + 1]! * high]
    return Array.from({ length: PIECES }, (__, piece) => {
      const t = piece / PIECES
      const [t2, t3] = [t * t, t * t * t]
      const r =
        (2 * t3 - 3 * t2 + 1) * place.r +
        (t3 - 2 * t2 + t) * start +
        (3 * t2 - 2 * t3) * next.r +
        (t3 - t2) * end
      return { r: Math.max(0, r), z: place.z + t * high }
    })
  })
}
