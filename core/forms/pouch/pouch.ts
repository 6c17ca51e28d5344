import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import { foundationOn, type Foundation } from '../alongChain.ts'
import type { Family, Guide, Outline, Sizes } from '../family.ts'
import { baseOf, hasHoles, isAllRings, within } from '../seen.ts'

/** Flat when it is empty: walls from both sides of a chain, a cord through holes, an edge over it. */
export interface PouchForm {
  readonly family: 'pouch'
  /** Laid flat, and up to the cord. */
  readonly wide: Millimetres
  readonly high: Millimetres
  /** Its edge over the cord: how high, and by which share it has more stitches where it is frilled. */
  readonly edge: (typeof EDGES)[number]
  readonly edgeHeight: Millimetres
  readonly flare: number
  readonly cord: (typeof CORDS)[number]
  readonly lining: (typeof LININGS)[number]
}

const EDGES = ['frilled', 'plain'] as const
const CORDS = ['drawstring', 'none'] as const
const LININGS = ['none', 'lined'] as const

const BASE = 'base'
const WALL = 'wall'
const HOLES = 'holes'
const EDGE = 'edge'

const WIDEST = 600
const HIGHEST = 800
const EDGE_HIGH = [5, 100] as const
const USUAL_FLARE = 0.5
const FLARES = [0.2, 1] as const
const MOST_ROUNDS = 200
/** A stitch more around each end in so many rounds, then even (FIELD §3). */
const BASE_ROUNDS = 2
const FEWEST_BETWEEN = 3
/** A hole for the cord every two to three centimetres, mm (FIELD §11). */
const BETWEEN_HOLES = [20, 30] as const

interface Plan {
  readonly foundation: Foundation
  readonly count: number
  /** A hole after so many stitches, where there are any. */
  readonly every: number | undefined
}

/**
 * Stitches around it, and between two holes: as near to its width as an even number of holes lets it be, where it has
 * any.
 */
function aroundOf({ wide, cord }: PouchForm, { w }: Sizes): Pick<Plan, 'count' | 'every'> {
  const ideal = (2 * wide) / w
  if (cord === 'none') return { count: 2 * Math.round(ideal / 2), every: undefined }
  const [least, most] = [
    Math.max(2, Math.ceil(BETWEEN_HOLES[0] / w)),
    Math.max(2, Math.floor(BETWEEN_HOLES[1] / w)),
  ]
  let best = { count: 0, every: least }
  for (let every = least; every <= Math.max(least, most); every++) {
    const count = 2 * every * Math.max(1, Math.round(ideal / (2 * every)))
    if (Math.abs(count - ideal) < Math.abs(best.count - ideal)) best = { count, every }
  }
  return best
}

function planOf(form: PouchForm, sizes: Sizes): Plan {
  const { count, every } = aroundOf(form, sizes)
  const { end } = foundationOn(3, 'exact', sizes, ['end', 'end'])
  const chains = sizes.chains ?? Math.max(2, count / 2 - (end + BASE_ROUNDS - 1) + 1)
  const foundation = foundationOn(chains, 'exact', sizes, ['end', 'end'])
  return { foundation, count: 2 * (foundation.side + end + BASE_ROUNDS - 1), every }
}

/** From the line that it stands on to its edge, mm. */
const heightOf = ({ high, edgeHeight }: PouchForm): number => high + edgeHeight

const between = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most

