import { lengthOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { guessMeant } from '../gauge/guessMeant.ts'
import type { PlannedRound } from '../plan/plan.ts'
import { validateDisc } from '../shape/validateDisc.ts'
import { meanDiameter } from '../shape/disc.ts'
import type { PieceReading } from './pieceReading.ts'

/** A size this far from anything the maker's gauge allows is a slip of the pen, not of the hook. */
const WITHIN_REASON = Math.log(1.5)

/**
 * Questions at once what no piece can measure.
 * @param rounds planned rounds up to the one it was measured after
 * @throws SpecError at `across`, `around`, `edge`, `hole` or `count`, with what was probably meant
 */
export function validateReading(reading: PieceReading, rounds: readonly PlannedRound[]): void {
  const { across, around, edge, counts, hole } = reading
  const expected = 2 * rounds.at(-1)!.at.radius
  validateDisc(across, edge)
  const wide = meanDiameter(across)
  if (Math.abs(Math.log(wide / expected)) > WITHIN_REASON) {
    const meant = guessMeant(wide, expected)
    throw new SpecError(
      'across',
      `${lengthOf(wide)} after Rnd ${rounds.length} is more than any hand strays: the plan says ${lengthOf(expected)}.`,
      meant
        ? `Did you mean ${lengthOf(wide * meant.factor)} ${meant.reason}?`
        : 'Check the round and the tape.',
    )
  }
  if (around !== undefined && !(around > 2 * wide && around < 5 * wide)) {
    throw new SpecError(
      'around',
      `${lengthOf(around)} around does not go with ${lengthOf(wide)} across.`,
      `Around a flat edge it is about ${lengthOf(Math.PI * wide)}.`,
    )
  }
  if (hole !== undefined && !(hole >= 0 && hole < wide / 3)) {
    throw new SpecError(
      'hole',
      `A hole of ${lengthOf(hole)} would leave no fabric.`,
      'From 0, when it is closed.',
    )
  }
  for (const { round, count } of counts ?? []) {
    const planned = rounds[round - 1]?.count
    if (planned === undefined || !Number.isInteger(count) || count < planned / 2 || count > planned * 2) {
      throw new SpecError(
        'count',
        planned === undefined
          ? `Rnd ${round} is not worked yet.`
          : `${count} stitches cannot be Rnd ${round}: the plan says ${planned}.`,
        'Count every stitch of the round once.',
      )
    }
  }
}
