import { SpecError } from '../errors/specError.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { gaugeOnHook, hookAdvice } from '../gauge/hookAdvice.ts'
import { effortOfRound } from '../plan/yarnAndTime.ts'
import type { Outline } from '../forms/family.ts'
import { familyOf, roundedForm } from '../forms/registry.ts'
import { isAround, measured } from '../lay/measures.ts'
import type { PieceSpec, Plan, PlannedRound } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { FLAT_TOLERANCE } from '../lay/flatness.ts'
import { mm } from '../units/millimetres.ts'
import type { Diagnosis } from './diagnose.ts'
import { carryOnPlan } from '../plan/carryOnPlan.ts'
import { layRounds } from '../plan/layRounds.ts'
import { sectionsOf, sizesOf, wantedAround } from '../plan/wantedAround.ts'
import { workedRounds } from './workedRounds.ts'

/** What can be done about a piece that measures otherwise than planned. */
export type WayKind = 'replan' | 'goBack' | 'anotherHook' | 'accept' | 'openWider' | 'ribCuff' | 'largerHook'

export interface WayOut {
  readonly kind: WayKind
  /** The whole piece as it would be: worked rounds, then those to come. */
  readonly plan: Plan
  /** What it is planned from; its gauge is the maker's in this piece. */
  readonly spec: PieceSpec
  /** The last round that stays as it is. */
  readonly keeps: number
  /** Stitches to pull out. */
  readonly pulledOut: number
  /** Seconds still to work, and against carrying on unchanged. */
  readonly secondsLeft: number
  readonly moreSeconds: number
  /** Metres of yarn in the finished piece, against carrying on unchanged. */
  readonly metres: number
  readonly moreMetres: number
  /** Off the target in the size that misses it most, mm (+: larger). */
  readonly off: number
  /** Hook to take, mm, when another is part of it. */
  readonly hook?: number
  /** What it comes to in all: lower is better. */
  readonly cost: number
}

export interface Situation {
  readonly spec: PieceSpec
  /** Hook in use, mm. */
  readonly hook: number
  /** The whole plan that is worked to. */
  readonly plan: Plan
  /** Rounds worked when it was measured. */
  readonly afterRound: number
  readonly diagnosis: Diagnosis
}

/** Carrying on unchanged, and the ways out, the best first. */
export function waysOut(situation: Situation): {
  readonly unchanged: WayOut
  readonly ways: readonly WayOut[]
} {
  const { spec, plan, afterRound, diagnosis } = situation
  const own = gaugeNow(spec.gauge, diagnosis)
  const specNow: PieceSpec = { ...spec, gauge: own }
  const asWorked = workedRounds(plan.rounds.slice(0, afterRound), diagnosis.counts, spec)
  const worked = layRounds(specNow, asWorked, { after: asWorked.length, ...diagnosis.edge })
  const kept = carryOnPlan(specNow, plan, worked, diagnosis.edge)
  const unchanged = weigh(situation, {
    kind: 'accept',
    plan: kept,
    spec: acceptedSpec(specNow, kept),
    worked,
  })
  const against = (way: WayOut): WayOut => ({
    ...way,
    moreSeconds: way.secondsLeft - unchanged.secondsLeft,
    moreMetres: way.metres - unchanged.metres,
  })
  // Rounds ahead that are changed are no longer those of a text.
  const free = freely(specNow)
  const replanned = attempt(() => planPiece(free, { rounds: worked, edge: diagnosis.edge }))
  const ways: WayOut[] = [
    ...(replanned ? [weigh(situation, { kind: 'replan', plan: replanned, spec: free, worked })] : []),
    ...goBack(situation, specNow, worked),
    ...anotherHook(situation, specNow, worked),
    unchanged,
  ].map(against)
  return { unchanged, ways: ways.sort((one, other) => one.cost - other.cost) }
}

/** A spec whose rounds are planned, and not given. */
function freely(spec: PieceSpec): PieceSpec {
  if (!spec.constraints?.given) return spec
  const { given: _, ...constraints } = spec.constraints
  return { ...spec, constraints }
}

