import type { Terms, TextureKind, TextureNumber } from '../../core/index.ts'

interface TextureWords {
  readonly label: string
  readonly detail: Readonly<Record<Terms, string>>
  /** What its numbers are asked as. */
  readonly numbers: Readonly<Partial<Record<TextureNumber, string>>>
}

const both = (text: string): Readonly<Record<Terms, string>> => ({ US: text, UK: text })

/** What every texture is called and asked by. */
export const TEXTURE_WORDS: Readonly<Record<TextureKind, TextureWords>> = {
  rib: {
    label: 'Rib',
    detail: both('Front and back post stitches in turn: columns that draw in and stretch.'),
    numbers: { over: 'Stitches wide' },
  },
  check: {
    label: 'Check',
    detail: both('Squares of front and back post stitches, reversed every few rounds.'),
    numbers: { over: 'Stitches wide', rounds: 'Rounds high' },
  },
  posts: {
    label: 'Front posts all around',
    detail: both('Every stitch around the post below: ridges outside, dense and short.'),
    numbers: {},
  },
  popcorn: {
    label: 'Popcorns',
    detail: both('Several stitches in one place, drawn together so that they stand out.'),
    numbers: { of: 'Stitches in one', over: 'Plain ones between', rounds: 'Plain rounds between' },
  },
  cluster: {
    label: 'Clusters',
    detail: both('Several stitches closed into one, a chain after each: open and wide.'),
    numbers: { of: 'Stitches in one' },
  },
  spike: {
    label: 'Spikes',
    detail: both('Long stitches into the round below the last; no two side by side.'),
    numbers: { over: 'Plain ones between', rounds: 'Plain rounds between' },
  },
  mesh: {
    label: 'Mesh',
    detail: { US: 'A stitch, a chain, one skipped: open.', UK: 'A stitch, a chain, one missed: open.' },
    numbers: {},
  },
}
