import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { hasPost, sizeOfTexture, type Texture } from '../../rounds/texture.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { aroundChain, chainsFor, foundationOn, type Foundation } from '../alongChain.ts'
import type { Family, Outline, Sizes, UsualWork } from '../family.ts'
import { countsIn, isAllRings, within } from '../seen.ts'

/** A slipper for a foot, or for anything shaped like one: an oval sole, a wall, a toe taken in, a cuff. */
export interface BootieForm {
  readonly family: 'bootie'
  /** From heel to toe. */
  readonly foot: Millimetres
  /** What it is longer than the foot. */
  readonly room: Millimetres
  /** How wide the sole is, as a share of the foot's length. */
  readonly wide: number
  /** Around the ankle's opening, as a share of the foot's length. */
  readonly opening: number
  /** Of the cuff, over the instep; folded down it has twice as much. */
  readonly cuffHeight: Millimetres
  readonly cuff: (typeof CUFFS)[number]
  /** The foot that it is for: the other one of a pair is its mirror image. */
  readonly side: (typeof SIDES)[number]
}

const CUFFS = ['plain', 'ribbed', 'folded'] as const
const SIDES = ['left', 'right'] as const

const SOLE = 'sole'
const WALL = 'wall'
const INSTEP = 'instep'
const CUFF = 'cuff'
const UPRIGHT = [WALL, INSTEP, CUFF]

const LONGEST = 330
const WIDE = [0.36, 0.55] as const
const OPENING = [1, 2.2] as const
const CUFFS_HIGH = [8, 200] as const
const FEWEST_SOLE_ROUNDS = 2
const FEWEST_WALL_ROUNDS = 2
const FEWEST_BETWEEN = 2
/** Stitches that an ankle goes through at the least. */
const FEWEST_AROUND = 10
const MOST_ROUNDS = 200

/** The wall goes straight up by this share of the foot before the toe comes back: two or three rounds of a small one. */
const WALL_HIGH = 0.15
/** A toe comes back by so much of a round's height each round: it slopes up as a foot does. */
const COMES_BACK = 0.94

const RIB: Texture = { kind: 'rib', over: 1 }
const RIB_WIDTH = sizeOfTexture(RIB).width

interface Plan {
  /** Halfway through the fabric: from the chain to the wall, and how long each straight side is, mm. */
  readonly half: number
  readonly spine: number
  readonly foundation: Foundation
  readonly girth: number
  readonly wallRounds: number
  /** Stitches that the toe takes a round, and in how many rounds. */
  readonly each: number
  readonly toeRounds: number
}

/** The sole and its walls stand at the edges of whole rounds. */
function planOf({ foot, room, wide, opening, side }: BootieForm, sizes: Sizes): Plan {
  const { w, h, thickness } = sizes
  const half = h * Math.max(FEWEST_SOLE_ROUNDS, Math.round((wide * foot + thickness) / 2 / h))
  const chains = sizes.chains ?? chainsFor(foot + room + thickness - 2 * half, 'exact', sizes)
  const foundation: Foundation = {
    ...foundationOn(chains, 'exact', sizes, ['toe', 'heel']),
    ...(side === 'right' ? { mirrored: true } : {}),
  }
  const spine = foundation.side * w
  const girth = 2 * spine + 2 * Math.PI * half
  const each = 2 * Math.max(1, Math.round((COMES_BACK * h) / w))
  return {
    half,
    spine,
    foundation,
    girth,
    wallRounds: Math.max(FEWEST_WALL_ROUNDS, Math.round((WALL_HIGH * foot) / h)),
    each,
    toeRounds: Math.max(1, Math.round((girth - opening * foot) / (each * w))),
  }
}

const isRibbed = ({ cuff }: BootieForm): boolean => cuff !== 'plain'

const cuffLength = ({ cuff, cuffHeight }: BootieForm): number => (cuff === 'folded' ? 2 : 1) * cuffHeight

