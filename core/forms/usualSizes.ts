import { FOOT_SIZES } from './bootie/feet.ts'
import { HEAD_SIZES } from './cap/heads.ts'
import type { UsualSize } from './family.ts'
import type { FamilyName } from './registry.ts'

type AnyUsualSize = UsualSize<Readonly<Record<string, unknown>>>

const USUAL_SIZES: Readonly<Partial<Record<FamilyName, readonly AnyUsualSize[]>>> = {
  cap: HEAD_SIZES,
  bootie: FOOT_SIZES,
}

/** Sizes of those who cannot be measured just now, where a family has some. Needed where one is asked for alone. */
export const usualSizesOf = (family: FamilyName): readonly AnyUsualSize[] => USUAL_SIZES[family] ?? []
