export interface Dice {
  /** From 0 to 1, 1 left out. */
  readonly uniform: () => number
  /** Of the bell curve of mean 0 and standard deviation 1. */
  readonly normal: () => number
}

/** Small numbers that look random and are the same for the same seed. */
export function dice(seed: number): Dice {
  let state = seed >>> 0
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
  return { uniform, normal }
}
