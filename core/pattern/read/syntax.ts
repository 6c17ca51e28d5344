import type { Manner } from '../../stitches/manner.ts'

/** Characters of a text, `from` counted in and `to` left out. */
export interface Span {
  readonly from: number
  readonly to: number
}

/** A stitch as it is written; of dc and tr the country tells which is meant. */
export type StitchWord = 'slst' | 'sc' | 'hdc' | 'dc' | 'tr' | 'htr' | 'dtr'

/** Where stitches are worked into, as it is written. */
export type Place =
  | { readonly kind: 'next'; readonly times: number; readonly each: boolean }
  | { readonly kind: 'rest'; readonly left: number }
  | { readonly kind: 'same' }
  | { readonly kind: 'one' }
  | { readonly kind: 'ring' }
  | { readonly kind: 'fromHook'; readonly nth: number }
  | { readonly kind: 'endChain'; readonly which: 'first' | 'last' }
  | { readonly kind: 'space'; readonly times: number; readonly chains?: number }

/** Stitches of one kind: so many in each place, or one over several. */
export interface Work {
  readonly kind: 'work'
  readonly span: Span
  /** That of the round where nothing is said: "inc". */
  readonly stitch?: StitchWord
  readonly shape: 'plain' | 'inc' | 'dec'
  /** The number beside it: "2 sc", "sc 2". */
  readonly number?: number
  /** Stitches closed together into one. */
  readonly together: number
  readonly manner?: Manner
  readonly of?: number
  readonly loops?: 'back' | 'front'
  readonly place?: Place
}

export interface Chain {
  readonly kind: 'chain'
  readonly span: Span
  readonly times: number
  /** It is worked over so many stitches that are skipped. */
  readonly over?: number
  /** Whether it counts as a stitch, where that is said. */
  readonly counts?: boolean
}

export interface Skip {
  readonly kind: 'skip'
  readonly span: Span
  readonly times: number
}

/** How often something in brackets, or from a star on, is worked. */
export type Often =
  | { readonly kind: 'times'; readonly times: number }
  /** "rep from * 5 times": once, and so many times again; some mean so many in all. */
  | { readonly kind: 'again'; readonly times: number; readonly more: boolean }
  /** As far as the round goes, but for so many stitches. */
  | { readonly kind: 'around'; readonly left: number }

/** Several things that belong together: repeated, all into one stitch, or only in brackets. */
export interface Several {
  readonly kind: 'several'
  readonly span: Span
  readonly items: readonly Item[]
  readonly often?: Often
  readonly into?: Place
}

/** What is done between stitches, or said of the round. */
export interface Mark {
  readonly kind:
    | 'join'
    | 'noJoin'
    | 'turn'
    | 'noTurn'
    | 'fastenOff'
    | 'marker'
    | 'ring'
    | 'joinRing'
    | 'joinTube'
    | 'joinYarn'
    | 'otherSide'
    | 'fromHook'
    | 'counts'
    | 'countsNot'
    | 'backLoops'
    | 'frontLoops'
    | 'lastChain'
    | 'alongChain'
    | 'leave'
    | 'endFree'
    | 'rowEnds'
    | 'overPart'
    | 'toRow'
  readonly span: Span
  readonly number?: number
}

/** "change to Pine": another yarn from here on. */
export interface YarnChange {
  readonly kind: 'yarn'
  readonly span: Span
  readonly yarn: string
}

/** The count that a round is said to have. */
export interface Stated {
  readonly kind: 'total'
  readonly span: Span
  readonly count: number
}

/** Words that are no part of the language. */
export interface Unread {
  readonly kind: 'unread'
  readonly span: Span
  /** It is a number, and nothing else. */
  readonly number?: number
}

/** Where a repeat begins or ends, until it is folded into one. */
export interface Star {
  readonly kind: 'star'
  readonly span: Span
}

/** How often what stands before is worked, until it is folded into it. */
export interface Again {
  readonly kind: 'again'
  readonly span: Span
  readonly often: Often
  /** It says "repeat". */
  readonly said: boolean
}

export type Item = Work | Chain | Skip | Several | Mark | YarnChange | Stated | Unread
export type FlatItem = Item | Star | Again
