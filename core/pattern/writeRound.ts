import { kindOf, type Op, type Step } from '../rounds/steps.ts'
import type { Construction, PieceSpec, PlannedRound, Start } from '../plan/plan.ts'
import { constructionIn } from '../plan/sectionWork.ts'
import { gathers } from '../rounds/round.ts'
import { chainsAlong } from '../rounds/spine.ts'
import { startingChain, type StartingChain } from '../plan/startingChain.ts'
import type { Manner } from '../stitches/manner.ts'
import { STITCHES, type Terms } from '../stitches/stitch.ts'

/** A round in crochet words. `start` and `end` are empty when there is nothing to do. */
export interface WrittenRound {
  readonly start: string
  readonly body: string
  readonly end: string
}

interface ToWrite {
  readonly spec: Pick<PieceSpec, 'construction' | 'sections'>
  readonly terms: Terms
  /** The rounds worked before and after it; none before round 1. */
  readonly below?: PlannedRound | undefined
  readonly above?: PlannedRound | undefined
}

/**
 * Writes a round as a pattern would, with the start and end that its construction asks for. A starting
 * chain that counts takes the place of the first stitch of the body; one that does not is said not to where
 * it could be taken for a stitch, or where the rounds before counted theirs.
 */
export function writeRound(round: PlannedRound, { spec, terms, below, above }: ToWrite): WrittenRound {
  const construction = constructionIn(spec, round.section)
  const before = below && constructionIn(spec, below.section)
  const { rounds, start } = construction
  const chain = chainOf(round, construction)
  const standing = rounds.kind === 'joined' && rounds.begins === 'standingStitch' && round.number > 1
  const firstMade = (chain?.counts ?? false) || standing
  const steps = firstMade ? withoutFirstStitch(round.steps) : round.steps
  return {
    start: [
      round.number === 1 ? writeStart(start, round, chain) : '',
      round.number === 1 && (start.kind === 'chainTwo' || start.kind === 'chainAlong')
        ? ''
        : writeChain(round, chain, below && before && chainOf(below, before), terms),
      rounds.kind === 'spiral' && before?.rounds.kind === 'joined' ? INTO_A_SPIRAL : '',
      standing ? `standing ${STITCHES[round.stitch].short[terms]}` : '',
      firstMade && below && startsWithIncrease(round)
        ? `${STITCHES[round.stitch].short[terms]} in same st`
        : '',
    ]
      .filter(Boolean)
      .join(', '),
    body:
      round.number === 1 && gathers(round)
        ? `${writeSteps(steps, terms)} ${whereRoundOne(start, chain)}`
        : writeBody(round, steps, terms),
    end: writeEnd(
      round,
      construction,
      chain,
      above && { round: above, in: constructionIn(spec, above.section) },
    ),
  }
}

/** The body alone, whatever the construction's joins: what a ledger shows. */
export function writeRoundBody(round: PlannedRound, terms: Terms): string {
  if (!gathers(round)) return writeBody(round, round.steps, terms)
  return `${writeSteps(round.steps, terms)} in ${round.hosts.length > 0 ? '1 ch' : 'ring'}`
}

/** The chain a round really begins with, in its own stitch; none in a spiral. */
function chainOf({ stitch, number }: Pick<PlannedRound, 'stitch' | 'number'>, { rounds }: Construction) {
  if (rounds.kind !== 'joined') return undefined
  // There is nothing yet that a first stitch could stand on.
  const begins = number === 1 && rounds.begins === 'standingStitch' ? 'chain' : rounds.begins
  return startingChain(stitch, begins)
}

function writeChain(
  round: PlannedRound,
  chain: StartingChain | undefined,
  before: StartingChain | undefined,
  terms: Terms,
): string {
  if (!chain || chain.chains === 0) return ''
  if (chain.counts) return `ch ${chain.chains} (counts as 1 ${STITCHES[round.stitch].short[terms]})`
  const changes = before?.counts ?? false
  const mistakable = chain.chains > 1
  return `ch ${chain.chains}${changes ? ' (from here on the ch does not count)' : mistakable ? ' (does not count)' : ''}`
}

const startsWithIncrease = ({ steps }: PlannedRound): boolean => (steps[0]?.ops[0]?.makes ?? 0) > 1

function writeBody(round: PlannedRound, steps: readonly Step[], terms: Terms): string {
  if (chainsAlong(round) !== undefined) return writeAlong(steps, terms)
  const ops = round.steps.flatMap((step) => step.ops)
  const even = round.count === round.from && ops.every((op) => kindOf(op) === 'work' && !op.manner)
  const loops = loopsIn(round)
  const [first] = ops
  if (first?.manner === 'curl' && ops.length === 1)
    return `${writeOp({ ...first, times: 1 }, terms)}, all around`
  if (first?.manner && steps === round.steps && ops.every((op) => op.manner === first.manner)) {
    return `${writeOp({ ...first, times: 1 }, terms)} ${aroundOrIn(first.manner)} each st`
  }
  if (!even || steps !== round.steps) {
    return `${writeSteps(steps, terms)}${loops ? `, all in ${loops} loops${ofRound(round)}` : ''}`
  }
  const into =
    round.number === 1 ? 'each ch' : loops ? `${loops} loop of each st${ofRound(round)}` : 'each st'
  return `${STITCHES[first?.stitch ?? round.stitch].short[terms]} in ${into}`
}

