import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, RowsAfter, Sizes } from '../family.ts'

/** Part of a disc, worked back and forth: a half round, a quarter, a disc with a gap. */
export interface WedgeForm {
  readonly family: 'wedge'
  /** From its middle to its curved edge: of a half round half of its straight edge. */
  readonly radius: Millimetres
  /** How much of a disc it is. */
  readonly share: number
  /** What is worked along the ends of its rows once it is done. */
  readonly finish: (typeof FINISHES)[number]
  /** How far the middle of that stands out farther than its corners. */
  readonly bow: Millimetres
}

const FINISHES = ['plain', 'bowed', 'none'] as const

/** The one section of a form that is all rows. */
const ROWS_SECTION = 'rows'
export const FINISH_SECTION = 'finish'

export const HALF = 0.5
const LARGEST = 1500
const MOST_ROWS = 300
const FEWEST_ROWS = 2
/** Under a tenth rows have no room to widen in; nine tenths leave a gap that can be seen. */
const SHARES = [0.1, 0.9] as const
/** A row bows out by no more than its tallest stitch is taller than its lowest. */
const BOWS = [1, 25] as const

const smallest = ({ h, start }: Sizes): number => start.hole + FEWEST_ROWS * h

const refuse = (field: keyof WedgeForm, problem: string, valid: string): never => {
  throw new SpecError(`form.${field}`, problem, valid)
}

/** Share φ of a disc, in turned rows: N = φ·2πs/w (FIELD §11). */
export const wedge: Family<WedgeForm> = {
  fields: [
    { kind: 'length', key: 'radius', least: 10, most: LARGEST, usual: 100 },
    { kind: 'share', key: 'share', least: SHARES[0], most: SHARES[1], usual: HALF },
    { kind: 'choice', key: 'finish', choices: FINISHES },
    {
      kind: 'length',
      key: 'bow',
      least: BOWS[0],
      most: BOWS[1],
      usual: 6,
      while: { key: 'finish', is: ['bowed'] },
    },
  ],
  inRows: true,
  starts: () => ['magicRing', 'chainTwo', 'chainRing'],
  validate({ radius, share, finish, bow }, sizes) {
    if (!FINISHES.includes(finish)) refuse('finish', 'There is no such edge.', 'Take one of the three.')
    if (!(share >= SHARES[0] && share <= SHARES[1])) {
      refuse(
        'share',
        'That is too little of a disc to work in rows, or nearly all of one.',
        'From 10% to 90%; a half round is 50%, all of it a flat mat.',
      )
    }
    if (!(bow >= BOWS[0] && bow <= BOWS[1])) {
      refuse(
        'bow',
        `No row of stitches stands out by ${lengthOf(bow)}.`,
        `From ${lengthOf(BOWS[0])} to ${lengthOf(BOWS[1])}.`,
      )
    }
    const least = smallest(sizes)
    if (!(radius >= least)) {
      refuse(
        'radius',
        `${lengthOf(radius)} is under two rows of this stitch.`,
        `At least ${lengthOf(Math.ceil(least))} in this gauge.`,
      )
    }
    const most = Math.min(LARGEST, MOST_ROWS * sizes.h)
    if (radius > most) {
      refuse(
        'radius',
        `${lengthOf(radius)} would take more than ${MOST_ROWS} rows or be wider than a room mat.`,
        `Up to ${lengthOf(Math.floor(most))} in this gauge.`,
      )
    }
  },
  sections({ radius, share }, { start: { hole } }) {
    return [
      {
        id: ROWS_SECTION,
        rows: { share },
        guide: {
          length: radius - hole,
          lies: 'flat',
          perimeter: (along) => share * 2 * Math.PI * (hole + along),
        },
      },
    ]
  },
  rowsAfter: ({ finish, bow }): readonly RowsAfter[] =>
    finish === 'none' ? [] : [{ id: FINISH_SECTION, on: 'rowEnds', ...(finish === 'bowed' ? { bow } : {}) }],
  usualWork: () => ({ [ROWS_SECTION]: { rounds: 'turned' } }),
  measures: ({ share }) => [
    { of: 'toTheCurve', in: [ROWS_SECTION] },
    ...(share === HALF ? [{ of: 'across', in: [ROWS_SECTION] } as const] : []),
  ],
  tape: [
    { of: 'toTheCurve', at: 'edge', needed: true, in: [ROWS_SECTION] },
    { of: 'toTheCurve', at: 'edge', in: [ROWS_SECTION] },
  ],
  targets: ({ radius, share }) => [
    { of: 'toTheCurve', value: radius },
    ...(share === HALF ? [{ of: 'across', value: 2 * radius } as const] : []),
  ],
  larger: (form, { along }) => ({ ...form, radius: mm(form.radius * along) }),
  towards: (form, _, { of, value }) => ({ ...form, radius: mm(of === 'across' ? value / 2 : value) }),
}
