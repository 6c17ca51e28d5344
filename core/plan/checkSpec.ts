import { SpecError } from '../errors/specError.ts'
import { flatIncrease, STITCHES } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'

export const LARGEST_ACROSS = 3000
const MOST_ROUNDS = 400

/**
 * Refuses what cannot be planned, before any computing.
 * @throws SpecError with the path of the field and what would be valid
 */
export function checkSpec(spec: PieceSpec): void {
  const { shape, stitch, gauge, construction, rhythm, pace, colours } = spec
  if (!STITCHES[stitch]?.bodied) {
    throw new SpecError('stitch', 'No fabric can be made of this stitch.', 'Use sc, hdc, dc or tr.')
  }
  if (!(gauge.w > 0 && gauge.h > 0)) {
    throw new SpecError('gauge', 'The gauge is missing.', 'Work 12 sts by 12 rounds and measure them.')
  }
  const least = leastAcross(spec)
  const finest = Math.min(LARGEST_ACROSS, 2 * MOST_ROUNDS * gauge.h)
  if (!(shape.across >= least)) {
    throw new SpecError(
      'shape.across',
      `${cm(shape.across)} is under two rounds of this stitch.`,
      `At least ${cm(Math.ceil(least))} in this gauge.`,
    )
  }
  if (shape.across > finest) {
    throw new SpecError(
      'shape.across',
      `${cm(shape.across)} would take more than ${MOST_ROUNDS} rounds or be wider than a room mat.`,
      `Up to ${cm(Math.floor(finest))} in this gauge.`,
    )
  }
  if (!(shape.tolerance >= 0)) {
    throw new SpecError('shape.tolerance', 'A tolerance cannot be less than nothing.', 'From 0 up.')
  }
  if (!(rhythm >= 0 && rhythm <= 1)) {
    throw new SpecError('rhythm', 'Rhythm is out of range.', 'From 0 (precise) to 1 (even).')
  }
  if (!(pace >= 1 && pace <= 120)) {
    throw new SpecError(
      'pace',
      `${pace} stitches a minute cannot be.`,
      'From 1 to 120; most people make 12 to 25.',
    )
  }
  const { start } = construction
  if (
    start.kind === 'chainRing' &&
    !(Number.isInteger(start.chains) && start.chains >= 3 && start.chains <= 60)
  ) {
    throw new SpecError(
      'construction.start',
      `A ring of ${start.chains} chains cannot be used.`,
      'From 3 to 60 chains.',
    )
  }
  checkConstraints(spec)
  if (colours.length === 0 || colours[0]!.fromRound !== 1) {
    throw new SpecError('colours', 'Round 1 has no yarn.', 'The first yarn begins at round 1.')
  }
  if (colours.some(({ fromRound }, index) => index > 0 && fromRound <= colours[index - 1]!.fromRound)) {
    throw new SpecError(
      'colours',
      'Two yarns begin at the same round.',
      'Each yarn begins after the one before it.',
    )
  }
}

function checkConstraints({ constraints, gauge }: PieceSpec): void {
  const first = constraints?.firstCount
  const usual = flatIncrease(gauge.w, gauge.h)
  if (first !== undefined && !(Number.isInteger(first) && first >= 3 && first <= 400)) {
    throw new SpecError(
      'constraints.firstCount',
      `Round 1 cannot have ${first} stitches.`,
      `A whole number; in this stitch about ${Math.round(usual)}.`,
    )
  }
  for (const round of constraints?.evenRounds ?? []) {
    if (!Number.isInteger(round) || round < 2) {
      throw new SpecError(
        'constraints.evenRounds',
        `Round ${round} cannot be kept even.`,
        'Rounds from 2 on.',
      )
    }
  }
  for (const { fromRound, of } of constraints?.multiples ?? []) {
    if (!Number.isInteger(of) || of < 2 || of > 24 || !Number.isInteger(fromRound) || fromRound < 1) {
      throw new SpecError(
        'constraints.multiples',
        `Counts cannot be held to multiples of ${of}.`,
        'From 2 to 24.',
      )
    }
  }
}

/** Two rounds around the centre or the ring's hole. */
export function leastAcross({ gauge, construction }: Pick<PieceSpec, 'gauge' | 'construction'>): number {
  const { start } = construction
  const hole = start.kind === 'chainRing' ? (start.chains * gauge.w) / (2 * Math.PI) : 0
  return 2 * (hole + 2 * gauge.h)
}

const cm = (millimetres: number) => `${(millimetres / 10).toFixed(1)} cm`
