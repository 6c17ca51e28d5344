import { plain } from '../rounds/steps.ts'
import { topOf, usedBy, type Round, type Run } from '../rounds/round.ts'
import { isEdging } from '../stitches/stitch.ts'
import { yarnsIn } from '../yarn/strands.ts'
import { chooseCheckpoints } from './chooseCheckpoints.ts'
import { forCopy } from './forCopy.ts'
import { layRounds } from './layRounds.ts'
import { measureFinished } from './measureFinished.ts'
import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { textureIn } from './sectionWork.ts'
import { sumsOf } from './sumsOf.ts'
import { freshId, heldIn } from './writeRounds.ts'

/** A piece as it is really worked: its spec, with what stands at later rounds moved along, and its plan. */
export interface Otherwise {
  readonly spec: PieceSpec
  readonly plan: Plan
}

const isPlainRing = (round: PlannedRound | undefined): round is PlannedRound =>
  round !== undefined &&
  round.closed &&
  round.left === undefined &&
  !isEdging(round.stitch) &&
  round.steps.every(({ ops }) => ops.every(({ manner }) => manner === undefined))

/** The same stitches of one round, in place of those of another. */
const moved = (run: Run, from: string, to: string): Run =>
  run.of.kind === 'top' && run.of.round === from ? { ...run, of: { ...run.of, round: to } } : run

const standingOn = (round: Round, from: string, to: string): Round => ({
  ...round,
  hosts: round.hosts.map((run) => moved(run, from, to)),
  ...(round.left ? { left: round.left.map((run) => moved(run, from, to)) } : {}),
})

/**
 * The piece with one more even round after one of its own; nothing after what is no plain round, where the next would
 * not stand on it as planned, or in a texture, which an even round breaks.
 */
export function withEvenRound(spec: PieceSpec, plan: Plan, after: number): Otherwise | undefined {
  const below = plan.rounds[after - 1]
  if (!isPlainRing(below) || textureIn(spec, below.section)) return undefined
  const next = plan.rounds[after]
  if (next && (!next.closed || textureIn(spec, next.section))) return undefined
  const own = shifted(spec, after, 1)
  const even: Round = {
    id: freshId(after + 1, new Set(plan.rounds.map(({ id }) => id))),
    section: below.section,
    closed: true,
    side: below.side,
    fabric: below.fabric,
    ...heldIn(own, after),
    hosts: [topOf(below)],
    steps: [{ times: 1, ops: [plain(below.stitch, below.count)] }],
  }
  return relaid(own, plan, [
    ...plan.rounds.slice(0, after),
    even,
    ...plan.rounds.slice(after).map((round) => standingOn(round, below.id, even.id)),
  ])
}

/** The piece without one of its rounds, where that only goes around on as many stitches as there are. */
export function withoutRound(spec: PieceSpec, plan: Plan, number: number): Otherwise | undefined {
  const round = plan.rounds[number - 1]
  const [below, next] = [plan.rounds[number - 2], plan.rounds[number]]
  if (!isPlainRing(round) || !isPlainRing(below) || !next?.closed) return undefined
  if (usedBy(round) !== round.count || textureIn(spec, round.section)) return undefined
  // What turns an edge is no round that may be missing.
  const turnsEdge = round.hosts.some(({ of }) => of.kind === 'top' && of.loops !== 'both')
  if (turnsEdge || round.section !== below.section) return undefined
  const rounds = plan.rounds
    .filter(({ id }) => id !== round.id)
    .map((one) => standingOn(one, round.id, below.id))
  return relaid(shifted(spec, number, -1), plan, rounds)
}

/**
 * The piece with another yarn from a round on, in place of the one that is planned there, up to the next change of
 * yarn; nothing where it is in hand already.
 */
