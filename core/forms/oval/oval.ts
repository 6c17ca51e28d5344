import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import {
  aroundChain,
  chainsFor,
  ENDS_OF_CHAIN,
  foundationOn,
  type EndsOfChain,
  type Foundation,
} from '../alongChain.ts'
import { EDGE_ROUNDS } from '../disc/disc.ts'
import type { Family, Outline, Sizes } from '../family.ts'
import { baseOf, hasHoles, isAllRings, type SeenRounds } from '../seen.ts'

/** Grown around both sides of a chain: a mat longer than it is wide, or a vessel on such a base. */
export interface OvalForm {
  readonly family: 'oval'
  /** From end to end, and from side to side. */
  readonly length: Millimetres
  readonly width: Millimetres
  /** How it ends: lying flat, or turned up into a wall. */
  readonly edge: (typeof EDGES)[number]
  /** From the table to the edge of the wall, where there is one. */
  readonly height: Millimetres
  /** Where length and width of what has a wall are measured: over the fabric, or between the walls. */
  readonly of: 'outside' | 'inside'
  readonly ends: EndsOfChain
}

const EDGES = ['crisp', 'rounded', 'flat'] as const
const WALLED = ['crisp', 'rounded']

const BASE_SECTION = 'base'
const WALL_SECTION = 'wall'

const LONGEST = 1500
const WIDEST = 1000
const HIGHEST = 1000
const MOST_ROUNDS = 200
const FEWEST_BASE_ROUNDS = 2
const FEWEST_WALL_ROUNDS = 2
/** A chain of fewer stitches than this between its ends is a disc. */
const FEWEST_BETWEEN = 2

const isWalled = ({ edge }: OvalForm): boolean => edge !== 'flat'

/** How much more there is to the middle of the fabric than a tape finds, mm. */
const toTheMiddle = (form: OvalForm, { thickness }: Sizes): number =>
  isWalled(form) ? (form.of === 'inside' ? thickness : -thickness) : 0

interface Plan {
  /** From the chain to the edge of what lies flat, mm. */
  readonly half: number
  readonly foundation: Foundation
  /** How long each straight side is, mm. */
  readonly spine: number
}

/** A wall stands at the edge of a whole round: the chain makes up for what that leaves of the length. */
function planOf(form: OvalForm, sizes: Sizes): Plan {
  const { w, h } = sizes
  const more = toTheMiddle(form, sizes)
  const wanted = (form.width + more) / 2
  const half = isWalled(form) ? h * Math.max(FEWEST_BASE_ROUNDS, Math.round(wanted / h)) : wanted
  const chains = sizes.chains ?? chainsFor(form.length + more - 2 * half, form.ends, sizes)
  const foundation = foundationOn(chains, form.ends, sizes, ['end', 'end'])
  return { half, foundation, spine: foundation.side * w }
}

/** What a tape finds around the wall, mm. */
function aroundOf(form: OvalForm, sizes: Sizes): number {
  const wide = form.width + toTheMiddle(form, sizes)
  return 2 * (form.length - form.width) + Math.PI * (wide + sizes.thickness)
}

/** With one fewer around its ends the first chain stays free until the round comes back to it: both sides use as many. */
const endsSeen = (chains: number, { rounds }: SeenRounds): EndsOfChain =>
  rounds[0]!.uses === 2 * (chains - 1) ? 'fewer' : 'exact'

const refuse = (field: keyof OvalForm, problem: string, valid: string): never => {
  throw new SpecError(`form.${field}`, problem, valid)
}