export const pouch: Family<PouchForm> = {
  fields: [
    { kind: 'length', key: 'wide', least: 30, most: WIDEST, usual: 100 },
    { kind: 'length', key: 'high', least: 30, most: HIGHEST, usual: 120 },
    { kind: 'choice', key: 'cord', choices: CORDS },
    { kind: 'choice', key: 'edge', choices: EDGES },
    {
      kind: 'length',
      key: 'edgeHeight',
      least: EDGE_HIGH[0],
      most: EDGE_HIGH[1],
      usual: 15,
      mayBeUsual: true,
    },
    {
      kind: 'share',
      key: 'flare',
      least: FLARES[0],
      most: FLARES[1],
      usual: USUAL_FLARE,
      while: { key: 'edge', is: ['frilled'] },
    },
    { kind: 'choice', key: 'lining', choices: LININGS },
  ],
  starts: () => ['chainAlong'],
  validate(form, sizes) {
    const { wide, high, edge, edgeHeight, flare, cord, lining } = form
    const { w, h } = sizes
    const refuse = (field: keyof PouchForm, problem: string, valid: string): never => {
      throw new SpecError(`form.${field}`, problem, valid)
    }
    if (!EDGES.includes(edge)) refuse('edge', 'There is no such edge.', 'Take one of the two.')
    if (!CORDS.includes(cord)) refuse('cord', 'It closes in no such way.', 'Take one of the two.')
    if (!LININGS.includes(lining)) refuse('lining', 'There is no such lining.', 'Take one of the two.')
    const { end } = foundationOn(3, 'exact', sizes, ['end', 'end'])
    const narrowest = Math.max(30, (end + BASE_ROUNDS - 1 + FEWEST_BETWEEN + 1) * w)
    if (!(wide >= narrowest)) {
      refuse(
        'wide',
        `${lengthOf(wide)} is too little for a chain of these stitches.`,
        `At least ${lengthOf(Math.ceil(narrowest))} in this gauge.`,
      )
    }
    if (wide > WIDEST) refuse('wide', `${lengthOf(wide)} is no pouch.`, `Up to ${lengthOf(WIDEST)}.`)
    const low = Math.max(30, (BASE_ROUNDS + 2) * h)
    if (!(high >= low)) {
      refuse(
        'high',
        `${lengthOf(high)} is under ${BASE_ROUNDS + 2} rounds of this stitch.`,
        `At least ${lengthOf(Math.ceil(low))} in this gauge.`,
      )
    }
    if (high > HIGHEST) refuse('high', `${lengthOf(high)} is no pouch.`, `Up to ${lengthOf(HIGHEST)}.`)
    if (!between(edgeHeight, EDGE_HIGH)) {
      refuse(
        'edgeHeight',
        `An edge of ${lengthOf(edgeHeight)} is none.`,
        `From ${lengthOf(EDGE_HIGH[0])} to ${lengthOf(EDGE_HIGH[1])}.`,
      )
    }
    if (!between(flare, FLARES)) {
      refuse(
        'flare',
        'A frill has more stitches than what it stands on, up to twice.',
        'From 20 to 100% more.',
      )
    }
    if (heightOf(form) / h > MOST_ROUNDS) {
      refuse('high', `That takes more than ${MOST_ROUNDS} rounds.`, 'Lower, or in a taller stitch.')
    }
  },
  foundation: (form, sizes) => planOf(form, sizes).foundation,
  sections(form, sizes) {
    const { w, h } = sizes
    const { foundation, count, every } = planOf(form, sizes)
    const girth = count * w
    const fitted = (length: number, perimeter: Guide['perimeter']): Guide => ({
      length,
      lies: 'fitted',
      perimeter,
    })
    const holes: Outline[] =
      every === undefined
        ? []
        : [{ id: HOLES, even: true, count, holes: every, guide: fitted(h, () => girth) }]
    const frill = 2 * Math.round((count * (1 + form.flare)) / 2)
    return [
      {
        id: BASE,
        guide: fitted(BASE_ROUNDS * h, (along) => 2 * w * (foundation.side + foundation.end - 1 + along / h)),
      },
      {
        id: WALL,
        even: true,
        count,
        guide: fitted(form.high - (BASE_ROUNDS + holes.length) * h, () => girth),
      },
      ...holes,
      form.edge === 'frilled'
        ? { id: EDGE, count: frill, flares: true, guide: fitted(form.edgeHeight, () => frill * w) }
        : { id: EDGE, even: true, count, guide: fitted(form.edgeHeight, () => girth) },
    ]
  },
  measures: () => [{ of: 'length' }, { of: 'width', in: [WALL, HOLES] }],
  tape: [
    { of: 'width', at: 'edge', needed: true, in: [WALL, HOLES] },
    { of: 'length', at: 'edge' },
  ],
  targets: (form) => [{ of: 'length', value: heightOf(form) }],
  // Around a chain nearly without widening, up, a round of holes, and its edge; without holes it is as well an oval.
  seenIn(seen) {
    const { rounds, start, w, h } = seen
    const holes = rounds.findIndex(hasHoles)
    if (start !== 'chainAlong' || !isAllRings(seen) || holes < 0) return undefined
    const { last, shrinks } = baseOf({ ...seen, rounds: rounds.slice(0, holes) })
    const edge = rounds.slice(holes + 1)
    if (last >= BASE_ROUNDS || shrinks || edge.length === 0) return undefined
    const flare = edge.at(-1)!.makes / rounds[holes]!.makes - 1
    return {
      form: {
        family: 'pouch',
        wide: mm((rounds[holes]!.makes * w) / 2),
        high: mm((holes + 1) * h),
        edge: flare >= FLARES[0] / 2 ? 'frilled' : 'plain',
        edgeHeight: mm(within(edge.length * h, EDGE_HIGH)),
        flare: flare >= FLARES[0] / 2 ? within(flare, FLARES) : USUAL_FLARE,
        cord: 'drawstring',
        lining: 'none',
      },
      sectionAt: (index) => (index <= last ? BASE : index < holes ? WALL : index === holes ? HOLES : EDGE),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    wide: mm(form.wide * around),
    high: mm(form.high * along),
    edgeHeight: mm(form.edgeHeight * along),
  }),
  towards: (form, _, { of, value }) =>
    of === 'length' ? { ...form, high: mm(value - form.edgeHeight) } : form,
  cord: (form) => form.cord === 'drawstring',
  lined: ({ lining, wide, high }) => (lining === 'lined' ? { wide, high } : undefined),
}
