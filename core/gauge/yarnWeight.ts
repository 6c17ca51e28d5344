import { mm, type Millimetres } from '../units/millimetres.ts'

/** Yarn weight class as printed on labels, 0 (lace) to 7 (jumbo). */
export type YarnWeight = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7

export interface YarnWeightClass {
  readonly weight: YarnWeight
  readonly name: string
  readonly wrapsPerCm: number
  /** Usual hook for a functional piece, mm: a little under the label's. */
  readonly hook: number
  readonly metresPer100g: number
}

export const YARN_WEIGHTS: readonly YarnWeightClass[] = [
  { weight: 0, name: 'lace', wrapsPerCm: 12, hook: 1.75, metresPer100g: 700 },
  { weight: 1, name: 'super fine', wrapsPerCm: 8, hook: 2.5, metresPer100g: 400 },
  { weight: 2, name: 'fine', wrapsPerCm: 6.5, hook: 3.5, metresPer100g: 300 },
  { weight: 3, name: 'light', wrapsPerCm: 5.25, hook: 4, metresPer100g: 225 },
  { weight: 4, name: 'medium', wrapsPerCm: 4, hook: 5, metresPer100g: 190 },
  { weight: 5, name: 'bulky', wrapsPerCm: 3, hook: 7, metresPer100g: 120 },
  { weight: 6, name: 'super bulky', wrapsPerCm: 2.25, hook: 10, metresPer100g: 75 },
  { weight: 7, name: 'jumbo', wrapsPerCm: 1.5, hook: 15, metresPer100g: 50 },
]

/** Two strands held together are 1.4 times as thick as one; more strands follow the same law. */
const STRAND_EXPONENT = Math.log2(1.4)

/** Diameter of the strands held together: 10 / (wraps a cm) × strands^log2(1.4). */
export function yarnDiameter(weight: YarnWeight, strands: number): Millimetres {
  const { wrapsPerCm } = YARN_WEIGHTS[weight]!
  return mm((10 / wrapsPerCm) * strands ** STRAND_EXPONENT)
}
