import { SpecError } from '../errors/specError.ts'
import { discReadings, type DiscModel } from '../gauge/discReadings.ts'
import { varianceAlong, type Gaussian } from '../gauge/gaussian.ts'
import type { Gauge, StitchSize } from '../gauge/gauge.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { logEvidence, mostProbable } from '../gauge/mostProbable.ts'
import type { Reading } from '../gauge/reading.ts'
import type { PieceSpec, Round } from '../plan/plan.ts'
import { flatnessOfLastThird, meanDiameter } from '../shape/disc.ts'
import { fabricOf } from '../shape/fabricOf.ts'
import { predictProfile, type PredictedPosition } from '../shape/predictProfile.ts'
import { CLOSED_RING, startOfFabric } from '../shape/startOfFabric.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import { canBeWorked, hypothesesFor, type CauseKind, type Hypothesis } from './causes.ts'
import { checkReading } from './checkReading.ts'
import { lookThatTells, type Look } from './lookThatTells.ts'
import type { PieceReading } from './pieceReading.ts'
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
  readonly positions: readonly PredictedPosition[]
  readonly edge: { readonly radius: number; readonly z: number; readonly sd: number }
  /** What was expected of the last reading: diameter and ± (19 times of 20). */
  readonly expected: { readonly across: number; readonly plusMinus: number }
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
  readonly rounds: readonly Round[]
  /** In any order; the one after the last round is what is asked about. */
  readonly readings: readonly PieceReading[]
}

/** This day's hands against the swatch's: both sizes together 2.5%, and 1.2% each. */
const DAY_TOGETHER = 0.025
const DAY_APART = 0.012
const CENTRE_UNKNOWN = 2
/** Somebody who is asked counts right 98 times of 100, and is one off most of the rest. */
const COUNTED_RIGHT = 0.979
const COUNTED_NEAR = 0.01
const COUNTED_WILD = 0.0003

/**
 * What readings of a piece say: why it measures as it does, how large the maker's stitches are in it, and
 * where its edge lies. Every hypothesis is fitted with its own w, h and centre; their evidence ranks them.
 * @throws SpecError when a reading cannot be: `across`, `around`, `count` or `edge`
 */
export function diagnose({ spec, rounds, readings }: Worked): Diagnosis {
  const last = latest(readings, rounds.length)
  checkReading(last, rounds)
  const planned = rounds.map(({ count }) => count)
  const hypotheses = hypothesesFor(planned, spec.construction)
  const fits = hypotheses.map((hypothesis) => fit(hypothesis, spec, rounds, readings))
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
  const measured = meanDiameter(last.across) / 2
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
        radius: measured,
        z: last.edge.kind === 'standsUp' ? last.edge.by : positions.at(-1)!.z,
      },
    ],
    edge: {
      radius: measured,
      z: last.edge.kind === 'standsUp' ? last.edge.by : 0,
      sd: Math.hypot(1 / Math.sqrt(last.across.length), 0.004 * measured),
    },
    expected: { across: 2 * expectedFit.at(-1)!.radius, plusMinus: 4 * rounds.at(-1)!.at.sd },
    look,
    undecided: look !== undefined && betweenMistakes(causes),
    uneven: unevenness(last, spec),
    polygon: polygonOf(last, spec, rounds),
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
function dishAt({ radius, z }: PredictedPosition, rim: PredictedPosition, { edge }: PieceReading): number {
  return edge.kind === 'standsUp' ? edge.by * (radius / rim.radius) ** 2 : z
}

function latest(readings: readonly PieceReading[], round: number): PieceReading {
  const here = readings.filter(({ afterRound }) => afterRound === round)
  const last = here.sort((one, other) => one.at - other.at).at(-1)
  if (!last) throw new SpecError('across', 'Nothing is measured after this round.', 'Measure it across.')
  return last
}

interface Fit {
  readonly hypothesis: Hypothesis
  readonly belief: Gaussian
  /** Logarithm of prior times evidence. */
  readonly log: number
}

/** The maker's gauge with what a day's hands add to its doubt, and the centre of a ring. */
function priorOf(
  { w, h, varLnW, varLnH, covLnWLnH }: Gauge,
  centre: { readonly mean: number; readonly sd: number } = CLOSED_RING,
): Gaussian {
  const together = DAY_TOGETHER ** 2
  const apart = DAY_APART ** 2
  const cov = covLnWLnH + together
  return {
    mean: Float64Array.of(Math.log(w), Math.log(h), centre.mean),
    covariance: Float64Array.of(
      varLnW + together + apart,
      cov,
      0,
      cov,
      varLnH + together + apart,
      0,
      0,
      0,
      centre.sd ** 2,
    ),
  }
}

