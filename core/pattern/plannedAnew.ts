import { BEYOND_SECTION } from '../plan/rowsAfter.ts'
import { partOf } from '../rounds/round.ts'
import type { PieceRecord } from '../exchange/records.ts'

/** What rounds follow from, of a piece that Uzel plans. */
const FOLLOWS = [
  'form',
  'stitch',
  'construction',
  'rhythm',
  'sections',
] as const satisfies readonly (keyof PieceRecord)[]

/**
 * A piece that was worked as written, once its maker changes what rounds follow from: it is planned anew, in the stitch,
 * the beginning and the way of its text, which stays with it.
 */
export function plannedAnew(before: PieceRecord, next: PieceRecord): PieceRecord {
  const { given, ...constraints } = next.constraints
  if (!given || given !== before.constraints.given) return next
  const { given: _, ...others } = before.constraints
  const same =
    FOLLOWS.every((key) => JSON.stringify(before[key]) === JSON.stringify(next[key])) &&
    JSON.stringify(others) === JSON.stringify(constraints)
  return same ? next : { ...next, constraints }
}

/** Whether it is worked with rows that its form has not, so that they cannot be planned anew. */
export const hasRowsBeyond = ({ constraints: { given } }: Pick<PieceRecord, 'constraints'>): boolean =>
  given?.some(({ section }) => partOf(section) === BEYOND_SECTION) ?? false

/**
 * A piece with more or fewer rounds than it had: its bands of yarn and its accent rounds keep their share of them, each
 * band and each accent a round of its own.
 */
export function inProportion(piece: PieceRecord, from: number, to: number): PieceRecord {
  const { accents } = piece.constraints
  const scaled =
    accents &&
    scaledRounds(accents, ({ round }) => round, { from, to, first: 2 }).map(([accent, round]) => ({
      ...accent,
      round,
    }))
  return {
    ...piece,
    colours: bandsOver(piece.colours, from, to),
    ...(scaled ? { constraints: { ...piece.constraints, accents: scaled } } : {}),
  }
}

/** The same bands of yarn over more or fewer rounds, in proportion; each keeps a round. */
export const bandsOver = (
  colours: PieceRecord['colours'],
  from: number,
  to: number,
): PieceRecord['colours'] =>
  scaledRounds(colours, ({ fromRound }) => fromRound, { from, to, first: 1 }).map(([run, fromRound]) => ({
    ...run,
    fromRound,
  }))

/** What stands at rounds, by its share of more or fewer of them, in order, one a round; what has no room is left out. */
function scaledRounds<T>(
  things: readonly T[],
  roundOf: (thing: T) => number,
  { from, to, first }: { readonly from: number; readonly to: number; readonly first: number },
): (readonly [T, number])[] {
  let last = first - 1
  return things
    .map((thing): readonly [T, number] => {
      last = Math.max(last + 1, Math.round(((roundOf(thing) - 1) * to) / from) + 1)
      return [thing, last]
    })
    .filter(([, round]) => round <= to)
}
