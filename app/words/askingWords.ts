interface FieldWords {
  readonly label: string
  /** What is asked of somebody who begins a piece. */
  readonly question: string
  /** Words for each of its choices, where it is one. */
  readonly choices?: Readonly<Record<string, { readonly label: string; readonly detail: string }>>
}

/** How a family of forms is asked for, drawn and measured, in a maker's words. */
export interface AskingWords {
  readonly fields: Readonly<Record<string, FieldWords>>
  /** Whose usual sizes it knows. */
  readonly usual?: { readonly question: string; readonly of: Readonly<Record<string, string>> }
  /** What the handle on its edge is called, and the line that its row ends meet. */
  readonly handle: string
  readonly fitLine: { readonly name: string; readonly says: string }
  /** What one may be for. */
  readonly example: string
  /** How it is measured, for somebody who is at the hook. */
  readonly measureNow: string
  /** How it is measured, for somebody who has the tape in hand. */
  readonly measuring: string
}
