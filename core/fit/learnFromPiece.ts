import type { Evidence } from '../gauge/evidence.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { seenOf, sizeSeen, type PieceReading } from './pieceReading.ts'

/**
 * A finished piece as evidence for its gauge: the strongest there is, the same hands, day and fabric. A disc tells
 * by its size and how its edge lies (its edging of slip stitches is left out of it, since it follows the round
 * below); what was laid flat by its stitches around and its rounds along it.
 * @param from name of the piece
 */
export function learnFromPiece(
  reading: PieceReading,
  { rounds }: Plan,
  { stitch, construction: { start, loops } }: Pick<PieceSpec, 'stitch' | 'construction'>,
  from: string,
): Evidence | undefined {
  const worked = rounds.slice(0, reading.afterRound)
  const taken = {
    // One a piece: measured again, it takes the place of what was measured before.
    id: `piece-${reading.copyId}`.slice(0, 64),
    at: reading.at,
    stitch,
    loops: loops ? 'single' : 'both',
    state: 'worked',
  } as const
  if (reading.edge) {
    return {
      ...taken,
      kind: 'round',
      ...(start.kind === 'magicRing' || start.kind === 'chainTwo' ? {} : { start }),
      counts: worked.map(({ count }) => count),
      stitches: worked.map((round) => round.stitch),
      across: seenOf(reading, 'across'),
      edge: reading.edge,
      from,
    }
  }
  const width = sizeSeen(reading, 'width')
  const length = sizeSeen(reading, 'length') ?? sizeSeen(reading, 'depth')
  if (width === undefined && length === undefined) return undefined
  const even = worked.every((round) => round.stitch === stitch)
  return {
    ...taken,
    kind: 'marks',
    // Laid flat, half of its stitches lie on top.
    ...(width === undefined ? {} : { along: { count: worked.at(-1)!.count / 2, over: width } }),
    ...(length === undefined || !even ? {} : { out: { count: worked.length, over: length } }),
    from,
  }
}
