/** Student's t, 19 times in 20, by its degrees of freedom. */
const STUDENT = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23]

/** Of few values the deviation itself is not known well: how many of it 19 in 20 lie within. */
export const studentAt = (freedom: number): number => STUDENT[freedom - 1] ?? 1.96 + 2.5 / freedom

/** Standard deviation; nothing of a single value. */
export function deviationOf(values: readonly number[]): number | undefined {
  if (values.length < 2) return undefined
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length
  return Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1))
}
