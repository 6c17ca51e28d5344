import { constructionIn } from '../plan/sectionWork.ts'
import { SpecError } from '../errors/specError.ts'
import type { StitchSize } from '../gauge/gauge.ts'
import type { FoundEdge, PieceSpec, PlannedRound } from '../plan/plan.ts'
import { promisesOf } from '../plan/promisesOf.ts'
import { sizesOf } from '../plan/wantedAround.ts'
import { meanOf, measured, type MeasureKind, type Promised } from '../lay/measures.ts'
import type { LaidRing } from '../lay/lay.ts'
import { canBeWorked, hypothesesFor, type CauseKind } from './causes.ts'
import { validateReading } from './validateReading.ts'
import { fitHypothesis, positionsOf, priorOf, sizeIn, type Fit } from './fitHypothesis.ts'
import { lookThatTells, type Look } from './lookThatTells.ts'
import { seenOf, sizeSeen, type PieceReading } from './pieceReading.ts'
import { polygonOf, unevenness } from './roundness.ts'
import { handsOf, type Hands } from './hands.ts'

/** One cause, with the likeliest way it may have happened. */
export interface Cause {
  readonly kind: CauseKind
  /** From 0 to 1; all causes add up to one. Never 1: a reading leaves doubt. */
  readonly probability: number
  readonly from?: number
  readonly stitches?: number
  /** Counts of the worked rounds if this is it. */
  readonly counts: readonly number[]
}

export interface Diagnosis {
  /** Ranked, the likeliest first. */
  readonly causes: readonly Cause[]
  /** Counts to go on from: those of the first cause, and what was counted where it was. */
  readonly counts: readonly number[]
  /** The maker's stitches in this piece, if the first cause holds. */
  readonly size: StitchSize
  readonly hands: Hands
  /** Where the worked rounds lie, if the first cause holds; the last of them as it was measured. */
  readonly positions: readonly LaidRing[]
  readonly edge: FoundEdge
  /** What was expected of the last reading, by the measures of the form. */
  readonly expected: readonly Promised[]
  /** The one look that tells causes apart, while more than one is possible. */
  readonly look?: Look
  /** Two mistakes explain it about as well, and a look would tell: ways out had better wait for it. */
  readonly undecided: boolean
  /** Two diameters that differ by more than their placement of increases explains, as a share. */
  readonly uneven?: number
  /** Corners against flats of stacked increases: by what share they differ, and how many sides there are. */
  readonly polygon?: { readonly share: number; readonly sides: number }
}

export interface Worked {
  readonly spec: PieceSpec
  /** Planned rounds up to the last reading. */
  readonly rounds: readonly PlannedRound[]
  /** In any order; the one after the last round is what is asked about. */
  readonly readings: readonly PieceReading[]
}

/**
 * What readings of a piece say: why it measures as it does, how large the maker's stitches are in it, and
 * where its edge lies. Every hypothesis is fitted with its own w, h and centre; their evidence ranks them.
 * @throws SpecError when a reading cannot be: `across`, `around`, `count` or `edge`
 */
export function diagnose({ spec, rounds, readings }: Worked): Diagnosis {
  const last = latest(readings, rounds.length)
  const { thickness } = sizesOf(spec)
  validateReading(last, rounds, thickness)
  const planned = rounds.map(({ count }) => count)
  const hypotheses = hypothesesFor(planned, constructionIn(spec, rounds.at(-1)!.section))
  const fits = hypotheses.map((hypothesis) => fitHypothesis(hypothesis, spec, rounds, readings))
  const best = Math.max(...fits.map(({ log }) => log))
  const total = fits.reduce((sum, { log }) => sum + Math.exp(log - best), 0)
  const likely = fits.map((one) => ({ ...one, probability: Math.exp(one.log - best) / total }))
  const causes = groupByKind(likely, planned)
  const suspects = likely.map(({ hypothesis, probability }) => ({
    kind: hypothesis.kind,
    from: hypothesis.from,
    counts: hypothesis.counts(planned),
    probability,
  }))
  const first = bestOf(fits, causes[0]!.kind)
  const size = sizeIn(first.belief)
  const positions = positionsOf(first, spec, rounds)
  const expectedFit = positionsOf({ ...bestOf(fits, 'hands'), belief: priorOf(spec.gauge) }, spec, rounds)
  const edge = edgeFound(last, positions.at(-1)!, size, thickness)
  const look = lookThatTells(suspects, last)
  return {
    causes,
    counts: asCounted(causes[0]!.counts, last),
    size,
    hands: handsOf(spec.gauge, sizeIn(bestOf(fits, 'hands').belief)),
    positions: [
      ...positions
        .slice(0, -1)
        .map((position) => ({ ...position, z: dishAt(position, positions.at(-1)!, last) })),
      {
        ...positions.at(-1)!,
        radius: edge.radius,
        z: last.edge?.kind === 'standsUp' ? last.edge.by : positions.at(-1)!.z,
      },
    ],
    edge,
    expected: promisesOf(spec, rounds.at(-1)!).map((promise) => ({
      ...promise,
      value: measured(promise.of, expectedFit.at(-1)!, thickness),
    })),
    look,
    undecided: look !== undefined && betweenMistakes(causes),
    uneven: unevenness(last, spec),
    polygon: polygonOf(last, spec, rounds),
  }
}

