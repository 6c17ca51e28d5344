import type { UsualSize } from '../family.ts'
import type { CapForm } from './cap.ts'

/** Heads around and caps deep, cm, as they mostly are (FIELD §6); a measured head always wins. */
const HEADS = {
  newborn: [35, 13.5],
  threeMonths: [40, 15],
  sixMonths: [43, 16.5],
  oneYear: [46, 18],
  twoToThree: [49, 19],
  fourToSix: [51, 20],
  sevenToTen: [53, 20.5],
  teen: [55, 21.5],
  adultSmall: [55, 22],
  adultMedium: [57, 22.5],
  adultLarge: [59, 23],
  adultExtraLarge: [61, 24],
} as const

type Wearer = keyof typeof HEADS

const BABIES: readonly Wearer[] = ['newborn', 'threeMonths', 'sixMonths']
/** Under three, nothing may come off and nothing may be wound around. */
const SMALL: readonly Wearer[] = [...BABIES, 'oneYear', 'twoToThree']

export const HEAD_SIZES: readonly UsualSize<CapForm>[] = (Object.keys(HEADS) as Wearer[]).map((key) => ({
  key,
  lengths: { head: 10 * HEADS[key][0], depth: 10 * HEADS[key][1] },
  uses: [
    'worn',
    ...(BABIES.includes(key)
      ? (['baby'] as const)
      : SMALL.includes(key)
        ? (['childUnderThree'] as const)
        : []),
  ],
}))
