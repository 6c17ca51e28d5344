import { meanOf } from '../lay/measures.ts'
import { flatness, flatnessOfLastThird, FLAT_TOLERANCE } from '../lay/flatness.ts'
import type { Start } from '../plan/plan.ts'
import { rimHeldFlat } from '../lay/rimHeldFlat.ts'
import { sizesThatLie } from '../lay/sizesThatLie.ts'
import { CLOSED_RING, startOfFabric } from '../lay/startOfFabric.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { EdgeLies } from './evidence.ts'
import { TAPE_SD, type Reading } from './reading.ts'

/** The logarithm of a size: unknowns that add up to it, and what is known to be added. */
export interface SizeTerms {
  readonly terms: readonly number[]
  readonly offset: number
}

/** A disc as it was worked, its sizes still unknown. Rounds of one stitch had better share their terms. */
export interface DiscModel {
  readonly rounds: readonly { readonly count: number; readonly lnW: SizeTerms; readonly lnH: SizeTerms }[]
  /** How it was begun, and the stitch of round 1. */
  readonly start: Start
  readonly stitch: StitchName
  /** The unknown that says where round 1 begins: in heights of a closed ring, for any start alike. */
  readonly centre: number
  /** Unknowns at which its stitches are at least in proportion. */
  readonly near: Float64Array
}

export interface DiscMeasured {
  /** Diameters, mm: one, or two at right angles. */
  readonly across: readonly number[]
  /** Length around the edge, mm. */
  readonly around?: number
  readonly edge: EdgeLies
  /** Flatness that was planned there: lying flat at it is no surprise, even past the tolerance. */
  readonly plannedFlatness?: number
}

/** Even an exact tape meets fabric that is not: relative doubt of any size of a disc. */
const FABRIC_SD = 0.009
/** A tape around an edge follows it less well. */
const AROUND_SD = 0.012
/** How wide a rim that stands up is answers its count only so well, and its depth the fabric's own stiffness. */
const RIM_SD = 0.015
const DISH_SD = 0.04
/** |flatness| is anywhere within the tolerance when an edge lies flat, as the eye sees it. */
const FLAT = { within: FLAT_TOLERANCE, blur: 0.01 } as const
const FLAT_VARIANCE = FLAT_TOLERANCE ** 2 / 3
/** How far past flat an edge that waves is, by eye. */
const WAVE = { little: { mean: 0.06, sd: 0.02 }, lot: { mean: 0.12, sd: 0.04 } }

function logOf({ terms, offset }: SizeTerms, unknowns: Float64Array): number {
  let sum = offset
  for (const term of terms) sum += unknowns[term]!
  return sum
}

/**
 * A disc gives its size and how its edge lies. Flat: one equation for w and h through the settled disc,
 * and |f| ≤ g. Standing up: the stitches that `lay` would stand up just so, w and h apart. Waving: the radius stays about Σh, and the excess tells w. The length around
 * the edge is N·w, whatever it does.
 */
export function discReadings(model: DiscModel, measured: DiscMeasured): Reading[] {
  const { rounds, centre } = model
  const { across, around, edge } = measured
  const last = rounds.at(-1)!
  const counts = rounds.map(({ count }) => count)
  const radius = meanOf(across) / 2
  const variance = (TAPE_SD / (2 * radius)) ** 2 / across.length + FABRIC_SD ** 2
  const widths = [...new Set(rounds.flatMap(({ lnW }) => lnW.terms))]
  const heights = [...new Set(rounds.flatMap(({ lnH }) => lnH.terms))]
  const both = [...new Set([...widths, ...heights])]
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
    predict: (unknowns) => Math.log(heightOut(model, unknowns)),
  })
  const circumference =
    around === undefined ? [] : [widthAs(around / last.count, (TAPE_SD / around) ** 2 + AROUND_SD ** 2)]
  if (edge.kind === 'standsUp') {
    const { w, out } = sizesStanding(model, radius, edge.by)
    return [
      widthAs(w, variance + RIM_SD ** 2),
      heightAs(out, variance + DISH_SD ** 2, 'height'),
      ...circumference,
    ]
  }
  const lies: Reading = {
    about: 'edge',
    on: both,
    value: edge.kind === 'flat' ? 0 : WAVE[edge.much].mean,
    variance: edge.kind === 'flat' ? FLAT_VARIANCE : WAVE[edge.much].sd ** 2,
    ...(edge.kind === 'flat' ? { bound: { ...FLAT, within: flatWithin(measured.plannedFlatness) } } : {}),
    predict: (unknowns) => flatnessOfEdge(model, unknowns),
  }
  if (edge.kind === 'waves') return [heightAs(radius, variance, 'size'), lies, ...circumference]
  const flat: Reading = {
    about: 'size',
    on: [...both, centre],
    value: Math.log(radius),
    variance,
    predict: (unknowns) => Math.log(radiusOfFlatDisc(model, counts, unknowns)),
  }
  return [flat, lies, ...circumference]
}

