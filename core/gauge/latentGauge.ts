import { BODY_STITCHES, type StitchName } from '../stitches/stitch.ts'
import { CLOSED_RING } from '../lay/startOfFabric.ts'
import type { Gaussian } from './gaussian.ts'
import { gaugeFromTable, LABEL_CORRELATION, LABEL_SD, type YarnAndHook } from './gaugeFromTable.ts'

/** Which loops a round is worked into. A post stitch goes around the stitch below. */
export type Loops = 'both' | 'single' | 'post'
/** Gauge as worked and as washed are two gauges of one fabric. */
export type FabricState = 'worked' | 'washed'

/** What a yarn's label and fibre, hook and hands leave unknown, in one list. */
const NAMES: readonly StitchName[] = ['slst', ...BODY_STITCHES]
const SINGLE_LOOP = 2 * NAMES.length
const POST = SINGLE_LOOP + 1
const ROWS = SINGLE_LOOP + 2
const WASHED_WIDTH = SINGLE_LOOP + 3
const WASHED_HEIGHT = SINGLE_LOOP + 4
/** Where round 1 begins, in heights h. */
export const CENTRE = SINGLE_LOOP + 5
export const UNKNOWNS = SINGLE_LOOP + 6

const widthOf = (stitch: StitchName): number => 2 * NAMES.indexOf(stitch)

const LABEL_VARIANCE = LABEL_SD ** 2
/** Widths of two stitches of one hand differ from the usual by 3%, heights by 5%. */
const OWN_WIDTH_VARIANCE = 0.03 ** 2 / 2
const OWN_HEIGHT_VARIANCE = 0.05 ** 2 / 2
/** Back or front loop only: 5 to 10% taller. Around the post: 20 to 30% shorter. */
const SINGLE_LOOP_TALLER = { mean: Math.log(1.075), sd: 0.025 }
const POST_SHORTER = { mean: Math.log(0.75), sd: 0.05 }
/** Rows are not rounds: a flat swatch tells h/w only to 7%, however often it is worked. */
const ROWS_SD = 0.07

/** What washing does to a fibre, in logarithms of w and h. */
export interface WashChange {
  readonly mean: number
  readonly sd: number
}

/**
 * What the label alone says about every stitch of a yarn and hook. All sizes move together (one hand, one
 * hook), all h/w a little; each stitch keeps some doubt of its own, so that a reading in one sharpens the
 * others less than itself.
 * @throws SpecError when weight, strands or hook are out of range
 */
export function labelBelief(yarn: YarnAndHook, washing: WashChange): Gaussian {
  const mean = new Float64Array(UNKNOWNS)
  const covariance = new Float64Array(UNKNOWNS * UNKNOWNS)
  const set = (row: number, column: number, value: number) => (covariance[row * UNKNOWNS + column] = value)
  const shared = LABEL_VARIANCE * LABEL_CORRELATION
  for (const one of NAMES) {
    const label = gaugeFromTable(one, yarn)
    mean[widthOf(one)] = Math.log(label.w)
    mean[widthOf(one) + 1] = Math.log(label.h)
    for (const other of NAMES) {
      const same = one === other
      set(widthOf(one), widthOf(other), LABEL_VARIANCE - (same ? 0 : OWN_WIDTH_VARIANCE))
      set(widthOf(one) + 1, widthOf(other) + 1, LABEL_VARIANCE - (same ? 0 : OWN_HEIGHT_VARIANCE))
      set(widthOf(one), widthOf(other) + 1, shared)
      set(widthOf(one) + 1, widthOf(other), shared)
    }
  }
  const alone = (unknown: number, known: { mean: number; sd: number }) => {
    mean[unknown] = known.mean
    set(unknown, unknown, known.sd ** 2)
  }
  alone(SINGLE_LOOP, SINGLE_LOOP_TALLER)
  alone(POST, POST_SHORTER)
  alone(ROWS, { mean: 0, sd: ROWS_SD })
  alone(WASHED_WIDTH, washing)
  alone(WASHED_HEIGHT, washing)
  alone(CENTRE, CLOSED_RING)
  return { mean, covariance }
}

/** What makes the size of a stitch: which unknowns add up to its ln w and its ln h. */
export interface StitchTerms {
  readonly lnW: readonly number[]
  readonly lnH: readonly number[]
}

/** The unknowns behind one stitch, worked so. `rows`: counted on a swatch worked back and forth. */
export function stitchTerms(stitch: StitchName, loops: Loops, state: FabricState, rows = false): StitchTerms {
  const washed = state === 'washed'
  return {
    lnW: [widthOf(stitch), ...(washed ? [WASHED_WIDTH] : [])],
    lnH: [
      widthOf(stitch) + 1,
      ...(loops === 'single' ? [SINGLE_LOOP] : loops === 'post' ? [POST] : []),
      ...(rows ? [ROWS] : []),
      ...(washed ? [WASHED_HEIGHT] : []),
    ],
  }
}
