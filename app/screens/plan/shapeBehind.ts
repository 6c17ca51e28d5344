import { familyOf, offTheLine, sizesOf, type PieceSpec, type Plan } from '../../../core/index.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { sayStray, strays } from '../../words/shapeWords.ts'

/** What is drawn behind the section of a shape that is drawn; nothing behind others. */
export function shapeBehind(spec: PieceSpec, plan: Plan, sizes: Sizes, guess: boolean) {
  const outline = familyOf(spec.form).drawnAs?.(spec.form, sizesOf(spec))
  if (!outline?.length) return undefined
  const marks = guess ? [] : strays(offTheLine(spec, plan) ?? [])
  return {
    outline,
    marks: marks.map((stray) => {
      const { radius, z } = plan.rounds[stray.round - 1]!.at
      return { radius, z, says: sayStray(stray, sizes) }
    }),
  }
}
