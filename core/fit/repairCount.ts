import { stepsFromUnits } from '../rounds/stepsFromUnits.ts'
import { decrease, expandSteps, increase, plain, type Unit } from '../rounds/steps.ts'
import type { PieceSpec, Plan, PlannedRound } from '../plan/plan.ts'
import { accentAt, constructionIn, textureIn } from '../plan/sectionWork.ts'
import { sumsOf } from '../plan/sumsOf.ts'
import { hostsOn } from '../rounds/hostsOn.ts'
import { standsOn } from '../rounds/round.ts'
import { isEdging } from '../stitches/stitch.ts'
import { like, mendingSteps } from './mendingSteps.ts'

/** From so many stitches on one more or fewer does not show. */
const HIDES_FROM = 25
/** More than this share of a round cannot be hidden in the next. */
const MOST_HIDDEN = 0.05

export interface Repair {
  /** Stitches more than planned (+) or fewer (−). */
  readonly off: number
  /** The next round with the difference taken up in it; absent when there is none, or it cannot be. */
  readonly mending?: PlannedRound
  /** The piece with the round as it is and the next one mending it. */
  readonly mended?: Plan
  /** Which is better, and why. */
  readonly advice: 'mend' | 'goBack' | 'carryOn'
  /**
   * `texture`: counts must divide here or in the next round. `edging`: slip stitches follow, which take
   * nothing up. `noRoom`: the next round has no place for it.
   */
  readonly why: 'hides' | 'tooSmall' | 'tooMany' | 'texture' | 'edging' | 'noRoom' | 'lastRound'
  /** What it does to the circumference when nothing is done, as a share. */
  readonly share: number
  /** Stitches since the start of this round: rip and rework, twice. */
  readonly goBackStitches: number
}

/**
 * A round that came out with another count than planned: whether the next can take the difference up, and
 * exactly how. Textured rounds and slip stitch edgings take nothing up.
 */
export function repairCount(spec: PieceSpec, plan: Plan, roundNumber: number, have: number): Repair {
  const round = plan.rounds[roundNumber - 1]!
  const next = plan.rounds[roundNumber]
  const off = have - round.count
  const shared = { off, share: off / round.count, goBackStitches: 2 * have }
  // Nothing stands on a lip: another count in it is no more than seen.
  if (next && !standsOn(next, round)) return { ...shared, advice: 'carryOn', why: 'lastRound' }
  const tooMany = Math.abs(off) > Math.max(1, MOST_HIDDEN * round.count)
  if (!next)
    return { ...shared, advice: tooMany ? 'goBack' : 'carryOn', why: tooMany ? 'tooMany' : 'lastRound' }
  const textured =
    textureIn(spec, next.section) !== undefined ||
    accentAt(spec, next) !== undefined ||
    next.steps.some(({ ops }) => ops.some(({ manner }) => manner !== undefined)) ||
    (spec.constraints?.multiples ?? []).some(({ fromRound }) => fromRound <= roundNumber + 1)
  if (textured) return { ...shared, advice: 'goBack', why: 'texture' }
  if (isEdging(next.stitch)) {
    return { ...shared, advice: tooMany ? 'goBack' : 'carryOn', why: tooMany ? 'tooMany' : 'edging' }
  }
  const asWorked = miscounted(round, have)
  const mended = asWorked && mendedAfter(spec, plan, asWorked)
  if (!mended) return { ...shared, advice: 'goBack', why: tooMany ? 'tooMany' : 'noRoom' }
  const why = tooMany ? 'tooMany' : round.count < HIDES_FROM ? 'tooSmall' : 'hides'
  return { ...shared, ...mended, advice: why === 'hides' ? 'mend' : 'goBack', why }
}

