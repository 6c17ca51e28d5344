import type { PieceSpec, Plan, PlannedRound } from '../../plan/plan.ts'
import { constructionIn } from '../../plan/sectionWork.ts'
import { startingChain } from '../../plan/startingChain.ts'
import { titleOf } from '../../rounds/round.ts'
import { STITCHES, type StitchName, type Terms } from '../../stitches/stitch.ts'
import { sameYarns } from '../../yarn/strands.ts'
import { groupRounds } from '../groupRounds.ts'
import { writeRound } from '../writeRound.ts'

/** What a pattern says besides its rounds, in words that its screen has. */
export interface PatternWords {
  readonly title: string
  readonly quantity: number
  /** Lines above the rounds: "Gauge: 14 sts and 15 rnds in 10 cm". */
  readonly head: readonly string[]
  readonly nameOfYarn: (yarn: string) => string
  /** What to measure after a round, if there is something. */
  readonly measureAfter: (round: number) => string | undefined
}

/** A pattern line by line, each with what it is. */
export interface PatternLine {
  readonly is: 'title' | 'head' | 'round' | 'measure' | 'yarn'
  readonly text: string
}

/**
 * A piece as a pattern that others can work from: rounds that are alike in one line, conventions said once, a total
 * after each. Read again it gives the same rounds.
 */
export function writePattern(
  plan: Pick<Plan, 'rounds' | 'checkpoints'>,
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  terms: Terms,
  words: PatternWords,
): readonly PatternLine[] {
  const { rounds } = plan
  const lines: PatternLine[] = [
    { is: 'title', text: `${words.title}${words.quantity > 1 ? ` (make ${words.quantity})` : ''}` },
    { is: 'head', text: `Terms: ${terms === 'US' ? 'US' : 'UK'}` },
    ...words.head.map((text) => ({ is: 'head' as const, text })),
    { is: 'head', text: `Abbreviations: ${abbreviations(rounds, terms).join('; ')}` },
    ...conventions(plan, spec, terms).map((text) => ({ is: 'head' as const, text: `Note: ${text}` })),
  ]
  let yarn: PlannedRound | undefined
  for (const group of groupsAlike(plan, spec, terms)) {
    const [first] = group as [PlannedRound]
    if (!yarn || !sameYarns(yarn, first)) {
      const names = [first.yarn, ...(first.beside ?? [])].map(words.nameOfYarn).join(' and ')
      lines.push({ is: 'yarn', text: `${yarn ? 'Change to' : 'With'} ${names}.` })
    }
    yarn = first
    lines.push({ is: 'round', text: writeGroup(group, rounds, spec, terms) })
    const measure = words.measureAfter(group.at(-1)!.number)
    if (measure) lines.push({ is: 'measure', text: `Measure: ${measure}` })
  }
  return lines
}

/** Rounds one after the other that are told by the same words; a new yarn or a place to measure begins again. */
function groupsAlike(
  plan: Pick<Plan, 'rounds' | 'checkpoints'>,
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  terms: Terms,
): PlannedRound[][] {
  const { rounds } = plan
  const told = (round: PlannedRound) => words(round, rounds, spec, terms)
  return groupRounds(plan).flatMap((group) => {
    const runs: PlannedRound[][] = []
    for (const round of group) {
      const last = runs.at(-1)
      if (last && told(last[0]!) === told(round)) last.push(round)
      else runs.push([round])
    }
    return runs
  })
}

function writeGroup(
  group: readonly PlannedRound[],
  rounds: readonly PlannedRound[],
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  terms: Terms,
): string {
  const [first, last] = [group[0]!, group.at(-1)!]
  const title =
    first === last ? titleOf(first) : `${first.closed ? 'Rnds' : 'Rows'} ${first.number}–${last.number}`
  return `${title}: ${words(first, rounds, spec, terms)}`
}

function words(
  round: PlannedRound,
  rounds: readonly PlannedRound[],
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  terms: Terms,
): string {
  const index = round.number - 1
  const { start, body, end } = writeRound(round, {
    spec,
    terms,
    below: rounds[index - 1],
    above: rounds[index + 1],
  })
  const named = isOnlyIncreases(round, rounds[index - 1])
    ? `2 ${STITCHES[round.stitch].short[terms]} in each st`
    : body
  return `${[start, named, end].filter(Boolean).join(', ')}. (${round.count})`
}

/** Increases alone name no stitch: in another than the round below they have to. */
const isOnlyIncreases = ({ stitch, steps }: PlannedRound, below: PlannedRound | undefined): boolean =>
  below !== undefined &&
  below.stitch !== stitch &&
  steps.every(({ ops }) =>
    ops.every(
      ({ uses, makes, manner, loops }) =>
        uses === 1 && makes === 2 && manner === undefined && loops === undefined,
    ),
  )

/** The short forms that rounds use, with what they stand for. */
function abbreviations(rounds: readonly PlannedRound[], terms: Terms): string[] {
  const used = new Set<StitchName>(
    rounds.flatMap(({ steps }) => steps.flatMap(({ ops }) => ops.map(({ stitch }) => stitch))),
  )
  const has = (is: (op: { uses: number; makes: number }) => boolean) =>
    rounds.some(({ steps }) => steps.some(({ ops }) => ops.some((op) => op.manner === undefined && is(op))))
  return [
    ...[...used].map((name) => `${STITCHES[name].short[terms]} ${STITCHES[name].long[terms]}`),
    ...(has(({ uses, makes }) => uses === 1 && makes === 2) ? ['inc 2 in one st'] : []),
    ...(has(({ uses, makes }) => uses === 2 && makes === 1) ? ['2tog 2 closed together'] : []),
  ]
}

/** What holds for all rounds, said once. */
function conventions(
  { rounds }: Pick<Plan, 'rounds'>,
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
  terms: Terms,
): string[] {
  const joined = rounds.find((round) => constructionIn(spec, round.section).rounds.kind === 'joined')
  if (!joined) return ['worked in a spiral; do not join.']
  const construction = constructionIn(spec, joined.section)
  if (construction.rounds.kind !== 'joined') return []
  const { chains, counts } = startingChain(joined.stitch, construction.rounds.begins)
  if (chains === 0) return []
  const short = STITCHES[joined.stitch].short[terms]
  return [
    `the first ch ${chains} of a ${joined.closed ? 'round' : 'row'} ${counts ? `counts as 1 ${short}` : 'is not a stitch'}.`,
  ]
}

/** The lines as plain text, or in Markdown. */
export function patternText(lines: readonly PatternLine[], as: 'text' | 'markdown'): string {
  const out: string[] = []
  let before: PatternLine['is'] | undefined
  for (const { is, text } of lines) {
    const group = is === 'title' || is === 'head' ? is : 'rounds'
    const beforeGroup = before === 'title' || before === 'head' || before === undefined ? before : 'rounds'
    if (before !== undefined && group !== beforeGroup) out.push('')
    if (as === 'text') out.push(text)
    else if (is === 'title') out.push(`# ${text}`)
    else if (is === 'round' || is === 'head') out.push(`- ${text}`)
    else out.push('', text, '')
    before = is
  }
  return `${out.join('\n').replace(/\n{3,}/g, '\n\n')}\n`
}
