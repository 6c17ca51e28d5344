import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, Sizes } from '../family.ts'
import { baseOf, beginsInItsMiddle, ringsIn } from '../seen.ts'
import { TOE_ROUNDS, toeGuide, tubeGuide } from '../toe.ts'

/** A toe and a tube, then rows that leave the instep open; its back edges are joined (FIELD §11). */
export interface SlipperForm {
  readonly family: 'slipper'
  /** From heel to toe, and around the foot where it is widest. */
  readonly foot: Millimetres
  readonly around: Millimetres
  /** The share by which it is smaller than the foot around; below 0 it is larger. */
  readonly ease: number
  /** How much of its length is closed around the foot, and how much of the way around stays open behind that. */
  readonly closed: number
  readonly open: number
}

const TOE = 'toe'
const TUBE = 'foot'
const SOLE = 'sides'

const FEET = [60, 350] as const
const AROUND = [80, 450] as const
const EASES = [-0.3, 0.15] as const
const CLOSED = [0.3, 0.7] as const
const OPEN = [0.15, 0.45] as const
const FEWEST_AROUND = 12
const FEWEST_ROUNDS = 2
const MOST_ROUNDS = 300

const between = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most

function planOf({ foot, around, ease, closed }: SlipperForm, { h, start: { hole } }: Sizes) {
  const girth = around * (1 - ease)
  return {
    girth,
    radius: Math.max(girth / (2 * Math.PI), hole),
    tube: closed * foot - TOE_ROUNDS * h,
    sides: (1 - closed) * foot,
  }
}

export const slipper: Family<SlipperForm> = {
  fields: [
    { kind: 'length', key: 'foot', least: FEET[0], most: FEET[1], usual: 240 },
    { kind: 'length', key: 'around', least: AROUND[0], most: AROUND[1], usual: 225 },
    { kind: 'share', key: 'ease', least: EASES[0], most: EASES[1], usual: 0 },
    { kind: 'share', key: 'closed', least: CLOSED[0], most: CLOSED[1], usual: 0.45 },
    { kind: 'share', key: 'open', least: OPEN[0], most: OPEN[1], usual: 0.28 },
  ],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  uses: ['worn'],
  two: true,
  validate(form, sizes) {
    const { foot, around, ease, closed, open } = form
    const { w, h, start } = sizes
    const refuse = (field: keyof SlipperForm, problem: string, valid: string): never => {
      throw new SpecError(`form.${field}`, problem, valid)
    }
    if (!between(ease, EASES)) {
      refuse(
        'ease',
        'No slipper is so much smaller or larger than the foot.',
        'From −30% (very loose) to 15% (very tight).',
      )
    }
    if (!between(closed, CLOSED)) {
      refuse(
        'closed',
        'That leaves no toe to hold it, or no way into it.',
        'From 30 to 70% of the foot; usually 45.',
      )
    }
    if (!between(open, OPEN)) {
      refuse(
        'open',
        'No foot gets into that, or it falls off.',
        'From 15 to 45% of the way around; usually 28.',
      )
    }
    const least = Math.max(AROUND[0], (FEWEST_AROUND * w) / (1 - ease))
    if (!(around >= least)) {
      refuse(
        'around',
        `${lengthOf(around)} around is no foot to go over with these stitches.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    if (around > AROUND[1]) {
      refuse('around', `${lengthOf(around)} around is no foot.`, `Up to ${lengthOf(AROUND[1])}.`)
    }
    const shortest = Math.max(
      FEET[0],
      ((FEWEST_ROUNDS + TOE_ROUNDS) * h) / closed,
      (FEWEST_ROUNDS * h) / (1 - closed),
    )
    if (!(foot >= shortest)) {
      refuse(
        'foot',
        `${lengthOf(foot)} is too short for a toe and rows of these stitches.`,
        `At least ${lengthOf(Math.ceil(shortest))} in this gauge.`,
      )
    }
    if (foot > FEET[1] || foot / h > MOST_ROUNDS) {
      refuse('foot', `${lengthOf(foot)} is longer than a foot.`, `Up to ${lengthOf(FEET[1])}.`)
    }
    if (2 * Math.PI * start.hole > (around * (1 - ease)) / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the slipper.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections(form, sizes) {
    const { girth, radius, tube, sides } = planOf(form, sizes)
    const share = 1 - form.open
    return [
      { id: TOE, guide: toeGuide(radius, sizes.start.hole) },
      { id: TUBE, even: true, guide: tubeGuide(tube, girth) },
      { id: SOLE, rows: { share, panel: true }, guide: tubeGuide(sides, share * girth) },
    ]
  },
  usualWork: () => ({ [SOLE]: { rounds: 'turned' } }),
  measures: () => [
    { of: 'across', in: [TOE] },
    { of: 'sole', in: [TUBE, SOLE] },
    { of: 'width', in: [TUBE] },
  ],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: [TOE] },
    { of: 'width', at: 'edge', needed: true, in: [TUBE] },
    { of: 'sole', at: 'edge', needed: true, in: [TUBE, SOLE] },
  ],
  targets: ({ foot }) => [{ of: 'sole', value: foot }],
  end: () => 'folded',
  onFoot: ({ foot }) => foot,
  around: ({ around }) => around,
  towardsGirth: (form, _, girth) => ({ ...form, ease: 1 - girth / form.around }),
  // A toe that widens, a tube, and rows over most of it to the end.
  seenIn(seen) {
    const { rounds, w, h } = seen
    const rings = ringsIn(seen)
    const sides = rounds.slice(rings)
    const [first] = sides
    if (!beginsInItsMiddle(seen) || first?.on?.kind !== 'stretch' || first.on.round !== rings - 1)
      return undefined
    const count = rounds[rings - 1]!.makes
    const open = 1 - first.uses / count
    const even = sides.every(
      ({ closed, on, makes }, index) => !closed && (index === 0 || !on) && makes === first.makes,
    )
    const { flat, shrinks, last, after } = baseOf(seen)
    if (!even || !flat || shrinks || after < FEWEST_ROUNDS || !between(open, [OPEN[0] / 2, OPEN[1]]))
      return undefined
    // A flap is shorter than what it closes.
    const closed = (rings + TOE_ROUNDS) / (rings + TOE_ROUNDS + sides.length)
    if (closed > CLOSED[1]) return undefined
    return {
      form: {
        family: 'slipper',
        foot: mm((rings + TOE_ROUNDS + sides.length) * h),
        around: mm(count * w),
        ease: 0,
        closed: Math.max(CLOSED[0], closed),
        open: Math.max(OPEN[0], open),
      },
      sectionAt: (index) => (index <= last ? TOE : index < rings ? TUBE : SOLE),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    // The foot stays as large.
    ease: 1 - (1 - form.ease) * around,
    foot: mm(form.foot * along),
  }),
  towards: (form, _, { of, value }) => (of === 'sole' ? { ...form, foot: mm(value) } : form),
}
