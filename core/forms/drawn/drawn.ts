import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm } from '../../units/millimetres.ts'
import type { Family, Line, Outline, OutlinePoint, Place, Sizes } from '../family.ts'
import { allIn, isAllRings } from '../seen.ts'
import { lineThrough, outlineOf } from './outline.ts'
import { MOST_POINTS, profileOf } from './profile.ts'

const FEET = ['rounded', 'crisp', 'open'] as const
const OF = ['object', 'itself'] as const
const BETWEEN = ['curved', 'straight'] as const

/** Whatever shape is drawn: widths at heights, from the foot up. */
export interface DrawnForm {
  readonly family: 'drawn'
  readonly outline: readonly OutlinePoint[]
  /** Whether that is the thing it goes over, or the piece itself, measured outside. */
  readonly of: (typeof OF)[number]
  /** The share by which the piece is narrower than that. */
  readonly ease: number
  /** How it goes from one point to the next. */
  readonly between: (typeof BETWEEN)[number]
  /** Closed, turning into its side softly or on a crisp edge; or open, on a chain. */
  readonly foot: (typeof FEET)[number]
}

const BASE_SECTION = 'base'
const WALL_SECTION = 'wall'

const WIDEST = 1000
const HIGHEST = 1000
const LOWEST = 5
const EASES = [-0.2, 0.3] as const
const MOST_ROUNDS = 200
/** Fewer stitches do not go around anything. */
const FEWEST_STITCHES = 6
const FEWEST_ROUNDS = 3
/** A foot of fewer rounds than this is no base to be measured: it is the beginning of the side. */
const LEAST_BASE = 2

const isOpen = ({ foot }: DrawnForm): boolean => foot === 'open'

/** The middle of the fabric along the side, where its rounds go. */
function placesOf(form: DrawnForm, { thickness }: Pick<Sizes, 'thickness'>): Place[] {
  const { outline, of, ease } = form
  const out = of === 'object' ? thickness : -thickness
  // Closed, the thing stands on the fabric; the fabric's own middle lies half of it over the table.
  const up = isOpen(form) ? 0 : out / 2
  return outline.map((point, index) => ({
    r: Math.max(0, (point.across * (1 - ease) + out) / 2),
    z: index === 0 ? 0 : Math.max(0, point.up + up),
  }))
}

/** A line from the middle of a closed foot, or from the chain of an open one, to the edge. */
interface DrawnLine extends Line {
  /** How far along it the base ends. */
  readonly base: number
}

/** What the middle of the fabric should follow. */
function lineOf(form: DrawnForm, sizes: Pick<Sizes, 'thickness'>): DrawnLine {
  const places = placesOf(form, sizes)
  const side = lineThrough(places, form.between === 'curved')
  const foot = isOpen(form) ? 0 : places[0]!.r
  const inBase = (along: number) => along < foot
  return {
    base: foot,
    length: foot + side.length,
    at: (along) => (inBase(along) ? { r: Math.max(0, along), z: 0 } : side.at(along - foot)),
    off(place) {
      const beside = side.off(place)
      return foot > 0 && place.r <= foot && place.z < Math.abs(beside) ? -place.z : beside
    },
  }
}

/**
 * Of √(radius · height of a round): how much shorter soft fabric goes around a right angle, and how fast that falls off
 * where the side leans out; both fitted to `lay` for feet of 8 to 36 cm and stitches of 5 to 10 mm.
 */
const CUTS_CORNER = 0.55
const FALLS_OFF = 1.6

/** A foot that turns softly into its side cuts the corner: by how much less fabric gets as far up, mm. */
function sparedBy(line: DrawnLine, { h }: Sizes): number {
  const { base, length } = line
  const [foot, next] = [line.at(base), line.at(base + Math.min(h, length - base))]
  const out = (next.r - foot.r) / Math.max(1e-9, Math.hypot(next.r - foot.r, next.z - foot.z))
  const most = (length - base) / 3
  return Math.min(most, CUTS_CORNER * Math.sqrt(base * h) * Math.max(0, 1 - out) ** FALLS_OFF)
}

