import type { Use } from '../cautions/use.ts'
import { fitnessOf } from '../cautions/fitness.ts'
import { YARN_WEIGHTS, type YarnWeight } from '../gauge/yarnWeight.ts'
import type { Fibre } from './fibre.ts'
import type { YarnStock } from './stock.ts'

export interface LabelledYarn extends YarnStock {
  readonly weight: YarnWeight
  readonly fibre: Fibre
  readonly dyeLot?: string
}

/** Why one yarn does not simply stand in for another; the interface has the words. */
export type SubstitutionPoint =
  | { readonly code: 'otherClass'; readonly wanted: string; readonly has: string }
  | { readonly code: 'otherFibre' }
  | { readonly code: 'unfit'; readonly use: Use }
  /** Metres in 100 g differ by more than 15%: share of the wanted. */
  | { readonly code: 'otherLength'; readonly share: number }
  | { readonly code: 'otherDyeLot' }

/** What to mind when one yarn takes the place of another in pieces of some uses. Empty: it will do. */
export function substitutionPoints(
  wanted: LabelledYarn,
  candidate: LabelledYarn,
  uses: readonly Use[],
): SubstitutionPoint[] {
  const points: SubstitutionPoint[] = []
  if (wanted.weight !== candidate.weight) {
    points.push({
      code: 'otherClass',
      wanted: YARN_WEIGHTS[wanted.weight]!.name,
      has: YARN_WEIGHTS[candidate.weight]!.name,
    })
  }
  for (const use of uses) {
    if (fitnessOf(use, candidate.fibre).verdict === 'never') points.push({ code: 'unfit', use })
  }
  if (wanted.fibre !== candidate.fibre) points.push({ code: 'otherFibre' })
  const share = metresIn100g(candidate) / metresIn100g(wanted)
  if (Math.abs(share - 1) > 0.15) points.push({ code: 'otherLength', share })
  if (wanted.dyeLot && candidate.dyeLot && wanted.dyeLot !== candidate.dyeLot) {
    points.push({ code: 'otherDyeLot' })
  }
  return points
}

/** From the label, or what its class usually has. */
function metresIn100g({ metresPerBall, gramsPerBall, weight }: LabelledYarn): number {
  return metresPerBall && gramsPerBall
    ? (metresPerBall / gramsPerBall) * 100
    : YARN_WEIGHTS[weight]!.metresPer100g
}