function attempt(plan: () => Plan): Plan | undefined {
  try {
    return plan()
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

/** The gauge with the maker's stitches as they are in this piece; other stitches move with them. */
function gaugeNow(gauge: Gauge, { size }: Diagnosis): Gauge {
  const [byW, byH] = [size.w / gauge.w, size.h / gauge.h]
  const others = Object.entries(gauge.others ?? {}).map(([name, other]) => [
    name,
    { ...other, w: mm(other.w * byW), h: mm(other.h * byH) },
  ])
  return {
    ...gauge,
    ...size,
    ...(others.length > 0 ? { others: Object.fromEntries(others) as Gauge['others'] } : {}),
    certainty: 'measured',
  }
}

/** Accepting a size makes it the target. */
function acceptedSpec(spec: PieceSpec, { finished }: Plan): PieceSpec {
  const form = finished.promises.reduce(
    (asked, promise) => familyOf(asked).towards(asked, sizesOf(spec), promise),
    spec.form,
  )
  return { ...spec, form: roundedForm(form) }
}

/** Back to where the trouble began, and from there by the maker's own gauge. */
function goBack(situation: Situation, spec: PieceSpec, worked: readonly PlannedRound[]): WayOut[] {
  const { diagnosis, plan } = situation
  const planned = plan.rounds.slice(0, situation.afterRound)
  const keeps = lastGoodRound(diagnosis, spec, planned, worked)
  if (keeps === undefined || keeps >= worked.length) return []
  if (keeps === 0) {
    const anew = attempt(() => planPiece(spec))
    return anew ? [weigh(situation, { kind: 'goBack', plan: anew, spec, worked: [], from: worked })] : []
  }
  const rounds = worked.slice(0, keeps)
  // The rounds that stay were not measured by themselves: their edge is where the fit puts it.
  const { radius, z } = diagnosis.positions[keeps - 1]!
  const scale = diagnosis.edge.radius / diagnosis.positions.at(-1)!.radius
  const edge = { radius: radius * scale, z, sd: diagnosis.edge.sd + 0.01 * radius }
  const again = attempt(() => planPiece(spec, { rounds, edge }))
  return again ? [weigh(situation, { kind: 'goBack', plan: again, spec, worked: rounds, from: worked })] : []
}

/** The first rounds around a middle are small numbers. */
const SETTLED = 4

/** The last round before the error, or the last that still lies flat. */
function lastGoodRound(
  { causes, size, positions }: Diagnosis,
  spec: PieceSpec,
  rounds: readonly PlannedRound[],
  worked: readonly PlannedRound[],
): number | undefined {
  const { kind, from } = causes[0]!
  if (from !== undefined && kind !== 'hands') return Math.max(1, from - 1)
  const sections = sectionsOf(spec)
  if (sections.length > 1) return lastThatFits(sections, worked)
  const wanted = wantedAround(spec)
  // A tube is too wide or too narrow from its chain on.
  const settled = ['joinedChain', 'chain'].includes(spec.construction.start.kind) ? 1 : SETTLED
  let arc = 0
  const firstOff = rounds.findIndex(({ count, number }) => {
    arc += size.h
    return number >= settled && Math.abs((count * size.w) / wanted(arc) - 1) > FLAT_TOLERANCE
  })
  return firstOff < settled - 1 || firstOff > positions.length ? undefined : firstOff
}

/** A crown forgives more than a wall: rounds to come even it out. */
const CROWN_FORGIVES = 3 * FLAT_TOLERANCE

/** The last round before the first that is off the perimeter its section wants by more than can be left. */
function lastThatFits(sections: readonly Outline[], worked: readonly PlannedRound[]): number | undefined {
  const walls = new Set(sections.flatMap(({ id, even }) => (even ? [id] : [])))
  const firstOff = worked.findIndex(
    ({ section, flatness, number }) =>
      number > SETTLED && Math.abs(flatness) > (walls.has(section) ? FLAT_TOLERANCE : CROWN_FORGIVES),
  )
  return firstOff < 0 ? undefined : firstOff
}

/** A hook helps only where both sizes moved together; it cannot mend waves or cups. */
function anotherHook(situation: Situation, spec: PieceSpec, worked: readonly PlannedRound[]): WayOut[] {
  const { diagnosis, hook } = situation
  if (diagnosis.hands !== 'tight' && diagnosis.hands !== 'loose') return []
  const advice = hookAdvice(spec.gauge, hook, situation.spec.gauge.w)
  if (advice.hook === hook || advice.beyond) return []
  const withHook: PieceSpec = { ...spec, gauge: gaugeOnHook(spec.gauge, hook, advice.hook) }
  const plan = attempt(() => planPiece(withHook, { rounds: worked, edge: diagnosis.edge }))
  return plan
    ? [{ ...weigh(situation, { kind: 'anotherHook', plan, spec: withHook, worked }), hook: advice.hook }]
    : []
}

interface Proposal {
  readonly kind: WayKind
  readonly plan: Plan
  readonly spec: PieceSpec
  /** Rounds that stay. */
  readonly worked: readonly PlannedRound[]
  /** Rounds that are there now, when some are pulled out. */
  readonly from?: readonly PlannedRound[]
}

/** Pulling a stitch out takes a fifth of working it. */
const PULLING = 0.2
/** An hour of work is as bad as missing the size by its whole tolerance. */
const HOUR = 3600
/** A new hook is a small bet of its own. */
const HOOK_BET = 0.3

export function weigh(
  { spec: asked, afterRound }: Pick<Situation, 'spec' | 'afterRound'>,
  proposal: Proposal,
): WayOut {
  const { kind, plan, spec, worked, from } = proposal
  const seconds = (rounds: readonly PlannedRound[]) =>
    (rounds.reduce((sum, round) => sum + effortOfRound(round, spec), 0) * 60) / spec.pace
  const pulled = from?.slice(worked.length) ?? []
  const secondsLeft = seconds(plan.rounds.slice(worked.length)) + PULLING * seconds(pulled)
  const metres = plan.yarn.reduce((sum, use) => sum + use.metres, 0)
  const offs = missedBy(asked, plan)
  const off = offs.flat().reduce((most, next) => (Math.abs(next) > Math.abs(most) ? next : most))
  const tolerance = Math.max(asked.tolerance, 2)
  const notFlat = plan.finished.lie ? Math.max(0, Math.abs(plan.finished.flatness) / FLAT_TOLERANCE - 1) : 0
  const lifted = plan.finished.height / tolerance
  return {
    kind,
    plan,
    spec,
    keeps: worked.length,
    pulledOut: pulled.reduce((sum, { count }) => sum + count, 0),
    secondsLeft,
    moreSeconds: 0,
    metres,
    moreMetres: 0,
    off,
    cost:
      Math.min(
        16,
        offs.reduce((sum, one) => sum + meanSquare(one) / tolerance ** 2, 0),
      ) +
      Math.min(16, notFlat ** 2 + lifted ** 2) +
      (secondsLeft + seconds(pulled)) / HOUR +
      (kind === 'anotherHook' ? HOOK_BET : 0) +
      // What is pulled out must be worth it.
      (pulled.length > 0 ? 0.5 + (afterRound - worked.length) * 0.02 : 0),
  }
}

/**
 * By how much a plan misses each size that was asked for, mm (+: larger): of a wall that is to be one size all the
 * way, round by round, those with it that are worked already.
 */
function missedBy(asked: PieceSpec, { finished, rounds }: Plan): number[][] {
  const even = sectionsOf(asked).every((section) => section.even)
  const sizes = sizesOf(asked)
  return familyOf(asked.form)
    .targets(asked.form, sizes)
    .map(({ of, value }) =>
      even && isAround(of)
        ? rounds.map(({ at }) => measured(of, at, sizes.thickness) - value)
        : [finished.promises.find((one) => one.of === of)!.value - value],
    )
}

const meanSquare = (offs: readonly number[]): number =>
  offs.reduce((sum, one) => sum + one * one, 0) / offs.length
