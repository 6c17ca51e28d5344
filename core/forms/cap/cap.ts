import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { hasPost, sizeOfTexture } from '../../rounds/texture.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, Guide, Outline, Sizes, UsualWork } from '../family.ts'
import { baseOf, beginsInItsMiddle, countsIn, ringsIn, within } from '../seen.ts'
import { BRIM_ROUNDS, brimSeen, crownSeen, FEWEST_ROUNDS, NAMED, OTHERS } from './capSeen.ts'

const CROWNS = ['rounded', 'flat', 'dome', 'tall'] as const
const BRIMS = ['plain', 'tightened', 'ribbed', 'folded', 'flared', 'earFlaps'] as const
/** Brims that are a rib of a height of their own. */
const RIBBED = ['ribbed', 'folded'] as const

/** Closed over a crown and worked down to the brow. */
export interface CapForm {
  readonly family: 'cap'
  /** Around the head. */
  readonly head: Millimetres
  /** The share by which the cap is smaller than the head. */
  readonly ease: number
  /** From the middle of the crown to the edge, along the surface. */
  readonly depth: Millimetres
  readonly crown: (typeof CROWNS)[number]
  readonly brim: (typeof BRIMS)[number]
  /** Of a ribbed brim, as it is worn: folded up it has twice as much. */
  readonly brimHeight: Millimetres
}

const CROWN_SECTION = 'crown'
const WALL_SECTION = 'wall'
const BRIM_SECTION = 'brim'
const FLAPS = ['flap', 'flap-2'] as const
/** Where the cap goes round the head: everything below its crown. */
const ROUND_THE_HEAD = [WALL_SECTION, BRIM_SECTION]

const LEAST_HEAD = 100
const MOST_HEAD = 900
const MOST_DEPTH = 600
const [USUAL_EASE, USUAL_BRIM] = [0.05, 45]
const EASES = [-0.1, 0.25] as const
/** A flat disc stops growing at this share of the crown's width; from there an even round stands between two others. */
const ROUNDED_FROM = 0.82
/** A tall crown comes to a point: it begins with so many stitches, and each round has so many more. */
const POINT = 6
const STEADY = 4
/** A flared brim stands out nearly flat with so many times the stitches, in its first round. */
const FLARED = 1.3
/** A tightened brim is drawn in by so much in its first round (FIELD §11: 4 to 6%), and has so many rounds. */
const DRAWN_IN = 0.05
/** A rib holds on with 5% fewer stitches than the wall (FIELD §11). */
const RIB_SHARE = 0.95
const RIB = { kind: 'rib', over: 1 } as const
const BRIM_HEIGHTS = [20, 120] as const
/** Fewer stitches do not go round anything. */
const FEWEST_STITCHES = 12

/** Around the finished cap, mm: fabric of a cap stretches over the head, so its thickness is not counted. */
const girthOf = ({ head, ease }: CapForm): number => head * (1 - ease)

/** How far around an edge is, against the wall: a rib as it lies when nothing stretches it. */
const EDGE_SHARES = {
  plain: 1,
  tightened: 1 - DRAWN_IN,
  ribbed: RIB_SHARE * sizeOfTexture(RIB).width,
  folded: RIB_SHARE * sizeOfTexture(RIB).width,
  flared: FLARED,
  earFlaps: 1,
} as const

const edgeShare = ({ brim }: CapForm): number => EDGE_SHARES[brim]

const isRibbed = ({ brim }: CapForm): boolean => RIBBED.some((one) => one === brim)

/** Of the way around: each flap, and the gap at the back between both (FIELD §11). */
const [FLAP_SHARE, BACK_GAP] = [0.17, 0.32]
/** How far down flaps go, for the head; and how wide they end, mm. */
const [FLAP_LENGTH, FLAP_END] = [0.13, 25]

/** How much longer than deep it is worked: what is folded up. */
const foldedUp = ({ brim, brimHeight }: CapForm): number => (brim === 'folded' ? brimHeight : 0)

/** The stretch from the middle to where the wall begins (FIELD §3 and §11). */
function crownGuide(form: CapForm, { w, h, start: { hole } }: Sizes): Guide {
  const radius = girthOf(form) / (2 * Math.PI)
  if (form.crown === 'dome') {
    return {
      length: (Math.PI / 2) * radius - hole,
      lies: 'fitted',
      perimeter: (along) => 2 * Math.PI * radius * Math.sin(Math.min(Math.PI / 2, (hole + along) / radius)),
    }
  }
  if (form.crown === 'tall') {
    const girth = girthOf(form)
    return {
      length: h * (1 + Math.max(0, girth / w - POINT) / STEADY),
      lies: 'fitted',
      perimeter: (along) => Math.min(girth, w * (POINT + STEADY * Math.max(0, along / h - 1))),
    }
  }
  if (form.crown === 'flat') {
    return { length: radius - hole, lies: 'flat', perimeter: (along) => 2 * Math.PI * (hole + along) }
  }
  const flatRounds = Math.max(1, Math.round((ROUNDED_FROM * radius - hole) / h))
  const flat = hole + flatRounds * h
  const stairs = Math.max(0, Math.round((radius - flat) / h))
  const wide = (along: number) => {
    const beyond = hole + along - flat
    if (beyond <= 0) return hole + along
    // Even round, wider round, even round, wider round; the last comes out as wide as the wall.
    const wider = Math.floor((beyond / h + 1e-6) / 2)
    return wider >= stairs ? radius : flat + wider * h
  }
  return {
    length: flatRounds * h + 2 * stairs * h,
    lies: 'fitted',
    perimeter: (along) => 2 * Math.PI * wide(along),
  }
}

