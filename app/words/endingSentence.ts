import { roundEnding, type PlannedRound, type Terms } from '../../core/index.ts'
import { shortName } from './wording.ts'

/** How the round ends by its real steps, and what to do if it does not. */
export function endingSentence(round: PlannedRound, terms: Terms): [string, string] {
  const { kind, stitch, run } = roundEnding(round)
  const plain = shortName(stitch, terms)
  const allAlike = round.steps.length === 1 && round.steps[0]!.times === 1 && round.steps[0]!.ops.length === 1
  if (kind === 'work' && allAlike)
    return [`${round.count} ${plain}, nothing else.`, 'Another count: recount.']
  if (kind === 'inc')
    return ['Round ends on an increase.', `If it ends on ${article(plain)} ${plain}, recount.`]
  if (kind === 'dec')
    return ['Round ends on a decrease.', `If it ends on ${article(plain)} ${plain}, recount.`]
  return [
    `Round ends with ${run === 1 ? `${article(plain)} ${plain}` : `${run} ${plain}`} after the last increase.`,
    'If not, recount.',
  ]
}

const article = (word: string) => (/^[aeioushml]/.test(word) && word !== 'slip' ? 'an' : 'a')
