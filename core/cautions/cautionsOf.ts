import type { Fibre } from '../yarn/fibre.ts'
import { fitnessOf } from './fitness.ts'
import type { Hardware, Use } from './use.ts'

/** Something that can hurt or spoil; the interface has the words (FIELD: materials and cautions). */
export type CautionCode =
  | 'hotMelts'
  | 'hotMicrowave'
  | 'hotFibreNotSaid'
  | 'hotThin'
  | 'hotDamp'
  | 'wetUnfit'
  | 'smallParts'
  | 'neckCords'
  | 'sleepAndCars'
  | 'looseThreads'
  | 'slipperySoles'
  | 'safetyRules'
  | 'magnets'
  | 'hotGlue'
  | 'stiffener'
  | 'device'
  | 'pet'
  | 'fire'

export interface Caution {
  readonly code: CautionCode
  /** Whether it is about harm to somebody, not only to the piece. */
  readonly harm: boolean
  /** Whether something in the piece itself is unfit for its use, and another choice would mend it. */
  readonly unfit: boolean
}

const UNFIT: ReadonlySet<CautionCode> = new Set([
  'hotMelts',
  'hotMicrowave',
  'hotFibreNotSaid',
  'hotThin',
  'smallParts',
  'neckCords',
  'wetUnfit',
])

export interface CautionCase {
  readonly uses: readonly Use[]
  /** Every fibre in the piece. */
  readonly fibres: readonly Fibre[]
  /** Strands held together. */
  readonly strands: number
  readonly layers: number
  readonly hardware: readonly Hardware[]
  /** It goes on a foot. */
  readonly onFoot?: boolean
}

/** The cautions that a piece's use, fibres, strands, layers and hardware call for, harm first. */
export function cautionsOf({
  uses,
  fibres,
  strands,
  layers,
  hardware,
  onFoot = false,
}: CautionCase): Caution[] {
  const hot = uses.includes('hot')
  const small = uses.includes('baby') || uses.includes('childUnderThree')
  const has = (one: Hardware) => hardware.includes(one)
  const some = (use: Use, verdict: string) =>
    fibres.some((fibre) => fitnessOf(use, fibre).verdict === verdict)
  const rules: readonly (readonly [CautionCode, harm: boolean, applies: boolean])[] = [
    ['hotMelts', true, hot && some('hot', 'never')],
    ['hotMicrowave', true, hot && fibres.includes('metallic')],
    ['hotFibreNotSaid', true, hot && fibres.includes('unknown')],
    ['hotThin', true, hot && strands < 2 && layers < 2],
    ['hotDamp', true, hot],
    ['smallParts', true, has('smallParts') && (small || uses.includes('pet'))],
    ['neckCords', true, has('cords') && small],
    ['sleepAndCars', true, small && uses.includes('worn') && !onFoot],
    ['looseThreads', true, small],
    ['slipperySoles', true, onFoot],
    ['safetyRules', true, small],
    ['magnets', true, has('magnets')],
    ['hotGlue', true, has('hotGlue')],
    ['stiffener', true, has('stiffener')],
    ['fire', true, uses.includes('decoration')],
    ['pet', true, uses.includes('pet')],
    ['wetUnfit', false, uses.includes('wet') && some('wet', 'poor')],
    ['device', false, uses.includes('device')],
  ]
  return rules
    .filter(([, , applies]) => applies)
    .map(([code, harm]) => ({ code, harm, unfit: UNFIT.has(code) }))
}
