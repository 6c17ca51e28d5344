import { CHAIN_SHARE_OF_SC, STITCHES, yarnPerStitch, type StitchName } from '../stitches/stitch.ts'
import { chainsAlong } from '../rounds/spine.ts'
import type { Op } from '../rounds/steps.ts'
import { sizeOfManner } from '../stitches/manner.ts'
import { ESTIMATE_SD } from '../yarn/calibration.ts'
import { strandsOf, yarnsOf } from '../yarn/strands.ts'
import type { PieceSpec, PlannedRound, YarnUse } from './plan.ts'
import { constructionIn, gaugeIn, plainGaugesOf } from './sectionWork.ts'
import { startingChain } from './startingChain.ts'
import { strandRuns, type StrandRun } from './yarnChanges.ts'

const TAIL_MM = 150
/** Passing from one round to the next: find the place, move the marker. In single crochets. */
const ROUND_CHANGE_EFFORT = 2
/** One loop takes a little longer to find than both (FIELD §12). */
const ONE_LOOP_EFFORT = 1.05

/**
 * Metres of the strands held together that each round takes: stitches, its start and join.
 * Every strand takes this length; `metresOfYarn` has what one yarn takes, with its tails.
 */
export function bundleByRound(rounds: readonly PlannedRound[], spec: PieceSpec): number[] {
  const gauges = plainGaugesOf(spec)
  const perStitch = ({ section }: PlannedRound, stitch: StitchName) => {
    const { w, yarnDiameter, yarnUse } = gauges({ section, stitch: 'sc' })
    return yarnPerStitch(stitch, w, yarnDiameter) * (yarnUse?.factor ?? 1)
  }
  return rounds.map((round) => {
    const stitches = worthOf(round, 'yarn', (stitch) => perStitch(round, stitch))
    return (stitches + perStitch(round, 'sc') * sideWork(round, spec)) / 1000
  })
}

/** Metres of one yarn that each round takes: its strands in it, and where they begin, end or are carried up. */
export const metresOfYarn = (rounds: readonly PlannedRound[], spec: PieceSpec, yarn: string): number[] =>
  metresByYarn(rounds, spec)(yarn)

function metresByYarn(rounds: readonly PlannedRound[], spec: PieceSpec): (yarn: string) => number[] {
  const bundle = bundleByRound(rounds, spec)
  const held = rounds.map((round) => strandsOf(round, gaugeIn(spec, round.section).strands))
  const runs = strandRuns(rounds, spec)
  return (yarn) => {
    const beside = besideStitches(rounds, runs, yarn)
    return bundle.map((metres, index) => (held[index]!.get(yarn) ?? 0) * metres + beside[index]!)
  }
}

/** Metres of each yarn, in order of first use. */
export function yarnOf(rounds: readonly PlannedRound[], spec: PieceSpec): YarnUse[] {
  const { yarnUse } = spec.gauge
  const metresOf = metresByYarn(rounds, spec)
  return yarnsOf(rounds).map((yarn) => ({
    yarn,
    metres: metresOf(yarn).reduce((sum, metres) => sum + metres, 0),
    doubt: yarnUse ? 2 * yarnUse.sd : 2 * ESTIMATE_SD,
  }))
}

/** Metres of a yarn beside its stitches: a tail where a strand begins and ends, and what is carried up inside. */
function besideStitches(
  rounds: readonly PlannedRound[],
  runs: readonly StrandRun[],
  yarn: string,
): readonly number[] {
  const metres = rounds.map(() => 0)
  const placed = new Map(rounds.map(({ number }, index) => [number, index]))
  const arcAfter = (number: number) => rounds[placed.get(number)!]!.at.arc
  for (const { yarn: own, from, to, carriedFrom, back } of runs) {
    if (own !== yarn) continue
    const up = carriedFrom === undefined ? TAIL_MM : Math.max(0, arcAfter(from - 1) - arcAfter(carriedFrom))
    metres[placed.get(from)!]! += up / 1000
    if (back?.carried !== true) metres[placed.get(to)!]! += TAIL_MM / 1000
  }
  return metres
}

/** Seconds of work at the maker's pace, given in single crochets a minute. */
export function timeOf(rounds: readonly PlannedRound[], spec: PieceSpec): number {
  const effort = rounds.reduce((sum, round) => sum + effortOfRound(round, spec), 0)
  return (effort * 60) / spec.pace
}

/** Work in one round, in single crochets. */
export function effortOfRound(round: PlannedRound, spec: Pick<PieceSpec, 'construction'>): number {
  const finding = round.steps.some(({ ops }) => ops.some((op) => op.loops)) ? ONE_LOOP_EFFORT : 1
  const stitches = worthOf(round, 'effort', (stitch) => STITCHES[stitch].effort)
  return stitches * finding + sideWork(round, spec) + ROUND_CHANGE_EFFORT
}

/** What its stitches take together, by what a plain one of each kind takes. */
function worthOf(
  { steps }: PlannedRound,
  of: 'yarn' | 'effort',
  plainly: (stitch: StitchName) => number,
): number {
  const worth = ({ stitch, makes, times, manner, of: parts }: Op) =>
    makes * times * plainly(stitch) * (manner ? sizeOfManner(manner, parts)[of] : 1)
  return steps.reduce(
    (sum, { times, ops }) => sum + times * ops.reduce((inner, op) => inner + worth(op), 0),
    0,
  )
}

/** Chains and joins that are no stitches of the round, in single crochets. */
function sideWork(round: PlannedRound, spec: Pick<PieceSpec, 'construction' | 'sections'>): number {
  const { rounds, start } = constructionIn(spec, round.section)
  const chain = rounds.kind === 'joined' ? startingChain(round.stitch, rounds.begins) : undefined
  const joining = rounds.kind === 'joined' && round.closed ? 0.55 : 0
  const ring =
    round.number === 1 && start.kind !== 'magicRing' ? startChains(start, round) * CHAIN_SHARE_OF_SC : 0
  // A chain that counts replaces a stitch that has been counted already.
  const chains = chain
    ? chain.chains * CHAIN_SHARE_OF_SC - (chain.counts ? STITCHES[round.stitch].effort : 0)
    : 0
  return Math.max(0, chains) + joining + ring
}

function startChains(
  start: Exclude<PieceSpec['construction']['start'], { kind: 'magicRing' }>,
  round: PlannedRound,
): number {
  if (start.kind === 'joinedChain' || start.kind === 'chain') return round.from
  if (start.kind === 'chainAlong') return chainsAlong(round) ?? 0
  return start.kind === 'chainRing' ? start.chains : 2
}