export const oval: Family<OvalForm> = {
  fields: [
    { kind: 'length', key: 'length', least: 30, most: LONGEST, usual: 300 },
    { kind: 'length', key: 'width', least: 15, most: WIDEST, usual: 200 },
    { kind: 'choice', key: 'edge', choices: EDGES },
    {
      kind: 'length',
      key: 'height',
      least: 10,
      most: HIGHEST,
      usual: 80,
      while: { key: 'edge', is: WALLED },
    },
    { kind: 'choice', key: 'of', choices: ['outside', 'inside'], while: { key: 'edge', is: WALLED } },
    { kind: 'choice', key: 'ends', choices: ENDS_OF_CHAIN, withStart: true },
  ],
  starts: () => ['chainAlong'],
  validate(form, sizes) {
    const { length, width, edge, height, of, ends } = form
    const { w, h, thickness } = sizes
    if (!EDGES.includes(edge)) refuse('edge', 'There is no such edge.', 'Take one of the three.')
    if (!['outside', 'inside'].includes(of)) {
      refuse('of', 'A base is measured outside or inside.', 'Take one of the two.')
    }
    if (!ENDS_OF_CHAIN.includes(ends)) refuse('ends', 'There are no such ends.', 'Take one of the two.')
    const more = toTheMiddle(form, sizes)
    const narrowest = Math.max(15, 2 * FEWEST_BASE_ROUNDS * h - more)
    if (!(width >= narrowest)) {
      refuse(
        'width',
        `${lengthOf(width)} is under ${FEWEST_BASE_ROUNDS} rounds along each side of a chain.`,
        `At least ${lengthOf(Math.ceil(narrowest))} in this gauge.`,
      )
    }
    if (width > WIDEST)
      refuse('width', `${lengthOf(width)} is wider than one carries.`, `Up to ${lengthOf(WIDEST)}.`)
    if (length > LONGEST) {
      refuse('length', `${lengthOf(length)} is longer than one carries.`, `Up to ${lengthOf(LONGEST)}.`)
    }
    const { half } = planOf(form, sizes)
    const shortest = 2 * half - more + FEWEST_BETWEEN * w
    if (!(length >= shortest - 1e-9)) {
      refuse(
        'length',
        `${lengthOf(length)} long and ${lengthOf(width)} wide leave no chain to work along: that is nearly round.`,
        `At least ${lengthOf(Math.ceil(shortest))} long in this gauge, or a round form.`,
      )
    }
    const rounds = half / h + (isWalled(form) ? height / h : 0)
    if (isWalled(form)) {
      const low = Math.max(10, FEWEST_WALL_ROUNDS * h + thickness / 2)
      if (!(height >= low)) {
        refuse(
          'height',
          `${lengthOf(height)} is under ${FEWEST_WALL_ROUNDS} rounds of this stitch.`,
          `At least ${lengthOf(Math.ceil(low))} in this gauge; without a wall it lies flat.`,
        )
      }
      if (height > HIGHEST) {
        refuse('height', `${lengthOf(height)} is higher than a table.`, `Up to ${lengthOf(HIGHEST)}.`)
      }
    }
    if (rounds > MOST_ROUNDS) {
      refuse('width', `That takes more than ${MOST_ROUNDS} rounds.`, 'Smaller, or in a taller stitch.')
    }
  },
  foundation: (form, sizes) => planOf(form, sizes).foundation,
  sections(form, sizes) {
    const { half, spine } = planOf(form, sizes)
    const base: Outline = { id: BASE_SECTION, guide: aroundChain(spine, half) }
    if (!isWalled(form)) return [base]
    const girth = base.guide.perimeter(half)
    return [
      base,
      {
        id: WALL_SECTION,
        even: true,
        guide: { length: form.height - sizes.thickness / 2, lies: 'fitted', perimeter: () => girth },
        ...(form.edge === 'crisp' ? { crisp: true } : {}),
      },
    ]
  },
  measures: () => [
    { of: 'endToEnd', in: [BASE_SECTION] },
    { of: 'sideToSide', in: [BASE_SECTION] },
    { of: 'height', in: [WALL_SECTION] },
    { of: 'around', in: [WALL_SECTION] },
  ],
  tape: [
    { of: 'endToEnd', at: 'edge', needed: true, in: [BASE_SECTION] },
    { of: 'sideToSide', at: 'edge', needed: true, in: [BASE_SECTION] },
    { of: 'around', at: 'edge', needed: true, in: [WALL_SECTION] },
    { of: 'height', at: 'edge', in: [WALL_SECTION] },
  ],
  targets(form, sizes) {
    if (!isWalled(form)) {
      return [
        { of: 'sideToSide', value: form.width },
        { of: 'endToEnd', value: form.length },
      ]
    }
    return [
      { of: 'height', value: form.height },
      { of: 'around', value: aroundOf(form, sizes) },
    ]
  },
  seenIn(seen) {
    const { start, chains, w, h } = seen
    if (start !== 'chainAlong' || chains === undefined || !isAllRings(seen)) return undefined
    const { shrinks, last, after, crisp } = baseOf(seen)
    // What a cord goes through is a pouch.
    if (shrinks || last === 0 || seen.rounds.some(hasHoles)) return undefined
    const wide = 2 * (last + 1) * h
    const isFlat = after <= EDGE_ROUNDS
    return {
      form: {
        family: 'oval',
        length: mm(wide + chains * w),
        width: mm(wide),
        edge: isFlat ? 'flat' : crisp ? 'crisp' : 'rounded',
        height: mm(Math.max(FEWEST_WALL_ROUNDS, after) * h),
        of: 'outside',
        ends: endsSeen(chains, seen),
      },
      sectionAt: (index) => (!isFlat && index > last ? WALL_SECTION : BASE_SECTION),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    length: mm((form.length - form.width) * around + form.width * along),
    width: mm(form.width * along),
    height: mm(form.height * along),
  }),
  towards(form, sizes, { of, value }) {
    if (of === 'height') return { ...form, height: mm(value) }
    if (of === 'sideToSide') return { ...form, width: mm(value) }
    if (of === 'endToEnd') return { ...form, length: mm(value) }
    if (of !== 'around') return form
    return { ...form, length: mm(form.length + (value - aroundOf(form, sizes)) / 2) }
  },
}
