import { strandsOf } from '../yarn/strands.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'
import { gaugeIn } from './sectionWork.ts'

/** A yarn that rests for so many rounds is carried up inside; for more it is cut (FIELD §12). */
const CARRIED_UP = 3

/** Rounds, by their numbers, that one strand of a yarn is worked in without a rest. */
export interface StrandRun {
  readonly yarn: string
  readonly from: number
  readonly to: number
  /** It came here inside the fabric from the end of this round, and needs no new end. */
  readonly carriedFrom?: number
  /** Where it is worked again, and whether it is carried there; without it is done with. */
  readonly back?: { readonly round: number; readonly carried: boolean }
}

type Held = Pick<PieceSpec, 'gauge' | 'sections'>

/** Every stretch of every strand, in order of their first rounds. */
export function strandRuns(rounds: readonly PlannedRound[], spec: Held): readonly StrandRun[] {
  const held = rounds.map((round) => strandsOf(round, gaugeIn(spec, round.section).strands))
  const yarns = [...new Set(held.flatMap((strands) => [...strands.keys()]))]
  return yarns
    .flatMap((yarn) => {
      const most = Math.max(...held.map((strands) => strands.get(yarn) ?? 0))
      return Array.from({ length: most }, (_, below) =>
        runsOf(
          rounds,
          yarn,
          held.map((strands) => (strands.get(yarn) ?? 0) > below),
        ),
      ).flat()
    })
    .sort((one, other) => one.from - other.from)
}

function runsOf(
  rounds: readonly PlannedRound[],
  yarn: string,
  worked: readonly boolean[],
): readonly StrandRun[] {
  const spans: { from: number; to: number }[] = []
  worked.forEach((here, index) => {
    if (!here) return
    if (worked[index - 1]) spans.at(-1)!.to = index
    else spans.push({ from: index, to: index })
  })
  const carried = spans.map(({ to }, index) => {
    const next = spans[index + 1]
    return next !== undefined && canCarry(rounds.slice(to, next.from + 1))
  })
  return spans.map(({ from, to }, index) => ({
    yarn,
    from: rounds[from]!.number,
    to: rounds[to]!.number,
    ...(carried[index - 1] ? { carriedFrom: rounds[spans[index - 1]!.to]!.number } : {}),
    ...(spans[index + 1]
      ? { back: { round: rounds[spans[index + 1]!.from]!.number, carried: carried[index]! } }
      : {}),
  }))
}

/**
 * Whether a yarn goes up inside from the first of these rounds to the last: a few of them, all around the same
 * start; of rows an even number, which end at the edge where it waits.
 */
function canCarry(rounds: readonly PlannedRound[]): boolean {
  const between = rounds.length - 2
  if (between > CARRIED_UP) return false
  const [first] = rounds
  if (rounds.some(({ closed, left }) => closed !== first!.closed || left !== undefined)) return false
  return first!.closed || between % 2 === 0
}

/** What happens to yarns where a round begins with others than the one before. */
export interface YarnChange {
  /** Strands that are taken up, and those that were laid down with the round before. */
  readonly up: readonly StrandRun[]
  readonly down: readonly StrandRun[]
  /** Ends that this leaves to be hidden. */
  readonly tails: number
}

/** The change before a round; nothing where it goes on with what is in hand, or is the first. */
export function yarnChangeBefore(runs: readonly StrandRun[], number: number): YarnChange | undefined {
  if (number <= 1) return undefined
  const up = runs.filter(({ from }) => from === number)
  const down = runs.filter(({ to, back }) => to === number - 1 && back?.round !== number)
  if (up.length + down.length === 0) return undefined
  const tails =
    up.filter(({ carriedFrom }) => carriedFrom === undefined).length +
    down.filter(({ back }) => back?.carried !== true).length
  return { up, down, tails }
}

/** Ends to be hidden in a whole piece: two for every strand that is not carried on. */
export const tailsIn = (runs: readonly StrandRun[]): number =>
  2 * runs.filter(({ carriedFrom }) => carriedFrom === undefined).length
