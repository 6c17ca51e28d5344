/** What a simulated instrument shows at one moment. */
export interface StreamedReading {
  /** Grams or millimetres, as the display would round them. */
  readonly value: number
  /** Whether the display has stopped moving. */
  readonly steady: boolean
}

export interface InstrumentTraits {
  readonly id: string
  readonly kind: 'scale' | 'caliper'
  readonly name: string
  readonly unit: 'g' | 'mm'
  /** The display shows multiples of this. */
  readonly step: number
  /** Seconds in which two thirds of the way to a new value are gone. */
  readonly settling: number
  /** How far the zero wanders in a minute, at most. */
  readonly drift: number
  /** Jitter of a single reading, in units. */
  readonly noise: number
  /** What lies on it when the stand is set up. */
  readonly resting: number
}

export const SIMULATED: readonly InstrumentTraits[] = [
  {
    id: 'kitchen-scale',
    kind: 'scale',
    name: 'Kitchen scale',
    unit: 'g',
    step: 0.5,
    settling: 0.5,
    drift: 0.6,
    noise: 0.12,
    resting: 48.5,
  },
  {
    id: 'caliper',
    kind: 'caliper',
    name: 'Digital caliper',
    unit: 'mm',
    step: 0.1,
    settling: 0.25,
    drift: 0.05,
    noise: 0.04,
    resting: 71.3,
  },
]

/** What lies on an instrument, and since when. */
export interface Load {
  readonly from: number
  readonly to: number
  /** Seconds, on the clock the readings are asked by. */
  readonly since: number
}

/**
 * The display at a time: it creeps toward the load, wanders with drift and jitters.
 * @param seconds now, on the same clock as `load.since`
 * @param jitter from −1 to 1, the caller's randomness
 */
export function readingAt(
  { step, settling, drift, noise }: InstrumentTraits,
  { from, to, since }: Load,
  seconds: number,
  jitter: number,
): StreamedReading {
  const gone = Math.max(0, seconds - since)
  const left = (from - to) * Math.exp(-gone / settling)
  const wander = drift * Math.sin((2 * Math.PI * seconds) / 60)
  const value = Math.max(0, to + left + wander + noise * jitter)
  return {
    value: Number((Math.round(value / step) * step).toFixed(3)),
    steady: Math.abs(left) < step / 2 && gone > 2 * settling,
  }
}
