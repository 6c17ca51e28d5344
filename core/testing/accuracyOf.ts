import { simulateMaker, type MakerResult, type MakerSetting } from './simulatedMaker.ts'

const MISTAKES = ['missedIncreases', 'extraIncreases', 'joinWorked', 'firstSkipped'] as const

export interface Accuracy {
  readonly makers: number
  /** Root mean square of final size against target, mm. */
  readonly uncorrected: number
  readonly corrected: number
  /** Mean height of an sc, mm. */
  readonly scHeight: number
  /** Of makers whose exact readings can tell the cause: how many have it first, in the first two, first after the looks. */
  readonly tellable: number
  readonly first: number
  readonly firstTwo: number
  readonly firstAfterLooks: number
  /** Of makers without a mistake: how many were told of one. */
  readonly falseAlarms: number
}

const rms = (values: readonly number[]) =>
  Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length)
const share = (part: number, whole: number) => (whole === 0 ? 0 : part / whole)

/** So many seeded makers, one in five with a mistake of each kind and the rest without. */
export function accuracyOf(makers: number, setting: Omit<MakerSetting, 'seed' | 'mistake'>): Accuracy {
  const results = Array.from({ length: makers }, (_, index): MakerResult => {
    const slip = index % 5 === 0 ? MISTAKES[(index / 5) % MISTAKES.length] : undefined
    return simulateMaker({ ...setting, seed: index + 1, ...(slip ? { mistake: slip } : {}) })
  })
  const rank = ({ cause }: MakerResult, diagnosis: MakerResult['diagnosis']) =>
    diagnosis ? diagnosis.causes.findIndex(({ kind }) => kind === cause) : -1
  const within = (place: number, most: number) => place >= 0 && place < most
  const tellable = results.filter((one) => within(rank(one, one.exact), 2))
  const honest = results.filter(({ cause, diagnosis }) => cause === 'hands' && diagnosis)
  return {
    makers,
    uncorrected: rms(results.map(({ uncorrected }) => uncorrected)),
    corrected: rms(results.map(({ corrected }) => corrected)),
    scHeight: results.reduce((sum, { scHeight }) => sum + scHeight, 0) / makers,
    tellable: tellable.length,
    first: share(tellable.filter((one) => within(rank(one, one.diagnosis), 1)).length, tellable.length),
    firstTwo: share(tellable.filter((one) => within(rank(one, one.diagnosis), 2)).length, tellable.length),
    firstAfterLooks: share(
      tellable.filter((one) => within(rank(one, one.looked), 1)).length,
      tellable.length,
    ),
    falseAlarms: share(honest.filter((one) => rank(one, one.diagnosis) !== 0).length, honest.length),
  }
}