function fit(
  hypothesis: Hypothesis,
  spec: PieceSpec,
  rounds: readonly Round[],
  readings: readonly PieceReading[],
): Fit {
  const prior = priorOf(spec.gauge, hypothesis.centre)
  const numbers: Reading[] = []
  let log = Math.log(hypothesis.prior)
  for (const reading of readings) {
    const worked = rounds.slice(0, reading.afterRound)
    const counts = hypothesis.counts(worked.map(({ count }) => count))
    const measured = { ...reading, plannedFlatness: flatnessOfLastThird(worked) }
    numbers.push(...discReadings(modelOf(counts, worked, spec), measured), ...holeReading(reading, spec))
    for (const { round, count } of reading.counts ?? []) {
      log += Math.log(countOdds(count - (counts[round - 1] ?? counts.at(-1)!)))
    }
    if (reading.join) log += Math.log(joinOdds(hypothesis.kind, reading.join))
  }
  const belief = mostProbable(prior, numbers)
  return { hypothesis, belief, log: log + logEvidence(prior, numbers, belief.mean) }
}

/** A hole is seen to a millimetre or so; a ring that is drawn up has the usual small centre all the same. */
const HOLE_SD = 1.5

/** The hole by its own width: it lies around the usual centre, in heights h. */
function holeReading({ hole }: PieceReading, { construction, gauge }: PieceSpec): Reading[] {
  if (hole === undefined || construction.start.kind === 'chainRing') return []
  return [
    {
      about: 'size',
      on: [CENTRE_UNKNOWN],
      value: CLOSED_RING.mean + hole / 2 / gauge.h,
      variance: (HOLE_SD / gauge.h) ** 2 + CLOSED_RING.sd ** 2 / 4,
      predict: (unknowns) => unknowns[CENTRE_UNKNOWN]!,
    },
  ]
}

const countOdds = (off: number): number =>
  off === 0 ? COUNTED_RIGHT : Math.abs(off) === 1 ? COUNTED_NEAR : COUNTED_WILD

/** A join that is looked at is seen as it is in nine of ten pieces. */
const joinOdds = (kind: CauseKind, seen: NonNullable<PieceReading['join']>): number => {
  const real = kind === 'joinWorked' ? 'worked' : kind === 'firstSkipped' ? 'skipped' : 'right'
  return seen === real ? 0.9 : 0.05
}

/** Rounds with so many stitches; other stitches than the body's keep their usual proportion to it. */
function modelOf(
  counts: readonly number[],
  rounds: readonly Round[],
  { gauge, construction }: PieceSpec,
): DiscModel {
  const terms = new Map<StitchName, Pick<DiscModel['rounds'][number], 'lnW' | 'lnH'>>()
  const termsOf = (stitch: StitchName) => {
    const own = gaugeForStitch(gauge, stitch)
    const known = terms.get(stitch) ?? {
      lnW: { terms: [0], offset: Math.log(own.w / gauge.w) },
      lnH: { terms: [1], offset: Math.log(own.h / gauge.h) },
    }
    terms.set(stitch, known)
    return known
  }
  return {
    start: construction.start,
    stitch: rounds[0]!.stitch,
    centre: CENTRE_UNKNOWN,
    rounds: counts.map((count, index) => {
      const { stitch } = rounds[Math.min(index, rounds.length - 1)]!
      return { count, ...(terms.get(stitch) ?? termsOf(stitch)) }
    }),
  }
}

function sizeIn(belief: Gaussian): StitchSize {
  const varLnW = varianceAlong(belief, [[0, 1]])
  const varLnH = varianceAlong(belief, [[1, 1]])
  return {
    w: mm(Math.exp(belief.mean[0]!)),
    h: mm(Math.exp(belief.mean[1]!)),
    varLnW,
    varLnH,
    covLnWLnH: belief.covariance[1]!,
  }
}

function positionsOf(
  { hypothesis, belief }: Pick<Fit, 'hypothesis' | 'belief'>,
  spec: PieceSpec,
  rounds: readonly Round[],
): PredictedPosition[] {
  const { w, h } = sizeIn(belief)
  const counts = hypothesis.counts(rounds.map(({ count }) => count))
  const sizeFor = (stitch: StitchName) => {
    const own = gaugeForStitch(spec.gauge, stitch)
    return { w: (w * own.w) / spec.gauge.w, h: (h * own.h) / spec.gauge.h }
  }
  const first = sizeFor(rounds[0]!.stitch)
  const { hole, centre, sd } = startOfFabric(spec.construction.start, rounds[0]!.stitch, first.w, first.h)
  const off = (belief.mean[CENTRE_UNKNOWN]! - CLOSED_RING.mean) / CLOSED_RING.sd
  const fabric = fabricOf(
    rounds.map(({ stitch }, index) => ({ stitch, count: counts[Math.min(index, counts.length - 1)]! })),
    hole,
    sizeFor,
  )
  return predictProfile(fabric, Math.max(0, centre + off * sd), hole)
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
