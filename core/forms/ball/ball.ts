import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, Guide, Sizes } from '../family.ts'
import { beginsInItsMiddle, countsIn, isAllRings, within } from '../seen.ts'
import { halfEllipse, type Curve } from './halfEllipse.ts'

/** Closed at both ends and filled: a ball, or an egg that is longer than wide. */
export interface BallForm {
  readonly family: 'ball'
  /** Across where it is widest, filled. */
  readonly across: Millimetres
  /** The share by which it is longer than that, end to end. */
  readonly longer: number
  /** Where along it the widest place lies. */
  readonly widest: number
  readonly filling: (typeof FILLINGS)[number]
}

const FILLINGS = ['firm', 'soft', 'none'] as const

const OUT_SECTION = 'out'
const IN_SECTION = 'in'

/** Filled, fabric grows in girth by so much (FIELD §11: 3 to 5% when firm). */
const GROWS = { firm: 0.04, soft: 0.02, none: 0 } as const

const MOST_ACROSS = 800
const LONGER = [-0.5, 1.5] as const
const WIDEST = [0.25, 0.75] as const
const FEWEST_STITCHES = 12
const FEWEST_ROUNDS = 3
const MOST_ROUNDS = 200

/** Both halves of the fabric's middle before it is filled, from an end to the widest place. */
function halvesOf(
  { across, longer, widest, filling }: BallForm,
  { thickness }: Sizes,
): readonly [Curve, Curve] {
  const empty = (size: number) => (size - thickness) / (1 + GROWS[filling])
  const [radius, length] = [empty(across) / 2, empty(across * (1 + longer))]
  return [halfEllipse(radius, widest * length), halfEllipse(radius, (1 - widest) * length)]
}

const growing = (curve: Curve, hole: number): Guide => ({
  length: curve.length - hole,
  lies: 'fitted',
  perimeter: (along) => 2 * Math.PI * curve.radius(hole + along),
})

/** So many stitches are drawn together with the tail (FIELD §11: 6 to 8). */
const DRAWN = 6
/** More than this no tail draws together. */
const MOST_DRAWN = 12
/** So nearly as long as wide it is a ball; so near to its middle the widest place is there. */
const [AS_LONG, IN_THE_MIDDLE] = [0.2, 0.06]

/** It ends where few enough stitches are left, a round before the end at the latest. */
function closing(curve: Curve, { w, h }: Sizes): Guide {
  let left = h
  while (left < curve.length / 2 && 2 * Math.PI * curve.radius(left) < (DRAWN - 1) * w) left += h / 8
  return {
    length: curve.length - left,
    lies: 'fitted',
    perimeter: (along) => 2 * Math.PI * curve.radius(curve.length - along),
  }
}

/** How deep half of what closes again is whose fabric goes so far from its end to its widest place, mm. */
function depthOf(radius: number, along: number): number {
  let [low, high] = [radius / 4, 4 * radius]
  for (let halving = 0; halving < 24; halving++) {
    const depth = (low + high) / 2
    if (halfEllipse(radius, depth).length > along) high = depth
    else low = depth
  }
  return low
}