/** From the table to its edge, mm, before the cuff is folded down. */
function heightOf(form: BootieForm, sizes: Sizes): number {
  const { wallRounds, toeRounds } = planOf(form, sizes)
  return (wallRounds + toeRounds) * sizes.h + cuffLength(form) + sizes.thickness / 2
}

const between = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most

export const bootie: Family<BootieForm> = {
  fields: [
    { kind: 'length', key: 'foot', least: 60, most: LONGEST, usual: 105 },
    { kind: 'length', key: 'room', least: 0, most: 25, usual: 5, mayBeUsual: true },
    { kind: 'share', key: 'wide', least: WIDE[0], most: WIDE[1], usual: 0.43 },
    { kind: 'share', key: 'opening', least: OPENING[0], most: OPENING[1], usual: 1.6 },
    {
      kind: 'length',
      key: 'cuffHeight',
      least: CUFFS_HIGH[0],
      most: CUFFS_HIGH[1],
      usual: 20,
      mayBeUsual: true,
    },
    { kind: 'choice', key: 'cuff', choices: CUFFS },
    { kind: 'choice', key: 'side', choices: SIDES, withStart: true },
  ],
  starts: () => ['chainAlong'],
  uses: ['worn'],
  validate(form, sizes) {
    const { foot, room, wide, opening, cuffHeight, cuff, side } = form
    const { w, h } = sizes
    const refuse = (field: keyof BootieForm, problem: string, valid: string): never => {
      throw new SpecError(`form.${field}`, problem, valid)
    }
    if (!CUFFS.includes(cuff)) refuse('cuff', 'There is no such cuff.', 'Take one of the three.')
    if (!SIDES.includes(side)) refuse('side', 'There is no such foot.', 'Take one of the two.')
    if (!(room >= 0 && room <= 25)) {
      refuse('room', `${lengthOf(room)} is no room for a toe.`, `From 0 to ${lengthOf(25)}.`)
    }
    if (!between(wide, WIDE)) {
      refuse('wide', 'No sole is so wide for its length.', 'From 36 to 55%; babies have up to 45.')
    }
    if (!between(opening, OPENING)) {
      refuse(
        'opening',
        'No foot gets into that, or it falls off.',
        'From 100 to 220% of the foot; usually 160.',
      )
    }
    if (!between(cuffHeight, CUFFS_HIGH)) {
      refuse('cuffHeight', `${lengthOf(cuffHeight)} is no cuff.`, `From ${lengthOf(8)} to ${lengthOf(200)}.`)
    }
    const { girth, foundation } = planOf(form, sizes)
    const shortest = (2 * FEWEST_SOLE_ROUNDS * h + FEWEST_BETWEEN * w) / (1 - wide)
    const least = Math.max(60, Math.ceil(shortest), Math.ceil((FEWEST_AROUND * w) / opening))
    if (!(foot >= least) || foundation.side < FEWEST_BETWEEN) {
      refuse(
        'foot',
        `${lengthOf(foot)} is too short for a sole of these stitches.`,
        `At least ${lengthOf(least)} in this gauge, or smaller stitches.`,
      )
    }
    if (foot > LONGEST)
      refuse('foot', `${lengthOf(foot)} is longer than a foot.`, `Up to ${lengthOf(LONGEST)}.`)
    if (heightOf(form, sizes) / h > MOST_ROUNDS) {
      refuse('cuffHeight', `That takes more than ${MOST_ROUNDS} rounds.`, 'A lower cuff, or taller stitches.')
    }
    if (girth - opening * foot < w) {
      refuse(
        'opening',
        'So wide an opening leaves nothing of the toe to take in.',
        `Less than ${Math.floor((100 * girth) / foot)}% of the foot.`,
      )
    }
  },
  foundation: (form, sizes) => planOf(form, sizes).foundation,
  sections(form, sizes) {
    const { w, h } = sizes
    const { half, spine, girth, wallRounds, each, toeRounds } = planOf(form, sizes)
    const fitted = (length: number, perimeter: (along: number) => number): Outline['guide'] => ({
      length,
      lies: 'fitted',
      perimeter,
    })
    const open = girth - each * w * toeRounds
    const around = isRibbed(form) ? RIB_WIDTH * open : open
    return [
      { id: SOLE, guide: aroundChain(spine, half) },
      { id: WALL, even: true, crisp: true, guide: fitted(wallRounds * h, () => girth) },
      {
        id: INSTEP,
        takesIn: 'toe',
        guide: fitted(toeRounds * h, (along) => girth - each * w * Math.min(toeRounds, along / h)),
      },
      { id: CUFF, even: true, guide: fitted(cuffLength(form), () => around) },
    ]
  },
  usualWork(form, stitch) {
    const rib: UsualWork = hasPost(stitch) ? { texture: RIB } : { texture: RIB, stitch: 'dc' }
    return Object.fromEntries(isRibbed(form) ? [[CUFF, rib]] : [])
  },
  measures: () => [
    { of: 'endToEnd', in: [SOLE] },
    { of: 'sideToSide', in: [SOLE] },
    { of: 'height', in: UPRIGHT },
    { of: 'around', in: UPRIGHT },
  ],
  tape: [
    { of: 'endToEnd', at: 'edge', needed: true, in: [SOLE] },
    { of: 'sideToSide', at: 'edge', needed: true, in: [SOLE] },
    { of: 'around', at: 'edge', needed: true, in: UPRIGHT },
    { of: 'height', at: 'edge', in: UPRIGHT },
  ],
  targets: (form, sizes) => [{ of: 'height', value: heightOf(form, sizes) }],
  pair: {
    side: ({ side }) => side,
    other: (form) => ({ ...form, side: form.side === 'left' ? 'right' : 'left' }),
  },
  onFoot: ({ foot }) => foot,
  wider: (form, by) => ({ ...form, opening: Math.min(OPENING[1], form.opening * by) }),
  ribbed: (form) => (isRibbed(form) ? undefined : { ...form, cuff: 'ribbed' }),
  // A sole around a chain, a wall, rounds that come back over the instep, and even ones to the edge.
  seenIn(seen) {
    const { start, chains, w, h } = seen
    if (start !== 'chainAlong' || chains === undefined || !isAllRings(seen)) return undefined
    const counts = countsIn(seen)
    const changes = counts.map((count, index) => Math.sign(count - (counts[index - 1] ?? 0)))
    const sole = changes.indexOf(0) - 1
    const instep = changes.indexOf(-1)
    const cuff = changes.lastIndexOf(-1) + 1
    const inOrder = changes.every((by, index) =>
      index <= sole ? by > 0 : index < instep || index >= cuff ? by === 0 : by < 0,
    )
    if (sole < 1 || instep <= sole + 1 || cuff >= counts.length || !inOrder) return undefined
    const foot = chains * w + 2 * (sole + 0.5) * h
    return {
      form: {
        family: 'bootie',
        foot: mm(foot),
        room: mm(0),
        wide: within((2 * (sole + 1) * h) / foot, WIDE),
        opening: within((counts.at(-1)! * w) / foot, OPENING),
        cuffHeight: mm(within((counts.length - cuff) * h, CUFFS_HIGH)),
        cuff: 'plain',
        side: 'left',
      },
      sectionAt: (index) => (index <= sole ? SOLE : index < instep ? WALL : index < cuff ? INSTEP : CUFF),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    foot: mm(form.foot * (1 - form.wide) * around + form.foot * form.wide * along),
    cuffHeight: mm(form.cuffHeight * along),
  }),
  towards(form, sizes, { of, value }) {
    if (of !== 'height') return form
    const more = (value - heightOf(form, sizes)) / (form.cuff === 'folded' ? 2 : 1)
    return { ...form, cuffHeight: mm(form.cuffHeight + more) }
  },
}
