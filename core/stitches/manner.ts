import { CHAIN_SHARE_OF_SC } from './stitch.ts'

/**
 * How one stitch is worked otherwise than into the top of the one below: around its post, several closed into one in
 * the same place, into the round below that, or not at all: a chain over a skipped stitch, so many
 * chains over as many stitches that an opening skips, chains that stand free, what goes back along those, and one more
 * into the stitch that the one before took.
 */
export const MANNERS = [
  'frontPost',
  'backPost',
  'popcorn',
  'cluster',
  'spike',
  'space',
  'slit',
  'skip',
  'reverse',
  'curl',
  'picot',
  'chain',
  'alongChain',
  'same',
] as const
export type Manner = (typeof MANNERS)[number]

/** What a stitch of a manner takes, against a plain one of its kind (FIELD §12); `of` stitches make one. */
export interface MannerSize {
  readonly width: number
  readonly height: number
  readonly yarn: number
  readonly effort: number
}

export function sizeOfManner(manner: Manner, of = 1): MannerSize {
  switch (manner) {
    case 'frontPost':
    case 'backPost':
      return { width: 0.95, height: 0.75, yarn: 1.05, effort: 1.6 }
    case 'popcorn':
      return { width: 1.15, height: 1, yarn: of + 0.6, effort: of + 1 }
    case 'cluster':
      return { width: 1.7, height: 1.1, yarn: of * 0.85 + 0.4, effort: of }
    case 'spike':
      return { width: 1, height: 1, yarn: 1.3, effort: 1.5 }
    case 'reverse':
      return { width: 1, height: 1, yarn: 1.1, effort: 1.3 }
    case 'curl':
      return { width: 1, height: 1, yarn: 2.2, effort: 2.2 }
    case 'picot':
      return { width: 1, height: 1, yarn: 2, effort: 1.3 + 3 * CHAIN_SHARE_OF_SC }
    case 'skip':
      return { width: 0, height: 0, yarn: 0, effort: 0.1 }
    case 'chain':
      return { width: 0, height: 0, yarn: CHAIN_SHARE_OF_SC, effort: CHAIN_SHARE_OF_SC }
    case 'alongChain':
      return { width: 0, height: 0, yarn: 1, effort: 1.2 }
    case 'same':
      return { width: 1, height: 1, yarn: 1, effort: 1 }
    case 'slit':
      return { width: 1, height: 1, yarn: CHAIN_SHARE_OF_SC, effort: CHAIN_SHARE_OF_SC }
    case 'space':
      return { width: 1, height: 1, yarn: 0.5, effort: 0.5 }
  }
}
