import { FIBRES, type Fibre } from '../yarn/fibre.ts'
import type { Use } from './use.ts'

export type Verdict = 'good' | 'fair' | 'poor' | 'never'

/** Why a fibre suits a use or not; the interface has the words. */
export type FitnessReason =
  | 'standsHeat'
  | 'melts'
  | 'sparks'
  | 'absorbs'
  | 'doesNotAbsorb'
  | 'stretchesWet'
  | 'softWashable'
  | 'mayFelt'
  | 'scratches'
  | 'mayCatch'
  | 'noMatter'
  | 'fibreNotSaid'

export interface FibreFitness {
  readonly verdict: Verdict
  readonly reason: FitnessReason
}

const good = (reason: FitnessReason): FibreFitness => ({ verdict: 'good', reason })
const fair = (reason: FitnessReason): FibreFitness => ({ verdict: 'fair', reason })
const poor = (reason: FitnessReason): FibreFitness => ({ verdict: 'poor', reason })

/** How a fibre suits a use: every pair has an answer. */
export function fitnessOf(use: Use, fibre: Fibre): FibreFitness {
  if (fibre === 'unknown') return fair('fibreNotSaid')
  const { melts, absorbs } = FIBRES[fibre]
  const wool = fibre === 'wool' || fibre === 'superwash'
  switch (use) {
    case 'hot':
      if (fibre === 'metallic') return { verdict: 'never', reason: 'sparks' }
      return melts ? { verdict: 'never', reason: 'melts' } : good('standsHeat')
    case 'wet':
      if (wool) return poor('stretchesWet')
      return absorbs ? (melts ? fair('absorbs') : good('absorbs')) : poor('doesNotAbsorb')
    case 'worn':
      return fibre === 'metallic' ? poor('scratches') : wool ? good('softWashable') : fair('noMatter')
    case 'baby':
    case 'childUnderThree':
      if (fibre === 'metallic') return { verdict: 'never', reason: 'scratches' }
      if (fibre === 'wool') return fair('mayFelt')
      return fibre === 'linen' ? fair('scratches') : good('softWashable')
    case 'pet':
      return fibre === 'metallic' ? { verdict: 'never', reason: 'mayCatch' } : fair('noMatter')
    case 'device':
      return fibre === 'metallic' ? poor('scratches') : good('noMatter')
    case 'decoration':
    case 'household':
      return good('noMatter')
  }
}
