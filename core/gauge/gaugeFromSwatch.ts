import { SpecError } from '../errors/specError.ts'
import { mm } from '../units/millimetres.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { observe, type Belief } from './belief.ts'
import type { Gauge } from './gauge.ts'
import { gaugeFromTable, type YarnAndHook } from './gaugeFromTable.ts'

/** Stitches and rounds (or rows) counted over a length. */
export interface Swatch {
  /** Stitches over the length; fractions allowed. */
  readonly stitches: number
  /** Rounds, or rows, over the same length. */
  readonly rounds: number
  /** Length counted over, mm: 100 for 10 cm, 101.6 for 4 in. */
  readonly over: number
  /** Counted on a piece worked in rounds, or on a flat swatch worked in rows. */
  readonly worked: 'rounds' | 'rows'
}

/** A tape is read to ±2 mm, a stitch to ±¼. */
const LENGTH_SD = 2
const COUNT_SD = 0.25
/** Rows are not rounds: a flat swatch tells h/w only to 7%. */
const ROWS_BIAS_SD = 0.07

/**
 * Gauge from a swatch, with the yarn label as the weak prior behind it.
 * @throws SpecError when the counts cannot be a swatch of any yarn
 */
export function gaugeFromSwatch(stitch: StitchName, swatch: Swatch, yarn: YarnAndHook): Gauge {
  checkSwatch(swatch)
  const label = gaugeFromTable(stitch, yarn)
  const prior: Belief = { ...label, lnW: Math.log(label.w), lnH: Math.log(label.h) }
  const { stitches, rounds, over, worked } = swatch
  const readingVariance = (count: number) => (LENGTH_SD / over) ** 2 + (COUNT_SD / count) ** 2
  const bias = worked === 'rows' ? ROWS_BIAS_SD ** 2 : 0
  const afterWidth = observe(prior, {
    onLnW: 1,
    onLnH: 0,
    value: Math.log(over / stitches),
    variance: readingVariance(stitches),
  })
  const after = observe(afterWidth, {
    onLnW: 0,
    onLnH: 1,
    value: Math.log(over / rounds),
    variance: readingVariance(rounds) + bias,
  })
  const { lnW, lnH, ...spread } = after
  return {
    ...spread,
    stitch,
    w: mm(Math.exp(lnW)),
    h: mm(Math.exp(lnH)),
    yarnDiameter: label.yarnDiameter,
    certainty: 'measured',
  }
}

function checkSwatch({ stitches, rounds, over }: Swatch): void {
  for (const [field, count] of [
    ['stitches', stitches],
    ['rounds', rounds],
  ] as const) {
    if (!(count > 0)) {
      throw new SpecError(
        `gauge.${field}`,
        `A swatch has more than 0 ${field}.`,
        'Count them over the length.',
      )
    }
    const size = over / count
    if (size < 0.8) {
      throw new SpecError(
        `gauge.${field}`,
        `${count} ${field} in ${over / 10} cm would be ${size.toFixed(1)} mm each: finer than sewing thread.`,
        `Up to ${Math.floor(over / 0.8)} ${field}. Was it counted over a longer stretch?`,
      )
    }
    if (size > 80) {
      throw new SpecError(
        `gauge.${field}`,
        `${count} ${field} in ${over / 10} cm would be ${(size / 10).toFixed(0)} cm each: thicker than any yarn.`,
        `At least ${Math.ceil(over / 80)} ${field}. Is the length right?`,
      )
    }
  }
  const ratio = stitches / rounds
  if (ratio < 0.2 || ratio > 5) {
    throw new SpecError(
      'gauge.rounds',
      `${stitches} stitches by ${rounds} rounds would make a stitch ${ratio.toFixed(1)} times as tall as wide.`,
      'Count both over the same length.',
    )
  }
}
