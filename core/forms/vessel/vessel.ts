import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { EDGE_ROUNDS } from '../disc/disc.ts'
import type { Family, Guide, Outline, Sizes, UsualWork } from '../family.ts'
import { baseOf, beginsInItsMiddle, isAllRings } from '../seen.ts'

/** Closed in a base that lies flat, with a wall that stands on it: a basket, a bowl, a sleeve for a handle. */
export interface VesselForm {
  readonly family: 'vessel'
  /** Across the base. */
  readonly base: Millimetres
  /** Where that is measured: over the fabric, or between the walls. */
  readonly of: 'outside' | 'inside'
  /** From the table to the edge of the wall. */
  readonly height: Millimetres
  /** The share by which the mouth is wider than the base; below 0 the wall leans in. */
  readonly lean: number
  /** How the base turns into the wall. */
  readonly edge: (typeof EDGES)[number]
}

const EDGES = ['crisp', 'rounded', 'lip'] as const

const BASE_SECTION = 'base'
const LIP_SECTION = 'lip'
/** Along the fabric a lip takes nothing that anybody could measure, in heights of a round. */
const LIP_LENGTH = 0.05
/** Where it still lies flat. */
const FLAT = [BASE_SECTION, LIP_SECTION]
const WALL_SECTION = 'wall'

/** By how much the rim of a pot stands over what it is put in, mm. */
const RIM = 9

const WIDEST = 1000
const HIGHEST = 1000
const LEANS = [-0.6, 1.5] as const
/** More rounds than this are no piece of one evening, nor of ten. */
const MOST_ROUNDS = 200
/** Fewer stitches do not make a wall that goes around anything. */
const FEWEST_STITCHES = 12
const FEWEST_BASE_ROUNDS = 2
const FEWEST_WALL_ROUNDS = 2

interface Profile {
  /** Radius of the middle of the fabric, where the wall begins and at its edge, mm. */
  readonly foot: number
  readonly mouth: number
  /** From the foot to the edge along the wall, mm. */
  readonly slant: number
}

function profileOf({ base, of, height, lean }: VesselForm, { thickness }: Sizes): Profile {
  const foot = (base + (of === 'inside' ? thickness : -thickness)) / 2
  const mouth = foot + (lean * base) / 2
  // The fabric that it stands on lies half its thickness over the table.
  return { foot, mouth, slant: Math.hypot(height - thickness / 2, mouth - foot) }
}

/** The wall takes so much more each mm of its length as it leans out (FIELD §11). */
const wallGuide = ({ foot, mouth, slant }: Profile): Guide => ({
  length: slant,
  lies: 'fitted',
  perimeter: (along) => 2 * Math.PI * (foot + (mouth - foot) * Math.min(1, Math.max(0, along / slant))),
})

/** One round all around the base, which adds nothing to the way along the fabric. */
const lipUnder = ({ foot }: Profile, { h }: Sizes): Outline => ({
  id: LIP_SECTION,
  lip: true,
  even: true,
  guide: { length: LIP_LENGTH * h, lies: 'fitted', perimeter: () => 2 * Math.PI * foot },
})

/** Narrowest base that holds a few rounds, and a wall of a few stitches, mm. */
function narrowest({ of, lean }: VesselForm, { w, h, thickness }: Sizes): number {
  const foot = Math.max(FEWEST_BASE_ROUNDS * h, (FEWEST_STITCHES * w) / (2 * Math.PI))
  const base = 2 * foot + (of === 'inside' ? -thickness : thickness)
  return lean < 0 ? base / (1 + lean) : base
}

