import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, Sizes } from '../family.ts'
import { allIn, baseOf, beginsInItsMiddle, countsIn, isAllRings } from '../seen.ts'

/** A flat round piece. */
export interface DiscForm {
  readonly family: 'disc'
  /** Finished diameter. */
  readonly across: Millimetres
}

/** A flat round of a diameter, mm, as it is kept. */
export const flatRound = (across: number) => ({ family: 'disc' as const, across })

/** So many of the last rounds may keep their count and still be an edge of a flat piece. */
export const EDGE_ROUNDS = 2

/** No mat is wider than a room's, mm. */
export const WIDEST_DISC = 3000
const MOST_ROUNDS = 400

/** The one section of a form that is no more than flat. */
export const FLAT_SECTION = 'flat'

/** Two rounds around the centre or the ring's hole. */
const leastAcross = ({ h, start }: Sizes): number => 2 * (start.hole + 2 * h)

/** A disc of radius r wants 2πr around: N* = 2πr/w (FIELD §3). */
export const disc: Family<DiscForm> = {
  fields: [{ kind: 'length', key: 'across', least: 1, most: WIDEST_DISC, usual: 220 }],
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  validate({ across }, sizes) {
    const least = leastAcross(sizes)
    const most = Math.min(WIDEST_DISC, 2 * MOST_ROUNDS * sizes.h)
    if (!(across >= least)) {
      throw new SpecError(
        'form.across',
        `${lengthOf(across)} is under two rounds of this stitch.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    if (across > most) {
      throw new SpecError(
        'form.across',
        `${lengthOf(across)} would take more than ${MOST_ROUNDS} rounds or be wider than a room mat.`,
        `Up to ${lengthOf(Math.floor(most))} in this gauge.`,
      )
    }
  },
  sections({ across }, { start: { hole } }) {
    return [
      {
        id: FLAT_SECTION,
        guide: {
          length: across / 2 - hole,
          lies: 'flat',
          perimeter: (along) => 2 * Math.PI * (hole + along),
        },
      },
    ]
  },
  measures: () => [{ of: 'across' }],
  tape: [
    { of: 'across', at: 'edge', needed: true },
    { of: 'across', at: 'edge' },
    { of: 'around', at: 'edge' },
  ],
  targets: ({ across }) => [{ of: 'across', value: across }],
  seenIn(seen) {
    if (!beginsInItsMiddle(seen) || !isAllRings(seen)) return undefined
    const { flat, shrinks, after } = baseOf(seen)
    if (!flat || shrinks || after > EDGE_ROUNDS) return undefined
    return {
      form: { family: 'disc', across: mm(2 * countsIn(seen).length * seen.h) },
      sectionAt: allIn(FLAT_SECTION),
    }
  },
  larger: (form, { along }) => ({ ...form, across: mm(form.across * along) }),
  towards: (form, _, { value }) => ({ ...form, across: mm(value) }),
}
