import { SpecError } from '../errors/specError.ts'
import type { Plan } from '../plan/plan.ts'
import { easesWith, easingOf, seamStitches, type Joint, type JointEdge } from './joint.ts'

/** What there is to know of the pieces that joints are between. */
export interface EdgesOf {
  readonly id: string
  readonly name: string
  readonly quantity: number
  /** Stitches of the round that it ends with, and of the chain that it begins on, if that is an edge. */
  readonly last: number
  readonly first?: number
}

/** The edges of a planned piece. What a tube or a strap begins on is one, too. */
export function edgesOf({
  id,
  name,
  quantity,
  plan: { rounds },
}: Pick<EdgesOf, 'id' | 'name' | 'quantity'> & { readonly plan: Pick<Plan, 'rounds'> }): EdgesOf {
  const [first, last] = [rounds[0]!, rounds.at(-1)!]
  const chain = first.from > 0 && first.hosts.length === 1 ? first.from : undefined
  return { id, name, quantity, last: last.count, ...(chain === undefined ? {} : { first: chain }) }
}

/** Fewer stitches hold nothing. */
const FEWEST = 2

const wrong = (message: string, valid: string) => new SpecError('joints', message, valid)

/** Stitches of an edge; nothing where a piece has no such edge. */
export const stitchesOf = (piece: EdgesOf, { of }: Pick<JointEdge, 'of'>): number | undefined =>
  of === 'last' ? piece.last : piece.first

/** What a stretch is called: "Lid", or "disc 2" of a set. */
export const edgeName = (
  piece: Pick<EdgesOf, 'name' | 'quantity'>,
  { copy }: Pick<JointEdge, 'copy'>,
): string => (piece.quantity > 1 ? `${piece.name} ${copy}` : piece.name)

const sameEdge = (one: JointEdge, other: JointEdge): boolean =>
  one.pieceId === other.pieceId && one.copy === other.copy && one.of === other.of

const overlap = (one: JointEdge, other: JointEdge): boolean =>
  sameEdge(one, other) && one.from < other.from + other.count && other.from < one.from + one.count

/**
 * Refuses a joint that cannot be worked, beside those that are there.
 * @throws SpecError with what would be right
 */
export function validateJoint(pieces: readonly EdgesOf[], joint: Joint, others: readonly Joint[]): void {
  const [one, other] = joint.edges
  if (sameEdge(one, other)) {
    throw wrong(
      'A joint of an edge with itself joins nothing.',
      'Choose another piece, another of the set, or close its end where the piece is planned.',
    )
  }
  for (const edge of joint.edges) validateEdge(pieces, edge)
  for (const edge of joint.edges) {
    const taken = others
      .filter(({ id }) => id !== joint.id)
      .flatMap(({ edges }) => edges)
      .find((there) => overlap(there, edge))
    if (!taken) continue
    const piece = pieces.find(({ id }) => id === edge.pieceId)!
    throw wrong(
      `Stitches ${Math.max(taken.from, edge.from) + 1} to ${Math.min(taken.from + taken.count, edge.from + edge.count)} of ${edgeName(piece, edge)} are joined already.`,
      freeWords(piece, edge, others, joint.id),
    )
  }
  const { kind, share } = easingOf(one.count, other.count)
  if (kind === 'gather') {
    const [least, most] = easesWith(Math.max(one.count, other.count))
    throw wrong(
      `${Math.max(one.count, other.count)} stitches on ${Math.min(one.count, other.count)} are ${Math.round(100 * share)}% more: that gathers.`,
      `${Math.max(one.count, other.count)} go with ${least} to ${most}; take as many there, or fewer here.`,
    )
  }
  const { filledThrough } = joint
  const all = seamStitches(joint)
  if (filledThrough !== undefined && !(filledThrough >= FEWEST && filledThrough <= all - FEWEST)) {
    throw wrong(
      `${filledThrough} stitches left open of ${all} are no opening to fill through.`,
      `From ${FEWEST} to ${all - FEWEST}.`,
    )
  }
}

function validateEdge(pieces: readonly EdgesOf[], edge: JointEdge): void {
  const piece = pieces.find(({ id }) => id === edge.pieceId)
  if (!piece) throw wrong('A joint is with a piece that is not in this project.', 'Take it out.')
  if (!(edge.copy >= 1 && edge.copy <= piece.quantity)) {
    throw wrong(
      `There is no ${piece.name} ${edge.copy}: ${piece.quantity === 1 ? 'one is' : `${piece.quantity} are`} made.`,
      'Make more of them, or take another.',
    )
  }
  const there = stitchesOf(piece, edge)
  if (there === undefined) {
    throw wrong(
      `${piece.name} begins in its middle: it has no edge there.`,
      'Take the edge that it ends with.',
    )
  }
  if (!(edge.count >= FEWEST && edge.from >= 0 && edge.from + edge.count <= there)) {
    throw wrong(
      edge.count < FEWEST
        ? `${edge.count} stitches hold nothing.`
        : `Stitches ${edge.from + 1} to ${edge.from + edge.count} are beyond the edge of ${edgeName(piece, edge)}, which has ${there}.`,
      `From ${FEWEST} stitches, within 1 to ${there}.`,
    )
  }
}

/** What is still free of an edge: "1 to 20 and 33 to 52 are free." */
function freeWords(piece: EdgesOf, edge: JointEdge, others: readonly Joint[], id: string): string {
  const taken = others
    .filter((joint) => joint.id !== id)
    .flatMap(({ edges }) => edges)
    .filter((there) => sameEdge(there, edge))
    .sort((one, next) => one.from - next.from)
  const free: string[] = []
  let at = 0
  for (const { from, count } of [...taken, { from: stitchesOf(piece, edge)!, count: 0 }]) {
    if (from - at >= FEWEST) free.push(`${at + 1} to ${from}`)
    at = Math.max(at, from + count)
  }
  return free.length === 0 ? 'All of it is joined: take another edge.' : `Free are ${free.join(' and ')}.`
}
