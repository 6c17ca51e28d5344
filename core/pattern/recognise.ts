import { familyOf, roundedForm, type Form } from '../forms/registry.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { GivenRound } from '../plan/planGiven.ts'
import { planGiven } from '../plan/planGiven.ts'
import type { Construction, PieceSpec, Plan, SectionWork } from '../plan/plan.ts'
import { sizesOf } from '../plan/wantedAround.ts'
import { verify } from '../rounds/verify.ts'
import type { SectionId } from '../rounds/round.ts'
import { BODY_STITCHES, flatIncrease, isEdging, STITCHES, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import type { OutlinePoint } from '../forms/family.ts'
import { yarnsNamed } from './yarnsNamed.ts'
import { textureOf } from './textureOf.ts'
import { roundsOf, type PieceRead, type RoundRead } from './read/readPattern.ts'

/** What a read piece is, and all that a piece is kept with but its names and yarns. */
export interface Recognised {
  readonly form: Form
  readonly stitch: StitchName
  readonly construction: Construction
  readonly sections: Readonly<Partial<Record<SectionId, SectionWork>>>
  readonly given: readonly GivenRound[]
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
}

/**
 * What a read piece is, by its own rounds: a flat round, an oval, a vessel, a tube, a strap, or else a shape of its own,
 * as wide at every height as it comes to lie.
 */
export function recognise(piece: PieceRead, { gauge, pace }: InGauge): Recognition {
  if (piece.rounds.length === 0) return no({ kind: 'empty' })
  const unread = piece.rounds.findIndex(({ steps }) => steps.length === 0)
  if (unread >= 0) return no({ kind: 'unread', round: unread })
  const rounds = roundsOf(piece, '')
  const [flaw] = verify(rounds)
  if (flaw) return no({ kind: 'flaw', round: flaw.at, message: flaw.message })
  const stitch = mainStitch(piece.rounds)
  const own = gaugeForStitch(gauge, stitch)
  const outline = outlineOf(piece, own)
  if (!outline) return no({ kind: 'form' })
  const { form, sectionAt } = outline
  const given = rounds.map(({ yarn: _yarn, beside: _beside, ...round }, index): GivenRound => ({
    ...round,
    section: sectionAt(index),
  }))
  const sections = sectionsIn(piece.rounds, sectionAt, stitch)
  const spec: PieceSpec = {
    form,
    tolerance: mm(5),
    stitch,
    gauge: own,
    construction: constructionOf(piece, stitch),
    sections,
    // By their names, as far as the text has them: which yarns they are is settled when it is worked.
    colours: yarnsNamed(piece).map(({ fromRound, name }) => ({ fromRound, yarn: name?.toLowerCase() ?? '' })),
    constraints: { given },
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
    if (now.form.family === 'drawn') {
      const outline = profileOf(plan, sizesOf(now).thickness)
      if (!outline) return undefined
      now = { ...now, form: { ...now.form, outline } }
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

const MOST_POINTS = 12
/** Nearer than this two points of an outline are one, mm. */
const APART = 4

/** How wide a piece is at how many heights, measured outside, as it comes to lie. */
function profileOf({ rounds }: Plan, thickness: number): OutlinePoint[] | undefined {
  const places = rounds.map(({ at }) => ({ across: 2 * at.radius + thickness, up: at.z }))
  const foot = places.findLast(({ up }) => up < APART / 2) ?? places[0]!
  const side = places.filter(({ up }) => up > APART / 2)
  const every = Math.max(1, Math.ceil(side.length / (MOST_POINTS - 1)))
  const points: OutlinePoint[] = [{ across: foot.across, up: 0 }]
  side.forEach((place, index) => {
    const isLast = index === side.length - 1
    if (!isLast && (index + 1) % every !== 0) return
    const last = points.at(-1)!
    if (place.up >= last.up + APART) points.push(place)
    else if (isLast && points.length > 1)
      points[points.length - 1] = { ...place, up: Math.max(place.up, last.up) }
  })
  return points.length >= 2 ? points : undefined
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
  const turned = rounds.some(({ ends }) => ends.turns) || rounds.some(({ closed }) => !closed)
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

interface Outlined {
  readonly form: Form
  /** The section that a round lies in, by its index. */
  readonly sectionAt: (index: number) => SectionId
}

/** Of what lies flat, a round takes up about so much of what would lie quite flat. */
const FLAT_SHARE = 0.75
/** So many of the last rounds may keep their count and still be an edge of a flat piece. */
const EDGE_ROUNDS = 2
/** A round that grows by less than this share of what would lie flat is none of a base. */
const GROWS = 0.35
/** A wall may lose so much of its stitches to a texture, and still be one. */
const STRAY = 0.04

function outlineOf({ rounds, start }: PieceRead, { w, h }: Gauge): Outlined | undefined {
  const kind = start?.start.kind
  const whole = (id: SectionId) => () => id
  const counts = rounds.map(({ makes }) => makes)
  const standsPlainly = rounds.every(({ on }) => on === undefined)
  if (!standsPlainly) return kind === 'chainAlong' || kind === 'chain' ? undefined : sockOf(rounds, w, h)
  if (rounds.every(({ closed }) => !closed)) return kind === 'chain' ? strapOf(counts, w, h) : undefined
  if (rounds.some(({ closed }) => !closed)) return undefined
  if (kind === 'joinedChain') {
    const even = counts.every((count) => count === counts[0])
    if (!even) return drawnFrom('open', counts.length)
    const form: Form = {
      family: 'tube',
      girth: mm(counts[0]! * w),
      of: 'tube',
      ease: 0,
      length: mm(counts.length * h),
      end: 'open',
    }
    return { form, sectionAt: whole('wall') }
  }
  if (kind === 'chain') return undefined
  const flatGrowth = growthOf(rounds, w, h)
  const grownAt = (least: number) =>
    counts.findLastIndex((count, index) => index === 0 || count - counts[index - 1]! > least)
  // Around a chain only its ends widen, and a wall may take up a few stitches more or fewer where its texture begins.
  const crisp = crispTurn(rounds)
  const last = crisp > 0 ? crisp - 1 : grownAt(kind === 'chainAlong' ? 0 : GROWS * flatGrowth)
  const shrinks = counts.some((count, index) => index > 0 && count < (1 - STRAY) * counts[index - 1]!)
  const after = counts.length - 1 - last
  const flat = last > 0 && (counts[last]! - counts[0]!) / last >= FLAT_SHARE * flatGrowth
  if (kind === 'chainAlong') {
    if (shrinks) return bootieOf(counts, start!.chains ?? 4, w, h)
    if (last === 0) return undefined
    const width = 2 * (last + 1) * h
    const form: Form = {
      family: 'oval',
      length: mm(width + (start!.chains ?? 4) * w),
      width: mm(width),
      edge: after <= EDGE_ROUNDS ? 'flat' : rounds[last + 1]!.loops === 'back' ? 'crisp' : 'rounded',
      height: mm(Math.max(2, after) * h),
      of: 'outside',
      ends: 'exact',
    }
    return { form, sectionAt: (index) => (after > EDGE_ROUNDS && index > last ? 'wall' : 'base') }
  }
  if (flat && !shrinks && after <= EDGE_ROUNDS) {
    return { form: { family: 'disc', across: mm(2 * counts.length * h) }, sectionAt: whole('flat') }
  }
  if (flat && !shrinks && last >= 2) {
    const form: Form = {
      family: 'vessel',
      base: mm(2 * (last + 1) * h),
      height: mm(after * h),
      of: 'outside',
      lean: 0,
      edge: rounds[last + 1]!.loops === 'back' ? 'crisp' : 'rounded',
    }
    return { form, sectionAt: (index) => (index > last ? 'wall' : 'base') }
  }
  return drawnFrom('rounded', counts.length)
}

/** The round that turns a crisp edge: one into back loops among others that are not. */
function crispTurn(rounds: readonly RoundRead[]): number {
  const back = rounds.flatMap(({ loops, makes, uses }, index) =>
    loops === 'back' && makes === uses ? [index] : [],
  )
  return back.length === 1 && back[0]! > 1 ? back[0]! : -1
}

/** A toe that widens, a foot, rows over part of it, and around again over them and over what waited: a sock. */
function sockOf(rounds: readonly RoundRead[], w: number, h: number): Outlined | undefined {
  const heel = rounds.findIndex(({ on }) => on?.kind === 'stretch')
  const leg = rounds.findIndex(({ on }) => on?.kind === 'panel')
  const inOrder = rounds.every(({ closed, on }, index) =>
    index < heel || index > leg ? closed && on === undefined : index === leg || !closed,
  )
  const toe = rounds
    .slice(0, Math.max(0, heel))
    .findLastIndex(({ makes, uses }, index) => index === 0 || makes > uses)
  if (heel < 0 || leg <= heel + 1 || !inOrder || toe + 1 >= heel || rounds.length - leg < 2) return undefined
  const form: Form = {
    family: 'sock',
    foot: mm(1.25 * heel * h),
    around: mm(rounds[heel - 1]!.makes * w),
    ease: 0,
    leg: mm((rounds.length - leg) * h),
    heel: 'full',
    cuff: 'plain',
    cuffHeight: mm(40),
  }
  const sectionAt = (index: number) =>
    index <= toe ? 'toe' : index < heel ? 'foot' : index < leg ? 'heel' : 'leg'
  return { form, sectionAt }
}

/** A sole around a chain, a wall, rounds that come back over the instep, and even ones to the edge: a bootie. */
function bootieOf(counts: readonly number[], chains: number, w: number, h: number): Outlined | undefined {
  const changes = (index: number) => Math.sign(counts[index]! - (counts[index - 1] ?? 0))
  const all = counts.map((_, index) => changes(index))
  const sole = all.indexOf(0) - 1
  const instep = all.indexOf(-1)
  const cuff = all.lastIndexOf(-1) + 1
  const inOrder = all.every((by, index) =>
    index <= sole ? by > 0 : index < instep || index >= cuff ? by === 0 : by < 0,
  )
  if (sole < 1 || instep <= sole + 1 || cuff >= counts.length || !inOrder) return undefined
  const foot = chains * w + 2 * (sole + 0.5) * h
  const form: Form = {
    family: 'bootie',
    foot: mm(foot),
    room: mm(0),
    wide: Math.min(0.55, Math.max(0.36, (2 * (sole + 1) * h) / foot)),
    opening: Math.min(2.2, Math.max(1, (counts.at(-1)! * w) / foot)),
    cuffHeight: mm(Math.max(8, (counts.length - cuff) * h)),
    cuff: 'plain',
    side: 'left',
  }
  const sectionAt = (index: number) =>
    index <= sole ? 'sole' : index < instep ? 'wall' : index < cuff ? 'instep' : 'cuff'
  return { form, sectionAt }
}

/** Rows of one count, which may narrow by one or two in every row from some row on. */
function strapOf(counts: readonly number[], w: number, h: number): Outlined | undefined {
  const first = counts.findIndex((count) => count !== counts[0])
  const strip = first < 0 ? counts.length : first
  const by = first < 0 ? 0 : counts[first - 1]! - counts[first]!
  const narrows = counts.slice(strip).every((count, index) => counts[strip + index - 1]! - count === by)
  if (strip < 1 || !narrows || by > 2 || by < 0) return undefined
  const form: Form = {
    family: 'strap',
    wide: mm(counts[0]! * w),
    long: mm(counts.length * h),
    end: by === 0 ? 'square' : by === 1 ? 'slanted' : 'pointed',
  }
  return { form, sectionAt: (index) => (index < strip ? 'strip' : 'point') }
}

/** Stitches to add every round so that it lies flat, by the stitches that it is made of. */
function growthOf(rounds: readonly RoundRead[], w: number, h: number): number {
  const ratio = rounds.reduce((sum, { stitch }) => sum + STITCHES[stitch].heightOverWidth, 0) / rounds.length
  return flatIncrease(w, h * (ratio / STITCHES[mainStitch(rounds)].heightOverWidth))
}

/** A shape of its own; its outline is found once it is laid. */
function drawnFrom(foot: 'rounded' | 'open', rounds: number): Outlined {
  const form: Form = {
    family: 'drawn',
    outline: [
      { across: foot === 'open' ? 60 : 10, up: 0 },
      { across: 60, up: Math.max(20, rounds * 5) },
    ],
    of: 'itself',
    ease: 0,
    between: 'curved',
    foot,
  }
  return { form, sectionAt: () => 'wall' }
}
