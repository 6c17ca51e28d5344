import fc from 'fast-check'
import type { BallForm } from '../forms/ball/ball.ts'
import type { CapForm } from '../forms/cap/cap.ts'
import type { ConeForm } from '../forms/cone/cone.ts'
import type { DrawnForm } from '../forms/drawn/drawn.ts'
import type { OutlinePoint } from '../forms/family.ts'
import type { TubeForm } from '../forms/tube/tube.ts'
import type { VesselForm } from '../forms/vessel/vessel.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import type { Placement, RepeatOrder } from '../counts/placeIncreases.ts'
import { sectionsWorked } from '../plan/sectionWork.ts'
import type { PieceSpec, RoundsWorked, Start } from '../plan/plan.ts'
import { plusMinusOf, type MeasureKind, type Promised, type Seen } from '../lay/measures.ts'
import { mm } from '../units/millimetres.ts'

/** A plain sc disc that tests change one thing of: 8 mm wide stitches at h/w 0.955. */
export function discSpec(
  across: number,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const stitch = changes.stitch ?? 'sc'
  return {
    form: { family: 'disc', across: mm(across) },
    tolerance: mm(5),
    stitch,
    gauge: {
      stitch,
      w: mm(8),
      h: mm(8 * heightOverWidth),
      varLnW: 0.0004,
      varLnH: 0.0004,
      covLnWLnH: 0.0001,
      strands: 1,
      yarnDiameter: mm(2.5),
      certainty: 'measured',
    },
    construction: {
      start: { kind: 'magicRing' },
      rounds: { kind: 'joined', turned: false, begins: 'chain', shaping: 'atTheJoin' },
      order: 'increaseLast',
      placement: 'staggered',
      freeLastRounds: 0,
    },
    colours: [{ fromRound: 1, yarn: 'fog' }],
    rhythm: 0.5,
    pace: 18,
    ...changes,
  }
}

export const USUAL_RATIO = { sc: 0.955, hdc: 1.27, dc: 1.91, tr: 2.6 }

/** What a maker might ask of a disc, in few words: `specOfAsked` has the rest. */
export interface AskedDisc {
  readonly stitch: keyof typeof USUAL_RATIO
  /** Width of a stitch, mm, and its h/w against the usual. */
  readonly w: number
  readonly ratio: number
  readonly rounds: number
  readonly rhythm: number
  readonly start: Start
  readonly rounding: RoundsWorked
  readonly order: RepeatOrder
  readonly placement: Placement
  readonly free: 0 | 1 | 2
  readonly even: readonly number[]
  readonly multiple?: { readonly fromRound: number; readonly of: number } | undefined
}

/** Any disc a maker might ask for, from two rounds to sixty. */
export const anyAsked: fc.Arbitrary<AskedDisc> = fc.record({
  stitch: fc.constantFrom('sc', 'hdc', 'dc', 'tr'),
  w: fc.double({ min: 2, max: 15, noNaN: true }),
  ratio: fc.double({ min: 0.85, max: 1.15, noNaN: true }),
  rounds: fc.double({ min: 2.6, max: 60, noNaN: true }),
  rhythm: fc.constantFrom(0, 0.25, 0.5, 0.75, 1),
  start: fc.oneof(
    fc.constantFrom({ kind: 'magicRing' } as const, { kind: 'chainTwo' } as const),
    fc.integer({ min: 4, max: 8 }).map((chains) => ({ kind: 'chainRing' as const, chains })),
  ),
  rounding: fc.oneof(
    fc.constant({ kind: 'spiral' } as const),
    fc.record({
      kind: fc.constant('joined' as const),
      turned: fc.boolean(),
      begins: fc.constantFrom('chain', 'countingChain', 'standingStitch'),
      shaping: fc.constantFrom('atTheJoin', 'offTheJoin'),
    }),
  ),
  order: fc.constantFrom('increaseFirst', 'increaseLast'),
  placement: fc.constantFrom('stacked', 'staggered', 'scattered'),
  free: fc.constantFrom(0, 1, 2),
  even: fc.uniqueArray(fc.integer({ min: 2, max: 60 }), { maxLength: 3 }),
  multiple: fc.option(
    fc.record({ fromRound: fc.integer({ min: 2, max: 40 }), of: fc.integer({ min: 2, max: 6 }) }),
    { nil: undefined },
  ),
})

/** The spec that asks for this disc. */
export function specOfAsked(asked: AskedDisc): PieceSpec {
  const h = asked.w * USUAL_RATIO[asked.stitch] * asked.ratio
  const { hole } = startOfFabric(asked.start, asked.stitch, asked.w, h)
  return discSpec(Math.min(2900, 2 * (hole + asked.rounds * h)), {
    stitch: asked.stitch,
    gauge: { ...discSpec(100).gauge, stitch: asked.stitch, w: mm(asked.w), h: mm(h) },
    construction: {
      start: asked.start,
      rounds: asked.rounding,
      order: asked.order,
      placement: asked.placement,
      freeLastRounds: asked.free,
    },
    constraints: { evenRounds: asked.even, multiples: asked.multiple ? [asked.multiple] : [] },
    rhythm: asked.rhythm,
  })
}

export const anySpec: fc.Arbitrary<PieceSpec> = anyAsked.map(specOfAsked)

/** A size that is promised, mm, with its ±. */
export function promise(
  { promises }: { readonly promises: readonly Promised[] },
  of: MeasureKind = 'across',
): { readonly value: number; readonly plusMinus: number } {
  const found = promises.find((one) => one.of === of)!
  return { value: found.value, plusMinus: plusMinusOf(found) }
}

