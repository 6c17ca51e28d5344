import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { ENDS, type End, type Family, type Guide, type Sizes } from '../family.ts'

const BEGINNINGS = ['point', 'open'] as const

/** Widening or narrowing evenly from one end to the other: a cone, a funnel, or a pad that is closed flat. */
export interface ConeForm {
  readonly family: 'cone'
  /** Across the end where it is finished, over the fabric. */
  readonly to: Millimetres
  /** Along its side. */
  readonly length: Millimetres
  /** It begins in a point, or on a chain joined into a ring. */
  readonly begins: (typeof BEGINNINGS)[number]
  /** Across the end where it begins, when that is open. */
  readonly from: Millimetres
  readonly end: End
}

/** The one section of a form that is no more than a wall. */
const WALL_SECTION = 'wall'

const WIDEST = 1000
const LONGEST = 1500
const MOST_ROUNDS = 400
/** Fewer stitches do not close into a ring that a hook gets into. */
const FEWEST_STITCHES = 6
/** A point begins with so many stitches, or with what the slope asks for if that is more (FIELD §11). */
const POINT = 4
/** A side that spreads out by more than this share of its length lies flat, or nearly. */
const FLATTEST = 0.95
/** Ends less far apart than so many stitches around are those of a tube. */
const LEAST_CHANGE = 2

interface Profile {
  /** Radii of the middle of the fabric where it begins and where it ends, mm. */
  readonly narrow: number
  readonly wide: number
}

function profileOf({ begins, from, to }: ConeForm, { thickness }: Pick<Sizes, 'thickness'>): Profile {
  return { narrow: begins === 'point' ? 0 : (from - thickness) / 2, wide: (to - thickness) / 2 }
}

/** A constant increase: the perimeter changes evenly along the side (FIELD §3: sinθ = d·w/2πh). */
function guideOf(form: ConeForm, sizes: Sizes): Guide {
  const { narrow, wide } = profileOf(form, sizes)
  const { w, h, start } = sizes
  const [first, last] = [2 * Math.PI * narrow, 2 * Math.PI * wide]
  if (form.begins === 'open') {
    return {
      length: form.length,
      lies: 'fitted',
      // What reaches past the end is as wide as the end.
      perimeter: (along) => first + ((last - first) * Math.min(along, form.length)) / form.length,
    }
  }
  const point = Math.max(POINT * w, (last * h) / form.length)
  const length = form.length - start.hole
  return {
    length,
    lies: 'fitted',
    perimeter: (along) => {
      const beyond = Math.min(form.length, start.hole + along) - h
      return point + ((last - point) * Math.max(0, beyond)) / Math.max(h, form.length - h)
    },
  }
}

const least = ({ w, thickness }: Sizes): number => (FEWEST_STITCHES * w) / Math.PI + thickness

export const cone: Family<ConeForm> = {
  fields: [
    { kind: 'length', key: 'to', least: 10, most: WIDEST, usual: 140 },
    { kind: 'length', key: 'length', least: 10, most: LONGEST, usual: 180 },
    { kind: 'choice', key: 'begins', choices: BEGINNINGS },
    {
      kind: 'length',
      key: 'from',
      least: 5,
      most: WIDEST,
      usual: 40,
      while: { key: 'begins', is: ['open'] },
    },
    { kind: 'choice', key: 'end', choices: ENDS },
  ],
  starts: ({ begins }) => (begins === 'open' ? ['joinedChain'] : ['magicRing', 'chainTwo', 'chainRing']),
  validate(form, sizes) {
    const { to, from, length, begins, end } = form
    if (!BEGINNINGS.includes(begins)) {
      throw new SpecError('form.begins', 'It begins in a point or open.', 'Take one of the two.')
    }
    if (!ENDS.includes(end)) {
      throw new SpecError('form.end', 'There is no such end.', 'Take one of the three.')
    }
    const narrowest = Math.max(10, least(sizes))
    if (!(to >= narrowest)) {
      throw new SpecError(
        'form.to',
        `${lengthOf(to)} across is under ${FEWEST_STITCHES} stitches.`,
        `At least ${lengthOf(Math.ceil(narrowest))} in this gauge.`,
      )
    }
    if (to > WIDEST) {
      throw new SpecError(
        'form.to',
        `${lengthOf(to)} is wider than one carries.`,
        `Up to ${lengthOf(WIDEST)}.`,
      )
    }
    const openest = Math.max(5, begins === 'open' ? least(sizes) : 0)
    if (!(from >= openest && from <= WIDEST)) {
      throw new SpecError(
        'form.from',
        `${lengthOf(from)} across is under ${FEWEST_STITCHES} stitches, or too wide.`,
        `From ${lengthOf(Math.ceil(openest))} to ${lengthOf(WIDEST)} in this gauge; less begins in a point.`,
      )
    }
    const { narrow, wide } = profileOf(form, sizes)
    const spread = Math.abs(wide - narrow)
    const shortest = Math.max(3 * sizes.h, spread / FLATTEST)
    if (!(length >= shortest)) {
      throw new SpecError(
        'form.length',
        `${lengthOf(length)} along the side is flatter than flat, or under three rounds.`,
        `At least ${lengthOf(Math.ceil(shortest))}; flat, it is a mat.`,
      )
    }
    const longest = Math.min(LONGEST, MOST_ROUNDS * sizes.h)
    if (length > longest) {
      throw new SpecError(
        'form.length',
        `${lengthOf(length)} would take more than ${MOST_ROUNDS} rounds or be longer than an arm.`,
        `Up to ${lengthOf(Math.floor(longest))} in this gauge.`,
      )
    }
    if (begins === 'open' && 2 * Math.PI * spread < LEAST_CHANGE * sizes.w) {
      throw new SpecError(
        'form.from',
        'Both ends are as wide: that is a tube.',
        `At least ${lengthOf(Math.ceil((LEAST_CHANGE * sizes.w) / Math.PI))} more or less than the other end.`,
      )
    }
    if (sizes.start.hole > wide / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the piece.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections: (form, sizes) => [{ id: WALL_SECTION, guide: guideOf(form, sizes) }],
  measures: () => [{ of: 'length' }, { of: 'width' }],
  tape: [
    { of: 'width', at: 'edge', needed: true },
    { of: 'length', at: 'edge' },
  ],
  targets(form, sizes) {
    return [
      { of: 'length', value: form.length },
      { of: 'width', value: Math.PI * profileOf(form, sizes).wide },
    ]
  },
  end: ({ end }) => end,
  angle: {
    insteadOf: 'length',
    least: 5,
    most: Math.floor((360 / Math.PI) * Math.asin(FLATTEST)),
    of(form, sizes) {
      const { narrow, wide } = profileOf(form, sizes)
      return (360 / Math.PI) * Math.asin(Math.min(1, Math.abs(wide - narrow) / form.length))
    },
    towards(form, sizes, degrees) {
      const { narrow, wide } = profileOf(form, sizes)
      return { ...form, length: mm(Math.abs(wide - narrow) / Math.sin((degrees * Math.PI) / 360)) }
    },
  },
  larger: (form, { around, along }) => ({
    ...form,
    from: mm(form.from * around),
    to: mm(form.to * around),
    length: mm(form.length * along),
  }),
  towards(form, { thickness }, { of, value }) {
    if (of === 'length') return { ...form, length: mm(value) }
    return { ...form, to: mm((2 * value) / Math.PI + thickness) }
  },
}
