import type { Zone, ZoneSpan } from '../../core/index.ts'

/** Where around a round something happens, as a maker calls it. */
const ZONE_WORDS: Readonly<Record<Zone, string>> = {
  side: 'side',
  end: 'end',
  toe: 'toe',
  heel: 'heel',
  back: 'back',
  front: 'front',
  own: 'zone',
  rest: 'between',
}

/** Where stitches lie, in a sentence: "12 along the side, 6 over the toe". */
const ALONG_ZONE: Readonly<Record<Zone, string>> = {
  side: 'along the side',
  end: 'around the end',
  toe: 'over the toe',
  heel: 'over the heel',
  back: 'back to the marker',
  front: 'across the front',
  own: 'over the zone',
  rest: 'between',
}

type Named = Pick<ZoneSpan, 'zone' | 'name'>

export const zoneName = ({ zone, name }: Named): string => name ?? ZONE_WORDS[zone]

export const alongZone = ({ zone, name }: Named): string => (name ? `over ${name}` : ALONG_ZONE[zone])
