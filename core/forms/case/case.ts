import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { aroundChain, foundationOn, type Foundation } from '../alongChain.ts'
import type { Family, Guide, Outline, Sizes } from '../family.ts'
import { baseOf, ringsIn, within } from '../seen.ts'

/** Made to hold an object upright: its body, or the lid that meets it at the object's own opening line. */
export interface CaseForm {
  readonly family: 'case'
  /** The object: how long, how thick and how high it stands. */
  readonly long: Millimetres
  readonly thick: Millimetres
  readonly high: Millimetres
  /** Its corners, seen from above, and their radius where they are rounded a little. */
  readonly corners: (typeof CORNERS)[number]
  readonly radius: Millimetres
  /** The share by which the inside is smaller than the object. */
  readonly ease: number
  /** What it stands on: a base as large as the object, or a line that the walls go up from. */
  readonly base: (typeof BASES)[number]
  /** How it closes; where it opens, as a share of its height; and how much of the way around the hinge is. */
  readonly closing: (typeof CLOSINGS)[number]
  readonly opens: number
  readonly hinge: number
  readonly part: (typeof PARTS)[number]
}

const CORNERS = ['boxy', 'rounded', 'round'] as const
const BASES = ['full', 'slim'] as const
const CLOSINGS = ['lid', 'flap', 'none'] as const
const PARTS = ['body', 'lid'] as const

const BASE = 'base'
const WALL = 'wall'
const FLAP = 'flap'

const LONGEST = 600
const LEAST = 10
const LEAST_THICK = 5
const [USUAL_EASE, USUAL_HINGE, USUAL_RADIUS] = [0.04, 0.22, 10]
const EASES = [-0.03, 0.12] as const
const OPENS = [0.25, 0.92] as const
const HINGES = [0.1, 0.4] as const
const MOST_ROUNDS = 200
const FEWEST_BETWEEN = 2
/** A slim base widens by a stitch at each end in so many rounds. */
const SLIM_ROUNDS = 2

interface Plan {
  readonly foundation: Foundation
  readonly spine: number
  /** How far the base goes along the fabric, mm. */
  readonly length: number
  readonly baseGuide: Guide
  /** Stitches around the wall: the same in body and lid. */
  readonly count: number
}

/** Around an object that is so long and thick, its corners rounded as they are, mm (FIELD §11). */
function aroundObject({ long, thick, corners, radius }: CaseForm): number {
  const corner = corners === 'boxy' ? 0 : corners === 'round' ? thick / 2 : radius
  return 2 * (long + thick) - (8 - 2 * Math.PI) * corner
}

/** The girth that is wanted halfway through the fabric, mm: what it holds, smaller by its ease, and the fabric around it. */
const girthOf = (form: CaseForm, { thickness }: Sizes): number =>
  aroundObject(form) * (1 - form.ease) + Math.PI * thickness

function planOf(form: CaseForm, sizes: Sizes): Plan {
  const { w, h, thickness } = sizes
  const girth = girthOf(form, sizes)
  const flat = Math.max(1, Math.round((form.thick * (1 - form.ease) + thickness) / 2 / h))
  const { end } = foundationOn(3, 'exact', sizes, ['end', 'end'])
  const slim = form.base === 'slim'
  const around = slim ? 2 * (end + SLIM_ROUNDS - 1) : 2 * Math.round((Math.PI * flat * h) / w)
  const chains = sizes.chains ?? Math.max(1, Math.round((girth / w - around) / 2)) + 1
  const foundation = foundationOn(chains, 'exact', sizes, ['end', 'end'])
  const spine = foundation.side * w
  const rounds = slim ? SLIM_ROUNDS : flat
  return {
    foundation,
    spine,
    length: rounds * h,
    baseGuide: slim
      ? {
          length: rounds * h,
          lies: 'fitted',
          perimeter: (along) => 2 * spine + 2 * w * (end - 1 + along / h),
        }
      : aroundChain(spine, rounds * h),
    count: 2 * foundation.side + around,
  }
}

const closes = ({ closing }: CaseForm): boolean => closing === 'lid'

/** From the table to its edge, mm: up to where the object opens, or from there over its top. */
function heightOf(form: CaseForm, { thickness }: Sizes): number {
  const line = form.high * (closes(form) ? form.opens : 1)
  return (form.part === 'lid' && closes(form) ? form.high - line : line) + thickness
}

const between = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most

const LEAST_HIGH = 2

