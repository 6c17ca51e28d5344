import type { MakerSetting } from './makerHands.ts'
import { simulateMaker, type MakerResult } from './simulatedMaker.ts'

const MISTAKES = ['missedIncreases', 'extraIncreases', 'joinWorked', 'firstSkipped'] as const

/** Root mean square of final size against target, mm: the plan followed as it was, and every correction taken. */
interface Sizes {
  readonly makers: number
  readonly uncorrected: number
  readonly corrected: number
}

export interface Accuracy {
  /** Makers who made a mistake and measured after it; shares are of them. */
  readonly mistaken: Sizes & {
    /** Those whose exact readings, without noise, put the true cause among the first two. */
    readonly tellable: () => number
    readonly first: number
    readonly firstTwo: number
    /** The true cause is first once what Uzel asked to look at was looked at. */
    readonly firstAfterLooks: number
  }
  /** Makers who made none: the share that was told of one. */
  readonly honest: Sizes & { readonly falseAlarms: number }
  /** Mean height of an sc, mm. */
  readonly scHeight: number
}

/** So many seeded makers, every other with a mistake, of each kind in turn. */
export function accuracyOf(makers: number, setting: Omit<MakerSetting, 'seed' | 'mistake'>): Accuracy {
  const results = Array.from({ length: makers }, (_, index): MakerResult => {
    const slip = index % 2 === 1 ? MISTAKES[((index - 1) / 2) % MISTAKES.length] : undefined
    return simulateMaker({ ...setting, seed: index + 1, ...(slip ? { mistake: slip } : {}) })
  })
  const mistaken = results.filter(({ cause, diagnosis }) => cause !== 'hands' && diagnosis)
  const honest = results.filter(({ cause, diagnosis }) => cause === 'hands' && diagnosis)
  return {
    mistaken: {
      ...sizesOf(mistaken),
      tellable: () => shareOf(mistaken, (one) => rank(one, one.exact?.()) < 2),
      first: shareOf(mistaken, (one) => rank(one, one.diagnosis) === 0),
      firstTwo: shareOf(mistaken, (one) => rank(one, one.diagnosis) < 2),
      firstAfterLooks: shareOf(mistaken, (one) => rank(one, one.looked) === 0),
    },
    honest: { ...sizesOf(honest), falseAlarms: shareOf(honest, (one) => rank(one, one.looked) !== 0) },
    scHeight: results.reduce((sum, { scHeight }) => sum + scHeight, 0) / makers,
  }
}

/** At which place of a diagnosis the true cause stands, from 0. */
function rank({ cause }: MakerResult, diagnosis: MakerResult['diagnosis']): number {
  const place = diagnosis?.causes.findIndex(({ kind }) => kind === cause) ?? -1
  return place < 0 ? Infinity : place
}

const shareOf = (makers: readonly MakerResult[], is: (one: MakerResult) => boolean): number =>
  makers.length === 0 ? 0 : makers.filter(is).length / makers.length

function sizesOf(makers: readonly MakerResult[]): Sizes {
  const rms = (value: (one: MakerResult) => number) =>
    Math.sqrt(makers.reduce((sum, one) => sum + value(one) ** 2, 0) / Math.max(1, makers.length))
  return {
    makers: makers.length,
    uncorrected: rms(({ uncorrected }) => uncorrected),
    corrected: rms(({ corrected }) => corrected),
  }
}
