import { discReadings, type DiscModel } from '../gauge/discReadings.ts'
import { varianceAlong, type Gaussian } from '../gauge/gaussian.ts'
import type { Gauge, StitchSize } from '../gauge/gauge.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { logEvidence, mostProbable } from '../gauge/mostProbable.ts'
import type { Reading } from '../gauge/reading.ts'
import { beginningOf, layAs, type RoundToLay, type SpecToLay } from '../plan/beginningOf.ts'
import { gaugesOf, type StitchIn } from '../plan/sectionWork.ts'
import type { PieceSpec, PlannedRound } from '../plan/plan.ts'
import { flatnessOfLastThird } from '../lay/flatness.ts'
import type { LaidRing } from '../lay/lay.ts'
import { layDown } from '../lay/layDown.ts'
import { CLOSED_RING, closes, startOfFabric } from '../lay/startOfFabric.ts'
import { asBegun } from '../plan/wantedAround.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import type { CauseKind, Hypothesis } from './causes.ts'
import { laidReadings } from './laidReadings.ts'
import { seenOf, sizeSeen, type PieceReading } from './pieceReading.ts'

/** This day's hands against the swatch's: both sizes together 2.5%, and 1.2% each. */
const DAY_TOGETHER = 0.025
const DAY_APART = 0.012
const CENTRE_UNKNOWN = 2
/** Somebody who is asked counts right 98 times of 100, and is one off most of the rest. */
const COUNTED_RIGHT = 0.979
const COUNTED_NEAR = 0.01
const COUNTED_WILD = 0.0003

/** A way the rounds may have been worked, with the stitches that explain the readings best. */
export interface Fit {
  readonly hypothesis: Hypothesis
  readonly belief: Gaussian
  /** Logarithm of prior times evidence. */
  readonly log: number
}

/** The maker's gauge with what a day's hands add to its doubt, and the centre of a ring. */
export function priorOf(
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

/** How well a hypothesis explains the readings, with its own w, h and centre. */
export function fitHypothesis(
  hypothesis: Hypothesis,
  planned: PieceSpec,
  rounds: readonly PlannedRound[],
  readings: readonly PieceReading[],
): Fit {
  const spec = asBegun(planned, rounds)
  const prior = priorOf(spec.gauge, hypothesis.centre)
  const numbers: Reading[] = []
  let log = Math.log(hypothesis.prior)
  for (const reading of readings) {
    const worked = rounds.slice(0, reading.afterRound)
    const counts = hypothesis.counts(worked.map(({ count }) => count))
    numbers.push(...sizesIn(reading, counts, worked, spec), ...holeReading(reading, spec))
    for (const { round, count } of reading.counts ?? []) {
      log += Math.log(countOdds(count - (counts[round - 1] ?? counts.at(-1)!)))
    }
    if (reading.join) log += Math.log(joinOdds(hypothesis.kind, reading.join))
  }
  const belief = mostProbable(prior, numbers)
  return { hypothesis, belief, log: log + logEvidence(prior, numbers, belief.mean) }
}

/** What a reading's sizes say if the rounds had these counts: of flat fabric with how its edge lies. */
function sizesIn(
  reading: PieceReading,
  counts: readonly number[],
  worked: readonly PlannedRound[],
  spec: PieceSpec,
): Reading[] {
  const { seen, edge } = reading
  if (!edge) return laidReadings(asMade(spec, counts, worked), spec, seen)
  const around = sizeSeen(reading, 'around')
  return discReadings(modelOf(counts, worked, spec), {
    across: seenOf(reading, 'across'),
    ...(around === undefined ? {} : { around }),
    edge,
    plannedFlatness: flatnessOfLastThird(worked),
  })
}

/** Rounds of the planned stitches with other counts; one more is of the stitch of the last. */
function asMade(spec: SpecToLay, counts: readonly number[], planned: readonly PlannedRound[]): RoundToLay[] {
  const like = (index: number) => planned[Math.min(index, planned.length - 1)]!
  return layAs(spec)(
    counts.map((count, index) => {
      const { number, section, stitch } = like(index)
      return { number, section, stitch, count }
    }),
  )
}

/** A hole is seen to a millimetre or so; a ring that is drawn up has the usual small centre all the same. */
const HOLE_SD = 1.5

/** The hole by its own width: it lies around the usual centre, in heights h. */
function holeReading({ hole }: PieceReading, { construction, gauge }: PieceSpec): Reading[] {
  if (hole === undefined || !closes(construction.start)) return []
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
function modelOf(counts: readonly number[], rounds: readonly PlannedRound[], spec: PieceSpec): DiscModel {
  const { gauge, construction } = spec
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
    near: priorOf(gauge).mean,
    rounds: asMade(spec, counts, rounds).map(({ stitch, count }) => ({
      count,
      ...(terms.get(stitch) ?? termsOf(stitch)),
    })),
  }
}

/** The maker's stitches as a fit has them. */
export function sizeIn(belief: Gaussian): StitchSize {
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

/** Where the worked rounds lie if a fit holds. */
export function positionsOf(
  { hypothesis, belief }: Pick<Fit, 'hypothesis' | 'belief'>,
  planned: PieceSpec,
  rounds: readonly PlannedRound[],
): readonly LaidRing[] {
  const spec = asBegun(planned, rounds)
  const { w, h } = sizeIn(belief)
  const counts = hypothesis.counts(rounds.map(({ count }) => count))
  const gauges = gaugesOf(spec)
  const sizeFor = (round: StitchIn) => {
    const own = gauges(round)
    return { w: (w * own.w) / spec.gauge.w, h: (h * own.h) / spec.gauge.h }
  }
  const first = sizeFor(rounds[0]!)
  const off = (belief.mean[CENTRE_UNKNOWN]! - CLOSED_RING.mean) / CLOSED_RING.sd
  const { sd } = startOfFabric(spec.construction.start, rounds[0]!.stitch, first.w, first.h)
  const toLay = layAs(spec)(
    rounds.map(({ section, stitch }, index) => ({
      number: index + 1,
      section,
      stitch,
      count: counts[Math.min(index, counts.length - 1)]!,
    })),
  )
  const usual = beginningOf({ ...spec, stitch: rounds[0]!.stitch }, first, toLay)
  return layDown(toLay, { ...usual, centre: Math.max(0, usual.centre + off * sd) }, sizeFor).rings
}
