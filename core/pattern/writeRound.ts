import type { Op, Step } from '../pacing/steps.ts'
import type { Construction, Round } from '../plan/plan.ts'
import { startingChain } from '../plan/startingChain.ts'
import { STITCHES, type Terms } from '../stitches/stitch.ts'

/** A round in crochet words. `start` and `end` are empty when there is nothing to do. */
export interface WrittenRound {
  readonly start: string
  readonly body: string
  readonly end: string
}

/**
 * Writes a round as a pattern would, with the start and end that its construction asks for.
 * A starting chain that counts takes the place of the first stitch of the body.
 */
export function writeRound(round: Round, construction: Construction, terms: Terms): WrittenRound {
  const { rounds } = construction
  const chain = rounds.kind === 'joined' ? startingChain(round.stitch, rounds) : undefined
  const short = STITCHES[round.stitch].short[terms]
  const steps = chain?.counts ? withoutFirstStitch(round.steps) : round.steps
  const chainText =
    chain && chain.chains > 0 ? `ch ${chain.chains}${chain.counts ? ` (counts as 1 ${short})` : ''}` : ''
  return {
    start: [round.number === 1 ? writeStart(construction, round) : '', chainText].filter(Boolean).join(', '),
    body: round.number === 1 ? `${writeSteps(steps, terms)} in ring` : writeBody(round, steps, terms),
    end: writeEnd(construction, chain?.counts ?? false),
  }
}

/** The body alone, whatever the construction: what a ledger shows. */
export function writeRoundBody(round: Round, terms: Terms): string {
  return round.number === 1
    ? `${writeSteps(round.steps, terms)} in ring`
    : writeBody(round, round.steps, terms)
}

function writeBody(round: Round, steps: readonly Step[], terms: Terms): string {
  const even =
    round.count === round.from && round.steps.every(({ ops }) => ops.every(({ kind }) => kind === 'work'))
  if (!even || steps !== round.steps) return writeSteps(steps, terms)
  return `${STITCHES[round.stitch].short[terms]} in each st`
}

/** Steps in crochet words: "sc, inc, (2 sc, inc) × 5, sc". */
export function writeSteps(steps: readonly Step[], terms: Terms): string {
  return steps
    .map(({ times, ops }) => {
      const text = writeOps(ops, terms)
      if (times === 1) return text
      return ops.length === 1 ? `${text} × ${times}` : `(${text}) × ${times}`
    })
    .join(', ')
}

/** One run of a repeat: "5 sc, inc". */
export function writeOps(ops: readonly Op[], terms: Terms): string {
  return ops.map((op) => writeOp(op, terms)).join(', ')
}

export function writeOp(op: Op, terms: Terms): string {
  const short = STITCHES[op.stitch].short[terms]
  if (op.kind !== 'work') return op.kind === 'inc' ? 'inc' : `${short}2tog`
  return op.count === 1 ? short : `${op.count} ${short}`
}

function writeStart({ start, rounds }: Construction, round: Round): string {
  if (start.kind === 'magicRing') return 'magic ring'
  if (start.kind === 'chainRing') return `ch ${start.chains}, join into a ring with sl st`
  const joined = rounds.kind === 'joined' && startingChain(round.stitch, rounds).chains > 0
  return joined ? 'ch 2, work into the first of them' : 'ch 2, work into the 2nd ch from hook'
}

function writeEnd({ rounds }: Construction, chainCounts: boolean): string {
  if (rounds.kind === 'spiral') return 'move the marker up'
  const join = `join with sl st in ${chainCounts ? 'top of ch' : 'first st'}`
  return rounds.turned ? `${join}, turn` : join
}

/** The steps once the starting chain has made the first stitch; an increase there leaves its second. */
function withoutFirstStitch(steps: readonly Step[]): Step[] {
  const [first, ...rest] = steps
  if (!first) return []
  const [op, ...others] = first.ops
  const left: Op[] = []
  if (op?.kind === 'work' && op.count > 1) left.push({ ...op, count: op.count - 1 })
  if (op?.kind === 'inc') left.push({ kind: 'work', stitch: op.stitch, count: 1 })
  const opening = [...left, ...others]
  return [
    ...(opening.length > 0 ? [{ times: 1, ops: opening }] : []),
    ...(first.times > 1 ? [{ times: first.times - 1, ops: first.ops }] : []),
    ...rest,
  ]
}
