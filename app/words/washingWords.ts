import type { FibreTraits, Gauge } from '../../core/index.ts'
import { percent } from './wording.ts'

/** Less than this, either way, is no change that a tape would find. */
const NOTHING = 0.005

/** What washing does to a fabric: "Washed, cotton draws in 4%. A swatch of your own, measured before and after, says it better." */
export function washingWords(worked: Gauge, washed: Gauge, { name }: Pick<FibreTraits, 'name'>): string {
  const [wide, tall] = [washed.w / worked.w - 1, washed.h / worked.h - 1]
  const own = 'A swatch of your own, measured before and after its wash, says it better.'
  if (Math.abs(wide) < NOTHING && Math.abs(tall) < NOTHING) {
    return `Nothing says yet that washing changes this fabric. ${own}`
  }
  const alike = Math.abs(wide - tall) < NOTHING
  const change = (by: number) => `${by < 0 ? 'draws in' : 'grows'} ${percent(Math.abs(by))}`
  const how = alike ? change(wide) : `${change(wide)} around and ${change(tall)} along`
  return `Washed, ${name === 'not said' ? 'this fabric' : name} ${how}. ${own}`
}
