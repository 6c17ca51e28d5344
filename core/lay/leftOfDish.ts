/**
 * How much of a dish is left after flat rounds were added around it: the last third of a piece decides how
 * it lies, so the dish is gone when that third is new.
 * @param added rounds added, from 1
 * @param before rounds there were
 */
export function leftOfDish(added: number, before: number): number {
  return Math.max(0, 1 - (3 * added) / (before + added))
}