/** What lies flat: the tolerance, or what was planned to, well clear of its edge. */
const flatWithin = (planned = 0): number => Math.max(FLAT.within, Math.abs(planned) + FLAT_TOLERANCE / 2)

/** Room for the sizes of rounds, used again by every prediction: fitting asks for thousands. */
let [widths, heights] = [new Float64Array(64), new Float64Array(64)]

/** Sizes of a model's rounds, mm, for some unknowns; they hold until the next are asked for. */
function sizesAt({ rounds }: DiscModel, unknowns: Float64Array) {
  const size = rounds.length
  if (widths.length < size) [widths, heights] = [new Float64Array(size), new Float64Array(size)]
  const [w, h] = [widths.subarray(0, size), heights.subarray(0, size)]
  let before: DiscModel['rounds'][number] | undefined
  rounds.forEach((round, index) => {
    const same = before?.lnW === round.lnW && before.lnH === round.lnH
    w[index] = same ? w[index - 1]! : Math.exp(logOf(round.lnW, unknowns))
    h[index] = same ? h[index - 1]! : Math.exp(logOf(round.lnH, unknowns))
    before = round
  })
  return { w, h }
}

/** Where the fabric begins, mm: the hole that counts begin at, and the centre as far out as the unknown says. */
function beginningOf({ start, stitch, centre }: DiscModel, w: number, h: number, unknowns: Float64Array) {
  const usual = startOfFabric(start, stitch, w, h)
  const off = (unknowns[centre]! - CLOSED_RING.mean) / CLOSED_RING.sd
  return { hole: usual.hole, centre: Math.max(0, usual.centre + off * usual.sd) }
}

/** Centre and all heights. */
function heightOut(model: DiscModel, unknowns: Float64Array): number {
  const { w, h } = sizesAt(model, unknowns)
  return h.reduce((sum, one) => sum + one, beginningOf(model, w[0]!, h[0]!, unknowns).centre)
}

/** The settled radius of a disc that is known to lie flat. */
function radiusOfFlatDisc(model: DiscModel, counts: readonly number[], unknowns: Float64Array): number {
  const { w, h } = sizesAt(model, unknowns)
  return rimHeldFlat({ counts, w, h, ...beginningOf(model, w[0]!, h[0]!, unknowns) })
}

/** Mean flatness of the last third of the rounds, which decides how the edge lies. */
function flatnessOfEdge(model: DiscModel, unknowns: Float64Array): number {
  const { w, h } = sizesAt(model, unknowns)
  let arc = beginningOf(model, w[0]!, h[0]!, unknowns).hole
  const rounds = model.rounds.map(({ count }, index) => ({
    count,
    flatness: flatness(count, w[index]!, (arc += h[index]!)),
  }))
  return flatnessOfLastThird(rounds)
}

/**
 * The width of its last stitches and its centre with all heights, mm, of a disc whose rim stands so. A dish says it
 * within a few per cent, r = N·w(1 + g/2)/2π and the arc through the rim Σh(1 − g/2); from there `lay` is asked. A rim
 * so little up that lay would have it flat is left to the dish.
 */
function sizesStanding(model: DiscModel, radius: number, by: number) {
  const { w, h } = sizesAt(model, model.near)
  const { centre, hole } = beginningOf(model, w[0]!, h[0]!, model.near)
  const rounds = model.rounds.map(({ count }, index) => ({ count, w: w[index]!, h: h[index]! }))
  const [last, out] = [rounds.at(-1)!, rounds.reduce((sum, round) => sum + round.h, centre)]
  const dish = {
    lnW: Math.log((2 * Math.PI * radius) / (last.count * (1 + FLAT_TOLERANCE / 2) * last.w)),
    lnH: Math.log(arcOfDish(radius, by) / ((1 - FLAT_TOLERANCE / 2) * out)),
  }
  const { lnW, lnH } = sizesThatLie({ rounds, centre, hole, patted: true }, { radius, z: by }, dish) ?? dish
  return { w: last.w * Math.exp(lnW), out: out * Math.exp(lnH) }
}

/** Length along a shallow dish (part of a ball) from its middle to its rim, radius and depth in mm. */
export function arcOfDish(radius: number, depth: number): number {
  if (depth < radius * 1e-3) return radius
  const ball = (radius ** 2 + depth ** 2) / (2 * depth)
  const angle = Math.asin(Math.min(1, radius / ball))
  return ball * (depth > radius ? Math.PI - angle : angle)
}
