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
  const steps = mendingSteps(next.steps, off, constructionIn(spec, next.section).rounds.kind === 'joined')
  const asWorked = miscounted(round, have)
  if (!steps || !asWorked) return { ...shared, advice: 'goBack', why: tooMany ? 'tooMany' : 'noRoom' }
  const mending: PlannedRound = {
    ...next,
    from: have,
    hosts: hostsOn(
      next,
      () => round.count,
      (id) => (id === round.id ? asWorked : undefined),
    ),
    steps,
  }
  const rounds = plan.rounds.map((one) =>
    one.number === roundNumber ? asWorked : one.number === next.number ? mending : one,
  )
  const mended: Plan = { ...plan, rounds, ...sumsOf(rounds, spec) }
  const why = tooMany ? 'tooMany' : round.count < HIDES_FROM ? 'tooSmall' : 'hides'
  return { ...shared, mending, mended, advice: why === 'hides' ? 'mend' : 'goBack', why }
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