/** Round 1 along both sides of a chain: "12 sc, 4 sc in last ch, on the other side 11 sc, 3 sc in first ch". */
function writeAlong(steps: readonly Step[], terms: Terms): string {
  return steps
    .map((_, index) => {
      const turns = index > 0 && endChainOf(steps, index - 1) === 'last'
      return `${turns ? 'on the other side ' : ''}${writeStep(steps, index, terms)}`
    })
    .join(', ')
}

/** The end chain that all of a step of round 1 goes into, if it does. */
function endChainOf(steps: readonly Step[], index: number): 'first' | 'last' | undefined {
  const gathers = ({ ops }: Step) => ops.some(({ makes, uses }) => makes > uses)
  if (!gathers(steps[index]!)) return undefined
  // The first chain has its own at the end, or at the start where it goes the other way round.
  const startsInFirst = gathers(steps[0]!)
  const isFirstEnd = steps.findIndex(gathers) === index
  return isFirstEnd === startsInFirst ? 'first' : 'last'
}

function writeStep(steps: readonly Step[], index: number, terms: Terms): string {
  const step = steps[index]!
  const end = endChainOf(steps, index)
  if (!end) return writeSteps([step], terms)
  const [{ stitch, makes }] = step.ops as [Op]
  return `${makes} ${STITCHES[stitch].short[terms]} in ${end} ch`
}

/** One run of a round's repeat: "5 sc, inc"; of round 1 along a chain with the chain that it goes into. */
export const writeRun = (round: Pick<PlannedRound, 'steps' | 'hosts'>, step: number, terms: Terms): string =>
  chainsAlong(round) === undefined
    ? writeOps(round.steps[step]!.ops, terms)
    : writeStep(round.steps, step, terms)

/** Says into which round, where that is not the one before. */
const ofRound = ({ into }: PlannedRound): string => (into === undefined ? '' : ` of Rnd ${into}`)

/** The loop that all of a round is worked into, if not both. */
function loopsIn({ steps }: Pick<PlannedRound, 'steps'>): 'back' | 'front' | undefined {
  const loops = new Set(steps.flatMap(({ ops }) => ops.map((op) => op.loops)))
  return loops.size === 1 ? [...loops][0] : undefined
}

/** Steps in crochet words: "sc, inc, (2 sc, inc) × 5, sc". */
export function writeSteps(steps: readonly Step[], terms: Terms): string {
  const half = halfOf(steps)
  if (half) return `(${writeSteps(half, terms)}) × 2`
  return steps
    .map(({ times, ops }) => {
      const text = writeOps(ops, terms)
      if (times === 1) return text
      return ops.length === 1 ? `${text} × ${times}` : `(${text}) × ${times}`
    })
    .join(', ')
}

/** Half of the steps, where they go around two ends alike. */
function halfOf(steps: readonly Step[]): readonly Step[] | undefined {
  const [first, second] = [steps.slice(0, steps.length / 2), steps.slice(steps.length / 2)]
  const alike =
    steps.length >= 4 &&
    first.length === second.length &&
    first.every(({ zone, ...step }, index) => {
      const { zone: _, ...other } = second[index]!
      return zone !== undefined && JSON.stringify(step) === JSON.stringify(other)
    })
  return alike ? first : undefined
}

/** One run of a repeat: "5 sc, inc". */
export function writeOps(ops: readonly Op[], terms: Terms): string {
  return ops
    .map((op, index) => {
      const next = ops[(index + 1) % ops.length]
      // The chain after it is the space's.
      const plain = op.manner === 'cluster' && next?.manner === 'space'
      return plain ? nameOfBunch(op, STITCHES[op.stitch].short[terms]) : writeOp(op, terms)
    })
    .join(', ')
}

export function writeOp(op: Op, terms: Terms): string {
  const short = STITCHES[op.stitch].short[terms]
  const kind = kindOf(op)
  if (isSeveral(op)) return `${op.makes} ${short} in one st`
  if (kind !== 'work') return kind === 'inc' ? 'inc' : `${short}2tog`
  if (op.manner === 'skip') return `${terms === 'US' ? 'skip' : 'miss'} ${op.uses}`
  if (op.manner === 'slit')
    return `ch ${op.makes} over ${op.uses} ${terms === 'US' ? 'skipped' : 'missed'} sts`
  const name = nameOf(op, short, terms)
  return op.times === 1 ? name : `${op.times} ${name}`
}

