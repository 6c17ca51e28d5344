import {
  FLAT_TOLERANCE,
  familyOf,
  formOf,
  type Compromise,
  type Compromises,
  type Fight,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { sectionName } from './formWords.ts'
import { MEASURE_WORDS } from './measureWords.ts'
import { percent } from './wording.ts'

/** What fights: "Counts divide by 6. 53.8 cm around asks 70.4 stitches." */
export function asksWords({ fight, ways }: Compromises, sizes: Sizes): [string, string] {
  switch (fight.kind) {
    case 'count': {
      const asks = `${sizes.full(fight.around)} around asks ${fight.ideal.toFixed(1)} stitches.`
      if (fight.asked === undefined) return [`Counts divide by ${fight.of}.`, asks]
      const divides = fight.of > 1 ? ` Counts divide by ${fight.of}.` : ''
      return [`${fight.asked} stitches are settled on.`, asks + divides]
    }
    case 'bend': {
      const part = sectionName(fight.section).toLowerCase()
      return [
        `The ${part} does not lie flat.`,
        `To be ${sizes.full(fight.across)} across, as its wall is, it takes ${fight.rounds.toFixed(1)} rounds.`,
      ]
    }
    case 'rounds': {
      const { off } = ways[0]!
      return [
        `${sizes.full(fight.wanted)} ${MEASURE_WORDS[fight.of].after} falls between two rounds.`,
        `It ends ${sizes.full(Math.abs(off))} ${off > 0 ? 'over' : 'under'}.`,
      ]
    }
  }
}

/** What a way out counts, where the number does not say it. */
export const countWords = (kind: Fight['kind'], count: number): [string, string] =>
  kind === 'count' ? [`${count}`, ''] : [`${count}`, 'rnds']

/** What a way out gives up: by how much it is off, how it sits then, or where the repeat does not close. */
export function gaveWords(way: Compromise, { fight }: Compromises, sizes: Sizes): string {
  const size = offWords(way, sizes)
  switch (fight.kind) {
    case 'count':
      return way.over > 0
        ? `${size}; the repeat of ${fight.of} is over by ${way.over} at the join`
        : size + sitsWords(way)
    case 'bend':
      return Math.abs(way.offFlat!) > FLAT_TOLERANCE
        ? `as asked; ${percent(Math.abs(way.offFlat!))} too ${way.offFlat! > 0 ? 'long, it waves' : 'short, it dishes'}`
        : `flat; ${size}${sitsWords(way)}`
    case 'rounds':
      return way.kind === 'trimmed' ? `${size}; the last rounds of another stitch` : size
  }
}

function offWords({ off }: Compromise, sizes: Sizes): string {
  const by = Number(sizes.bare(Math.abs(off)))
  return by === 0 ? 'as asked' : `${sizes.full(Math.abs(off))} ${off > 0 ? 'more' : 'less'}`
}

/** How it sits on what it goes around, where that is known. */
function sitsWords({ spec, around }: Compromise): string {
  const object = familyOf(spec.form).around?.(formOf(spec.form))
  if (object === undefined || around === undefined) return ''
  const share = 1 - around / object
  return `, ${share >= 0 ? `stretches ${percent(share)}` : `room of ${percent(-share)}`}`
}
