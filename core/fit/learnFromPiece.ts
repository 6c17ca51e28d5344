import type { RoundEvidence } from '../gauge/evidence.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import type { PieceReading } from './pieceReading.ts'

/**
 * A finished piece as evidence for its gauge: the strongest there is, the same hands, day and fabric. Its
 * edging of slip stitches is left out of it, since it follows the round below.
 * @param from name of the piece
 */
export function learnFromPiece(
  reading: PieceReading,
  { rounds }: Plan,
  { stitch, construction: { start } }: Pick<PieceSpec, 'stitch' | 'construction'>,
  from: string,
): RoundEvidence {
  const worked = rounds.slice(0, reading.afterRound)
  return {
    // One a piece: measured again, it takes the place of what was measured before.
    id: `piece-${reading.copyId}`.slice(0, 64),
    at: reading.at,
    kind: 'round',
    stitch,
    ...(start.kind === 'chainRing' ? { start } : {}),
    loops: 'both',
    state: 'worked',
    counts: worked.map(({ count }) => count),
    stitches: worked.map((round) => round.stitch),
    across: reading.across,
    edge: reading.edge,
    from,
  }
}
