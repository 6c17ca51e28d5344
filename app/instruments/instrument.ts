/** What an instrument shows: grams for a scale, millimetres for a caliper. */
export type InstrumentState =
  | { readonly status: 'connecting' }
  | { readonly status: 'settling' | 'steady'; readonly value: number }
  /** The connection broke off; the last value is of no use any more. */
  | { readonly status: 'lost' }

/** Anything that weighs or measures and can be read: on the stand, by cable later, or typed. */
export interface Instrument {
  readonly id: string
  readonly name: string
  readonly measures: 'mass' | 'length'
  /** Calls back with every change until the returned function is called. */
  readonly subscribe: (listener: (state: InstrumentState) => void) => () => void
}