export const drawn: Family<DrawnForm> = {
  fields: [
    {
      kind: 'outline',
      key: 'outline',
      widest: WIDEST,
      highest: HIGHEST,
      most: MOST_POINTS,
      curved: { key: 'between', is: 'curved' },
      usual: [
        { across: 90, up: 0 },
        { across: 130, up: 60 },
        { across: 120, up: 110 },
        { across: 80, up: 160 },
      ],
    },
    { kind: 'choice', key: 'of', choices: OF },
    { kind: 'share', key: 'ease', least: EASES[0], most: EASES[1], usual: 0 },
    { kind: 'choice', key: 'between', choices: BETWEEN },
    { kind: 'choice', key: 'foot', choices: FEET },
  ],
  starts: (form) => (isOpen(form) ? ['joinedChain'] : ['magicRing', 'chainTwo', 'chainRing']),
  validate(form, sizes) {
    const { outline, of, ease, between, foot } = form
    if (!OF.includes(of)) {
      throw new SpecError(
        'form.of',
        'It is drawn for a thing, or as the piece itself.',
        'Take one of the two.',
      )
    }
    if (!BETWEEN.includes(between)) {
      throw new SpecError('form.between', 'There is no such line.', 'Take one of the two.')
    }
    if (!FEET.includes(foot))
      throw new SpecError('form.foot', 'There is no such foot.', 'Take one of the three.')
    if (!(ease >= EASES[0] && ease <= EASES[1])) {
      throw new SpecError(
        'form.ease',
        'Fabric stretches over no shape so far, nor hangs on one so loose.',
        'From −20% (looser) to 30% (tighter); 0 is as drawn.',
      )
    }
    validateOutline(outline)
    const { w, h, start } = sizes
    const line = lineOf(form, sizes)
    const slim = slimmest(form, sizes)
    if (slim) {
      throw new SpecError(
        'form.outline',
        `${lengthOf(slim.up)} up no more than ${Math.floor(slim.stitches)} stitches go around it.`,
        `At least ${lengthOf(Math.ceil(slim.least))} across there in this gauge.`,
      )
    }
    if (line.length < FEWEST_ROUNDS * h) {
      throw new SpecError(
        'form.outline',
        `That is under ${FEWEST_ROUNDS} rounds of this stitch.`,
        `At least ${lengthOf(Math.ceil(FEWEST_ROUNDS * h - line.base))} along its side in this gauge.`,
      )
    }
    if (line.length > MOST_ROUNDS * h) {
      throw new SpecError(
        'form.outline',
        `That would take more than ${MOST_ROUNDS} rounds.`,
        `Up to ${lengthOf(Math.floor(MOST_ROUNDS * h))} from its middle to its edge in this gauge.`,
      )
    }
    if (2 * Math.PI * start.hole > (FEWEST_STITCHES + 4) * w && start.hole > line.at(line.length / 3).r / 2) {
      throw new SpecError(
        'construction.start',
        'A ring of so many chains leaves a hole half as wide as the foot.',
        'A magic ring, or a ring of 3 to 5 chains.',
      )
    }
  },
  sections(form, sizes) {
    const line = lineOf(form, sizes)
    const { hole } = sizes.start
    const [first, ...others] = placesOf(form, sizes)
    const straight = others.every(({ r }) => Math.abs(r - first!.r) < 1e-9)
    /** @param spared mm of the line that the fabric does without, since it cuts the corner */
    const side = (from: number, spared = 0): Outline => ({
      id: WALL_SECTION,
      ...(straight ? { even: true } : {}),
      guide: {
        length: line.length - from - spared,
        lies: 'fitted',
        perimeter: (along) =>
          2 *
          Math.PI *
          line.at(from + Math.max(0, along) + spared * Math.min(1, along / (2 * spared || 1))).r,
      },
    })
    if (isOpen(form)) return [side(0)]
    if (line.base < LEAST_BASE * sizes.h) return [side(hole)]
    return [
      {
        id: BASE_SECTION,
        guide: { length: line.base - hole, lies: 'flat', perimeter: (along) => 2 * Math.PI * (hole + along) },
      },
      form.foot === 'crisp' ? { ...side(line.base), crisp: true } : side(line.base, sparedBy(line, sizes)),
    ]
  },
  measures: () => [
    { of: 'across', in: [BASE_SECTION] },
    { of: 'height', in: [WALL_SECTION] },
    { of: 'around', in: [WALL_SECTION] },
  ],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: [BASE_SECTION] },
    { of: 'across', at: 'edge', in: [BASE_SECTION] },
    { of: 'around', at: 'edge', needed: true, in: [WALL_SECTION] },
    { of: 'height', at: 'edge', in: [WALL_SECTION] },
  ],
  targets(form, { thickness }) {
    const { r, z } = placesOf(form, { thickness }).at(-1)!
    return [
      { of: 'height', value: z + thickness / 2 },
      { of: 'around', value: 2 * Math.PI * r + Math.PI * thickness },
    ]
  },
  line: lineOf,
  // The thing stands on the fabric, the piece on the table: half a thickness over or under the fabric's middle.
  drawnAs: ({ outline, of, between }, { thickness }) =>
    outlineOf(outline, between === 'curved').map(({ r, z }) => ({
      r,
      z: z + ((of === 'object' ? 1 : -1) * thickness) / 2,
    })),
  around: ({ of, outline }) => (of === 'object' ? Math.PI * outline.at(-1)!.across : undefined),
  // Whatever goes around: its outline is found once it is laid.
  seenIn(seen) {
    const { rounds, start } = seen
    if (start === 'chain' || start === 'chainAlong' || !isAllRings(seen)) return undefined
    const foot = start === 'joinedChain' ? 'open' : 'rounded'
    return {
      form: {
        family: 'drawn',
        outline: [
          { across: foot === 'open' ? 60 : 10, up: 0 },
          { across: 60, up: Math.max(20, rounds.length * seen.h) },
        ],
        of: 'itself',
        ease: 0,
        between: 'curved',
        foot,
      },
      sectionAt: allIn(WALL_SECTION),
    }
  },
  asLaid(form, { thickness }, tops) {
    const outline = profileOf(tops, thickness)
    return outline && { ...form, outline }
  },
  larger: (form, { around, along }) => ({
    ...form,
    outline: form.outline.map(({ across, up }) => ({ across: across * around, up: up * along })),
  }),
  towards(form, { thickness }, { of, value }) {
    const { outline, ease } = form
    const [{ up }, out] = [outline.at(-1)!, form.of === 'object' ? thickness : -thickness]
    if (of === 'height') {
      const by = (value - thickness / 2 - (isOpen(form) ? 0 : out / 2)) / up
      return { ...form, outline: outline.map((point) => ({ ...point, up: point.up * by })) }
    }
    if (of !== 'around') return form
    const across = (value / Math.PI - thickness - out) / (1 - ease)
    return { ...form, outline: [...outline.slice(0, -1), { across, up }] }
  },
}

