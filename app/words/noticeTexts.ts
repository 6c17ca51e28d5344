import type { Notice, OpeningFit, PieceRecord, Plan, Terms } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { percent, shortName } from './wording.ts'
import { roundsNoun, roundTitle } from './roundWords.ts'

/** What a plan wants said about it: the fact, then the number, then what to do. */
export function noticeTexts(plan: Plan, piece: PieceRecord, sizes: Sizes, terms: Terms): string[] {
  return plan.notices.map((notice) => noticeText(notice, plan, piece, sizes, terms))
}

function noticeText(notice: Notice, plan: Plan, piece: PieceRecord, sizes: Sizes, terms: Terms): string {
  switch (notice.code) {
    case 'guess':
      return `Gauge is a guess from the label. Work the first 5 ${plan.rounds[0]!.closed ? 'rounds' : 'rows'} or a swatch, then put in what you count.`
    case 'sizeMissed':
      return `Ends ${sizes.full(Math.abs(notice.by))} ${notice.by > 0 ? 'over' : 'under'} the target. ${
        piece.construction.freeLastRounds < 2
          ? `Let the last ${roundsNoun(plan)} differ, or take this size.`
          : `No last ${roundsNoun(plan)} come nearer in this gauge.`
      }`
    case 'notFlat':
      return `The last third is ${percent(Math.abs(notice.flatness))} too ${
        notice.flatness < 0 ? 'short: it will dish' : 'long: it will wave'
      }. Move toward precision.`
    case 'trimLate': {
      const ends = plan.rounds
        .slice(notice.fromRound - 1)
        .map(({ number, stitch }) => `${number} ${shortName(stitch, terms)}`)
      return `Measure after ${roundTitle(plan, notice.afterRound)} before you settle the last: ${ends.join(', ')}.`
    }
    case 'polygon':
      return `Stacked increases make a polygon with ${notice.sides} sides. Stagger them for a rounder edge.`
    case 'openingTight':
      return `An opening ${sizes.full(notice.around)} around does not let ${sizes.full(notice.passes)} through: it would have to stretch ${percent(notice.stretch)}. From ${sizes.full(notice.least)} wide it does.`
    case 'heelTight':
      return `The heel will not pass: it needs ${sizes.full(notice.passes)}, and ${sizes.full(notice.around)} around does not stretch so far. Open it to ${sizes.full(notice.least)}${notice.of > 0 ? `, leave out ${notice.of} ${notice.of === 1 ? 'round' : 'rounds'} of the toe, or rib the cuff` : ', or take a taller stitch and a larger hook for what goes around the ankle'}.`
    case 'trimWaits':
      return `Whole ${roundsNoun(plan)} end ${sizes.full(Math.abs(notice.by))} ${
        notice.by > 0 ? 'over' : 'under'
      } the target; the size is known to ± ${sizes.doubt(notice.plusMinus)}. Measure in work, and Check offers last ${roundsNoun(plan)} that trim it.`
    case 'repeatCost': {
      const size = sizes.full(Math.abs(notice.by))
      const [bigger, flat] = [notice.by > 0 ? 'larger' : 'smaller', percent(Math.abs(notice.flatness))]
      const off = `${roundTitle(plan, notice.round)} is ${flat} ${notice.flatness > 0 ? 'longer' : 'shorter'} than flat`
      return Number(sizes.bare(notice.by)) === 0
        ? `Multiples of ${notice.of} cost no size; ${off}.`
        : `Multiples of ${notice.of} make it ${size} ${bigger} than free counts would; ${off}.`
    }
  }
}

/** How an opening suits what must pass: "8.5 cm around: it passes with 0.5 cm to spare." */
export function openingWords({ around, stretch, passes, least }: OpeningFit, sizes: Sizes): string {
  const is = `It is ${sizes.full(around)} around`
  if (stretch <= 0) return `${is}: that passes as it is.`
  if (passes) return `${is}: that passes when it stretches ${percent(stretch)}.`
  return `${is}: too little, it would have to stretch ${percent(stretch)}. Make it ${sizes.full(least)} wide.`
}
