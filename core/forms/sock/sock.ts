import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { hasPost, sizeOfTexture, type Texture } from '../../rounds/texture.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, Sizes, UsualWork } from '../family.ts'
import { beginsInItsMiddle, ringsIn } from '../seen.ts'
import { TOE_ROUNDS, toeGuide, tubeGuide } from '../toe.ts'

/** A toe, a tube around the foot, a heel panel in rows, and a leg (FIELD §11). */
export interface SockForm {
  readonly family: 'sock'
  /** From heel to toe, and around the foot where it is widest. */
  readonly foot: Millimetres
  readonly around: Millimetres
  /** The share by which it is smaller than the foot around; below 0 it is larger. */
  readonly ease: number
  /** Up from the heel to the edge. */
  readonly leg: Millimetres
  /** How far the leg turns up from the foot. */
  readonly heel: (typeof HEELS)[number]
  readonly cuff: (typeof CUFFS)[number]
  /** How high a cuff is that is worked otherwise. */
  readonly cuffHeight: Millimetres
}

const HEELS = ['full', 'soft'] as const
const CUFFS = ['plain', 'ribbed'] as const

/** By how much the leg turns, in radians. */
const TURNS: Readonly<Record<SockForm['heel'], number>> = { full: Math.PI / 2, soft: Math.PI / 3 }

const TOE = 'toe'
const FOOT = 'foot'
export const HEEL = 'heel'
const LEG = 'leg'
const CUFF = 'cuff'

/** Of the round: what the heel panel stands on (FIELD §11: 55 to 62%). */
const PANEL = 0.58
const RIB: Texture = { kind: 'rib', over: 1 }
/** A rib is worked on as many stitches, and draws in. */
const RIB_WIDTH = sizeOfTexture(RIB).width

const FEET = [60, 350] as const
const AROUND = [80, 450] as const
const EASES = [-0.3, 0.15] as const
const LEGS = [20, 450] as const
const CUFFS_HIGH = [10, 150] as const
const FEWEST_AROUND = 12
const FEWEST_FOOT_ROUNDS = 3
const FEWEST_LEG_ROUNDS = 2
const MOST_ROUNDS = 300

const isRibbed = ({ cuff }: SockForm): boolean => cuff === 'ribbed'

interface Plan {
  readonly girth: number
  /** Of the disc at its toe. */
  readonly radius: number
  /** The tube from there to where the heel begins, and how high the middle of the panel must come. */
  readonly tube: number
  /** What toe and heel add to that of the foot. */
  readonly beyond: number
  readonly panel: number
  readonly leg: number
  readonly cuff: number
}

/**
 * The leg turns by the height that the panel adds at the back over the diameter (FIELD §11). It turns about the front of
 * the ankle, so that the heel reaches farther back than the tube by diameter · sin(turn).
 */
function planOf(form: SockForm, { h, start: { hole } }: Pick<Sizes, 'h' | 'start'>): Plan {
  const { foot, around, ease, leg, heel, cuffHeight } = form
  const girth = around * (1 - ease)
  const across = girth / Math.PI
  const turn = TURNS[heel]
  const cuff = isRibbed(form) ? cuffHeight : 0
  const beyond = across * Math.sin(turn) + TOE_ROUNDS * h
  return {
    girth,
    radius: Math.max(across / 2, hole),
    tube: foot - beyond,
    beyond,
    panel: turn * across,
    leg: leg - cuff,
    cuff,
  }
}

const between = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most

