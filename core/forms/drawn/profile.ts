import type { OutlinePoint, Place } from '../family.ts'

export const MOST_POINTS = 12
/** Nearer than this two points of an outline are one, mm. */
const APART = 4

/** How wide a piece is at how many heights, measured outside, as its rounds came to lie; nothing if it has no height. */
export function profileOf(tops: readonly Place[], thickness: number): OutlinePoint[] | undefined {
  const places = tops.map(({ r, z }) => ({ across: 2 * r + thickness, up: z }))
  const foot = places.findLast(({ up }) => up < APART / 2) ?? places[0]!
  const side = places.filter(({ up }) => up > APART / 2)
  const every = Math.max(1, Math.ceil(side.length / (MOST_POINTS - 1)))
  const points: OutlinePoint[] = [{ across: foot.across, up: 0 }]
  side.forEach((place, index) => {
    const isLast = index === side.length - 1
    if (!isLast && (index + 1) % every !== 0) return
    const last = points.at(-1)!
    if (place.up >= last.up + APART) points.push(place)
    else if (isLast && points.length > 1)
      points[points.length - 1] = { ...place, up: Math.max(place.up, last.up) }
  })
  return points.length >= 2 ? points : undefined
}
