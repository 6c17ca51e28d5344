import { expandSteps, type Op, type Step, type Unit } from '../pacing/steps.ts'
import type { Construction, Plan, Round } from '../plan/plan.ts'

/** From so many stitches on one more or fewer does not show. */
const HIDES_FROM = 25
/** More than this share of a round cannot be hidden in the next. */
const MOST_HIDDEN = 0.05

export interface Repair {
  /** Stitches more than planned (+) or fewer (−). */
  readonly off: number
  /** The next round with the difference taken up in it; absent when there is none, or it cannot be. */
  readonly mending?: Round
  /** The piece with the round as it is and the next one mending it. */
  readonly mended?: Plan
  /** Which is better, and why. */
  readonly advice: 'mend' | 'goBack' | 'carryOn'
  readonly why: 'hides' | 'tooSmall' | 'tooMany' | 'texture' | 'lastRound'
  /** What it does to the circumference when nothing is done, as a share. */
  readonly share: number
  /** Stitches since the start of this round: rip and rework, twice. */
  readonly goBackStitches: number
}

/**
 * A round that came out with another count than planned: whether the next can take the difference up, and
 * exactly how. A surplus is worked together at the round's start, a lack is made up there by an increase:
 * beside the seam, or at the marker, where it hides.
 */
export function repairCount(
  plan: Plan,
  roundNumber: number,
  have: number,
  construction: Construction,
  multiples: readonly { readonly fromRound: number; readonly of: number }[] = [],
): Repair {
  const round = plan.rounds[roundNumber - 1]!
  const next = plan.rounds[roundNumber]
  const off = have - round.count
  const texture = multiples.find(({ fromRound }) => fromRound <= roundNumber)
  const steps = next && mendingSteps(next, off, construction)
  const asWorked = miscounted(round, have)
  const shared = { off, share: off / round.count, goBackStitches: 2 * have }
  if (!next || !steps || !asWorked)
    return { ...shared, advice: next ? 'goBack' : 'carryOn', why: next ? 'tooMany' : 'lastRound' }
  const mending: Round = { ...next, from: have, steps }
  const mended: Plan = {
    ...plan,
    rounds: plan.rounds.map((one) =>
      one.number === roundNumber ? asWorked : one.number === next.number ? mending : one,
    ),
  }
  const why = texture
    ? 'texture'
    : Math.abs(off) > Math.max(1, MOST_HIDDEN * round.count)
      ? 'tooMany'
      : round.count < HIDES_FROM
        ? 'tooSmall'
        : 'hides'
  return { ...shared, mending, mended, advice: why === 'hides' ? 'mend' : 'goBack', why }
}

/** The round as it must have been worked to come out so. */
function miscounted(round: Round, have: number): Round | undefined {
  const units = withCount(expandSteps(round.steps), round, have)
  return units && { ...round, count: have, steps: toSteps(units) }
}

/** Units that use the round below as before but make `have` stitches. */
function withCount(units: readonly Unit[], { from, count }: Round, have: number): Unit[] | undefined {
  const all = [...units]
  let off = have - count
  if (from === 0) {
    const one = all[0]!
    return Array.from({ length: have }, () => one)
  }
  for (let index = all.length - 1; index >= 0 && off !== 0; index--) {
    const unit = all[index]!
    if (off < 0 && unit.kind === 'inc') {
      all[index] = { ...unit, kind: 'work' }
      off++
    } else if (off > 0 && unit.kind === 'work') {
      all[index] = { ...unit, kind: 'inc' }
      off--
    } else if (off < 0 && unit.kind === 'work' && all[index - 1]?.kind === 'work') {
      all.splice(index - 1, 2, { ...unit, kind: 'dec' })
      off++
    }
  }
  return off === 0 ? all : undefined
}

function mendingSteps(next: Round, off: number, construction: Construction): Step[] | undefined {
  if (off === 0) return [...next.steps]
  const units = takeUp(expandSteps(next.steps), off, construction)
  return units && toSteps(units)
}

/**
 * The units with `off` more stitches below used up (or fewer): a plain stitch becomes a 2tog, two become an
 * increase; or an increase is left plain. As near the round's start as there is room, clear of its first
 * stitch when there is a join.
 */
function takeUp(units: readonly Unit[], off: number, { rounds }: Construction): Unit[] | undefined {
  const all = [...units]
  let left = off
  for (let index = rounds.kind === 'joined' ? 1 : 0; index < all.length && left !== 0; index++) {
    const unit = all[index]!
    if (left > 0 && unit.kind === 'work') {
      all[index] = { ...unit, kind: 'dec' }
      left--
    } else if (left < 0 && unit.kind === 'work' && all[index + 1]?.kind === 'work') {
      all.splice(index, 2, { ...unit, kind: 'inc' })
      left++
    }
  }
  return left === 0 ? all : undefined
}

/** Units as steps: runs of plain stitches counted, repeats written once. */
function toSteps(units: readonly Unit[]): Step[] {
  const ops: Op[] = []
  for (const { kind, stitch } of units) {
    const last = ops.at(-1)
    if (kind === 'work' && last?.kind === 'work' && last.stitch === stitch) {
      ops[ops.length - 1] = { ...last, count: last.count + 1 }
    } else ops.push(kind === 'work' ? { kind, stitch, count: 1 } : { kind, stitch })
  }
  return repeatsOf(ops)
}

/** The mended beginning on its own; after it whatever repeats, repeated. */
function repeatsOf(ops: readonly Op[]): Step[] {
  const same = (one: Op, other: Op) => JSON.stringify(one) === JSON.stringify(other)
  for (let start = 0; start + 4 <= ops.length; start++) {
    const [first, second] = [ops[start]!, ops[start + 1]!]
    let times = 1
    while (
      start + 2 * times + 1 < ops.length &&
      same(ops[start + 2 * times]!, first) &&
      same(ops[start + 2 * times + 1]!, second)
    ) {
      times++
    }
    if (times < 2) continue
    const before = ops.slice(0, start)
    const after = ops.slice(start + 2 * times)
    return [
      ...(before.length > 0 ? [{ times: 1, ops: before }] : []),
      { times, ops: [first, second] },
      ...(after.length > 0 ? [{ times: 1, ops: after }] : []),
    ]
  }
  return [{ times: 1, ops }]
}
