import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { STITCHES } from '../../stitches/stitch.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, RowsAfter, Sizes } from '../family.ts'
import { beginsInItsMiddle, type SeenRound, type SeenRounds } from '../seen.ts'

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

const USUAL_BOW = 6
/** So near to half a disc it is one. */
const NEARLY_HALF = 0.06

const smallest = ({ h, start }: Sizes): number => start.hole + FEWEST_ROWS * h

const refuse = (field: keyof WedgeForm, problem: string, valid: string): never => {
  throw new SpecError(`form.${field}`, problem, valid)
}

/** How much taller the tallest stitch of a row is than the lowest, mm. */
function bowOf({ steps, stitch }: SeenRound, { h }: SeenRounds): number {
  const tall = steps.flatMap(({ ops }) => ops.map((op) => STITCHES[op.stitch].heightOverWidth))
  return ((Math.max(...tall) - Math.min(...tall)) / STITCHES[stitch].heightOverWidth) * h
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
      usual: USUAL_BOW,
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
  // Rows about their beginning, and perhaps one along their ends.
  seenIn(seen) {
    const { rounds, w, h } = seen
    const finish = rounds.at(-1)?.on?.kind === 'rowEnds' ? rounds.at(-1) : undefined
    const rows = finish ? rounds.slice(0, -1) : rounds
    if (!beginsInItsMiddle(seen) || rows.length < FEWEST_ROWS) return undefined
    if (!rows.every(({ closed, on, makes, uses }) => !closed && !on && makes >= uses)) return undefined
    const share = (rows.at(-1)!.makes * w) / (2 * Math.PI * rows.length * h)
    if (!(share > SHARES[0] / 2 && share <= SHARES[1])) return undefined
    const bow = finish ? bowOf(finish, seen) : 0
    return {
      form: {
        family: 'wedge',
        radius: mm(rows.length * h),
        share: Math.abs(share - HALF) < NEARLY_HALF ? HALF : Math.max(SHARES[0], share),
        finish: finish ? (bow >= BOWS[0] ? 'bowed' : 'plain') : 'none',
        bow: mm(bow >= BOWS[0] ? Math.min(BOWS[1], bow) : USUAL_BOW),
      },
      sectionAt: (index) => (index < rows.length ? ROWS_SECTION : FINISH_SECTION),
    }
  },
  larger: (form, { along }) => ({ ...form, radius: mm(form.radius * along) }),
  towards: (form, _, { of, value }) => ({ ...form, radius: mm(of === 'across' ? value / 2 : value) }),
}
