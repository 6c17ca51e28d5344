import type { SmallPart, SmallPartPlan } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { duration } from './wording.ts'

export const SMALL_PART_WORDS: Readonly<Record<SmallPart['kind'], string>> = {
  cord: 'Cord of chain',
  loop: 'Loop',
  braid: 'Braid',
  tassel: 'Tassel',
  pompom: 'Pompom',
  dot: 'Disc of one round',
}

type Say = Pick<Sizes, 'full' | 'yarn'>

/** How a small part is made, in the words of a pattern, and what it takes. */
export function smallPartAdvice(part: SmallPart, plan: SmallPartPlan, sizes: Say): string {
  const takes = `${sizes.yarn.full(plan.metres)}, ${duration(plan.seconds)}.`
  return `${howTo(part, plan, sizes)} ${takes}`
}

function howTo(part: SmallPart, plan: SmallPartPlan, sizes: Say): string {
  switch (part.kind) {
    case 'cord':
      return part.firm
        ? `Ch ${plan.chains}, then back along it: sl st in 2nd ch from hook and in each, ${plan.stitches} in all.`
        : `Ch ${plan.chains}, leave a tail at both ends.`
    case 'loop':
      return part.over
        ? `Ch ${plan.chains}, join into a ring, ${plan.stitches} sc over it; sewn on by its join.`
        : `Ch ${plan.chains}, join into a ring; sewn on by its join.`
    case 'braid':
      return `Cut ${plan.strands!.count} strands of ${sizes.full(plan.strands!.each)}, knot, braid in three, knot.`
    case 'tassel':
      return `${plan.turns!.count} turns around a card of ${sizes.full(plan.turns!.card)}; tie it through the top, cut the foot, bind the neck.`
    case 'dot':
      return plan.chains
        ? `Ch ${plan.chains}, join into a ring, ${plan.stitches} sc in ring, join; leave a tail to sew it on.`
        : `${plan.stitches} sc in ring, draw it up, join; leave a tail to sew it on.`
    case 'pompom':
      return `${plan.turns!.count} turns around a card of ${sizes.full(plan.turns!.card)}; tie it tightly in the middle, cut both sides, trim. Nothing for children under three.`
  }
}
