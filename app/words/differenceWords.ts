import { titleOf, writeRoundBody, type Difference, type Terms, type YarnRecord } from '../../core/index.ts'
import { shortName, sts, yarnNames } from './wording.ts'

/** "Rnd 9: an even round more, 54 sts." */
export function sayDifference(difference: Difference, terms: Terms, yarns: readonly YarnRecord[]): string {
  const { round } = difference
  const title = titleOf(round)
  switch (difference.kind) {
    case 'added':
      return `${title}: a round more, ${writeRoundBody(round, terms)}, ${sts(round.count)}.`
    case 'leftOut':
      return `${title} as first planned is left out.`
    case 'count':
      return `${title}: ${sts(round.count)} instead of ${difference.was.count}.`
    case 'stitch':
      return `${title}: ${shortName(round.stitch, terms)} instead of ${shortName(difference.was.stitch, terms)}.`
    case 'yarn':
      return `${title}: ${yarnNames(yarns, round)} instead of ${yarnNames(yarns, difference.was)}.`
    case 'steps':
      return `${title}: ${writeRoundBody(round, terms)}, the same count by other steps.`
  }
}

/** "its change", "its 2 changes". */
export const sayChanges = (count: number): string => (count === 1 ? 'its change' : `its ${count} changes`)