/** One or two diameters as they are seen after a round. */
export const seenAcross = (at: number, ...values: readonly number[]): readonly Seen[] => [
  { of: 'across', at, values },
]

/** The diameter that a disc is to have, mm. */
export function acrossOf({ form }: Pick<PieceSpec, 'form'>): number {
  if (form.family !== 'disc') throw new Error(`A ${form.family} has no diameter.`)
  return form.across
}

/** A plain sc tube around something: stitches as in `discSpec`, fabric 4.5 mm thick. */
export function tubeSpec(
  form: Partial<Record<'girth' | 'ease' | 'length', number>> & Partial<Pick<TubeForm, 'of' | 'end'>>,
  changes: Partial<PieceSpec> = {},
): PieceSpec {
  const { girth = 240, of = 'object', ease = 0.03, length = 160, end = 'open' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'tube', girth: mm(girth), of, ease, length: mm(length), end },
    construction: { ...plain.construction, start: { kind: 'joinedChain' } },
    ...changes,
  }
}

/** A cone from a point to 14 cm across, 18 cm along its side, unless asked otherwise. */
export function coneSpec(
  form: Partial<Record<'from' | 'to' | 'length', number>> & Partial<Pick<ConeForm, 'begins' | 'end'>>,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { from = 40, to = 140, length = 180, begins = 'point', end = 'open' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'cone', from: mm(from), to: mm(to), length: mm(length), begins, end },
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * heightOverWidth) },
    construction: {
      ...plain.construction,
      start: begins === 'open' ? { kind: 'joinedChain' } : { kind: 'magicRing' },
    },
    ...changes,
  }
}

/** A ball of 12 cm, firmly filled, unless asked otherwise. */
export function ballSpec(
  form: Partial<Record<'across' | 'longer' | 'widest', number>> & Partial<Pick<BallForm, 'filling'>>,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { across = 120, longer = 0, widest = 0.5, filling = 'firm' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'ball', across: mm(across), longer, widest, filling },
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * heightOverWidth) },
    ...changes,
  }
}

/** Points of a shape, each so far across and so far up: `[[90, 0], [130, 60]]`. */
export const points = (...all: readonly (readonly [number, number])[]): OutlinePoint[] =>
  all.map(([across, up]) => ({ across, up }))

/** A jar of four points, drawn as it is itself, unless asked otherwise. */
export function drawnSpec(form: Partial<DrawnForm>, changes: Partial<PieceSpec> = {}): PieceSpec {
  const plain = discSpec(1)
  const { foot = 'rounded' } = form
  return {
    ...plain,
    form: {
      family: 'drawn',
      outline: points([90, 0], [130, 60], [120, 110], [80, 160]),
      of: 'itself',
      ease: 0,
      between: 'curved',
      foot,
      ...form,
    },
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * 0.955) },
    construction: {
      ...plain.construction,
      start: foot === 'open' ? { kind: 'joinedChain' } : { kind: 'magicRing' },
    },
    ...changes,
  }
}

/** Any shape from its foot up, level stretches among them; most of them can be worked. */
export const anyOutline: fc.Arbitrary<readonly OutlinePoint[]> = fc
  .tuple(
    fc.double({ min: 0, max: 300, noNaN: true }),
    fc.array(
      fc.record({
        across: fc.double({ min: 30, max: 320, noNaN: true }),
        by: fc.oneof(fc.constant(0), fc.double({ min: 10, max: 120, noNaN: true })),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  )
  .map(([foot, steps]) => {
    let up = 0
    const last = steps.length - 1
    const rise = (by: number, index: number) => (up += index === last ? Math.max(by, 15) : by)
    return [{ across: foot, up }, ...steps.map(({ across, by }, index) => ({ across, up: rise(by, index) }))]
  })

/** A vessel of 24 cm, straight and 16 cm high, unless asked otherwise. */
export function vesselSpec(
  form: Partial<Record<'base' | 'height' | 'lean', number>> & Partial<Pick<VesselForm, 'of' | 'edge'>>,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { base = 240, height = 160, lean = 0, of = 'outside', edge = 'crisp' } = form
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'vessel', base: mm(base), of, height: mm(height), lean, edge },
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * heightOverWidth) },
    ...(edge === 'lip' ? { sections: { lip: { stitch: 'sc' as const } } } : {}),
    ...changes,
  }
}

/** A plain cap that tests change one thing of: a head of 57 cm, crown rounded, no brim, 7.6 mm wide sc. */
export function capSpec(
  asked: Partial<Record<'head' | 'depth' | 'ease' | 'brimHeight', number>> &
    Partial<Pick<CapForm, 'crown' | 'brim'>>,
  changes: Partial<PieceSpec> = {},
  heightOverWidth = 0.955,
): PieceSpec {
  const { head = 570, depth = 220, ease = 0.03, crown = 'rounded', brim = 'plain', brimHeight = 45 } = asked
  const form: CapForm = {
    family: 'cap',
    head: mm(head),
    depth: mm(depth),
    ease,
    crown,
    brim,
    brimHeight: mm(brimHeight),
  }
  const stitch = changes.stitch ?? 'sc'
  const plain = discSpec(1, { stitch })
  return {
    ...plain,
    form,
    gauge: { ...plain.gauge, w: mm(7.6), h: mm(7.6 * heightOverWidth) },
    sections: sectionsWorked(form, stitch, undefined),
    ...changes,
  }
}
