import { familyOf, formOf, type Compromise, type Compromises } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { percent } from './wording.ts'

/** What fights: "Counts divide by 6. 53.8 cm around asks 70.4 stitches." */
export const asksWords = ({ of, ideal, around }: Compromises, sizes: Sizes): [string, string] => [
  `Counts divide by ${of}.`,
  `${sizes.full(around)} around asks ${ideal.toFixed(1)} stitches.`,
]

/** What a way out gives up: by how much it is off, how it sits then, or where the repeat does not close. */
export function gaveWords(
  { off, over, spec, around }: Compromise,
  { of }: Compromises,
  sizes: Sizes,
): string {
  const by = Number(sizes.bare(Math.abs(off)))
  const size =
    by === 0 ? 'as far around as asked' : `${sizes.full(Math.abs(off))} ${off > 0 ? 'more' : 'less'}`
  if (over > 0) return `${size}; the repeat of ${of} is over by ${over} at the join`
  const head = familyOf(spec.form).around?.(formOf(spec.form))
  if (head === undefined) return size
  const share = 1 - around / head
  return `${size}, ${share >= 0 ? `stretches ${percent(share)}` : `room of ${percent(-share)}`}`
}