export const caseFamily: Family<CaseForm> = {
  fields: [
    { kind: 'length', key: 'long', least: LEAST, most: LONGEST, usual: 90 },
    { kind: 'length', key: 'thick', least: LEAST_THICK, most: LONGEST, usual: 50 },
    { kind: 'length', key: 'high', least: LEAST, most: LONGEST, usual: 110 },
    { kind: 'choice', key: 'corners', choices: CORNERS },
    {
      kind: 'length',
      key: 'radius',
      least: 1,
      most: LONGEST / 2,
      usual: USUAL_RADIUS,
      while: { key: 'corners', is: ['rounded'] },
    },
    { kind: 'share', key: 'ease', least: EASES[0], most: EASES[1], usual: USUAL_EASE },
    { kind: 'choice', key: 'base', choices: BASES },
    { kind: 'choice', key: 'closing', choices: CLOSINGS },
    {
      kind: 'share',
      key: 'opens',
      least: OPENS[0],
      most: OPENS[1],
      usual: 0.65,
      while: { key: 'closing', is: ['lid', 'flap'] },
    },
    {
      kind: 'share',
      key: 'hinge',
      least: HINGES[0],
      most: HINGES[1],
      usual: USUAL_HINGE,
      while: { key: 'closing', is: ['lid'] },
    },
    { kind: 'choice', key: 'part', choices: PARTS, withStart: true },
  ],
  starts: () => ['chainAlong'],
  uses: ['device'],
  validate(form, sizes) {
    const { long, thick, high, corners, radius, ease, base, closing, opens, hinge, part } = form
    const { w, h, thickness } = sizes
    const refuse = (field: keyof CaseForm, problem: string, valid: string): never => {
      throw new SpecError(`form.${field}`, problem, valid)
    }
    const known = (field: keyof CaseForm, value: string, choices: readonly string[]) => {
      if (!choices.includes(value)) {
        refuse(field, `There is no “${value}” here.`, `Take one of the ${choices.length}.`)
      }
    }
    known('corners', corners, CORNERS)
    known('base', base, BASES)
    known('closing', closing, CLOSINGS)
    known('part', part, PARTS)
    for (const [field, size, least] of [
      ['long', long, LEAST],
      ['thick', thick, LEAST_THICK],
      ['high', high, LEAST],
    ] as const) {
      if (!(size >= least && size <= LONGEST)) {
        refuse(
          field,
          `${lengthOf(size)} is no size of something that goes into a case.`,
          `From ${lengthOf(least)} to ${lengthOf(LONGEST)}.`,
        )
      }
    }
    if (thick > long) {
      refuse('thick', 'It is thicker than long.', `Up to ${lengthOf(long)}, or turn it: length first.`)
    }
    if (corners === 'rounded' && !(radius >= 1 && radius <= thick / 2)) {
      refuse(
        'radius',
        `No corner of it is rounded by ${lengthOf(radius)}.`,
        `From ${lengthOf(1)} to half its thickness, ${lengthOf(thick / 2)}.`,
      )
    }
    if (corners !== 'rounded' && !(radius >= 1 && radius <= LONGEST / 2)) {
      refuse('radius', `${lengthOf(radius)} is no radius of a corner.`, `From ${lengthOf(1)} up.`)
    }
    if (!between(ease, EASES)) {
      refuse('ease', 'A case that much smaller goes over nothing.', 'From −3 to 12%; usually 2 to 8.')
    }
    if (!between(opens, OPENS)) {
      refuse('opens', 'That leaves no body, or no lid.', 'From 25 to 92% of its height.')
    }
    if (!between(hinge, HINGES)) {
      refuse('hinge', 'That is no hinge.', 'From 10 to 40% of the way around; usually 20 to 25.')
    }
    const least = LEAST_HIGH * h + thickness
    if (heightOf(form, sizes) < least) {
      refuse(
        closes(form) ? 'opens' : 'high',
        `The ${part} would be under ${LEAST_HIGH} rounds high.`,
        closes(form)
          ? `From ${Math.ceil((100 * LEAST_HIGH * h) / high)} to ${Math.floor(100 - (100 * LEAST_HIGH * h) / high)}% of its height in this gauge.`
          : `At least ${lengthOf(Math.ceil(LEAST_HIGH * h))} in this gauge.`,
      )
    }
    const flat = Math.max(1, Math.round((thick * (1 - ease) + thickness) / 2 / h))
    const room = girthOf(form, sizes) - (base === 'slim' ? 10 * w : 2 * Math.PI * flat * h)
    if (room < 2 * FEWEST_BETWEEN * w) {
      refuse(
        'long',
        `${lengthOf(long)} is too short, or too nearly as thick as long, for a chain of these stitches.`,
        `At least ${lengthOf(Math.ceil(long + (2 * FEWEST_BETWEEN * w - room) / 2))}, smaller stitches, or a round form.`,
      )
    }
    if ((heightOf(form, sizes) + thick) / h > MOST_ROUNDS) {
      refuse('high', `That takes more than ${MOST_ROUNDS} rounds.`, 'Lower, or in a taller stitch.')
    }
  },
  foundation: (form, sizes) => planOf(form, sizes).foundation,
  sections(form, sizes) {
    const { baseGuide, count } = planOf(form, sizes)
    const wall: Outline = {
      id: WALL,
      even: true,
      count,
      guide: {
        length: heightOf(form, sizes) - sizes.thickness / 2,
        lies: 'fitted',
        perimeter: () => count * sizes.w,
      },
      ...(form.base === 'full' ? { crisp: true } : {}),
    }
    return [{ id: BASE, guide: baseGuide }, wall]
  },
  rowsAfter: (form) => {
    const { closing, long, thick, high, opens } = form
    if (closing !== 'flap') return []
    // As wide as the object, over its top, and down its front to where it closes.
    return [
      {
        id: FLAP,
        on: { back: long / aroundObject(form) },
        length: thick + high * (1 - opens),
      },
    ]
  },
  measures: ({ base }) => [
    ...(base === 'full'
      ? ([
          { of: 'endToEnd', in: [BASE] },
          { of: 'sideToSide', in: [BASE] },
        ] as const)
      : []),
    { of: 'height', in: base === 'full' ? [WALL] : [BASE, WALL] },
    { of: 'around', in: [WALL] },
  ],
  tape: [
    { of: 'endToEnd', at: 'edge', needed: true, in: [BASE] },
    { of: 'around', at: 'edge', needed: true, in: [WALL] },
    { of: 'height', at: 'edge', in: [WALL] },
  ],
  targets: (form, sizes) => [
    { of: 'height', value: heightOf(form, sizes) },
    { of: 'around', value: girthOf(form, sizes) + Math.PI * sizes.thickness },
  ],
  around: aroundObject,
  pieces: (form) =>
    closes(form)
      ? [
          { name: 'Body', form: { ...form, part: 'body' } },
          { name: 'Lid', form: { ...form, part: 'lid' } },
        ]
      : [{ name: 'Body', form: { ...form, part: 'body' } }],
  holds: ({ long, high, opens, part, closing }) => ({
    long,
    high: part === 'lid' && closing === 'lid' ? high * (1 - opens) : high,
  }),
  hinge: (form) => (closes(form) ? form.hinge : undefined),
  // Around a chain, up, and rows over part of the back that go over the top. What has no flap is as well an oval.
  seenIn(seen) {
    const { rounds, start, chains, w, h } = seen
    const rings = ringsIn(seen)
    const flap = rounds.slice(rings)
    const [first] = flap
    if (start !== 'chainAlong' || chains === undefined || first?.on?.kind !== 'stretch') return undefined
    const { shrinks, last, after } = baseOf(seen)
    const even = flap.every(
      ({ closed, on, makes }, index) => !closed && (index === 0 || !on) && makes === first.makes,
    )
    if (first.on.round !== rings - 1 || !even || shrinks || after < LEAST_HIGH) return undefined
    const around = (rounds[rings - 1]!.makes * w) / (1 - USUAL_EASE)
    const slim = last < SLIM_ROUNDS
    // Of a slim one nothing says how thick what it holds is: it lies as flat as its first rounds.
    const thick = Math.max(LEAST_THICK, slim ? 2 * h : 2 * (last + 1) * h)
    const high = after * h
    return {
      form: {
        family: 'case',
        long: mm(Math.max(LEAST, thick, around / 2 - thick)),
        thick: mm(thick),
        high: mm(Math.max(LEAST, high)),
        corners: 'boxy',
        radius: mm(USUAL_RADIUS),
        ease: USUAL_EASE,
        base: slim ? 'slim' : 'full',
        closing: 'flap',
        opens: within(1 - (flap.length * h - thick) / high, OPENS),
        hinge: USUAL_HINGE,
        part: 'body',
      },
      sectionAt: (index) => (index <= last ? BASE : index < rings ? WALL : FLAP),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    ease: 1 - (1 - form.ease) * around,
    high: mm(form.high * along),
  }),
  towards(form, sizes, { of, value }) {
    if (of === 'height') {
      const share = closes(form) ? (form.part === 'lid' ? 1 - form.opens : form.opens) : 1
      return { ...form, high: mm((value - sizes.thickness) / share) }
    }
    if (of !== 'around') return form
    const inside = value - 2 * Math.PI * sizes.thickness
    return { ...form, ease: 1 - inside / aroundObject(form) }
  },
}