function brimLength(form: CapForm, { h }: Sizes): number {
  if (isRibbed(form)) return form.brimHeight + foldedUp(form)
  return form.brim === 'plain' || form.brim === 'earFlaps' ? 0 : BRIM_ROUNDS * h
}

/** How deep a cap is at the least: its crown, and some rounds around the head. */
const leastDepth = (form: CapForm, sizes: Sizes): number =>
  sizes.start.hole +
  crownGuide(form, sizes).length +
  FEWEST_ROUNDS * sizes.h +
  brimLength(form, sizes) -
  foldedUp(form)

const around = (id: string, length: number, girth: number): Outline => ({
  id,
  even: true,
  guide: { length, lies: 'fitted', perimeter: () => girth },
})

export const cap: Family<CapForm> = {
  fields: [
    { kind: 'length', key: 'head', least: LEAST_HEAD, most: MOST_HEAD, usual: 570 },
    { kind: 'length', key: 'depth', least: 40, most: MOST_DEPTH, usual: 225 },
    { kind: 'share', key: 'ease', least: EASES[0], most: EASES[1], usual: USUAL_EASE },
    { kind: 'choice', key: 'crown', choices: CROWNS },
    { kind: 'choice', key: 'brim', choices: BRIMS },
    {
      kind: 'length',
      key: 'brimHeight',
      least: BRIM_HEIGHTS[0],
      most: BRIM_HEIGHTS[1],
      usual: USUAL_BRIM,
      while: { key: 'brim', is: RIBBED },
    },
  ],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  validate(form, sizes) {
    const { head, depth, ease, crown, brim } = form
    if (!CROWNS.includes(crown)) {
      throw new SpecError('form.crown', 'There is no such crown.', 'Take one of the four.')
    }
    if (!BRIMS.includes(brim)) {
      throw new SpecError('form.brim', 'There is no such brim.', 'Take one of the six.')
    }
    if (!(ease >= EASES[0] && ease <= EASES[1])) {
      throw new SpecError(
        'form.ease',
        'No cap is so much smaller or larger than the head.',
        'From −10% (loose) to 25% (very tight); snug is 3 to 10%.',
      )
    }
    const least = Math.max(LEAST_HEAD, (FEWEST_STITCHES * sizes.w) / (1 - ease))
    if (!(head >= least)) {
      throw new SpecError(
        'form.head',
        `${lengthOf(head)} around is no head to make a cap for.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    if (head > MOST_HEAD) {
      throw new SpecError(
        'form.head',
        `${lengthOf(head)} around is no head to make a cap for.`,
        `Up to ${lengthOf(MOST_HEAD)}.`,
      )
    }
    const [lowest, highest] = BRIM_HEIGHTS
    if (!(form.brimHeight >= lowest && form.brimHeight <= highest)) {
      throw new SpecError(
        'form.brimHeight',
        `A rib ${lengthOf(form.brimHeight)} high is no brim.`,
        `From ${lengthOf(lowest)} to ${lengthOf(highest)}; most are 3 to 6 cm.`,
      )
    }
    const shallow = leastDepth(form, sizes)
    if (!(depth >= shallow)) {
      throw new SpecError(
        'form.depth',
        `${lengthOf(depth)} is less than this crown and ${FEWEST_ROUNDS} rounds around the head.`,
        `At least ${lengthOf(Math.ceil(shallow))} in this gauge.`,
      )
    }
    if (depth > MOST_DEPTH) {
      throw new SpecError(
        'form.depth',
        `${lengthOf(depth)} from crown to edge would hang over the shoulders.`,
        `Up to ${lengthOf(MOST_DEPTH)}.`,
      )
    }
    const { hole } = sizes.start
    if (2 * Math.PI * hole > girthOf(form) / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the cap.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections(form, sizes) {
    const girth = girthOf(form)
    const guide = crownGuide(form, sizes)
    const brim = brimLength(form, sizes)
    const wall = form.depth + foldedUp(form) - sizes.start.hole - guide.length - brim
    return [
      { id: CROWN_SECTION, guide },
      around(WALL_SECTION, wall, girth),
      ...(brim > 0 ? [around(BRIM_SECTION, brim, girth * edgeShare(form))] : []),
    ]
  },
  usualWork(form, stitch) {
    const rib: UsualWork = hasPost(stitch) ? { texture: RIB } : { texture: RIB, stitch: 'dc' }
    return Object.fromEntries(isRibbed(form) ? [[BRIM_SECTION, rib]] : [])
  },
  rowsAfter: ({ brim, head }) =>
    brim === 'earFlaps'
      ? [BACK_GAP / 2, 1 - BACK_GAP / 2 - FLAP_SHARE].map((from, index) => ({
          id: FLAPS[index]!,
          on: { from, share: FLAP_SHARE },
          length: FLAP_LENGTH * head,
          narrows: { every: 2, to: FLAP_END, at: 'both' },
        }))
      : [],
  measures: ({ brim }) => [
    { of: 'across', in: [CROWN_SECTION] },
    { of: 'depth', in: ROUND_THE_HEAD },
    // A flared brim does not lie flat, doubled.
    { of: 'width', in: brim === 'flared' ? [WALL_SECTION] : ROUND_THE_HEAD },
  ],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: [CROWN_SECTION] },
    { of: 'across', at: 'edge', in: [CROWN_SECTION] },
    { of: 'width', at: 'edge', needed: true, in: ROUND_THE_HEAD },
    { of: 'depth', at: 'edge', in: ROUND_THE_HEAD },
  ],
  targets(form) {
    // Before it is folded up.
    const depth = { of: 'depth', value: form.depth + foldedUp(form) } as const
    if (form.brim === 'flared') return [depth]
    return [depth, { of: 'width', value: (girthOf(form) * edgeShare(form)) / 2 }]
  },
  around: ({ head }) => head,
  towardsGirth: (form, _, girth) => ({ ...form, ease: 1 - girth / form.head }),
  // A crown, a wall around the head, perhaps a brim or two flaps. A flat crown alone is as well a base: its name tells.
  seenIn(seen) {
    const { rounds, w, h, called = '' } = seen
    const rings = ringsIn(seen)
    const flaps = rounds.slice(rings)
    const second = flaps.findIndex(({ on }, index) => index > 0 && on !== undefined)
    const hasFlaps =
      second > 0 &&
      flaps.every(
        ({ closed, on, makes, uses }, index) =>
          !closed && makes <= uses && (index === 0 || index === second) === (on?.kind === 'stretch'),
      )
    if (!beginsInItsMiddle(seen) || (flaps.length > 0 && !hasFlaps)) return undefined
    const counts = countsIn(seen).slice(0, rings)
    const brim = hasFlaps ? undefined : brimSeen(counts, seen)
    const above = { ...seen, rounds: rounds.slice(0, brim?.from ?? rings) }
    const { shrinks, crisp, last: base } = baseOf(above)
    // A dome widens by less and less, but in every round.
    const even = counts.findIndex((count, index) => index > base && count <= counts[index - 1]!)
    const last = (even < 0 || even > above.rounds.length ? above.rounds.length : even) - 1
    const after = above.rounds.length - 1 - last
    const crown = crownSeen(counts.slice(0, last + 1), above)
    const isNamed = NAMED.test(called)
    // No crown turns on a crisp edge.
    const looksSo = (hasFlaps || crown === 'rounded') && !crisp && !OTHERS.test(called)
    const known = looksSo || isNamed
    const girth = counts[last]! * w
    if (!known || shrinks || after < FEWEST_ROUNDS || girth < LEAST_HEAD || girth > MOST_HEAD)
      return undefined
    const high = (rings - (brim?.from ?? rings)) * h
    return {
      form: {
        family: 'cap',
        head: mm(girth / (1 - USUAL_EASE)),
        ease: USUAL_EASE,
        depth: mm(rings * h),
        crown,
        brim: hasFlaps ? 'earFlaps' : (brim?.is ?? 'plain'),
        brimHeight: mm(brim?.is === 'ribbed' ? within(high, BRIM_HEIGHTS) : USUAL_BRIM),
      },
      sectionAt: (index) => {
        if (index >= rings) return FLAPS[index < rings + second ? 0 : 1]
        return index <= last ? CROWN_SECTION : brim && index >= brim.from ? BRIM_SECTION : WALL_SECTION
      },
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    // The head stays as large.
    ease: 1 - (1 - form.ease) * around,
    depth: mm(form.depth * along),
    brimHeight: mm(form.brimHeight * along),
  }),
  towards(form, _, { of, value }) {
    if (of === 'depth') return { ...form, depth: mm(value - foldedUp(form)) }
    if (of !== 'width') return form
    return { ...form, head: mm((2 * value) / edgeShare(form) / (1 - form.ease)) }
  },
}
