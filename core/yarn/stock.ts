/** What the label and the shelf say of one yarn in one colour and dye lot. */
export interface YarnStock {
  readonly metresPerBall?: number
  readonly gramsPerBall?: number
  /** Whole balls. */
  readonly balls?: number
  /** What is left of a begun ball, in grams. */
  readonly leftoverGrams?: number
  /** Metres at hand as typed, where the label is lost. */
  readonly metres?: number
}

/** Metres of so many grams, by the label; nothing while the label is not known. */
export function metresOfGrams(
  { metresPerBall, gramsPerBall }: Pick<YarnStock, 'metresPerBall' | 'gramsPerBall'>,
  grams: number,
): number | undefined {
  return metresPerBall && gramsPerBall ? (grams / gramsPerBall) * metresPerBall : undefined
}

/** Metres at hand: balls and the weighed rest by the label, or else as typed; nothing when not known. */
export function metresAtHand(yarn: YarnStock): number | undefined {
  const { metresPerBall, balls, leftoverGrams, metres } = yarn
  if (!metresPerBall || (balls === undefined && leftoverGrams === undefined)) return metres
  const rest = leftoverGrams === undefined ? 0 : metresOfGrams(yarn, leftoverGrams)
  return rest === undefined ? metres : (balls ?? 0) * metresPerBall + rest
}

/** A kitchen scale reads ±1 g, and a label's metres are right to 3%. */
export const SCALE_SD = 1
export const LABEL_SD = 0.03
/** Metres typed without a label, relative. */
const TYPED_SD = 0.05

/** Standard deviation of so many metres at hand: the scale and the label, or what was typed. */
export function doubtAtHand({ metresPerBall, gramsPerBall }: YarnStock, metres: number): number {
  return metresPerBall && gramsPerBall
    ? Math.hypot((SCALE_SD * metresPerBall) / gramsPerBall, LABEL_SD * metres)
    : TYPED_SD * metres
}

/** Balls to buy beside what is here: what is missing of total × (1 + reserve), reserve 10%, in whole balls. */
export function ballsToBuy(total: number, here: number, metresPerBall: number, reserve = 0.1): number {
  return Math.max(0, Math.ceil((total * (1 + reserve) - here) / metresPerBall - 1e-9))
}
