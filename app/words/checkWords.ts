import {
  measured,
  plusMinusOf,
  sizeSeen,
  titleOf,
  type Cause,
  type Diagnosis,
  type Look,
  type PieceReading,
  type WayOut,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { MEASURE_WORDS } from './measureWords.ts'
import { LIE_WORDS } from './wording.ts'
import { roundsFromTo, roundsNoun, roundTitle, type Rounds } from './roundWords.ts'

/** "After Rnd 8: 0.7 cm small, and it cups" */
export function finding(
  reading: PieceReading,
  { expected }: Diagnosis,
  countOff: number,
  sizes: Sizes,
  plan: Rounds,
): string {
  const { afterRound, edge } = reading
  const lies =
    edge === undefined || edge.kind === 'flat'
      ? ''
      : edge.kind === 'standsUp'
        ? ', and it cups'
        : ', and it waves'
  const offs = expected.flatMap((promised) => {
    const seen = sizeSeen(reading, promised.of)
    if (seen === undefined || Math.abs(seen - promised.value) <= Math.max(1, plusMinusOf(promised))) return []
    const [less, more] = MEASURE_WORDS[promised.of].off
    return [`${sizes.full(Math.abs(seen - promised.value))} ${seen < promised.value ? less : more}`]
  })
  const size = offs.length > 0 ? offs.join(', ') : 'as large as expected'
  const count = countOff === 0 ? '' : `${Math.abs(countOff)} sts ${countOff < 0 ? 'short' : 'over'}, `
  return `After ${roundTitle(plan, afterRound)}: ${count}${size}${lies}`
}

/** What a wall makes of stitches that are out of proportion: it neither cups nor waves. */
const HANDS_OF_WALL: Partial<Record<Diagnosis['hands'], string>> = {
  tallForWidth:
    'Your stitches are taller for their width than your gauge says: it comes out long for its girth.',
  wideForHeight:
    'Your stitches are wider for their height than your gauge says: it comes out wide for its length.',
}

const HANDS: Record<Diagnosis['hands'], string> = {
  asGauge: 'Your stitches are as your gauge says.',
  tight: 'You work tighter here than your gauge says.',
  loose: 'You work looser here than your gauge says.',
  tallForWidth: 'Your stitches are taller for their width than your gauge says: the planned counts cup.',
  wideForHeight: 'Your stitches are wider for their height than your gauge says: the planned counts wave.',
}

const stitches = (count: number) => (Math.abs(count) === 1 ? 'one increase' : `${Math.abs(count)} increases`)

const plainStitches = (count: number) =>
  Math.abs(count) === 1 ? 'one stitch' : `${Math.abs(count)} stitches`

/** A cause as a maker would say it. */
export function causeSentence(cause: Cause, hands: Diagnosis['hands'], plan: Rounds, wall = false): string {
  const from = roundTitle(plan, cause.from ?? 1)
  switch (cause.kind) {
    case 'hands':
      return (wall ? HANDS_OF_WALL[hands] : undefined) ?? HANDS[hands]
    case 'missedIncreases':
      return `${capital(stitches(cause.stitches ?? 0))} missed, in or about ${from}.`
    case 'extraIncreases':
      return `${capital(stitches(cause.stitches ?? 0))} too many, in or about ${from}.`
    case 'joinWorked':
      return `The join was worked as a stitch, one more every round from ${from}.`
    case 'firstSkipped':
      return `The first stitch was skipped or the last hidden, one fewer every round from ${from}.`
    case 'roundMissing':
      return `A ${oneOf(plan)} fewer is worked than was counted.`
    case 'roundExtra':
      return `A ${oneOf(plan)} more is worked than was counted.`
    case 'openCentre':
      return 'The ring in the middle stands open: draw its tail.'
    case 'stitchLost':
      return `${capital(plainStitches(cause.stitches ?? 0))} passed over, in or about ${from}.`
    case 'stitchGained':
      return `${capital(plainStitches(cause.stitches ?? 0))} worked into twice, in or about ${from}.`
    case 'chainMiscounted': {
      const off = cause.stitches ?? 0
      return `The chain has ${Math.abs(off)} ${off > 0 ? 'more' : 'fewer'} than planned.`
    }
  }
}

const oneOf = (plan: Rounds): string => (roundsNoun(plan) === 'rows' ? 'row' : 'round')

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

/** How likely, in a word; never certain. */
export function likelihood(probability: number): string {
  if (probability >= 0.9) return 'very likely'
  if (probability >= 0.6) return 'likely'
  if (probability >= 0.25) return 'possible'
  return probability >= 0.05 ? 'less likely' : 'unlikely'
}

/** Two mistakes that a tape cannot tell apart, in one sentence. */
export function undecidedSentence({ causes }: Diagnosis, plan: Rounds): string {
  const [first, second] = causes
  return `Either ${inWords(first!, plan)}, or ${inWords(second!, plan)}: the size cannot tell.`
}

const inWords = (cause: Cause, plan: Rounds): string => {
  const sentence = causeSentence(cause, 'asGauge', plan).replace(/\.$/, '')
  return sentence[0]!.toLowerCase() + sentence.slice(1)
}

/** "Count Rnd 6: 36 or 35?" */
export function lookSentence(look: Look, plan: Rounds): string {
  switch (look.kind) {
    case 'countRound':
      return `Count ${roundTitle(plan, look.round)}: ${look.first} or ${look.second}?`
    case 'countRounds':
      return `Count the ${roundsNoun(plan)}: ${look.first} or ${look.second}?`
    case 'lookAtJoin':
      return `Look at the join of ${roundTitle(plan, look.round)}: is a stitch worked into it, or the first stitch skipped?`
    case 'lookAtCentre':
      return 'Look at the middle: does the ring stand open?'
  }
}

export const WAY_TITLES: Record<WayOut['kind'], (way: WayOut) => string> = {
  replan: ({ plan }) => `Change the ${roundsNoun(plan)} ahead`,
  goBack: ({ keeps, plan }) => (keeps === 0 ? 'Begin again' : `Back to ${roundTitle(plan, keeps + 1)}`),
  anotherHook: ({ hook }) => `Take a ${hook} mm hook from here`,
  accept: () => 'Accept it',
  openWider: () => 'Open it wider',
  ribCuff: () => 'Rib the cuff',
  largerHook: ({ hook, plan, keeps }) => `Take a ${hook} mm hook from ${roundTitle(plan, keeps + 1)}`,
}

/** How a way comes to lie: "flat"; nothing of a wall. */
export function wayOutcome({ plan: { finished } }: WayOut): string | undefined {
  return finished.lie && LIE_WORDS[finished.lie].replace(/^and /, '')
}

/** What choosing it means, in two sentences. */
export function waySentences(way: WayOut, afterRound: number, sizes: Sizes): string[] {
  const { plan, keeps, pulledOut } = way
  const next = plan.rounds[keeps]
  const rounds = `${plan.rounds.length} ${roundsNoun(plan)} in all.`
  if (way.kind === 'accept') {
    const height = plan.finished.height
    return [
      `Carry on with the plan as it is. ${rounds}`,
      height > 3 ? `The edge will stand up ${sizes.full(height)}.` : 'The target becomes what comes out.',
    ]
  }
  if (!next) return [`It is large enough: no more ${roundsNoun(plan)}.`, 'Nothing to undo.']
  const change = next.count - next.from
  const first =
    change === 0
      ? `${titleOf(next)} stays even, ${next.count} sts.`
      : `${titleOf(next)} takes ${Math.abs(change)} ${change > 0 ? 'increase' : 'decrease'}${Math.abs(change) === 1 ? '' : 's'}, ${next.count} sts.`
  if (way.kind === 'goBack' && keeps === 0) {
    return [`Pull it all out, ${pulledOut} sts, and use that yarn.`, `Chain ${next.from}. ${rounds}`]
  }
  if (pulledOut > 0) {
    return [
      `Pull out ${roundsFromTo(plan, keeps + 1, afterRound)}, ${pulledOut} sts, and use that yarn.`,
      `${first} ${rounds}`,
    ]
  }
  if (way.kind === 'anotherHook') return [`${first} ${rounds}`, `Measure again two ${roundsNoun(plan)} on.`]
  return [`${first} ${rounds}`, ...staysOff(way, sizes)]
}

/** What worked rounds of a wall keep that is not as the rest will be. */
function staysOff({ plan: { rounds, finished }, keeps }: WayOut, sizes: Sizes): string[] {
  const width = finished.promises.find(({ of }) => of === 'width')
  const worked = rounds[keeps - 1]
  if (!width || !worked) return []
  // A crown is on its way to the wall: it is not as the rest will be, and need not be.
  const first = rounds[0]!.section
  if (worked.section === first && rounds.at(-1)!.section !== first) return []
  const by = measured('width', worked.at) - width.value
  if (Math.abs(by) < 2) return []
  return [
    `${roundsFromTo({ rounds }, 1, keeps)} stay ${sizes.full(Math.abs(by))} ${by < 0 ? 'narrower' : 'wider'} laid flat.`,
  ]
}

/** Why the first way is the best: what it has over the others. */
export function bestBecause(ways: readonly WayOut[], sizes: Sizes): string {
  const [best, ...others] = ways
  if (!best || others.length === 0) return ''
  const least = (of: (way: WayOut) => number) => others.every((other) => of(best) <= of(other) + 1e-9)
  const reasons = [
    Math.abs(best.off) < 2 ? 'it meets the target' : least(({ off }) => Math.abs(off)) && 'it comes nearest',
    best.plan.finished.lie === 'flat' &&
      others.some(({ plan: { finished } }) => finished.lie !== 'flat' || finished.height > 3) &&
      'it lies flat',
    best.pulledOut === 0 && others.some(({ pulledOut }) => pulledOut > 0) && 'nothing is pulled out',
    best.hook === undefined && others.some(({ hook }) => hook !== undefined) && 'the hook is known',
    least(({ secondsLeft }) => secondsLeft) && 'it takes least time',
  ].filter((reason) => reason !== false)
  if (reasons.length === 0)
    return `Best in all: ${sizes.full(Math.abs(best.off))} off, for the work it takes.`
  const last = reasons.pop()!
  return `Best: ${reasons.length > 0 ? `${reasons.join(', ')} and ` : ''}${last}.`
}

export const signed = (value: string, positive: boolean): string => `${positive ? '+' : '−'}${value}`