/** @throws SpecError when points do not go from a foot up to an edge */
function validateOutline(outline: readonly OutlinePoint[]): void {
  const wrong = (says: string, valid: string) => new SpecError('form.outline', says, valid)
  if (!(outline.length >= 2 && outline.length <= MOST_POINTS)) {
    throw wrong(`A shape of ${outline.length} points is none to follow.`, `From 2 to ${MOST_POINTS} points.`)
  }
  if (outline[0]!.up !== 0) {
    throw wrong('It stands on its first point.', `The first at ${lengthOf(mm(0))}, the others over it.`)
  }
  outline.forEach(({ across, up }, index) => {
    if (!(across >= 0 && across <= WIDEST)) {
      throw wrong(
        `${lengthOf(across)} across is no width to work.`,
        `From ${lengthOf(mm(0))} to ${lengthOf(WIDEST)}.`,
      )
    }
    const below = outline[index - 1]
    if (below && !(up >= below.up && up <= HIGHEST)) {
      throw wrong(
        `${lengthOf(up)} up comes after ${lengthOf(below.up)}.`,
        `Points go up from the foot, to ${lengthOf(HIGHEST)} at the most.`,
      )
    }
    if (below && up === below.up && across === below.across) {
      throw wrong(
        `Two points lie at the same place, ${lengthOf(up)} up.`,
        `From 2 to ${MOST_POINTS} points, each at a place of its own.`,
      )
    }
  })
  if (!(outline.at(-1)!.up >= LOWEST))
    throw wrong(
      'A shape that does not go up is a mat.',
      `At least ${lengthOf(mm(LOWEST))} from its foot to its edge.`,
    )
}

interface Slim {
  readonly up: number
  readonly stitches: number
  readonly least: number
}

/** Where fewer stitches than go around anything would be left, but for the point it may begin in. */
function slimmest(form: DrawnForm, { w, thickness }: Sizes): Slim | undefined {
  const out = form.of === 'object' ? thickness : -thickness
  const least = ((FEWEST_STITCHES * w) / Math.PI - out) / (1 - form.ease)
  // A line swings beyond none of its points: it is slimmest at one of them.
  const index = placesOf(form, { thickness }).findIndex(
    ({ r }, at) => (at > 0 || isOpen(form)) && 2 * Math.PI * r < FEWEST_STITCHES * w,
  )
  const point = form.outline[index]
  if (!point) return undefined
  const stitches = (Math.PI * Math.max(0, point.across * (1 - form.ease) + out)) / w
  return { up: point.up, stitches, least }
}