/** More than two in one stitch. */
const isSeveral = ({ uses, makes }: Op): boolean => uses === 1 && makes > 2

/** One stitch by its short name and how it is worked: "FPdc", "5-dc popcorn". */
function nameOf({ manner, of }: Pick<Op, 'manner' | 'of'>, short: string, terms: Terms): string {
  switch (manner) {
    case undefined:
    case 'slit':
    case 'skip':
      return short
    case 'reverse':
      return `reverse ${short}`
    case 'curl':
      return `(${short}, ch 1, ${STITCHES.slst.short[terms]}) in one st`
    case 'picot':
      return `${short} with a ch-3 picot`
    case 'frontPost':
      return `FP${short}`
    case 'backPost':
      return `BP${short}`
    case 'popcorn':
      return nameOfBunch({ manner, of }, short)
    case 'cluster':
      return `${nameOfBunch({ manner, of }, short)} with ch 1`
    case 'spike':
      return `spike ${short}`
    case 'space':
      return `ch 1 and ${terms === 'US' ? 'skip' : 'miss'} 1`
  }
}

/** Several stitches that make one: "5-dc popcorn". */
const nameOfBunch = ({ manner, of }: Pick<Op, 'manner' | 'of'>, short: string): string =>
  `${of}-${short} ${manner}`

const aroundOrIn = (manner: Manner): string =>
  manner === 'frontPost' || manner === 'backPost' ? 'around' : 'in'

function writeStart(start: Start, round: PlannedRound, chain: StartingChain | undefined): string {
  if (start.kind === 'magicRing') return 'magic ring'
  if (start.kind === 'chainRing') return `ch ${start.chains}, join into a ring with sl st`
  if (start.kind === 'chainAlong') return writeChainAlong(start, round, chain)
  if (start.kind === 'joinedChain') return `ch ${round.from}, join with sl st without twisting`
  return `ch ${chainsOfFlatStart(chain)}`
}

/** "ch 14, begin in 2nd ch from hook": where its first chain is passed over, one farther on. */
function writeChainAlong(
  { into }: Extract<Start, { kind: 'chainAlong' }>,
  round: PlannedRound,
  chain: StartingChain | undefined,
): string {
  const turning = Math.max(1, chain?.chains ?? 1)
  const passed = round.hosts[0]!.from
  const bumps = into === 'bumps' ? ', into the back bumps' : ''
  const keep = passed > 0 ? ', the end ch stays free till the round comes back to it' : ''
  const counts = chain?.counts ? `, the ${turning} skipped ch count as 1` : ''
  return `ch ${chainsAlong(round)! + turning}, begin in ${ORDINALS[1 + turning + passed]} ch from hook${bumps}${keep}${counts}`
}

const ORDINALS = ['', '1st', '2nd', '3rd', '4th', '5th', '6th', '7th']

/** The chain worked into, and those that bring the hook up to the height of round 1. */
const chainsOfFlatStart = (chain: StartingChain | undefined): number => 1 + Math.max(1, chain?.chains ?? 1)

function whereRoundOne(start: Start, chain: StartingChain | undefined): string {
  if (start.kind !== 'chainTwo') return 'in ring'
  const counted = chain?.counts ? `, the ${chain.chains} skipped ch count as 1` : ''
  return `in ${ORDINALS[chainsOfFlatStart(chain)]} ch from hook${counted}`
}

const INTO_A_SPIRAL = 'from here on in a spiral, a marker in the first st'

function writeEnd(
  { side }: PlannedRound,
  { rounds }: Construction,
  chain: StartingChain | undefined,
  above: { readonly round: PlannedRound; readonly in: Construction } | undefined,
): string {
  if (rounds.kind === 'spiral') {
    // A spiral ends a stitch higher than it began.
    return above?.in.rounds.kind === 'joined'
      ? 'sl st in the next st: it ends level, and rounds are joined from here on'
      : 'move the marker up'
  }
  const join = `join with sl st in ${chain?.counts ? 'top of ch' : 'first st'}`
  const turns = above ? above.round.side !== side : rounds.turned
  return turns ? `${join}, turn` : join
}

/** The steps once the first stitch is made by itself; what an increase there leaves is said beside it. */
function withoutFirstStitch(steps: readonly Step[]): Step[] {
  const [first, ...rest] = steps
  if (!first) return []
  const [op, ...others] = first.ops
  const left: Op[] = op && op.times > 1 ? [{ ...op, times: op.times - 1 }] : []
  const opening = [...left, ...others]
  return [
    ...(opening.length > 0 ? [{ times: 1, ops: opening }] : []),
    ...(first.times > 1 ? [{ times: first.times - 1, ops: first.ops }] : []),
    ...rest,
  ]
}
