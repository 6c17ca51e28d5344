import { edgeAsPlanned } from './edgeAsPlanned.ts'
import { familyOf, type Form } from '../forms/registry.ts'
import { attempt } from '../errors/attempt.ts'
import { heelFit, type HeelFit } from '../plan/heelFit.ts'
import type { PieceSpec, Plan, PlannedRound } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { gaugeIn, sectionsWorked, stitchIn } from '../plan/sectionWork.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { mm } from '../units/millimetres.ts'
import { carryOnPlan } from '../plan/carryOnPlan.ts'
import { weigh, type Situation, type WayKind, type WayOut } from './waysOut.ts'

/** Tried on and still too tight, it wants so much more than it was thought to stretch to. */
const MORE = 1.06
/** Beyond this a larger hook makes another fabric. */
const MOST_OF_A_HOOK = 1.2

/**
 * The ways out when a foot was tried in and its heel will not pass: what goes around the ankle made wider, its cuff ribbed,
 * or worked on a larger hook from there; each only where the heel passes then.
 */
export function heelWays(situation: Omit<Situation, 'diagnosis'>): readonly WayOut[] {
  const { spec, plan, hook } = situation
  const now = heelFit(spec, plan.rounds)
  if (!now) return []
  const wanted = Math.max(now.passes, MORE * now.stretched)
  const by = wanted / now.stretched
  const family = familyOf(spec.form)
  const fits = (way: WayOut | undefined) => way && passes(heelFit(way.spec, way.plan.rounds), wanted)
  const wider = LARGER_STILL.map((still) =>
    wayTo(situation, 'openWider', withForm(spec, family.wider?.(spec.form, by * still))),
  ).find(fits)
  const ribbed = wayTo(situation, 'ribCuff', withForm(spec, family.ribbed?.(spec.form)))
  const larger = onLargerHook(situation, now, by)
  return [
    wider,
    ribbed,
    larger && {
      ...larger,
      hook: Math.max(hook + HOOK_STEP, HOOK_STEP * Math.round((hook * by) / HOOK_STEP)),
    },
  ].filter((way) => way !== undefined && fits(way) === true) as WayOut[]
}

/** Hooks come in quarters of a mm at the finest. */
const HOOK_STEP = 0.25

/** What is taken in goes by whole rounds: asked for a little wider, it may come out as it was. */
const LARGER_STILL = [1, 1.05, 1.1, 1.2]

/** Half a stitch more or less is no heel. */
const NEAR = 0.98

const passes = (fit: HeelFit | undefined, wanted: number): boolean =>
  fit !== undefined && fit.stretched >= NEAR * wanted

const withForm = (spec: PieceSpec, form: Form | undefined): PieceSpec | undefined =>
  form && { ...spec, form, sections: sectionsWorked(form, spec.stitch, spec.sections) }

/** The same counts, what is tightest and all after it in stitches so much larger. */
function onLargerHook(
  situation: Omit<Situation, 'diagnosis'>,
  { section }: HeelFit,
  by: number,
): WayOut | undefined {
  const { spec, plan, afterRound } = situation
  if (by > MOST_OF_A_HOOK) return undefined
  const from = plan.rounds.findIndex((round) => round.section === section)
  const ids = [...new Set(plan.rounds.slice(from).map((round) => round.section))]
  const larger = ids.map((id) => {
    const own = gaugeForStitch(gaugeIn(spec, id), stitchIn(spec, id))
    const gauge = { ...own, w: mm(own.w * by), h: mm(own.h * by) }
    return [id, { ...spec.sections?.[id], gauge }] as const
  })
  const next = { ...spec, sections: { ...spec.sections, ...Object.fromEntries(larger) } }
  const there = plan.rounds.slice(0, afterRound)
  const worked = there.slice(0, Math.min(afterRound, from))
  if (worked.length === 0) return undefined
  const made = attempt(() => carryOnPlan(next, plan, worked, edgeAsPlanned(worked.at(-1)!)))
  return made.ok ? weighed(situation, 'largerHook', next, made.value, worked) : undefined
}

/** A plan that goes on from what stays of the work, and what that costs against carrying on. */
function wayTo(
  situation: Omit<Situation, 'diagnosis'>,
  kind: WayKind,
  spec: PieceSpec | undefined,
): WayOut | undefined {
  const { plan, afterRound } = situation
  if (!spec) return undefined
  const anew = attempt(() => planPiece(spec))
  if (!anew.ok) return undefined
  const there = plan.rounds.slice(0, afterRound)
  const differs = there.findIndex((round, index) => !sameWork(round, anew.value.rounds[index]))
  const worked = differs < 0 ? there : there.slice(0, differs)
  const again =
    worked.length === 0
      ? anew
      : attempt(() => planPiece(spec, { rounds: worked, edge: edgeAsPlanned(worked.at(-1)!) }))
  return again.ok ? weighed(situation, kind, spec, again.value, worked) : undefined
}

/** What a way costs, against carrying on. */
function weighed(
  situation: Omit<Situation, 'diagnosis'>,
  kind: WayKind,
  spec: PieceSpec,
  plan: Plan,
  worked: readonly PlannedRound[],
): WayOut {
  const { afterRound } = situation
  const there = situation.plan.rounds.slice(0, afterRound)
  const way = weigh({ spec, afterRound }, { kind, plan, spec, worked, from: there })
  const unchanged = weigh(situation, {
    kind: 'accept',
    plan: situation.plan,
    spec: situation.spec,
    worked: there,
  })
  return {
    ...way,
    moreSeconds: way.secondsLeft - unchanged.secondsLeft,
    moreMetres: way.metres - unchanged.metres,
  }
}

/** Whether a round is worked as another was: a stitch is a stitch on whatever hook, until that is changed. */
const sameWork = (one: PlannedRound, other: PlannedRound | undefined): boolean =>
  other !== undefined &&
  one.section === other.section &&
  one.stitch === other.stitch &&
  Math.abs(one.around / one.ideal - other.around / other.ideal) < 1e-6 &&
  JSON.stringify(one.steps) === JSON.stringify(other.steps)
