import type { Zone } from '../../core/index.ts'

/** Where around a round something happens, as a maker calls it. */
export const ZONE_WORDS: Readonly<Record<Zone, string>> = {
  side: 'side',
  end: 'end',
  toe: 'toe',
  heel: 'heel',
  back: 'back',
  front: 'front',
}

/** Where stitches lie, in a sentence: "12 along the side, 6 over the toe". */
export const ALONG_ZONE: Readonly<Record<Zone, string>> = {
  side: 'along the side',
  end: 'around the end',
  toe: 'over the toe',
  heel: 'over the heel',
  back: 'back to the marker',
  front: 'across the front',
}
