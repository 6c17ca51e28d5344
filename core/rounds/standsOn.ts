/** What a round stands on other than all of the one before it: rounds by their index. */
export type StandsOn =
  /** Some of its stitches, from one on; the others wait. */
  | { readonly kind: 'stretch'; readonly round: number; readonly from: number; readonly to: number }
  /** The row before it, and what waited beside that since so many rounds ago. */
  | { readonly kind: 'panel'; readonly round: number; readonly from: number }
  | { readonly kind: 'rowEnds' }
