import { expandSteps, isOffTheEdge, type Step, type Unit } from '../rounds/steps.ts'
import { STITCHES } from '../stitches/stitch.ts'

/** A place on an edge, mm: along it in working order, and out from it. */
export interface EdgePoint {
  readonly along: number
  readonly out: number
}

/** What stands free on an edge, as it lies when it is patted flat. */
export interface StandingMotif {
  /** Stitches of the edge before it. */
  readonly from: number
  /** The last unit of its round that belongs to it, by its index. */
  readonly lastUnit: number
  /** Its closed outline, from where it begins. */
  readonly outline: readonly EdgePoint[]
}

/** Points that a bow of chains is drawn by. */
const BOW = 12
/** How high a bow stands of its length: half of it would be a line there and back. */
const HIGH = 0.42

/**
 * Everything of a round that stands free of the stitches below: chains with what goes back along them, which is as
 * wide there as its stitches are tall, and bows of chains alone.
 * @param w width of a stitch and length of a chain, mm
 */
export function motifsOn({ steps }: { readonly steps: readonly Step[] }, w: number): StandingMotif[] {
  const units = expandSteps(steps)
  const motifs: StandingMotif[] = []
  let used = 0
  for (let at = 0; at < units.length; at++) {
    const unit = units[at]!
    if (unit.manner !== 'chain') {
      used += unit.uses
      continue
    }
    const chains = runOf(units, at, ({ manner }) => manner === 'chain')
    const back = runOf(units, at + chains.length, ({ manner }) => manner === 'alongChain')
    at += chains.length + back.length - 1
    motifs.push({
      from: used,
      lastUnit: at,
      outline: outlineOf(chains.length, back, spanAfter(units, at + 1), w),
    })
  }
  return motifs
}

/** How far the farthest of it stands out beyond the edge, mm. */
export const reachOfMotifs = (round: { readonly steps: readonly Step[] }, w: number): number =>
  Math.max(0, ...motifsOn(round, w).flatMap(({ outline }) => outline.map(({ out }) => out)))

/** Units alike from a place on. */
function runOf(units: readonly Unit[], from: number, alike: (unit: Unit) => boolean): readonly Unit[] {
  let to = from
  while (to < units.length && alike(units[to]!)) to++
  return units.slice(from, to)
}

/** Stitches of the edge until what stands on it is fastened to it again, that one counted. */
function spanAfter(units: readonly Unit[], from: number): number {
  let span = 0
  for (let at = from; at < units.length; at++) {
    if (isOffTheEdge(units[at]!.manner)) return span
    span += units[at]!.uses
    if (units[at]!.manner !== 'skip') return span
  }
  return span
}

function outlineOf(chains: number, back: readonly Unit[], span: number, w: number): EdgePoint[] {
  const [length, foot] = [chains * w, Math.max(1, span) * w]
  if (back.length === 0) {
    return Array.from({ length: BOW + 1 }, (_, index) => {
      const turn = (index / BOW) * Math.PI
      const wide = Math.max(foot, length / Math.PI)
      return { along: foot / 2 - (Math.cos(turn) * wide) / 2, out: Math.sin(turn) * length * HIGH }
    })
  }
  // The chain that turns has no stitch of its own.
  const edge = back.map(({ stitch }, index) => ({
    along: STITCHES[stitch].heightOverWidth * w,
    out: length - (index + 1) * w,
  }))
  return [{ along: 0, out: 0 }, { along: 0, out: length }, ...edge, { along: foot, out: 0 }]
}