export const sock: Family<SockForm> = {
  fields: [
    { kind: 'length', key: 'foot', least: FEET[0], most: FEET[1], usual: 250 },
    { kind: 'length', key: 'around', least: AROUND[0], most: AROUND[1], usual: 235 },
    { kind: 'share', key: 'ease', least: EASES[0], most: EASES[1], usual: -0.16 },
    { kind: 'length', key: 'leg', least: LEGS[0], most: LEGS[1], usual: 100 },
    { kind: 'choice', key: 'heel', choices: HEELS },
    { kind: 'choice', key: 'cuff', choices: CUFFS },
    {
      kind: 'length',
      key: 'cuffHeight',
      least: CUFFS_HIGH[0],
      most: CUFFS_HIGH[1],
      usual: 40,
      while: { key: 'cuff', is: ['ribbed'] },
    },
  ],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  uses: ['worn'],
  two: true,
  validate(form, sizes) {
    const { foot, around, ease, leg, heel, cuff, cuffHeight } = form
    const { w, h, start } = sizes
    const refuse = (field: keyof SockForm, problem: string, valid: string): never => {
      throw new SpecError(`form.${field}`, problem, valid)
    }
    if (!HEELS.includes(heel)) refuse('heel', 'There is no such heel.', 'Take one of the two.')
    if (!CUFFS.includes(cuff)) refuse('cuff', 'There is no such cuff.', 'Take one of the two.')
    if (!between(ease, EASES)) {
      refuse(
        'ease',
        'No sock is so much smaller or larger than the foot.',
        'From −30% (very loose) to 15% (very tight).',
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
    if (!between(cuffHeight, CUFFS_HIGH)) {
      refuse(
        'cuffHeight',
        `${lengthOf(cuffHeight)} is no cuff.`,
        `From ${lengthOf(CUFFS_HIGH[0])} to ${lengthOf(CUFFS_HIGH[1])}.`,
      )
    }
    const { beyond, leg: plainLeg, cuff: ribbed } = planOf(form, sizes)
    const shortest = Math.max(FEET[0], beyond + FEWEST_FOOT_ROUNDS * h)
    if (!(foot >= shortest)) {
      refuse(
        'foot',
        `${lengthOf(foot)} is too short for a toe and a heel that go ${lengthOf(around)} around.`,
        `At least ${lengthOf(Math.ceil(shortest))} in this gauge, or less around.`,
      )
    }
    if (foot > FEET[1])
      refuse('foot', `${lengthOf(foot)} is longer than a foot.`, `Up to ${lengthOf(FEET[1])}.`)
    const low = Math.max(LEGS[0], ribbed + FEWEST_LEG_ROUNDS * h)
    if (!(leg >= low)) {
      refuse(
        'leg',
        `${lengthOf(leg)} up from the heel is under ${FEWEST_LEG_ROUNDS} rounds${ribbed > 0 ? ' and the cuff' : ''}.`,
        `At least ${lengthOf(Math.ceil(low))} in this gauge.`,
      )
    }
    if (leg > LEGS[1]) refuse('leg', `${lengthOf(leg)} is higher than a knee.`, `Up to ${lengthOf(LEGS[1])}.`)
    if ((foot + plainLeg + ribbed) / h > MOST_ROUNDS) {
      refuse('leg', `That takes more than ${MOST_ROUNDS} rounds.`, 'A lower leg, or taller stitches.')
    }
    if (2 * Math.PI * start.hole > (around * (1 - ease)) / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the sock.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections(form, sizes) {
    const { girth, radius, tube, panel, leg, cuff } = planOf(form, sizes)
    const { hole } = sizes.start
    return [
      { id: TOE, guide: toeGuide(radius, hole) },
      { id: FOOT, even: true, guide: tubeGuide(tube, girth) },
      { id: HEEL, rows: { share: PANEL, panel: true, tall: true }, guide: tubeGuide(panel, PANEL * girth) },
      { id: LEG, even: true, keeps: true, guide: tubeGuide(leg, girth) },
      ...(cuff > 0 ? [{ id: CUFF, even: true, guide: tubeGuide(cuff, RIB_WIDTH * girth) }] : []),
    ]
  },
  usualWork(form, stitch) {
    const rib: UsualWork = hasPost(stitch) ? { texture: RIB } : { texture: RIB, stitch: 'dc' }
    return {
      [HEEL]: { rounds: 'turned', stitch: stitch === 'dc' || stitch === 'tr' ? 'tr' : 'dc' },
      ...(isRibbed(form) ? { [CUFF]: rib } : {}),
    }
  },
  measures: () => [
    { of: 'across', in: [TOE] },
    { of: 'sole', in: [FOOT] },
    { of: 'leg', in: [LEG, CUFF] },
    { of: 'width', in: [FOOT, LEG, CUFF] },
  ],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: [TOE] },
    { of: 'width', at: 'edge', needed: true, in: [FOOT, LEG, CUFF] },
    { of: 'sole', at: 'edge', in: [FOOT] },
    { of: 'leg', at: 'edge', in: [LEG, CUFF] },
  ],
  targets(form, sizes) {
    const { girth } = planOf(form, sizes)
    return [
      { of: 'leg', value: form.leg },
      { of: 'width', value: (girth * (isRibbed(form) ? RIB_WIDTH : 1)) / 2 },
    ]
  },
  onFoot: ({ foot }) => foot,
  wider: (form, by) => ({ ...form, ease: Math.max(EASES[0], 1 - (1 - form.ease) * by) }),
  ribbed: (form) => (isRibbed(form) ? undefined : { ...form, cuff: 'ribbed' }),
  around: ({ around }) => around,
  towardsGirth: (form, _, girth) => ({ ...form, ease: 1 - girth / form.around }),
  // A toe that widens, a foot, rows over part of it, and around again over them and over what waited.
  seenIn(seen) {
    const { rounds, h, w } = seen
    const heel = ringsIn(seen)
    const leg = rounds.findIndex(({ on }) => on?.kind === 'panel')
    const inOrder = rounds.every(
      ({ closed, on }, index) => index < heel || (index > leg ? closed && !on : index === leg || !closed),
    )
    const toe = rounds.slice(0, heel).findLastIndex(({ makes, uses }, index) => index === 0 || makes > uses)
    if (!beginsInItsMiddle(seen) || rounds[heel]?.on?.kind !== 'stretch' || !inOrder) return undefined
    if (leg <= heel + 1 || toe + 1 >= heel || rounds.length - leg < FEWEST_LEG_ROUNDS) return undefined
    return {
      form: {
        family: 'sock',
        foot: mm(1.25 * heel * h),
        around: mm(rounds[heel - 1]!.makes * w),
        ease: 0,
        leg: mm((rounds.length - leg) * h),
        heel: 'full',
        cuff: 'plain',
        cuffHeight: mm(40),
      },
      sectionAt: (index) => (index <= toe ? TOE : index < heel ? FOOT : index < leg ? HEEL : LEG),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    // The foot stays as large.
    ease: 1 - (1 - form.ease) * around,
    foot: mm(form.foot * along),
    leg: mm(form.leg * along),
    cuffHeight: mm(form.cuffHeight * along),
  }),
  towards(form, _, { of, value }) {
    if (of === 'leg') return { ...form, leg: mm(value) }
    if (of !== 'width') return form
    const share = isRibbed(form) ? RIB_WIDTH : 1
    return { ...form, ease: 1 - (2 * value) / share / form.around }
  },
}
