import { longestRepeat } from './longestRepeat.ts'
import { LONGEST_PERIOD } from './readableGaps.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** `work`: one stitch in each of `count` stitches. `inc`: two in one. `dec`: one over two. */
export type Op =
  | { readonly kind: 'work'; readonly stitch: StitchName; readonly count: number }
  | { readonly kind: 'inc' | 'dec'; readonly stitch: StitchName }

/** A run of the repeat: these operations, so many times. */
export interface Step {
  readonly times: number
  readonly ops: readonly Op[]
}

/** Stitches an operation makes. */
export function produced(op: Op): number {
  return op.kind === 'work' ? op.count : op.kind === 'inc' ? 2 : 1
}

/** Stitches of the round below that an operation uses up. */
export function consumed(op: Op): number {
  return op.kind === 'work' ? op.count : op.kind === 'inc' ? 1 : 2
}

const total = (steps: readonly Step[], of: (op: Op) => number): number =>
  steps.reduce((sum, { times, ops }) => sum + times * ops.reduce((inner, op) => inner + of(op), 0), 0)

export const stitchesProduced = (steps: readonly Step[]): number => total(steps, produced)
export const stitchesConsumed = (steps: readonly Step[]): number => total(steps, consumed)

/** One thing the hook does: a stitch, an increase or a decrease. */
export interface Unit {
  readonly kind: Op['kind']
  readonly stitch: StitchName
  /** Index of the step it belongs to, and which time of that step, both from 0. */
  readonly step: number
  readonly time: number
}

/** The steps written out, one entry per stitch, increase or decrease, in working order; a run shares its entry. */
export function expandSteps(steps: readonly Step[]): Unit[] {
  const units: Unit[] = []
  steps.forEach(({ times, ops }, step) => {
    for (let time = 0; time < times; time++) {
      for (const op of ops) {
        const { kind, stitch } = op
        const unit: Unit = { kind, stitch, step, time }
        for (let left = op.kind === 'work' ? op.count : 1; left > 0; left--) units.push(unit)
      }
    }
  })
  return units
}

/** A run of plain stitches and the increase or decrease beside it. */
export interface ShapingRun {
  readonly stitch: StitchName
  readonly kind: 'inc' | 'dec'
  /** Plain stitches before each shaping, in working order. */
  readonly gaps: readonly number[]
  /** Plain stitches after the last. */
  readonly end: number
  /** Whether a repeat is read "(3 sc, inc)" or "(inc, 3 sc)". */
  readonly shapingFirst: boolean
}

/** Writes plain runs and shapings as few steps as it can. */
export function compressRun({ stitch, kind, gaps, end, shapingFirst }: ShapingRun): Step[] {
  const shaping: Op = { kind, stitch }
  const plain = (count: number): Op[] => (count > 0 ? [{ kind: 'work', stitch, count }] : [])
  const once = (ops: Op[]): Step[] => (ops.length > 0 ? [{ times: 1, ops }] : [])
  const beside = shapingFirst ? [...gaps.slice(1), end] : gaps
  const cell = (gap: number) => (shapingFirst ? [shaping, ...plain(gap)] : [...plain(gap), shaping])
  const steps: Step[] = shapingFirst ? once(plain(gaps[0]!)) : []
  for (let at = 0; at < beside.length;) {
    const { period, times } = longestRepeat(beside, at, LONGEST_PERIOD)
    steps.push({ times, ops: beside.slice(at, at + period).flatMap(cell) })
    at += period * times
  }
  if (!shapingFirst) steps.push(...once(plain(end)))
  return joinSingles(steps)
}

/** Neighbouring steps worked once each read better as one. */
function joinSingles(steps: readonly Step[]): Step[] {
  const joined: Step[] = []
  for (const step of steps) {
    const last = joined.at(-1)
    if (last?.times === 1 && step.times === 1) {
      joined[joined.length - 1] = { times: 1, ops: [...last.ops, ...step.ops] }
    } else joined.push(step)
  }
  return joined
}
