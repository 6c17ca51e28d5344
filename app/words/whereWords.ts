import {
  titleOf,
  type PlannedRound,
  type PossiblePlace,
  type Sight,
  type Sights,
  type Terms,
} from '../../core/index.ts'
import { shortName } from './wording.ts'

/** What one looks at to know where the hook is: as a field, and as what to do. */
export const SIGHT_WORDS: Readonly<Record<Sight, { readonly label: string; readonly look: string }>> = {
  since: {
    label: 'Since the last inc or dec',
    look: 'Count back from the hook to the last increase or decrease',
  },
  last: { label: 'The last thing made', look: 'Look at the last thing made' },
  stitch: { label: 'The last stitch is', look: 'See how tall the last stitch is' },
  made: { label: 'Made in this round', look: 'Count this round from its beginning' },
  yarn: { label: 'Yarn on the hook', look: 'See which yarn is on the hook' },
  loops: { label: 'This round goes into', look: 'See which loops this round goes into' },
  rounds: { label: 'Whole rounds', look: 'Count the whole rounds, from the middle or the chain out' },
}

const LAST_WORDS: Readonly<Record<Sights['last'], string>> = {
  work: 'A plain stitch',
  inc: 'An increase',
  dec: 'A decrease',
}
const LOOPS_WORDS: Readonly<Record<Sights['loops'], string>> = {
  both: 'Both loops',
  back: 'Back loops',
  front: 'Front loops',
}

/** "Rnd 7, 17 of 42": after so many stitches of a round. */
export const sayWhere = (round: PlannedRound, made: number): string =>
  made === 0 ? `${titleOf(round)}, not begun` : `${titleOf(round)}, ${made} of ${round.count}`

/** What the fabric under the hook looks like: "an increase just made", "3 sc since the last increase". */
export function sayUnderHook({ last, since, stitch, rounds, made }: Sights, terms: Terms): string {
  if (rounds === 0 && made === 0) return 'Nothing is made yet.'
  if (last === 'inc') return 'The last thing made is an increase.'
  if (last === 'dec') return 'The last thing made is a decrease.'
  const plain = shortName(stitch, terms)
  return `The last thing made is a plain ${plain}${since <= MOST_COUNTED ? `; ${since} since the last increase or decrease` : ''}.`
}

/** Nobody counts farther back than this. */
const MOST_COUNTED = 60

/** What may be seen, as it is chosen and told: "An increase", "sc", "3". */
export function sayChoice(
  sight: Sight,
  value: Sights[Sight],
  terms: Terms,
  nameOfYarn: (ids: string) => string,
): string {
  const said = { last: LAST_WORDS, loops: LOOPS_WORDS } as Partial<Record<Sight, Record<string, string>>>
  if (sight === 'stitch') return shortName(value as Sights['stitch'], terms)
  if (sight === 'yarn') return nameOfYarn(String(value))
  return said[sight]?.[String(value)] ?? String(value)
}

/** The look that decides, and what it would mean: "Count …: 3 is Rnd 7, 17 of 42; 9 is Rnd 8, 20 of 48." */
export function sayLook(
  look: Sight,
  places: readonly PossiblePlace[],
  terms: Terms,
  nameOfYarn: (ids: string) => string,
): readonly [string, string] {
  const meanings = new Map<string, PossiblePlace>()
  for (const place of places) {
    const value = sayChoice(look, place.sights[look], terms, nameOfYarn)
    if (!meanings.has(value)) meanings.set(value, place)
  }
  const told = [...meanings].slice(0, MOST_TOLD)
  return [
    `${SIGHT_WORDS[look].look}`,
    told.length < 2
      ? ''
      : `${told.map(([value, { round, sights }]) => `${value} is ${sayWhere(round, sights.made)}`).join('; ')}.`,
  ]
}

const MOST_TOLD = 3

/** How likely a place is, in a word. */
export function sayLikelihood(likelihood: number, first: boolean): string {
  if (likelihood >= 0.9) return 'as good as sure'
  if (likelihood >= 0.5) return 'likely'
  return first ? 'likeliest' : likelihood >= 0.2 ? 'may be' : 'less likely'
}
