import { flatness, FLAT_TOLERANCE } from '../shape/disc.ts'
import { settleFlat, type RoundFabric } from '../shape/predictProfile.ts'
import type { CountOver, Evidence, RoundEvidence } from './evidence.ts'
import { CENTRE, stitchTerms } from './latentGauge.ts'

/** One number read off the fabric, and what a gauge would make it. */
export interface Reading {
  /** Which way it informs: width, height, or both through the size of a disc. */
  readonly about: 'width' | 'height' | 'size' | 'edge'
  /** Unknowns it depends on. */
  readonly on: readonly number[]
  readonly value: number
  /** Variance of the measuring. */
  readonly variance: number
  readonly predict: (unknowns: Float64Array) => number
}

/** A tape is read to ±2 mm, a stitch to ±¼. */
const LENGTH_SD = 2
const COUNT_SD = 0.25
/** Even an exact tape meets fabric that is not: relative doubt of any size of a disc. */
const FABRIC_SD = 0.006
/** Depth of a cup answers the model of a dish only so well. */
const DISH_SD = 0.015
/** |flatness| is anywhere within the tolerance when an edge lies flat. */
const FLAT_SD = FLAT_TOLERANCE / Math.sqrt(3)
/** How far past flat an edge that waves is, by eye. */
const WAVE = { little: { mean: 0.06, sd: 0.02 }, lot: { mean: 0.12, sd: 0.04 } }

/** The numbers that a piece of evidence reads off the fabric. */
export function readingsOf(evidence: Evidence): Reading[] {
  switch (evidence.kind) {
    case 'swatch': {
      const rows = evidence.worked === 'rows'
      return [
        counted('width', evidence, evidence.stitches),
        counted('height', evidence, evidence.rounds, rows),
      ]
    }
    case 'marks':
      return [
        ...(evidence.along ? [counted('width', evidence, evidence.along)] : []),
        ...(evidence.out ? [counted('height', evidence, evidence.out)] : []),
      ]
    case 'round':
      return readingsOfDisc(evidence)
  }
}

const sumOf = (unknowns: Float64Array, terms: readonly number[]) =>
  terms.reduce((sum, term) => sum + unknowns[term]!, 0)

function counted(
  about: 'width' | 'height',
  { stitch, loops, state }: Evidence,
  { count, over }: CountOver,
  rows = false,
): Reading {
  const { lnW, lnH } = stitchTerms(stitch, loops, state, rows)
  const terms = about === 'width' ? lnW : lnH
  return {
    about,
    on: terms,
    value: Math.log(over / count),
    variance: (LENGTH_SD / over) ** 2 + (COUNT_SD / count) ** 2,
    predict: (unknowns) => sumOf(unknowns, terms),
  }
}

/**
 * A disc gives its size and how its edge lies. Flat: one equation for w and h through the settled disc,
 * and |f| ≤ g. Standing up by x: r = N·w(1 + g/2)/2π, and the arc of the dish through r and x is
 * Σh(1 − g/2): w and h apart. Waving: the radius stays about Σh, and the excess tells w.
 */
function readingsOfDisc({ stitch, loops, state, counts, across, edge }: RoundEvidence): Reading[] {
  const { lnW, lnH } = stitchTerms(stitch, loops, state)
  const radius = across.reduce((sum, one) => sum + one, 0) / across.length / 2
  const measured = (LENGTH_SD / (2 * radius)) ** 2 / across.length
  const size = { about: 'size' as const, value: Math.log(radius), variance: measured + FABRIC_SD ** 2 }
  const last = counts.at(-1)!
  const rounds = counts.length
  const heightsOut = (unknowns: Float64Array) =>
    sumOf(unknowns, lnH) + Math.log(rounds + Math.max(0, unknowns[CENTRE]!))
  if (edge.kind === 'standsUp') {
    const bow = (2 * Math.PI) / (last * (1 + FLAT_TOLERANCE / 2))
    return [
      {
        about: 'width',
        on: lnW,
        value: Math.log(radius * bow),
        variance: size.variance + DISH_SD ** 2,
        predict: (unknowns) => sumOf(unknowns, lnW),
      },
      {
        about: 'height',
        on: [...lnH, CENTRE],
        value: Math.log(arcOfDish(radius, edge.by) / (1 - FLAT_TOLERANCE / 2)),
        variance: size.variance + DISH_SD ** 2,
        predict: heightsOut,
      },
    ]
  }
  const on = [...new Set([...lnW, ...lnH])]
  const lies: Reading = {
    about: 'edge',
    on,
    value: edge.kind === 'flat' ? 0 : WAVE[edge.much].mean,
    variance: (edge.kind === 'flat' ? FLAT_SD : WAVE[edge.much].sd) ** 2,
    predict: (unknowns) => flatnessOfEdge(counts, sumOf(unknowns, lnW), sumOf(unknowns, lnH)),
  }
  if (edge.kind === 'waves') return [{ ...size, on: [...lnH, CENTRE], predict: heightsOut }, lies]
  return [
    {
      ...size,
      on: [...on, CENTRE],
      predict: (unknowns) =>
        Math.log(
          radiusOfFlatDisc(
            counts,
            Math.exp(sumOf(unknowns, lnW)),
            Math.exp(sumOf(unknowns, lnH)),
            unknowns[CENTRE]!,
          ),
        ),
    },
    lies,
  ]
}

/** The settled radius of a disc that is known to lie flat. */
function radiusOfFlatDisc(counts: readonly number[], w: number, h: number, centre: number): number {
  const fabric = counts.map((count): RoundFabric => ({ count, w, h, flatness: 0 }))
  return settleFlat(fabric, centre * h).at(-1)!
}

/** Mean flatness of the last third of the rounds, which decides how the edge lies. */
function flatnessOfEdge(counts: readonly number[], lnW: number, lnH: number): number {
  const from = counts.length - Math.max(1, Math.ceil(counts.length / 3))
  let stitches = 0
  let sum = 0
  for (let index = from; index < counts.length; index++) {
    const count = counts[index]!
    stitches += count
    sum += count * flatness(count, Math.exp(lnW), (index + 1) * Math.exp(lnH))
  }
  return sum / stitches
}

/** Length along a shallow dish (part of a ball) from its middle to its rim, radius and depth in mm. */
export function arcOfDish(radius: number, depth: number): number {
  if (depth < radius * 1e-3) return radius
  const ball = (radius ** 2 + depth ** 2) / (2 * depth)
  const angle = Math.asin(Math.min(1, radius / ball))
  return ball * (depth > radius ? Math.PI - angle : angle)
}
