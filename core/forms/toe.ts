import type { Guide } from './family.ts'

/** A toe turns over into its tube softly, and so adds about so many rounds to its length. */
export const TOE_ROUNDS = 1.75

/** A disc that becomes the end of a tube: as wide as that, around the hole that its start leaves. */
export const toeGuide = (radius: number, hole: number): Guide => ({
  length: radius - hole,
  lies: 'flat',
  perimeter: (along) => 2 * Math.PI * (hole + along),
})

/** What goes around a foot with one girth, so far along. */
export const tubeGuide = (length: number, around: number): Guide => ({
  length,
  lies: 'fitted',
  perimeter: () => around,
})
