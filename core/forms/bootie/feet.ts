import type { UsualSize } from '../family.ts'
import type { BootieForm } from './bootie.ts'

/** Feet from heel to toe, cm, as they mostly are (FIELD §6); a measured foot always wins. */
const FEET = {
  threeMonths: 9.5,
  sixMonths: 10.5,
  nineMonths: 11.3,
  oneYear: 12,
  eighteenMonths: 13,
  twoYears: 14,
  threeYears: 15.5,
} as const

type Wearer = keyof typeof FEET

/** Under three, nothing may come off and nothing may be wound around. */
const BABIES: readonly Wearer[] = ['threeMonths', 'sixMonths', 'nineMonths', 'oneYear']

export const FOOT_SIZES: readonly UsualSize<BootieForm>[] = (Object.keys(FEET) as Wearer[]).map((key) => ({
  key,
  lengths: { foot: 10 * FEET[key] },
  uses: [
    'worn',
    ...(BABIES.includes(key)
      ? (['baby'] as const)
      : key === 'threeYears'
        ? []
        : (['childUnderThree'] as const)),
  ],
}))
