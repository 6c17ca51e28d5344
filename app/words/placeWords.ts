import type { PlaceInRound, PlaceKind, PlannedRound } from '../../core/index.ts'
import { titleOf } from '../../core/index.ts'

/** What goes to a place, and what one does there. */
export const PLACE_WORDS: Readonly<
  Record<PlaceKind, { readonly label: string; readonly does: (name: string) => string }>
> = {
  mark: { label: 'A mark', does: (name) => `place the mark “${name}”` },
  hole: { label: 'A hole', does: (name) => `leave the hole “${name}”: ch 1 over the next st` },
  loop: { label: 'A loop', does: (name) => `here goes the loop “${name}”: mark it` },
  part: { label: 'A part, sewn on', does: (name) => `here goes “${name}”: mark it` },
  line: { label: 'A line, embroidered', does: (name) => `the line “${name}” begins here: mark it` },
}

/** "eye", "eye, 2 of 2". */
export const placeName = ({ place, half }: Pick<PlaceInRound, 'place' | 'half'>): string =>
  half === undefined ? place.name : `${place.name}, ${half + 1} of 2`

/** "Rnd 9, st 14". */
export const placeAt = ({ stitch }: PlaceInRound, round: PlannedRound): string =>
  `${titleOf(round)}, st ${stitch}`

/**
 * What is to be done at a place of the round on the hook, and how far off it is; nothing once it is passed.
 * @param made stitches of the round, and those that it had before what was made last
 */
export function sayPlace(
  places: readonly PlaceInRound[],
  round: number,
  made: number,
  before: number,
): string | undefined {
  const next = places.find((one) => one.round === round && one.stitch > before)
  if (!next) return undefined
  const { does } = PLACE_WORDS[next.place.kind]
  const what = does(placeName(next))
  if (next.stitch <= made) return `At this stitch: ${what}.`
  return `After st ${next.stitch}: ${what}.`
}