export const ball: Family<BallForm> = {
  fields: [
    { kind: 'length', key: 'across', least: 15, most: MOST_ACROSS, usual: 120 },
    { kind: 'share', key: 'longer', least: LONGER[0], most: LONGER[1], usual: 0 },
    { kind: 'share', key: 'widest', least: WIDEST[0], most: WIDEST[1], usual: 0.5 },
    { kind: 'choice', key: 'filling', choices: FILLINGS },
  ],
  starts: () => ['magicRing', 'chainTwo'],
  validate(form, sizes) {
    const { across, longer, widest, filling } = form
    if (!FILLINGS.includes(filling)) {
      throw new SpecError('form.filling', 'There is no such filling.', 'Take one of the three.')
    }
    if (!(longer >= LONGER[0] && longer <= LONGER[1])) {
      throw new SpecError(
        'form.longer',
        'That is no ball and no egg.',
        'From −50% (flat) to 150% (a long egg); 0 is a ball.',
      )
    }
    if (!(widest >= WIDEST[0] && widest <= WIDEST[1])) {
      throw new SpecError(
        'form.widest',
        'The widest place lies somewhere between the ends.',
        'From 25% to 75% of the way; 50% is the middle.',
      )
    }
    const shorter = Math.min(widest, 1 - widest) * (1 + longer)
    const least = Math.max(
      15,
      (FEWEST_STITCHES * sizes.w * 1.04) / Math.PI + sizes.thickness,
      (FEWEST_ROUNDS * sizes.h * 1.04) / Math.min(shorter, 0.78) + sizes.thickness,
    )
    if (!(across >= least)) {
      throw new SpecError(
        'form.across',
        `${lengthOf(across)} is too little for ${FEWEST_ROUNDS} rounds out and in.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    const most = Math.min(MOST_ACROSS, (MOST_ROUNDS * sizes.h) / (1.6 * (1 + Math.max(0, longer))))
    if (across > most) {
      throw new SpecError(
        'form.across',
        `${lengthOf(across)} would take more than ${MOST_ROUNDS} rounds or more filling than one carries.`,
        `Up to ${lengthOf(Math.floor(most))} in this gauge.`,
      )
    }
  },
  sections(form, sizes) {
    const [first, second] = halvesOf(form, sizes)
    return [
      { id: OUT_SECTION, guide: growing(first, sizes.start.hole) },
      {
        id: IN_SECTION,
        guide: closing(second, sizes),
        ...(form.widest === 0.5 ? { mirrors: OUT_SECTION } : {}),
      },
    ]
  },
  measures: () => [
    { of: 'around', in: [OUT_SECTION] },
    { of: 'height', in: [IN_SECTION] },
  ],
  closes: { at: OUT_SECTION, grows: ({ filling }) => GROWS[filling] },
  tape: [
    { of: 'around', at: 'edge', needed: true, in: [OUT_SECTION] },
    { of: 'height', at: 'edge', needed: true, in: [IN_SECTION] },
  ],
  targets: ({ across }) => [{ of: 'around', value: Math.PI * across }],
  // Out to its widest place and in again, to what a tail draws together; such a thing is filled.
  seenIn(seen) {
    if (!beginsInItsMiddle(seen) || !isAllRings(seen)) return undefined
    const counts = countsIn(seen)
    const most = Math.max(...counts)
    const [from, to] = [counts.indexOf(most), counts.lastIndexOf(most)]
    const outAndIn = counts.every(
      (count, index) =>
        index === 0 || (index <= to ? count >= counts[index - 1]! : count <= counts[index - 1]!),
    )
    if (!outAndIn || most < FEWEST_STITCHES || counts.at(-1)! > Math.min(MOST_DRAWN, most / 2))
      return undefined
    const radius = (most * seen.w) / (2 * Math.PI)
    // The tail draws in what is left of the way to the end.
    const depth = depthOf(radius, ((counts.length + 1) * seen.h) / 2)
    const middle = ((from + to) / 2 + 1) / (counts.length + 1)
    return {
      form: {
        family: 'ball',
        across: mm(2 * radius),
        longer: Math.abs(depth / radius - 1) < AS_LONG ? 0 : within(depth / radius - 1, LONGER),
        widest: Math.abs(middle - 0.5) < IN_THE_MIDDLE ? 0.5 : within(middle, WIDEST),
        filling: 'firm',
      },
      sectionAt: (index) => (index <= (from + to) / 2 ? OUT_SECTION : IN_SECTION),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    across: mm(form.across * around),
    longer: Math.max(0, ((1 + form.longer) * along) / around - 1),
  }),
  towards: (form, _, { of, value }) => (of === 'around' ? { ...form, across: mm(value / Math.PI) } : form),
}