/** The piece with a round as it is worked, and the next one taking up what it is off; nothing where it has no room. */
function mendedAfter(
  spec: PieceSpec,
  plan: Plan,
  asWorked: PlannedRound,
): Required<Pick<Repair, 'mending' | 'mended'>> | undefined {
  const round = plan.rounds[asWorked.number - 1]!
  const next = plan.rounds[asWorked.number]!
  // What stands on a part of a round cannot take up what the rest of it is off.
  if (next.from !== round.count) return undefined
  const joined = constructionIn(spec, next.section).rounds.kind === 'joined'
  const steps = mendingSteps(next.steps, asWorked.count - round.count, joined)
  if (!steps) return undefined
  const mending: PlannedRound = {
    ...next,
    from: asWorked.count,
    hosts: hostsOn(
      next,
      () => round.count,
      (id) => (id === round.id ? asWorked : undefined),
    ),
    steps,
  }
  const rounds = plan.rounds.map((one) =>
    one.number === round.number ? asWorked : one.number === next.number ? mending : one,
  )
  return { mending, mended: { ...plan, rounds, ...sumsOf(rounds, spec) } }
}

/** A slip that is seen while its round is worked: the piece with it, and how much of the round is made by then. */
export interface SlipHere {
  readonly plan: Plan
  readonly unit: number
}

/**
 * One stitch more than planned was just made, or one fewer, and stays: the next round takes it up.
 * @param unit stitches, increases and decreases made in the round
 * @returns nothing where none is made yet, or it cannot be taken up
 */
export function slipHere(
  spec: PieceSpec,
  plan: Plan,
  roundNumber: number,
  unit: number,
  off: 1 | -1,
): SlipHere | undefined {
  const round = plan.rounds[roundNumber - 1]!
  if (unit === 0 || !repairCount(spec, plan, roundNumber, round.count + off).mended) return undefined
  const slipped = slippedAt(expandSteps(round.steps), unit, off, round.from === 0)
  if (!slipped) return undefined
  const asWorked = { ...round, count: round.count + off, steps: stepsFromUnits(slipped.units) }
  const mended = mendedAfter(spec, plan, asWorked)
  return mended && { plan: mended.mended, unit: slipped.unit }
}

/** Units with the slip as near before the hook as it can have been, and where the hook then is. */
function slippedAt(
  units: readonly Unit[],
  made: number,
  off: 1 | -1,
  inRing: boolean,
): { readonly units: readonly Unit[]; readonly unit: number } | undefined {
  const instead = (at: number, replaces: number, ...by: Unit[]) => units.toSpliced(at, replaces, ...by)
  // In a ring stitches stand in nothing that could be used up: one more or fewer is to come, unless all are made.
  if (inRing) {
    const others = off > 0 ? [...units, units.at(-1)!] : units.slice(0, -1)
    return { units: others, unit: made === units.length ? others.length : made }
  }
  for (let at = made - 1; at >= 0; at--) {
    const unit = units[at]!
    if (off > 0 && isPlain(unit))
      return { units: instead(at, 1, like(unit, increase(unit.stitch))), unit: made }
    if (off < 0 && unit.kind === 'inc')
      return { units: instead(at, 1, like(unit, plain(unit.stitch))), unit: made }
    if (off < 0 && isPlain(unit) && isPlain(units[at - 1])) {
      return { units: instead(at - 1, 2, like(unit, decrease(unit.stitch))), unit: made - 1 }
    }
  }
  return undefined
}

/** The round as it must have been worked to come out so. */
function miscounted(round: PlannedRound, have: number): PlannedRound | undefined {
  const units = withCount(expandSteps(round.steps), round, have)
  return units && { ...round, count: have, steps: stepsFromUnits(units) }
}

/** One stitch in one: an opening is none. */
const isPlain = (unit: Unit | undefined): boolean => unit?.uses === 1 && unit.makes === 1

/** Units that use the round below as before but make `have` stitches. */
function withCount(units: readonly Unit[], { from, count }: PlannedRound, have: number): Unit[] | undefined {
  const all = [...units]
  let off = have - count
  if (from === 0) {
    const one = all[0]!
    return have > 0 ? Array.from({ length: have }, () => one) : undefined
  }
  for (let index = all.length - 1; index >= 0 && off !== 0; index--) {
    const unit = all[index]!
    if (off < 0 && unit.kind === 'inc') {
      all[index] = like(unit, plain(unit.stitch))
      off++
    } else if (off > 0 && isPlain(unit)) {
      all[index] = like(unit, increase(unit.stitch))
      off--
    } else if (off < 0 && isPlain(unit) && isPlain(all[index - 1])) {
      all.splice(index - 1, 2, like(unit, decrease(unit.stitch)))
      off++
    }
  }
  return off === 0 ? all : undefined
}
