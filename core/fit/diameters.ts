/** The mean of one or two diameters. */
export const meanOf = (across: readonly number[]): number =>
  across.reduce((sum, one) => sum + one, 0) / across.length

/** By what share the larger of two diameters exceeds the smaller; 0 for one. */
export const apart = (across: readonly number[]): number => Math.max(...across) / Math.min(...across) - 1
