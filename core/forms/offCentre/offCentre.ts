import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, RowsAfter, Sizes } from '../family.ts'
import { baseOf, beginsInItsMiddle, ringsIn } from '../seen.ts'
import { FLAT_SECTION, WIDEST_DISC } from '../disc/disc.ts'

/** A flat round that goes on over part of its edge: the place where it began lies off its centre. */
export interface OffCentreForm {
  readonly family: 'offCentre'
  /** Its diameter once the rows on one side are there. */
  readonly across: Millimetres
  /** How far from its centre it begins. */
  readonly off: Millimetres
}

export const CRESCENT_SECTION = 'crescent'

const FARTHEST = 500
const FEWEST_ROUNDS = 2

/** The disc that rows stand on touches its edge on the other side. */
const discAcross = ({ across, off }: OffCentreForm): number => across - 2 * off

const leastDisc = ({ h, start }: Sizes): number => 2 * (start.hole + FEWEST_ROUNDS * h)

/**
 * A disc of radius R − d, and rows around its middle over a crescent: so many that they reach 2d out where it is widest,
 * each as long as the circle of radius R about the centre lets it be (FIELD §13, partial rounds).
 */
export const offCentre: Family<OffCentreForm> = {
  fields: [
    { kind: 'length', key: 'across', least: 1, most: WIDEST_DISC, usual: 220 },
    { kind: 'length', key: 'off', least: 1, most: FARTHEST, usual: 20 },
  ],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  validate(form, sizes) {
    const { across, off } = form
    if (!(across > 0 && across <= WIDEST_DISC)) {
      throw new SpecError(
        'form.across',
        `${lengthOf(across)} is no width that can be worked.`,
        `Up to ${lengthOf(WIDEST_DISC)}.`,
      )
    }
    const least = sizes.h / 2
    if (!(off >= least)) {
      throw new SpecError(
        'form.off',
        `${lengthOf(off)} off its centre takes less than a row.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge; a flat mat begins in its centre.`,
      )
    }
    const most = (across - leastDisc(sizes)) / 2
    if (off > most) {
      throw new SpecError(
        most >= least ? 'form.off' : 'form.across',
        `Off by ${lengthOf(off)}, the disc inside would be under two rounds.`,
        most >= least
          ? `Up to ${lengthOf(Math.floor(most))} in this gauge, or wider across.`
          : `At least ${lengthOf(Math.ceil(leastDisc(sizes) + 2 * off))} across.`,
      )
    }
  },
  sections(form, { start: { hole } }) {
    return [
      {
        id: FLAT_SECTION,
        guide: {
          length: discAcross(form) / 2 - hole,
          lies: 'flat',
          perimeter: (along) => 2 * Math.PI * (hole + along),
        },
      },
    ]
  },
  rowsAfter: ({ off }): readonly RowsAfter[] => [{ id: CRESCENT_SECTION, on: { crescent: off } }],
  measures: () => [{ of: 'across', in: [FLAT_SECTION] }],
  tape: [
    { of: 'across', at: 'edge', needed: true, in: [FLAT_SECTION] },
    { of: 'across', at: 'edge', in: [FLAT_SECTION] },
    { of: 'around', at: 'edge', in: [FLAT_SECTION] },
  ],
  targets: (form) => [{ of: 'across', value: discAcross(form) }],
  // A disc, then rows over part of its edge, each over part of the one before.
  seenIn(seen) {
    const { rounds, h } = seen
    const disc = ringsIn(seen)
    const rows = rounds.slice(disc)
    if (!beginsInItsMiddle(seen) || disc < FEWEST_ROUNDS || rows.length === 0) return undefined
    if (!rows.every(({ closed, on }) => !closed && on?.kind === 'stretch')) return undefined
    const { flat, shrinks, after } = baseOf(seen)
    if (!flat || shrinks || after > 0) return undefined
    const off = (rows.length * h) / 2
    return {
      form: { family: 'offCentre', across: mm(2 * disc * h + 2 * off), off: mm(off) },
      sectionAt: (index) => (index < disc ? FLAT_SECTION : CRESCENT_SECTION),
    }
  },
  larger: (form, { along }) => ({ ...form, across: mm(form.across * along), off: mm(form.off * along) }),
  towards: (form, _, { value }) => ({ ...form, across: mm(value + 2 * form.off) }),
}
