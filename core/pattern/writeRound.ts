import { kindOf, type Op, type Step } from '../rounds/steps.ts'
import type { Construction, PieceSpec, PlannedRound, Start } from '../plan/plan.ts'
import { constructionIn } from '../plan/sectionWork.ts'
import { zonesOf, type Zone, type ZoneCount } from '../rounds/zone.ts'
import { gathers, standsOn, stitchesIn } from '../rounds/round.ts'
import { chainsAlong } from '../rounds/spine.ts'
import { startingChain, type StartingChain } from '../plan/startingChain.ts'
import { STITCHES, type Terms } from '../stitches/stitch.ts'
import { ORDINALS, writeAlong, writeChainAlong } from './writeAlongChain.ts'
import { aroundOrIn, writeOp, writeSteps } from './writeSteps.ts'

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
      joinsAt(round, below),
      round.number === 1 && OWN_START.has(start.kind)
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
function chainOf(
  { stitch, number, closed, steps }: Pick<PlannedRound, 'stitch' | 'number' | 'closed' | 'steps'>,
  { rounds }: Construction,
) {
  if (rounds.kind !== 'joined') return undefined
  // There is nothing yet that a first stitch could stand on.
  const begins = number === 1 && rounds.begins === 'standingStitch' ? 'chain' : rounds.begins
  // A row of several stitches begins as its first does.
  return startingChain(closed ? stitch : (steps[0]?.ops[0]?.stitch ?? stitch), begins)
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
  const even =
    round.count === round.from &&
    ops.every((op) => kindOf(op) === 'work' && !op.manner && op.stitch === ops[0]!.stitch)
  const loops = loopsIn(round)
  if (round.hosts[0]?.of.kind === 'rowEnds') return `${writeSteps(steps, terms)} along the ends of the rows`
  const zones = zonesOf(round)
  const pieceByPiece = ({ zone, steps: own }: ZoneCount) =>
    zone === 'front' || (zone === 'own' && own.length > 0 && !even)
  if (zones.some(pieceByPiece)) return writeByZones(zones, terms)
  if (round.left) {
    const [host] = round.hosts
    const left = stitchesIn(round.left)
    // A row that goes back over another stops before its end.
    return `${writeSteps(steps, terms)}; ${host && host.from > host.to ? `leave the last ${left}` : `${left} wait`}`
  }
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

/** A round piece by piece: over a panel and what waited beside it, or over zones that the maker named. */
function writeByZones(zones: readonly ZoneCount[], terms: Terms): string {
  const own = zones.some(({ zone }) => zone === 'own')
  return zones
    .map(({ zone, name, steps }) => {
      const text = writeSteps(steps, terms)
      return zone === 'own' ? `over ${name} ${text}` : [text, OVER[zone]].filter(Boolean).join(' ')
    })
    .join(own ? '; ' : ', ')
}

const OVER: Partial<Record<Zone, string>> = { heel: 'over the heel', front: 'across the front' }

/** Says into which round, where that is not the one before. */
const ofRound = ({ into }: PlannedRound): string => (into === undefined ? '' : ` of Rnd ${into}`)

/** The loop that all of a round is worked into, if not both. */
function loopsIn({ steps }: Pick<PlannedRound, 'steps'>): 'back' | 'front' | undefined {
  const loops = new Set(steps.flatMap(({ ops }) => ops.map((op) => op.loops)))
  return loops.size === 1 ? [...loops][0] : undefined
}

function writeStart(start: Start, round: PlannedRound, chain: StartingChain | undefined): string {
  if (start.kind === 'magicRing') return 'magic ring'
  if (start.kind === 'chainRing') return `ch ${start.chains}, join into a ring with sl st`
  if (start.kind === 'chainAlong') return writeChainAlong(start, round, chain)
  if (start.kind === 'joinedChain') return `ch ${round.from}, join with sl st without twisting`
  if (start.kind === 'chain') return writeFlatChain(round, chain)
  return `ch ${chainsOfFlatStart(chain)}`
}

/** "ch 13, begin in 2nd ch from hook": a stitch to each chain, and those that bring the hook up. */
function writeFlatChain({ from }: PlannedRound, chain: StartingChain | undefined): string {
  const turning = Math.max(1, chain?.chains ?? 1)
  const counts = chain?.counts ?? false
  const skipped = counts ? `, the ${turning} skipped ch count as 1` : ''
  return `ch ${from + turning - (counts ? 1 : 0)}, begin in ${ORDINALS[1 + turning]} ch from hook${skipped}`
}

/** The chain worked into, and those that bring the hook up to the height of round 1. */
const chainsOfFlatStart = (chain: StartingChain | undefined): number => 1 + Math.max(1, chain?.chains ?? 1)

function whereRoundOne(start: Start, chain: StartingChain | undefined): string {
  if (start.kind !== 'chainTwo') return 'in ring'
  const counted = chain?.counts ? `, the ${chain.chains} skipped ch count as 1` : ''
  return `in ${ORDINALS[chainsOfFlatStart(chain)]} ch from hook${counted}`
}

/** Starts that say themselves how the hook gets up to the height of round 1. */
const OWN_START: ReadonlySet<Start['kind']> = new Set(['chainTwo', 'chainAlong', 'chain'])

const INTO_A_SPIRAL = 'from here on in a spiral, a marker in the first st'

function writeEnd(
  { side, closed, leans = 0 }: PlannedRound,
  { rounds }: Construction,
  chain: StartingChain | undefined,
  above: { readonly round: PlannedRound; readonly in: Construction } | undefined,
): string {
  if (!closed) return writeEndOfRow(above?.round)
  if (rounds.kind === 'spiral') {
    // A spiral ends a stitch higher than it began.
    return above?.in.rounds.kind === 'joined'
      ? 'sl st in the next st: it ends level, and rounds are joined from here on'
      : leans > 0
        ? `${leans} st more, and the marker in the next: stitches lean`
        : 'move the marker up'
  }
  const join = `join with sl st in ${chain?.counts ? 'top of ch' : 'first st'}`
  const turns = above ? above.round.side !== side : rounds.turned
  const leaves = above?.round.left !== undefined && above.round.hosts[0]!.from > 0
  if (turns) return `${join}, turn`
  if (leaves) return `${join}, fasten off`
  return leans > 0 ? `${join}, sl st in the next: it begins there, since stitches lean` : join
}

/** Where the yarn is joined again, of a row on a stretch of an edge that does not begin where the hook is. */
function joinsAt({ left, hosts: [host] }: PlannedRound, below: PlannedRound | undefined): string {
  if (!left || !host) return ''
  const goesBack = below && standsOn({ hosts: [host] }, below) && host.from === below.count
  const first = Math.min(host.from, host.to)
  return first > 0 && !goesBack ? `join the yarn in st ${first + 1}` : ''
}

/** After a row: the next is worked back over it, along its end, or somewhere else. */
function writeEndOfRow(above: PlannedRound | undefined): string {
  const [host] = above?.hosts ?? []
  if (!above || !host) return 'fasten off'
  if (host.of.kind === 'rowEnds') return 'do not turn, go on along the ends of the rows'
  return host.from > host.to ? 'turn' : 'fasten off'
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
