import type { CombinationName } from '../../core/index.ts'

interface CombinationWords {
  readonly offer: string
  readonly title: string
  readonly unnamed: string
  /** How its pieces become one. */
  readonly becomes: string
  /** What each of its sizes is called. */
  readonly asks: Readonly<Record<string, string>>
}

/** Things of several pieces, as they are offered and asked for. */
export const COMBINATION_WORDS: Readonly<Record<CombinationName, CombinationWords>> = {
  pad: {
    offer: 'Pad of two layers',
    title: 'A pad of two layers',
    unnamed: 'Pad',
    becomes:
      'A round through both layers joins and edges them; a loop to hang it by is sewn in where it ends.',
    asks: { across: 'Across' },
  },
  filled: {
    offer: 'Filled pair',
    title: 'Two sides, filled',
    unnamed: 'Filled round',
    becomes: 'Joined all around but for an opening; filled through it, then closed.',
    asks: { across: 'Across' },
  },
  caseWithLid: {
    offer: 'Case with a lid',
    title: 'A case with a lid',
    unnamed: 'Case',
    becomes: 'The lid hinges on the body along its back, in mattress stitch.',
    asks: { long: 'Long', thick: 'Thick', high: 'High' },
  },
  box: {
    offer: 'Box with a cover',
    title: 'A box with a cover',
    unnamed: 'Box',
    becomes: 'The cover goes over the box with a little room; nothing is sewn.',
    asks: { across: 'Box, across', high: 'Box, high', cover: 'Cover, high' },
  },
  tubes: {
    offer: 'Row of tubes',
    title: 'A row of tubes',
    unnamed: 'Row of tubes',
    becomes: 'They hang side by side, each held to the next by two stitches at its upper edge.',
    asks: { tubes: 'How many', girth: 'Each, around', high: 'Each, long' },
  },
}
