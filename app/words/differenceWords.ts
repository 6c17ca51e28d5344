import { titleOf, writeRoundBody, type Difference, type Terms, type YarnRecord } from '../../core/index.ts'
import { shortName, sts, yarnNames } from './wording.ts'

/** "Rnd 9: a round more, 54 sc, 54 sts." */
export const sayDifference = (difference: Difference, terms: Terms, yarns: readonly YarnRecord[]): string =>
  `${titleOf(difference.round)}${difference.kind === 'leftOut' ? '' : ':'} ${sayWhatDiffers(difference, terms, yarns)}.`

/** What is otherwise in a round, for somebody who knows which. */
export function sayWhatDiffers(difference: Difference, terms: Terms, yarns: readonly YarnRecord[]): string {
  const { round } = difference
  switch (difference.kind) {
    case 'added':
      return `a round more, ${writeRoundBody(round, terms)}, ${sts(round.count)}`
    case 'leftOut':
      return 'as first planned is left out'
    case 'count':
      return `${sts(round.count)} instead of ${difference.was.count}`
    case 'stitch':
      return `${shortName(round.stitch, terms)} instead of ${shortName(difference.was.stitch, terms)}`
    case 'yarn':
      return `${yarnNames(yarns, round)} instead of ${yarnNames(yarns, difference.was)}`
    case 'steps':
      return `${writeRoundBody(round, terms)}, the same count by other steps`
  }
}

/** "its change", "its 2 changes". */
export const sayChanges = (count: number): string => (count === 1 ? 'its change' : `its ${count} changes`)
