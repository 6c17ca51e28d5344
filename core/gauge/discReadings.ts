import { flatness, FLAT_TOLERANCE } from '../shape/disc.ts'
import { settleFlat, type RoundFabric } from '../shape/predictProfile.ts'
import type { EdgeLies } from './evidence.ts'
import { TAPE_SD, type Reading } from './reading.ts'

/** The logarithm of a size: unknowns that add up to it, and what is known to be added. */
export interface SizeTerms {
  readonly terms: readonly number[]
  readonly offset: number
}

/** A disc as it was worked, its sizes still unknown. */
export interface DiscModel {
  readonly rounds: readonly { readonly count: number; readonly lnW: SizeTerms; readonly lnH: SizeTerms }[]
  /** The unknown that says where round 1 begins, in heights h. */
  readonly centre: number
}

export interface DiscMeasured {
  /** Diameters, mm: one, or two at right angles. */
  readonly across: readonly number[]
  /** Length around the edge, mm. */
  readonly around?: number
  readonly edge: EdgeLies
}

/** Even an exact tape meets fabric that is not: relative doubt of any size of a disc. */
const FABRIC_SD = 0.006
/** A tape around an edge follows it less well. */
const AROUND_SD = 0.012
/** Depth of a cup answers the model of a dish only so well. */
const DISH_SD = 0.015
/** |flatness| is anywhere within the tolerance when an edge lies flat. */
const FLAT_SD = FLAT_TOLERANCE / Math.sqrt(3)
/** How far past flat an edge that waves is, by eye. */
const WAVE = { little: { mean: 0.06, sd: 0.02 }, lot: { mean: 0.12, sd: 0.04 } }

const logOf = ({ terms, offset }: SizeTerms, unknowns: Float64Array): number =>
  terms.reduce((sum, term) => sum + unknowns[term]!, offset)

/**
 * A disc gives its size and how its edge lies. Flat: one equation for w and h through the settled disc,
 * and |f| ≤ g. Standing up by x: r = N·w(1 + g/2)/2π, and the arc of the dish through r and x is
 * Σh(1 − g/2): w and h apart. Waving: the radius stays about Σh, and the excess tells w. The length around
 * the edge is N·w, whatever it does.
 */
export function discReadings({ rounds, centre }: DiscModel, measured: DiscMeasured): Reading[] {
  const { across, around, edge } = measured
  const last = rounds.at(-1)!
  const radius = across.reduce((sum, one) => sum + one, 0) / across.length / 2
  const variance = (TAPE_SD / (2 * radius)) ** 2 / across.length + FABRIC_SD ** 2
  const widths = [...new Set(rounds.flatMap(({ lnW }) => lnW.terms))]
  const heights = [...new Set(rounds.flatMap(({ lnH }) => lnH.terms))]
  const both = [...new Set([...widths, ...heights])]
  const heightOut = (unknowns: Float64Array) =>
    rounds.reduce(
      (sum, { lnH }) => sum + Math.exp(logOf(lnH, unknowns)),
      Math.max(0, unknowns[centre]!) * Math.exp(logOf(rounds[0]!.lnH, unknowns)),
    )
  const widthAs = (value: number, noise: number): Reading => ({
    about: 'width',
    on: last.lnW.terms,
    value: Math.log(value),
    variance: noise,
    predict: (unknowns) => logOf(last.lnW, unknowns),
  })
  const heightAs = (value: number, noise: number, about: Reading['about']): Reading => ({
    about,
    on: [...heights, centre],
    value: Math.log(value),
    variance: noise,
    predict: (unknowns) => Math.log(heightOut(unknowns)),
  })
  const circumference =
    around === undefined ? [] : [widthAs(around / last.count, (TAPE_SD / around) ** 2 + AROUND_SD ** 2)]
  if (edge.kind === 'standsUp') {
    const bow = (2 * Math.PI) / (last.count * (1 + FLAT_TOLERANCE / 2))
    const noise = variance + DISH_SD ** 2
    return [
      widthAs(radius * bow, noise),
      heightAs(arcOfDish(radius, edge.by) / (1 - FLAT_TOLERANCE / 2), noise, 'height'),
      ...circumference,
    ]
  }
  const lies: Reading = {
    about: 'edge',
    on: both,
    value: edge.kind === 'flat' ? 0 : WAVE[edge.much].mean,
    variance: (edge.kind === 'flat' ? FLAT_SD : WAVE[edge.much].sd) ** 2,
    predict: (unknowns) => flatnessOfEdge(rounds, unknowns),
  }
  if (edge.kind === 'waves') return [heightAs(radius, variance, 'size'), lies, ...circumference]
  const flat: Reading = {
    about: 'size',
    on: [...both, centre],
    value: Math.log(radius),
    variance,
    predict: (unknowns) => Math.log(radiusOfFlatDisc(rounds, unknowns, unknowns[centre]!)),
  }
  return [flat, lies, ...circumference]
}

/** The settled radius of a disc that is known to lie flat. */
function radiusOfFlatDisc(rounds: DiscModel['rounds'], unknowns: Float64Array, centre: number): number {
  const fabric = rounds.map(({ count, lnW, lnH }): RoundFabric => ({
    count,
    w: Math.exp(logOf(lnW, unknowns)),
    h: Math.exp(logOf(lnH, unknowns)),
    flatness: 0,
  }))
  return settleFlat(fabric, centre * fabric[0]!.h).at(-1)!
}

/** Mean flatness of the last third of the rounds, which decides how the edge lies. */
function flatnessOfEdge(rounds: DiscModel['rounds'], unknowns: Float64Array): number {
  const from = rounds.length - Math.max(1, Math.ceil(rounds.length / 3))
  let stitches = 0
  let sum = 0
  let arc = 0
  rounds.forEach(({ count, lnW, lnH }, index) => {
    arc += Math.exp(logOf(lnH, unknowns))
    if (index < from) return
    stitches += count
    sum += count * flatness(count, Math.exp(logOf(lnW, unknowns)), arc)
  })
  return sum / stitches
}

/** Length along a shallow dish (part of a ball) from its middle to its rim, radius and depth in mm. */
export function arcOfDish(radius: number, depth: number): number {
  if (depth < radius * 1e-3) return radius
  const ball = (radius ** 2 + depth ** 2) / (2 * depth)
  const angle = Math.asin(Math.min(1, radius / ball))
  return ball * (depth > radius ? Math.PI - angle : angle)
}
