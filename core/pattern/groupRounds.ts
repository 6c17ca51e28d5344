import { sameYarns } from '../yarn/strands.ts'
import type { Plan, PlannedRound } from '../plan/plan.ts'
import { zonesOf } from '../rounds/zone.ts'
import type { Terms } from '../stitches/stitch.ts'
import { writeRoundBody } from './writeRound.ts'

/** Fewer rounds alike than this are told one by one. */
const WORTH_GROUPING = 3

/**
 * Rounds as they are told: those alike, one after the other, together, and those whose numbers change by a fixed step. A place to measure ends a group, and so does a
 * new yarn.
 * @returns groups in working order, that have every round once
 */
export function groupRounds({ rounds, checkpoints }: Pick<Plan, 'rounds' | 'checkpoints'>): PlannedRound[][] {
  const measured = new Set(checkpoints.map(({ afterRound }) => afterRound))
  const runs: PlannedRound[][] = []
  /** By what each run changes from round to round. */
  const steps: (string | undefined)[] = []
  for (const round of rounds) {
    const run = runs.at(-1)
    const below = run?.at(-1)
    const step = below && stepTo(below, round)
    const goesOn =
      below && (alike(below, round) || (step !== undefined && (run!.length < 2 || steps.at(-1) === step)))
    if (run && below && !measured.has(below.number) && goesOn) {
      run.push(round)
      steps[steps.length - 1] = step
    } else {
      runs.push([round])
      steps.push(undefined)
    }
  }
  return runs.flatMap((run) => (run.length >= WORTH_GROUPING ? [run] : run.map((round) => [round])))
}

const alike = (one: PlannedRound, other: PlannedRound): boolean =>
  one.count === other.count &&
  sameYarns(one, other) &&
  writeRoundBody(one, 'US') === writeRoundBody(other, 'US')

/** The numbers of a round in words, and the words between them. */
const NUMBERS = /(\d+)/

/** By how much the numbers of a round taken in over an end, and its count, differ from those of the one below. */
function stepTo(below: PlannedRound, round: PlannedRound): string | undefined {
  const takenIn = round.count < round.from && zonesOf(round).length > 0
  if (!takenIn || !sameYarns(below, round) || below.section !== round.section) return undefined
  const [from, to] = [below, round].map((one) => `${writeRoundBody(one, 'US')} ${one.count}`.split(NUMBERS))
  if (from!.length !== to!.length) return undefined
  const steps = from!.map((text, index) =>
    index % 2 === 0 ? text === to![index] : Number(to![index]) - Number(text),
  )
  return steps.includes(false) ? undefined : steps.join()
}

/**
 * Rounds told together, in one line: what is the same once, a number that changes by a fixed step from its first to its
 * last: "16…8 sc, sc2tog, sc, sc2tog, 31…23 sc".
 */
export function writeGroup(
  group: readonly PlannedRound[],
  terms: Terms,
  write: (round: PlannedRound) => string = (round) => writeRoundBody(round, terms),
): string {
  const [from, to] = [group[0]!, group.at(-1)!].map((round) => write(round).split(NUMBERS))
  return from!
    .map((text, index) => (text === to![index] || index % 2 === 0 ? text : `${text}…${to![index]}`))
    .join('')
}