/** A tape is laid to a millimetre, and finds of fabric so much of its size. */
const LAID_SD = 1
const FOUND_SD = 0.004

/** Where the edge was found: as far out as it was measured, as far along as that or as its stitches reach. */
function edgeFound(
  last: PieceReading,
  fitted: LaidRing,
  { varLnH }: StitchSize,
  thickness: number,
): FoundEdge {
  const radiusBy = (of: MeasureKind, weight: number, over = 0) => {
    const values = seenOf(last, of)
    if (values.length === 0) return undefined
    const radius = (meanOf(values) - over) / weight
    return { radius, sd: Math.hypot((2 * LAID_SD) / weight / Math.sqrt(values.length), FOUND_SD * radius) }
  }
  const flat = radiusBy('across', 2)
  if (flat) return { ...flat, z: last.edge?.kind === 'standsUp' ? last.edge.by : 0 }
  const wide = radiusBy('sideToSide', 2) ?? radiusBy('toTheCurve', 1)
  if (wide) return { ...wide, z: 0 }
  const { radius, arc, z, spine = 0, turned = 0 } = fitted
  const leg = sizeSeen(last, 'leg')
  const height = sizeSeen(last, 'height')
  // A wall that is found higher is so much longer.
  const stands = sizeSeen(last, 'sole') ?? (height === undefined ? undefined : height - thickness / 2)
  const length =
    sizeSeen(last, 'length') ??
    sizeSeen(last, 'depth') ??
    (leg === undefined ? undefined : turned + leg) ??
    (stands === undefined ? undefined : arc + stands - z)
  return {
    ...(radiusBy('width', Math.PI) ??
      radiusBy('alongRow', 2 * Math.PI) ??
      radiusBy('around', 2 * Math.PI, Math.PI * thickness + 2 * spine) ?? { radius, sd: 0.02 * radius }),
    z: stands ?? z,
    along:
      length === undefined
        ? { arc, sd: arc * Math.sqrt(varLnH) }
        : { arc: length, sd: Math.hypot(LAID_SD, FOUND_SD * length) },
  }
}

/** A second cause that is at least so likely against the first leaves it open between them. */
const OPEN = 0.25

const betweenMistakes = ([first, second]: readonly Cause[]): boolean =>
  first !== undefined &&
  second !== undefined &&
  first.kind !== 'hands' &&
  second.kind !== 'hands' &&
  second.probability >= OPEN * first.probability

/** What a maker has counted is there, whatever explains it, as far as increases can make it so. */
function asCounted(counts: readonly number[], { counts: told }: PieceReading): readonly number[] {
  return (told ?? []).reduce<readonly number[]>((known, { round, count }) => {
    const next = known.map((one, index) => (index + 1 === round ? count : one))
    return canBeWorked(next) ? next : known
  }, counts)
}

/** Height of a round in a dish whose rim stands up by what was measured: as the square of its radius. */
function dishAt({ radius, z }: LaidRing, rim: LaidRing, { edge }: PieceReading): number {
  return edge?.kind === 'standsUp' ? edge.by * (radius / rim.radius) ** 2 : z
}

function latest(readings: readonly PieceReading[], round: number): PieceReading {
  const here = readings.filter(({ afterRound }) => afterRound === round)
  const last = here.sort((one, other) => one.at - other.at).at(-1)
  if (!last || last.seen.length === 0) {
    throw new SpecError('seen', 'Nothing is measured after this round.', 'Measure its size.')
  }
  return last
}

const bestOf = (fits: readonly Fit[], kind: CauseKind): Fit =>
  fits
    .filter(({ hypothesis }) => hypothesis.kind === kind)
    .reduce((top, one) => (one.log > top.log ? one : top))

/** A reading leaves doubt, however well one cause explains it. */
const MOST_CERTAIN = 0.99

function groupByKind(fits: readonly (Fit & { probability: number })[], planned: readonly number[]): Cause[] {
  const kinds = [...new Set(fits.map(({ hypothesis }) => hypothesis.kind))]
  return kinds
    .map((kind): Cause => {
      const ofKind = fits.filter(({ hypothesis }) => hypothesis.kind === kind)
      const { hypothesis } = bestOf(ofKind, kind)
      return {
        kind,
        probability: Math.min(
          MOST_CERTAIN,
          ofKind.reduce((sum, { probability }) => sum + probability, 0),
        ),
        ...(hypothesis.from === undefined ? {} : { from: hypothesis.from }),
        ...(hypothesis.stitches === undefined ? {} : { stitches: hypothesis.stitches }),
        counts: hypothesis.counts(planned),
      }
    })
    .sort((one, other) => other.probability - one.probability)
}
