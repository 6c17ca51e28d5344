import { familyOf, roundedForm, seenAs, type Form } from '../forms/registry.ts'
import { ringsIn, type Seen, type SeenRounds } from '../forms/seen.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { GivenRound } from '../plan/planGiven.ts'
import { planGiven } from '../plan/planGiven.ts'
import type { Accent, Construction, PieceSpec, Plan, SectionWork } from '../plan/plan.ts'
import { BEYOND_SECTION } from '../plan/rowsAfter.ts'
import { sizesOf } from '../plan/wantedAround.ts'
import { RIMS, rimSteps, type Rim } from '../rounds/rim.ts'
import { expandSteps, type Step } from '../rounds/steps.ts'
import { verify } from '../rounds/verify.ts'
import type { Run, SectionId } from '../rounds/round.ts'
import { BODY_STITCHES, flatIncrease, isEdging, STITCHES, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import { yarnsNamed } from './yarnsNamed.ts'
import { accentOf, textureOf } from './textureOf.ts'
import { roundsOf, type PieceRead, type RoundRead } from './read/readPattern.ts'

/** What a read piece is, and all that a piece is kept with but its names and yarns. */
export interface Recognised {
  readonly form: Form
  readonly stitch: StitchName
  readonly construction: Construction
  readonly sections: Readonly<Partial<Record<SectionId, SectionWork>>>
  readonly given: readonly GivenRound[]
  /** Single rounds in a texture. */
  readonly accents: readonly Accent[]
  /** In the gauge that was asked. */
  readonly plan: Plan
}

/** Why a piece cannot be laid: the interface has the words. */
export type NotRecognised =
  /** A round whose steps nobody knows, by its index. */
  | { readonly kind: 'unread'; readonly round: number }
  /** It does not stand on the one below, whose count it does not use. */
  | { readonly kind: 'flaw'; readonly round: number; readonly message: string }
  /** Rows, stretches or beginnings of which nothing is known to lay them. */
  | { readonly kind: 'form' }
  | { readonly kind: 'empty' }

export type Recognition =
  { readonly ok: true; readonly is: Recognised } | { readonly ok: false; readonly why: NotRecognised }

const no = (why: NotRecognised): Recognition => ({ ok: false, why })

/** What a piece is measured with. */
export interface InGauge {
  readonly gauge: Gauge
  readonly pace: number
  /** What all of the text is called: where rounds alone may be this or that, its name tells. */
  readonly called?: string
}

/**
 * What a read piece is, by its own rounds: a flat round, an oval, a vessel, a tube, a strap, or else a shape of its own,
 * as wide at every height as it comes to lie.
 */
export function recognise(piece: PieceRead, { gauge, pace, called = '' }: InGauge): Recognition {
  if (piece.rounds.length === 0) return no({ kind: 'empty' })
  const unread = piece.rounds.findIndex(({ steps }) => steps.length === 0)
  if (unread >= 0) return no({ kind: 'unread', round: unread })
  const rounds = roundsOf(piece, '')
  const [flaw] = verify(rounds)
  if (flaw) return no({ kind: 'flaw', round: flaw.at, message: flaw.message })
  const stitch = mainStitch(piece.rounds)
  const own = gaugeForStitch(gauge, stitch)
  const seen = seenWith(asSeen(piece, own, `${called} ${piece.name ?? ''}`))
  if (!seen) return no({ kind: 'form' })
  const { form, sectionAt } = seen
  const given = rounds.map(({ yarn: _yarn, beside: _beside, ...round }, index): GivenRound => ({
    ...round,
    hosts: round.hosts.map((run) => onEndsOf(run, sectionAt(index - 1))),
    section: sectionAt(index),
  }))
  const sections = sectionsIn(piece.rounds, sectionAt, stitch)
  const accents = accentsIn(piece.rounds, (index) => sections[sectionAt(index)]?.texture !== undefined)
  const spec: PieceSpec = {
    form,
    tolerance: mm(5),
    stitch,
    gauge: own,
    construction: constructionOf(piece, stitch),
    sections,
    // By their names, as far as the text has them: which yarns they are is settled when it is worked.
    colours: yarnsNamed(piece).map(({ fromRound, name }) => ({ fromRound, yarn: name?.toLowerCase() ?? '' })),
    constraints: { given, ...(accents.length > 0 ? { accents } : {}) },
    rhythm: 0.5,
    pace,
  }
  const sized = toItsSize(spec, given)
  return sized
    ? {
        ok: true,
        is: {
          form: sized.spec.form,
          stitch,
          construction: spec.construction,
          sections,
          given,
          accents,
          plan: sized.plan,
        },
      }
    : no({ kind: 'form' })
}

/** The form as large as its rounds come out. */
function toItsSize(
  spec: PieceSpec,
  given: readonly GivenRound[],
): { spec: PieceSpec; plan: Plan } | undefined {
  let now = spec
  let plan = planGiven(now, given, undefined)
  for (let again = 0; again < 2; again++) {
    const family = familyOf(now.form)
    if (family.asLaid) {
      const tops = plan.rounds.map(({ at: { radius, z } }) => ({ r: radius, z }))
      const form = family.asLaid(now.form, sizesOf(now), tops)
      if (!form) return undefined
      now = { ...now, form }
    } else {
      for (const { of, value } of plan.finished.promises) {
        now = { ...now, form: family.towards(now.form, sizesOf(now), { of, value }) }
      }
    }
    now = { ...now, form: roundedForm(now.form) }
    plan = planGiven(now, given, undefined)
  }
  try {
    familyOf(now.form).validate(now.form, sizesOf(now))
  } catch {
    // What its family would not plan so is still worked as it is written.
  }
  return { spec: now, plan }
}

/** How sections are worked, where otherwise than the rest: in another stitch, or in a texture. */
function sectionsIn(
  rounds: readonly RoundRead[],
  sectionAt: (index: number) => SectionId,
  main: StitchName,
): Partial<Record<SectionId, SectionWork>> {
  const ids = [...new Set(rounds.map((_, index) => sectionAt(index)))]
  return Object.fromEntries(
    ids.flatMap((id) => {
      const own = rounds.filter((_, index) => sectionAt(index) === id)
      const texture = textureOf(own)
      const stitch = mainStitch(own)
      const work: SectionWork = { ...(stitch === main ? {} : { stitch }), ...(texture ? { texture } : {}) }
      return Object.keys(work).length > 0 ? [[id, work] as const] : []
    }),
  )
}

/** Rounds that are in a texture by themselves, where their section is in none. */
const accentsIn = (rounds: readonly RoundRead[], inTexture: (index: number) => boolean): Accent[] =>
  rounds.flatMap((round, index): Accent[] => {
    const isRim = index === rounds.length - 1
    const texture = index === 0 || isRim || inTexture(index) ? undefined : accentOf(round)
    return texture ? [{ round: index + 1, texture }] : []
  })

/** The edging that a last round is, as it would be worked on as many stitches. */
function rimOf(rounds: readonly RoundRead[]): Rim | undefined {
  const last = rounds.at(-1)!
  const own = toldIn(last.steps)
  return RIMS.find((rim) => toldIn(rimSteps(rim, last.uses)) === own)
}

const toldIn = (steps: readonly Step[]): string =>
  expandSteps(steps)
    .map(({ stitch, uses, makes, manner = '' }) => `${stitch} ${uses} ${makes} ${manner}`)
    .join()

/** The stitch that most of the fabric is made of; one that only edges it where there is no other. */
function mainStitch(rounds: readonly RoundRead[]): StitchName {
  const counts = new Map<StitchName, number>()
  for (const { stitch, makes } of rounds) {
    if (!isEdging(stitch)) counts.set(stitch, (counts.get(stitch) ?? 0) + makes)
  }
  const [most] = [...counts].toSorted((one, other) => other[1] - one[1])
  return most?.[0] ?? BODY_STITCHES[0]
}

function constructionOf({ start, rounds }: PieceRead, stitch: StitchName): Construction {
  const chained = rounds.filter(({ chain }) => chain !== undefined)
  const counts = chained.filter(({ chain }) => chain!.counts).length > chained.length / 2
  const joined =
    rounds.some(({ ends, chain }) => ends.joins || chain !== undefined) ||
    rounds.some(({ closed }) => !closed)
  // Rounds that are turned for rows that go only part of the way are no turned rounds.
  const goesOn = ({ closed }: RoundRead, index: number) => closed === (rounds[index + 1]?.closed ?? closed)
  const turned =
    rounds.every(({ closed }) => !closed) ||
    rounds.some((round, index) => round.closed && round.ends.turns && goesOn(round, index))
  const rim = rimOf(rounds)
  const loops = new Set(rounds.slice(1).map((round) => round.loops))
  return {
    start: start?.start ?? { kind: 'magicRing' },
    rounds: joined
      ? {
          kind: 'joined',
          turned,
          begins: counts && STITCHES[stitch].countingChain !== undefined ? 'countingChain' : 'chain',
          shaping: 'offTheJoin',
        }
      : { kind: 'spiral' },
    ...rhythmOf(rounds),
    ...(rim ? { rim } : {}),
    ...(loops.size === 1 && [...loops][0] ? { loops: [...loops][0]! } : {}),
    freeLastRounds: 0,
  }
}

/** Staggered ones stand so in every other round. */
const MOSTLY = 0.8

/** Whether increases stand over one another and end their repeats, as most of the rounds that widen have them. */
function rhythmOf(rounds: readonly RoundRead[]): Pick<Construction, 'order' | 'placement'> {
  const widening = rounds.filter(
    ({ steps }, index) =>
      index > 1 && steps.some(({ ops }) => ops.length > 1 && ops.some(({ makes, uses }) => makes > uses)),
  )
  const most = (is: (round: RoundRead) => boolean) =>
    widening.length > 0 && widening.filter(is).length >= MOSTLY * widening.length
  return {
    order: most(({ steps }) => (steps[0]?.ops[0]?.makes ?? 0) > 1) ? 'increaseFirst' : 'increaseLast',
    placement: most(({ steps }) => steps.length === 1) ? 'stacked' : 'staggered',
  }
}

/** As a family knows it; or its rings as one does, and rows beyond them on stretches of the last. */
function seenWith(seen: SeenRounds): Seen<Form> | undefined {
  const whole = seenAs(seen)
  const rings = ringsIn(seen)
  const beyond = seen.rounds.slice(rings)
  const areRows = beyond.every(({ closed, on }) => !closed && (on === undefined || on.kind === 'stretch'))
  if (whole || rings === 0 || !areRows || beyond[0]?.on === undefined) return whole
  const base = seenAs({ ...seen, rounds: seen.rounds.slice(0, rings) })
  if (!base) return undefined
  const begun = (index: number) =>
    seen.rounds.slice(rings, index + 1).filter(({ on }) => on?.kind === 'stretch' && on.round < rings).length
  return {
    form: base.form,
    sectionAt: (index) => {
      if (index < rings) return base.sectionAt(index)
      return begun(index) > 1 ? `${BEYOND_SECTION}-${begun(index)}` : BEYOND_SECTION
    },
  }
}

/** A run with the section that it belongs to, where it goes along the ends of rows. */
const onEndsOf = (run: Run, section: SectionId): Run =>
  run.of.kind === 'rowEnds' ? { ...run, of: { ...run.of, section } } : run

/** A piece as families look at it. */
const asSeen = ({ rounds, start }: PieceRead, { w, h }: Gauge, called: string): SeenRounds => ({
  called,
  rounds,
  ...(start ? { start: start.start.kind } : {}),
  ...(start?.chains === undefined ? {} : { chains: start.chains }),
  w,
  h,
  flatGrowth: growthOf(rounds, w, h),
})

/** Stitches to add every round so that it lies flat, by the stitches that it is made of. */
function growthOf(rounds: readonly RoundRead[], w: number, h: number): number {
  const ratio = rounds.reduce((sum, { stitch }) => sum + STITCHES[stitch].heightOverWidth, 0) / rounds.length
  return flatIncrease(w, h * (ratio / STITCHES[mainStitch(rounds)].heightOverWidth))
}