export function withYarnFrom(spec: PieceSpec, plan: Plan, from: number, yarn: string): Otherwise | undefined {
  const here = plan.rounds[from - 1]
  if (!here || yarnsIn(here).includes(yarn)) return undefined
  const colours = [
    ...spec.colours.filter(({ fromRound }) => fromRound < from),
    // What was held beside it stays in hand.
    { fromRound: from, yarn, ...(here.beside ? { beside: here.beside } : {}) },
    ...spec.colours.filter(({ fromRound }) => fromRound > from),
  ]
  const own = { ...spec, colours }
  return relaid(
    own,
    plan,
    plan.rounds.map(({ beside: _, ...round }, index) => ({ ...round, ...heldIn(own, index + 1) })),
  )
}

/** What a spec says of rounds after one, moved along by a round. */
function shifted(spec: PieceSpec, after: number, by: 1 | -1): PieceSpec {
  const accents = spec.constraints?.accents?.map((accent) =>
    accent.round > after ? { ...accent, round: accent.round + by } : accent,
  )
  return {
    ...spec,
    colours: spec.colours.map((run) =>
      run.fromRound > after ? { ...run, fromRound: run.fromRound + by } : run,
    ),
    ...(accents ? { constraints: { ...spec.constraints, accents } } : {}),
  }
}

function relaid(spec: PieceSpec, plan: Plan, rounds: readonly Round[]): Otherwise {
  const given = rounds.map(({ id, section, closed, side, fabric, hosts, steps, left }) => ({
    id,
    section,
    closed,
    side,
    fabric,
    hosts,
    steps,
    ...(left ? { left } : {}),
  }))
  const own = spec.constraints?.given ? { ...spec, constraints: { ...spec.constraints, given } } : spec
  const laid = layRounds(own, rounds, plan.goesOn)
  const worked = plan.goesOn?.after ?? 0
  return {
    spec: own,
    plan: {
      ...plan,
      rounds: laid,
      finished: measureFinished(own, laid),
      checkpoints: chooseCheckpoints(own, laid, 0).filter(
        ({ afterRound, purpose }) => afterRound > worked || purpose === 'finish',
      ),
      ...sumsOf(laid, own),
    },
  }
}

/** How one plan differs from another, round by round as they are called in the one that tells. */
export type Difference =
  | { readonly kind: 'added'; readonly round: PlannedRound }
  | { readonly kind: 'leftOut'; readonly round: PlannedRound }
  /** It comes out with another count, in another stitch or yarn, or at the same count by other steps. */
  | {
      readonly kind: 'count' | 'stitch' | 'yarn' | 'steps'
      readonly round: PlannedRound
      readonly was: PlannedRound
    }

/** More changes than this are another plan. */
const MOST_CHANGES = 12

/**
 * What a copy is worked otherwise than its piece was first planned; nothing where that is another plan altogether.
 * Of a pair the other one is a mirror image, which is no change.
 * @param number which of the set it is, from 1
 */
export function changesOfCopy(
  first: Otherwise,
  own: Pick<Plan, 'rounds'>,
  number: number,
): readonly Difference[] {
  const changes = differenceOf(forCopy(first.spec, first.plan, number).plan.rounds, own.rounds)
  return changes.length <= MOST_CHANGES ? changes : []
}

/** What was worked otherwise than first planned, in working order; rounds are known by their ids. */
export function differenceOf(
  before: readonly PlannedRound[],
  after: readonly PlannedRound[],
): readonly Difference[] {
  const known = new Map(before.map((round) => [round.id, round]))
  const still = new Set(after.map(({ id }) => id))
  const changed = after.flatMap((round): Difference[] => {
    const was = known.get(round.id)
    if (!was) return [{ kind: 'added', round }]
    if (was.count !== round.count) return [{ kind: 'count', round, was }]
    if (was.stitch !== round.stitch) return [{ kind: 'stitch', round, was }]
    if (was.yarn !== round.yarn) return [{ kind: 'yarn', round, was }]
    return JSON.stringify(was.steps) === JSON.stringify(round.steps) ? [] : [{ kind: 'steps', round, was }]
  })
  const left = before
    .filter(({ id }) => !still.has(id))
    .map((round): Difference => ({ kind: 'leftOut', round }))
  return [...changed, ...left].toSorted((one, other) => one.round.number - other.round.number)
}
