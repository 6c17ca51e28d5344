/** What a maker typed that cannot be planned: where it is, what is wrong, and what would be right. */
export class SpecError extends Error {
  /** Dotted path of the field, e.g. `shape.across`. */
  readonly path: string
  /** A sentence that says what would be valid, e.g. "Between 2 and 200 cm." */
  readonly valid: string

  constructor(path: string, message: string, valid: string) {
    super(message)
    this.name = 'SpecError'
    this.path = path
    this.valid = valid
  }
}
