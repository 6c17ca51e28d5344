import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { ENDS, type End, type Family, type Sizes } from '../family.ts'
import { allIn, countsIn, isAllRings } from '../seen.ts'

/** An even tube, open at both ends, worked from a chain joined into a ring. */
export interface TubeForm {
  readonly family: 'tube'
  /** Around the thing it must fit, or around the finished tube itself, halfway through its fabric. */
  readonly girth: Millimetres
  readonly of: 'object' | 'tube'
  /** The share by which the inside is smaller than the object; below 0 it is larger. */
  readonly ease: number
  readonly length: Millimetres
  readonly end: End
}

/** The one section of a form that is no more than a wall. */
const WALL_SECTION = 'wall'

const LONGEST = 2000
const WIDEST = 3000
const MOST_ROUNDS = 400
/** Fewer stitches do not close into a tube that a hook gets into. */
const FEWEST_STITCHES = 6

/**
 * Perimeter halfway through the fabric, mm: the inside is smaller than the object by the ease, and N·w lies half a
 * thickness out from it (FIELD §3: inner = N·w − πt).
 */
export const girthOf = ({ girth, of, ease }: TubeForm, { thickness }: Pick<Sizes, 'thickness'>): number =>
  of === 'tube' ? girth : girth * (1 - ease) + Math.PI * thickness

/** What the field would have to be for so many stitches around. */
const girthFor = ({ of, ease }: TubeForm, { w, thickness }: Sizes): number =>
  of === 'tube' ? FEWEST_STITCHES * w : Math.max(1, (FEWEST_STITCHES * w - Math.PI * thickness) / (1 - ease))

export const tube: Family<TubeForm> = {
  fields: [
    { kind: 'length', key: 'girth', least: 10, most: WIDEST, usual: 240 },
    { kind: 'choice', key: 'of', choices: ['object', 'tube'] },
    { kind: 'share', key: 'ease', least: -0.1, most: 0.2, usual: 0.03 },
    { kind: 'length', key: 'length', least: 5, most: LONGEST, usual: 160 },
    { kind: 'choice', key: 'end', choices: ENDS },
  ],
  starts: () => ['joinedChain'],
  validate(form, sizes) {
    const { girth, of, ease, length, end } = form
    if (!ENDS.includes(end)) {
      throw new SpecError('form.end', 'There is no such end.', 'Take one of the three.')
    }
    if (of !== 'object' && of !== 'tube') {
      throw new SpecError('form.of', 'A girth is that of an object or of the tube.', 'Take one of the two.')
    }
    if (!(ease >= -0.1 && ease <= 0.2)) {
      throw new SpecError(
        'form.ease',
        'No tube is so much smaller or larger than what it goes around.',
        'From −10% (loose) to 20% (very tight); snug is 2 to 8%.',
      )
    }
    const least = girthFor(form, sizes)
    if (!(girth >= Math.max(10, least)) || girthOf(form, sizes) < FEWEST_STITCHES * sizes.w) {
      throw new SpecError(
        'form.girth',
        `${lengthOf(girth)} around is under ${FEWEST_STITCHES} stitches.`,
        `At least ${lengthOf(Math.ceil(Math.max(10, least)))} in this gauge.`,
      )
    }
    if (girth > WIDEST) {
      throw new SpecError(
        'form.girth',
        `${lengthOf(girth)} around is no tube to crochet.`,
        `Up to ${lengthOf(WIDEST)}.`,
      )
    }
    if (!(length >= 2 * sizes.h)) {
      throw new SpecError(
        'form.length',
        `${lengthOf(length)} is under two rounds of this stitch.`,
        `At least ${lengthOf(Math.ceil(2 * sizes.h))} in this gauge.`,
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
  },
  sections(form, sizes) {
    const girth = girthOf(form, sizes)
    return [
      {
        id: WALL_SECTION,
        even: true,
        guide: { length: form.length, lies: 'fitted', perimeter: () => girth },
      },
    ]
  },
  measures: () => [{ of: 'length' }, { of: 'width' }],
  tape: [
    { of: 'width', at: 'edge', needed: true },
    { of: 'width', at: 'start' },
    { of: 'length', at: 'edge' },
  ],
  targets(form, sizes) {
    return [
      { of: 'length', value: form.length },
      { of: 'width', value: girthOf(form, sizes) / 2 },
    ]
  },
  towardsGirth(form, { thickness }, girth) {
    if (form.of === 'tube') return { ...form, girth: mm(girth) }
    return { ...form, ease: 1 - (girth - Math.PI * thickness) / form.girth }
  },
  seenIn(seen) {
    const counts = countsIn(seen)
    const even = counts.every((count) => count === counts[0])
    if (seen.start !== 'joinedChain' || !isAllRings(seen) || !even) return undefined
    return {
      form: {
        family: 'tube',
        girth: mm(counts[0]! * seen.w),
        of: 'tube',
        ease: 0,
        length: mm(counts.length * seen.h),
        end: 'open',
      },
      sectionAt: allIn(WALL_SECTION),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    // What it goes over stays as large.
    ...(form.of === 'tube' ? { girth: mm(form.girth * around) } : { ease: 1 - (1 - form.ease) * around }),
    length: mm(form.length * along),
  }),
  end: ({ end }) => end,
  around: ({ of, girth }) => (of === 'object' ? girth : undefined),
  towards(form, { thickness }, { of, value }) {
    if (of === 'length') return { ...form, length: mm(value) }
    const girth = form.of === 'tube' ? 2 * value : (2 * value - Math.PI * thickness) / (1 - form.ease)
    return { ...form, girth: mm(girth) }
  },
}
