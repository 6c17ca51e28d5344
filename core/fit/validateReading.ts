import { lengthOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { guessMeant } from '../gauge/guessMeant.ts'
import { meanOf, measured, type MeasureKind, type Seen } from '../lay/measures.ts'
import type { PlannedRound } from '../plan/plan.ts'
import { validateDisc } from '../gauge/validateDisc.ts'
import { seenOf, sizeSeen, type PieceReading } from './pieceReading.ts'

/** A size this far from anything the maker's gauge allows is a slip of the pen, not of the hook. */
const WITHIN_REASON = Math.log(1.5)

/** How to take a size again, when it cannot be what it was taken for. */
const TAKEN: Readonly<Partial<Record<MeasureKind, string>>> = {
  across: 'Measure it through the centre.',
  width: 'Lay it flat and measure from fold to fold.',
  length: 'Measure along it, from the chain to its edge.',
  depth: 'Measure along the surface, from the middle of the crown to its edge.',
}

/**
 * Questions at once what no piece can measure.
 * @param rounds planned rounds up to the one it was measured after
 * @param thickness of the fabric, mm
 * @throws SpecError at the kind of a size (`across`, `width`), `edge`, `hole` or `count`, with what was probably
 * meant
 */
export function validateReading(
  reading: PieceReading,
  rounds: readonly PlannedRound[],
  thickness: number,
): void {
  const { edge, hole } = reading
  if (edge) validateDisc(seenOf(reading, 'across'), edge)
  for (const seen of reading.seen) {
    // Along the edge of what lies flat it is held against its width alone.
    if (seen.of !== 'around' || !edge) validateSize(seen, rounds, thickness)
  }
  validateAround(reading)
  const wide = sizeSeen(reading, 'across')
  if (hole !== undefined && !(hole >= 0 && wide !== undefined && hole < wide / 3)) {
    throw new SpecError(
      'hole',
      `A hole of ${lengthOf(hole)} would leave no fabric.`,
      'From 0, when it is closed.',
    )
  }
  validateCounts(reading, rounds)
}

function validateSize({ of, at, values }: Seen, rounds: readonly PlannedRound[], thickness: number): void {
  const round = rounds[at - 1]
  if (!round) throw new SpecError(of, `Rnd ${at} is not worked yet.`, `Up to Rnd ${rounds.length}.`)
  if (values.length === 0 || values.some((value) => !(value > 0))) {
    throw new SpecError(of, 'A size is more than nothing.', TAKEN[of] ?? 'Measure it again.')
  }
  const [size, expected] = [meanOf(values), measured(of, round.asEdge, thickness)]
  if (Math.abs(Math.log(size / expected)) <= WITHIN_REASON) return
  const meant = guessMeant(size, expected)
  throw new SpecError(
    of,
    `${lengthOf(size)} after Rnd ${at} is more than any hand strays: the plan says ${lengthOf(expected)}.`,
    meant
      ? `Did you mean ${lengthOf(size * meant.factor)} ${meant.reason}?`
      : 'Check the round and the tape.',
  )
}

/** Around an edge is about π times across it, and never twice as much as it waves. */
function validateAround(reading: PieceReading): void {
  const [around, wide] = [sizeSeen(reading, 'around'), sizeSeen(reading, 'across')]
  if (around === undefined || wide === undefined || (around > 2 * wide && around < 5 * wide)) return
  throw new SpecError(
    'around',
    `${lengthOf(around)} around does not go with ${lengthOf(wide)} across.`,
    `Around a flat edge it is about ${lengthOf(Math.PI * wide)}.`,
  )
}

function validateCounts({ counts }: PieceReading, rounds: readonly PlannedRound[]): void {
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
