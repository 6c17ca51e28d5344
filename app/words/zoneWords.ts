import type { Zone } from '../../core/index.ts'

/** Where around a round something happens, as a maker calls it. */
export const ZONE_WORDS: Readonly<Record<Zone, string>> = {
  side: 'side',
  end: 'end',
  toe: 'toe',
  heel: 'heel',
  back: 'back to the marker',
}
