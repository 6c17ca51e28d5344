import type { OffTheLine } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'

/** Nearer than this to what was drawn, mm, nobody sees a difference. */
const SEEN = 2

/** The rounds that stray farthest from a drawn shape, one on every stretch that can be seen to. */
export function strays(offs: readonly OffTheLine[]): OffTheLine[] {
  const found: OffTheLine[] = []
  let worst: OffTheLine | undefined
  for (const one of offs) {
    const seen = Math.abs(one.off) > SEEN
    if (worst && (!seen || Math.sign(one.off) !== Math.sign(worst.off))) {
      found.push(worst)
      worst = undefined
    }
    if (seen && (!worst || Math.abs(one.off) > Math.abs(worst.off))) worst = one
  }
  return worst ? [...found, worst] : found
}

type Lengths = Pick<Sizes, 'unit' | 'full'>

/** "4 mm": shorter than a maker's usual unit tells well. */
const sayBy = ({ off }: OffTheLine, { unit, full }: Lengths): string =>
  unit === 'in' ? full(Math.abs(off)) : `${Math.round(Math.abs(off))} mm`

/** "4 mm in", "6 mm out" */
export const sayStray = (one: OffTheLine, sizes: Lengths): string =>
  `${sayBy(one, sizes)} ${one.off < 0 ? 'in' : 'out'}`

/** How closely fabric follows a drawn shape: the fact, then where it does not. */
export function followWords(offs: readonly OffTheLine[], sizes: Lengths): [string, string] {
  const found = strays(offs)
  if (found.length === 0) return ['It follows its shape', 'all the way.']
  const most = found.reduce((far, one) => (Math.abs(one.off) > Math.abs(far.off) ? one : far))
  const where = found.map((one) => `${sayStray(one, sizes)} at Rnd ${one.round}`).join(', ')
  return [`It strays from its shape by ${sayBy(most, sizes)} at the most:`, `${where}.`]
}
