import { CHAIN_SHARE_OF_SC, STITCHES, yarnPerStitch, type StitchName } from '../stitches/stitch.ts'
import { chainsAlong } from '../rounds/spine.ts'
import type { Op } from '../rounds/steps.ts'
import { sizeOfManner } from '../stitches/manner.ts'
import { ESTIMATE_SD } from '../yarn/calibration.ts'
import { sameYarns, strandsOf } from '../yarn/strands.ts'
import type { PieceSpec, PlannedRound, YarnUse } from './plan.ts'
import { constructionIn, gaugeIn, plainGaugesOf } from './sectionWork.ts'
import { startingChain } from './startingChain.ts'

const TAIL_MM = 150
/** Passing from one round to the next: find the place, move the marker. In single crochets. */
const ROUND_CHANGE_EFFORT = 2
/** One loop takes a little longer to find than both (FIELD §12). */
const ONE_LOOP_EFFORT = 1.05

/**
 * Metres of the strands held together that each round takes: stitches, its start and join, two tails
 * where a yarn begins. Every strand takes this length; `metresOfYarn` has the share of one yarn.
 */
export function bundleByRound(rounds: readonly PlannedRound[], spec: PieceSpec): number[] {
  const gauges = plainGaugesOf(spec)
  const perStitch = ({ section }: PlannedRound, stitch: StitchName) => {
    const { w, yarnDiameter, yarnUse } = gauges({ section, stitch: 'sc' })
    return yarnPerStitch(stitch, w, yarnDiameter) * (yarnUse?.factor ?? 1)
  }
  return rounds.map((round, index) => {
    const below = rounds[index - 1]
    const newYarn = !below || !sameYarns(below, round)
    const stitches = worthOf(round, 'yarn', (stitch) => perStitch(round, stitch))
    return (stitches + perStitch(round, 'sc') * sideWork(round, spec) + (newYarn ? 2 * TAIL_MM : 0)) / 1000
  })
}

/** Metres of one yarn that each round takes: what its strands in it take. */
export function metresOfYarn(rounds: readonly PlannedRound[], spec: PieceSpec, yarn: string): number[] {
  const bundle = bundleByRound(rounds, spec)
  return rounds.map(
    (round, index) =>
      bundle[index]! * (strandsOf(round, gaugeIn(spec, round.section).strands).get(yarn) ?? 0),
  )
}

/** Metres of each yarn, in order of first use. */
export function yarnOf(rounds: readonly PlannedRound[], spec: PieceSpec): YarnUse[] {
  const bundle = bundleByRound(rounds, spec)
  const metres = new Map<string, number>()
  rounds.forEach((round, index) => {
    for (const [yarn, strands] of strandsOf(round, gaugeIn(spec, round.section).strands)) {
      metres.set(yarn, (metres.get(yarn) ?? 0) + strands * bundle[index]!)
    }
  })
  const { yarnUse } = spec.gauge
  return [...metres].map(([yarn, length]) => ({
    yarn,
    metres: length,
    doubt: yarnUse ? 2 * yarnUse.sd : 2 * ESTIMATE_SD,
  }))
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
