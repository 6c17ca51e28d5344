import { spoken, type Speech } from './sentence.ts'

/** What a maker typed that cannot be planned: where it is, what is wrong, and what would be right. */
export class SpecError extends Error {
  /** Dotted path of the field, e.g. `form.across`. */
  readonly path: string
  /** A sentence that says what would be valid, e.g. "Between 2 and 200 cm." */
  readonly valid: string
  /** Both sentences with lengths and stitches still to be said (`spoken`). */
  readonly unsaid: readonly [wrong: string, valid: string]

  constructor(path: string, wrong: string, valid: string) {
    super(spoken(wrong))
    this.name = 'SpecError'
    this.path = path
    this.valid = spoken(valid)
    this.unsaid = [wrong, valid]
  }

  /** What is wrong and what would be right, in a maker's unit and terms. */
  said(speech: Speech): string {
    return this.unsaid.map((sentence) => spoken(sentence, speech)).join(' ')
  }
}
