import { longestRepeat } from './longestRepeat.ts'
import { LONGEST_PERIOD } from '../counts/readableGaps.ts'
import type { Manner } from '../stitches/manner.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { Zone } from './zone.ts'

/**
 * One thing the hook does, so many times: stitches of the round below become stitches of this one. sc 1 → 1,
 * an increase 1 → 2, three in one 1 → 3, sc2tog 2 → 1, a chain 0 → 1, a skipped stitch 1 → 0.
 */
export interface Op {
  readonly stitch: StitchName
  /** Host stitches it uses, and stitches it makes, each time. */
  readonly uses: number
  readonly makes: number
  readonly times: number
  /** The loop it is worked into, if not both. */
  readonly loops?: 'back' | 'front'
  /** How it is worked, if not into the top of the stitch below. */
  readonly manner?: Manner
  /** How many stitches one of it is made of, where it is made of several. */
  readonly of?: number
}

/** A run of the repeat: these operations, so many times. */
export interface Step {
  readonly times: number
  readonly ops: readonly Op[]
  /** Where around the round it lies, of rounds that are told so, and what the maker calls a zone of their own. */
  readonly zone?: Zone
  readonly name?: string
}

/** So many plain stitches. */
export const plain = (stitch: StitchName, times = 1): Op => ({ stitch, uses: 1, makes: 1, times })
/** Two in one. */
export const increase = (stitch: StitchName): Op => ({ stitch, uses: 1, makes: 2, times: 1 })
/** One over two. */
export const decrease = (stitch: StitchName): Op => ({ stitch, uses: 2, makes: 1, times: 1 })

/** What an operation does to the count. */
export type OpKind = 'work' | 'inc' | 'dec'

export const kindOf = ({ uses, makes, manner }: Pick<Op, 'uses' | 'makes' | 'manner'>): OpKind =>
  isOffTheEdge(manner) || manner === 'same'
    ? 'work'
    : makes > uses
      ? 'inc'
      : makes < uses && manner !== 'skip'
        ? 'dec'
        : 'work'

/** Whether it stands in nothing of the round below: a free chain, and what goes back along it. */
export const isOffTheEdge = (manner: Manner | undefined): boolean =>
  manner === 'chain' || manner === 'alongChain'

const total = (steps: readonly Step[], of: (op: Op) => number): number =>
  steps.reduce((sum, { times, ops }) => sum + times * ops.reduce((inner, op) => inner + of(op), 0), 0)

/** Stitches that steps make. */
export const stitchesProduced = (steps: readonly Step[]): number =>
  total(steps, ({ makes, times }) => makes * times)
/** Stitches of the round below that steps use up. */
export const stitchesConsumed = (steps: readonly Step[]): number =>
  total(steps, ({ uses, times }) => uses * times)

/** One thing the hook does: a stitch, an increase or a decrease. */
export interface Unit extends Omit<Op, 'times'> {
  readonly kind: OpKind
  /** Index of the step it belongs to, and which time of that step, both from 0. */
  readonly step: number
  readonly time: number
}

/** The steps written out, one entry per stitch, increase or decrease, in working order; a run shares its entry. */
export function expandSteps(steps: readonly Step[]): Unit[] {
  const units: Unit[] = []
  steps.forEach(({ times, ops }, step) => {
    for (let time = 0; time < times; time++) {
      for (const { times: often, ...op } of ops) {
        const unit: Unit = { ...op, kind: kindOf(op), step, time }
        for (let left = often; left > 0; left--) units.push(unit)
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
  const shaping = kind === 'inc' ? increase(stitch) : decrease(stitch)
  const run = (count: number): Op[] => (count > 0 ? [plain(stitch, count)] : [])
  const once = (ops: Op[]): Step[] => (ops.length > 0 ? [{ times: 1, ops }] : [])
  const beside = shapingFirst ? [...gaps.slice(1), end] : gaps
  const cell = (gap: number) => (shapingFirst ? [shaping, ...run(gap)] : [...run(gap), shaping])
  const steps: Step[] = shapingFirst ? once(run(gaps[0]!)) : []
  for (let at = 0; at < beside.length;) {
    const { period, times } = longestRepeat(beside, at, LONGEST_PERIOD)
    steps.push({ times, ops: beside.slice(at, at + period).flatMap(cell) })
    at += period * times
  }
  if (!shapingFirst) steps.push(...once(run(end)))
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
