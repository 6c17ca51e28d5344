import {
  drawstringOf,
  endOf,
  familyOf,
  fillAfter,
  hingeOf,
  offCentreOf,
  type EndWork,
  type PieceSpec,
  type Plan,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'

/** How an open end is closed, for somebody who has just worked the last round. */
export function endWords(end: EndWork, sizes: Pick<Sizes, 'full'>): string {
  if (end.kind === 'flat') {
    return `Lay it flat and join both edges with slip stitches, ${end.pairs} pairs${end.odd ? '; the odd stitch stays at the fold' : ''}.`
  }
  if (end.kind === 'folded') {
    return `Fold the last row in half and join it to itself up the back, ${end.pairs} pairs${end.odd ? '; the odd stitch stays at the fold' : ''}. Weave the ends in: none may wind around a toe.`
  }
  const leaves = `a hole of about ${sizes.full(end.hole)} stays`
  return `Run the thread through every second stitch and draw it in: ${leaves}${end.tooWide ? ', too wide for most: join it flat, or decrease first' : ''}.`
}

const cordWords = (
  { chains, length, holes, round }: NonNullable<ReturnType<typeof drawstringOf>>,
  sizes: Pick<Sizes, 'full'>,
): string =>
  `Cord: ch ${chains}, ${sizes.full(length)}, through the ${holes} holes of Rnd ${round}; for children only as long as it closes. `

/** Its seams lie on the inside: a centimetre more all around. */
const SEAM = 10

const liningWords = (
  { wide, high }: { readonly wide: number; readonly high: number },
  sizes: Pick<Sizes, 'full'>,
): string =>
  `Lining: two pieces ${sizes.full(wide + 2 * SEAM)} × ${sizes.full(high + SEAM)}, seams included, sewn in under the holes before the cord goes through.`

/** What is done with a piece that closes: when it is filled, what is drawn together at last, how its end is closed. */
export function closingWords(
  spec: PieceSpec,
  { rounds }: Pick<Plan, 'rounds'>,
  sizes: Pick<Sizes, 'full'>,
): string {
  const grown = offCentreOf({ rounds })
  if (grown) {
    const [first, last] = grown.rows
    return `Rows ${first.number} to ${last.number} grow it on one side to about ${sizes.full(grown.across)} across; where it began is ${sizes.full(grown.off)} off the centre. A round of slip stitches all around evens their steps.`
  }
  const end = endOf(spec, { rounds })
  if (end) return endWords(end, sizes)
  const cord = drawstringOf(spec, { rounds })
  const lining = familyOf(spec.form).lined?.(spec.form)
  if (cord || lining)
    return `${cord ? cordWords(cord, sizes) : ''}${lining ? liningWords(lining, sizes) : ''}`.trim()
  const hinge = hingeOf(spec, { rounds })
  if (hinge) {
    const to = hinge.from + hinge.stitches - 1
    return `Hinge: join ${hinge.stitches} stitches at the back, ${hinge.from} to ${to} of the last round, to the same of its other part. Both have ${rounds.at(-1)!.count}.`
  }
  if (!familyOf(spec.form).closes) return ''
  const fill = fillAfter(spec, { rounds })
  const filled = fill === undefined ? '' : `Fill it after Rnd ${fill}, while two fingers still fit. `
  return `${filled}Draw the last ${rounds.at(-1)!.count} together with the tail.`
}
