import type { Instrument, InstrumentState } from './instrument.ts'

/** An instrument without a cable: somebody reads its display and types it. */
export interface TypedInstrument extends Instrument {
  /** In grams or millimetres. */
  readonly type: (value: number) => void
}

export function typedInstrument(measures: Instrument['measures'], name: string): TypedInstrument {
  const listeners = new Set<(state: InstrumentState) => void>()
  let state: InstrumentState = { status: 'connecting' }
  return {
    id: `typed-${measures}`,
    name,
    measures,
    subscribe: (listener) => {
      listeners.add(listener)
      listener(state)
      return () => listeners.delete(listener)
    },
    type: (value) => {
      state = { status: 'steady', value }
      for (const listener of listeners) listener(state)
    },
  }
}