export const vessel: Family<VesselForm> = {
  fields: [
    { kind: 'length', key: 'base', least: 20, most: WIDEST, usual: 240 },
    { kind: 'length', key: 'height', least: 10, most: HIGHEST, usual: 160 },
    { kind: 'choice', key: 'of', choices: ['outside', 'inside'] },
    { kind: 'share', key: 'lean', least: LEANS[0], most: LEANS[1], usual: 0 },
    { kind: 'choice', key: 'edge', choices: EDGES },
  ],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  validate(form, sizes) {
    const { base, of, height, lean, edge } = form
    if (of !== 'outside' && of !== 'inside') {
      throw new SpecError('form.of', 'A base is measured outside or inside.', 'Take one of the two.')
    }
    if (!EDGES.includes(edge)) {
      throw new SpecError('form.edge', 'There is no such edge.', 'Take one of the three.')
    }
    if (!(lean >= LEANS[0] && lean <= LEANS[1])) {
      throw new SpecError(
        'form.lean',
        'No wall leans so far.',
        'From −60% (it draws in) to 150% (wide as a bowl); 0 is straight up.',
      )
    }
    const least = Math.max(20, narrowest(form, sizes))
    if (!(base >= least)) {
      throw new SpecError(
        'form.base',
        `${lengthOf(base)} is too little for a base and a wall around it.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    if (base > WIDEST) {
      throw new SpecError(
        'form.base',
        `${lengthOf(base)} is wider than one carries.`,
        `Up to ${lengthOf(WIDEST)}.`,
      )
    }
    const low = FEWEST_WALL_ROUNDS * sizes.h + sizes.thickness / 2
    if (!(height >= Math.max(10, low))) {
      throw new SpecError(
        'form.height',
        `${lengthOf(height)} is under ${FEWEST_WALL_ROUNDS} rounds of this stitch.`,
        `At least ${lengthOf(Math.ceil(Math.max(10, low)))} in this gauge; without a wall it is a mat.`,
      )
    }
    const { foot, slant } = profileOf(form, sizes)
    if (height > HIGHEST || (foot + slant) / sizes.h > MOST_ROUNDS) {
      throw new SpecError(
        'form.height',
        `${lengthOf(height)} would take more than ${MOST_ROUNDS} rounds or be higher than a table.`,
        `Up to ${lengthOf(Math.floor(Math.min(HIGHEST, Math.max(low, MOST_ROUNDS * sizes.h - foot))))} in this gauge.`,
      )
    }
    if (sizes.start.hole > foot / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the base.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections(form, sizes) {
    const profile = profileOf(form, sizes)
    const { hole } = sizes.start
    return [
      {
        id: BASE_SECTION,
        guide: {
          length: profile.foot - hole,
          lies: 'flat',
          perimeter: (along) => 2 * Math.PI * (hole + along),
        },
      },
      ...(form.edge === 'lip' ? [lipUnder(profile, sizes)] : []),
      {
        id: WALL_SECTION,
        guide: wallGuide(profile),
        ...(form.lean === 0 ? { even: true } : {}),
        ...(form.edge === 'rounded' ? {} : { crisp: true }),
      },
    ]
  },
  lip: ({ edge }) => (edge === 'lip' ? LIP_SECTION : undefined),
  usualWork: ({ edge }) =>
    Object.fromEntries(edge === 'lip' ? [[LIP_SECTION, { stitch: 'sc' } satisfies UsualWork]] : []),
  measures: () => [
    { of: 'across', in: FLAT },
    { of: 'height', in: [WALL_SECTION] },
    { of: 'around', in: [WALL_SECTION] },
  ],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: FLAT },
    { of: 'across', at: 'edge', in: FLAT },
    { of: 'around', at: 'edge', needed: true, in: [WALL_SECTION] },
    { of: 'height', at: 'edge', in: [WALL_SECTION] },
  ],
  targets(form, sizes) {
    const { mouth } = profileOf(form, sizes)
    return [
      { of: 'height', value: form.height },
      { of: 'around', value: 2 * Math.PI * mouth + Math.PI * sizes.thickness },
    ]
  },
  towardsGirth(form, { thickness }, girth) {
    const across = girth / Math.PI
    return { ...form, base: mm(form.of === 'outside' ? across + thickness : across - thickness) }
  },
  drawnAs(form, { thickness }) {
    if (form.of !== 'inside') return []
    // What it holds: a plain pot as wide as it is inside, its rim standing over the wall.
    const [foot, mouth] = [form.base / 2, (form.base * (1 + form.lean)) / 2]
    const [bottom, top] = [thickness / 2, form.height + RIM]
    return [
      { r: foot, z: bottom },
      { r: mouth, z: top },
      { r: mouth + RIM / 2, z: top },
      { r: mouth + RIM / 2, z: top + RIM / 3 },
    ]
  },
  seenIn(seen) {
    if (!beginsInItsMiddle(seen) || !isAllRings(seen)) return undefined
    const { flat, shrinks, last, after, crisp } = baseOf(seen)
    if (!flat || shrinks || last < FEWEST_BASE_ROUNDS || after <= EDGE_ROUNDS) return undefined
    return {
      form: {
        family: 'vessel',
        base: mm(2 * (last + 1) * seen.h),
        height: mm(after * seen.h),
        of: 'outside',
        lean: 0,
        edge: crisp ? 'crisp' : 'rounded',
      },
      sectionAt: (index) => (index > last ? WALL_SECTION : BASE_SECTION),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    base: mm(form.base * around),
    height: mm(form.height * along),
  }),
  towards(form, { thickness }, { of, value }) {
    if (of === 'height') return { ...form, height: mm(value) }
    if (of !== 'around') return form
    const outside = value / Math.PI
    const mouth = form.of === 'outside' ? outside : outside - 2 * thickness
    return { ...form, base: mm(mouth / (1 + form.lean)) }
  },
}
