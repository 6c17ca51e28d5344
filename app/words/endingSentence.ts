import { chainsAlong, roundEnding, writeOp, type PlannedRound, type Terms } from '../../core/index.ts'
import { shortName } from './wording.ts'

/** How the round ends by its real steps, and what to do if it does not. */
export function endingSentence(round: PlannedRound, terms: Terms): [string, string] {
  const { kind, stitch, run, after, ...how } = roundEnding(round)
  const plain = shortName(stitch, terms)
  const ends = `${round.closed ? 'Round' : 'Row'} ends`
  const says = (times: number) => writeOp({ ...how, stitch, times }, terms)
  if (chainsAlong(round) !== undefined && how.makes > 1) {
    return [`${ends} with ${how.makes} ${plain} in the first chain.`, 'If not, recount.']
  }
  const allAlike =
    run === round.count ||
    (round.steps.length === 1 && round.steps[0]!.times === 1 && round.steps[0]!.ops.length === 1)
  if (kind === 'work' && allAlike) return [`${says(round.count)}, nothing else.`, 'Another count: recount.']
  if (kind === 'inc' && how.makes === 2)
    return [`${ends} on an increase.`, `If it ends on ${article(plain)} ${plain}, recount.`]
  if (kind === 'dec') return [`${ends} on a decrease.`, `If it ends on ${article(plain)} ${plain}, recount.`]
  const last = run === 1 ? `${article(says(1))} ${says(1)}` : says(run)
  const shaped = after ? ` after the last ${after === 'inc' ? 'increase' : 'decrease'}` : ''
  return [`${ends} with ${last}${shaped}.`, 'If not, recount.']
}

const article = (word: string) => (/^[aeioushmlF8]/.test(word) && !/^(slip|spike)/.test(word) ? 'an' : 'a')
