import type { WallFit } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { percent } from './wording.ts'

/** How a wall sits: the fact, then the numbers; by a gauge that is a guess no more than what is meant. */
export function wallFitWords(
  { inside, outside, object, snug }: WallFit,
  sizes: Sizes,
  guess = false,
): [string, string] {
  if (guess) return ['How it sits', 'is told once its gauge is known.']
  if (object === undefined || snug === undefined)
    return [`${sizes.full(inside)} around inside,`, `${sizes.full(outside)} outside.`]
  const share = percent(Math.abs(snug))
  if (Math.abs(snug) < 0.005) return ['Sits as it is:', `${sizes.full(inside)} around inside.`]
  return snug > 0
    ? [`Stretches ${share}:`, `${sizes.full(inside)} inside, around ${sizes.full(object)}.`]
    : [`Room of ${share}:`, `${sizes.full(inside)} inside, around ${sizes.full(object)}.`]
}
