/** What may have gone wrong with a number, and by how much it is then off. */
const SLIPS = [
  { factor: 10, reason: '(cm typed for mm)' },
  { factor: 0.1, reason: '(mm typed for cm)' },
  { factor: 2.54, reason: '(inches typed for cm)' },
  { factor: 1 / 2.54, reason: '(cm typed for inches)' },
  { factor: 100, reason: '(a decimal point moved)' },
  { factor: 0.01, reason: '(a decimal point moved)' },
] as const

/** A label is right to within 36%, 997 times of 1,000. */
const IN_REACH = Math.log(1.43)
/** Nearer than this a number is not questioned, whatever else it could have been. */
const ODD = Math.log(1.75)

export interface Meant {
  /** What the typed length times this would be right. */
  readonly factor: number
  readonly reason: string
}

/**
 * The slip that would bring a size (mm a stitch or round) back to what is expected; nothing where the size
 * is not odd, or no usual slip explains it.
 */
export function guessMeant(size: number, expected: number): Meant | undefined {
  const off = (factor: number) => Math.abs(Math.log((size * factor) / expected))
  if (!(size > 0) || off(1) < ODD) return undefined
  const nearest = SLIPS.reduce((best, slip) => (off(slip.factor) < off(best.factor) ? slip : best))
  return off(nearest.factor) < IN_REACH ? nearest : undefined
}
