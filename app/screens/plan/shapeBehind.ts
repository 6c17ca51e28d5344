import { offTheLine, outlineOf, sizesOf, type PieceSpec, type Plan } from '../../../core/index.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { sayStray, strays } from '../../words/shapeWords.ts'

/** What is drawn behind the section of a drawn shape; nothing behind others. */
export function shapeBehind(spec: PieceSpec, plan: Plan, sizes: Sizes, guess: boolean) {
  const { form } = spec
  if (form.family !== 'drawn') return undefined
  // The thing stands on the fabric, the piece on the table: half a thickness over or under the fabric's middle.
  const up = ((form.of === 'object' ? 1 : -1) * sizesOf(spec).thickness) / 2
  const outline = outlineOf(form.outline, form.between === 'curved').map(({ r, z }) => ({ r, z: z + up }))
  const marks = guess ? [] : strays(offTheLine(spec, plan) ?? [])
  return {
    outline,
    marks: marks.map((stray) => {
      const { radius, z } = plan.rounds[stray.round - 1]!.at
      return { radius, z, says: sayStray(stray, sizes) }
    }),
  }
}
