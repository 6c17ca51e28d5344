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

/** The same bands of yarn over more or fewer rounds, in proportion; each keeps a round. */
export function bandsOver(colours: PieceRecord['colours'], from: number, to: number): PieceRecord['colours'] {
  let last = 0
  const scaled = colours.map((run) => {
    const fromRound = Math.max(last + 1, Math.round(((run.fromRound - 1) * to) / from) + 1)
    last = fromRound
    return { ...run, fromRound }
  })
  return scaled.filter(({ fromRound }) => fromRound <= to)
}
