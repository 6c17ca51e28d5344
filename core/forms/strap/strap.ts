import { lengthOf } from '../../errors/sentence.ts'
import { SpecError } from '../../errors/specError.ts'
import { mm, type Millimetres } from '../../units/millimetres.ts'
import type { Family, RowsAfter, Sizes } from '../family.ts'
import { countsIn } from '../seen.ts'

/** A strip in rows: a strap, a tie, a tab. */
export interface StrapForm {
  readonly family: 'strap'
  /** Along a row, and from its chain to its end. */
  readonly wide: Millimetres
  readonly long: Millimetres
  /** How it ends: a point narrows by a stitch at each edge in every row, a slanted end at one, the other edge straight. */
  readonly end: (typeof ENDS)[number]
}

const ENDS = ['square', 'pointed', 'slanted'] as const

const STRIP = 'strip'
const POINT = 'point'

const WIDEST = 800
const LONGEST = 2500
const FEWEST = 2
const FEWEST_ROWS = 2
const MOST_ROWS = 600
/** A point ends on so many stitches. */
const TIP = 2

/** At how many of its edges an end narrows, by a stitch in every row. */
const NARROWS_AT = { square: 0, pointed: 2, slanted: 1 } as const satisfies Record<StrapForm['end'], number>

/** How far the end goes, mm: a row for every stitch, or for every two, that it is narrower. */
function pointOf({ wide, end }: StrapForm, { w, h }: Pick<Sizes, 'w' | 'h'>): number {
  const edges = NARROWS_AT[end]
  return edges === 0 ? 0 : h * Math.max(0, Math.floor((Math.round(wide / w) - TIP) / edges))
}

const refuse = (field: keyof StrapForm, problem: string, valid: string): never => {
  throw new SpecError(`form.${field}`, problem, valid)
}

export const strap: Family<StrapForm> = {
  fields: [
    { kind: 'length', key: 'wide', least: 5, most: WIDEST, usual: 40 },
    { kind: 'length', key: 'long', least: 10, most: LONGEST, usual: 300 },
    { kind: 'choice', key: 'end', choices: ENDS },
  ],
  inRows: true,
  starts: () => ['chain'],
  validate(form, sizes) {
    const { wide, long, end } = form
    const { w, h } = sizes
    if (!ENDS.includes(end)) refuse('end', 'There is no such end.', 'Take one of the three.')
    const narrowest = Math.max(5, FEWEST * w)
    if (!(wide >= narrowest)) {
      refuse(
        'wide',
        `${lengthOf(wide)} is under ${FEWEST} stitches.`,
        `At least ${lengthOf(Math.ceil(narrowest))} in this gauge; a chain alone is narrower.`,
      )
    }
    if (wide > WIDEST)
      refuse('wide', `${lengthOf(wide)} is wider than a strap.`, `Up to ${lengthOf(WIDEST)}.`)
    const shortest = Math.max(10, FEWEST_ROWS * h + pointOf(form, sizes))
    if (!(long >= shortest)) {
      refuse(
        'long',
        `${lengthOf(long)} is under ${FEWEST_ROWS} rows${end === 'square' ? '' : ' and the point'}.`,
        `At least ${lengthOf(Math.ceil(shortest))} in this gauge.`,
      )
    }
    const most = Math.min(LONGEST, MOST_ROWS * h)
    if (long > most) {
      refuse(
        'long',
        `${lengthOf(long)} would take more than ${MOST_ROWS} rows, or be longer than a room.`,
        `Up to ${lengthOf(Math.floor(most))} in this gauge.`,
      )
    }
  },
  sections(form, sizes) {
    return [
      {
        id: STRIP,
        even: true,
        rows: { share: 1 },
        guide: {
          length: form.long - pointOf(form, sizes),
          lies: 'fitted',
          perimeter: () => form.wide,
        },
      },
    ]
  },
  rowsAfter: ({ end }): readonly RowsAfter[] =>
    end === 'square'
      ? []
      : [
          {
            id: POINT,
            on: { from: 0, share: 1 },
            narrows: { every: 1, to: 0, at: end === 'slanted' ? 'one' : 'both' },
          },
        ],
  usualWork: () => ({ [STRIP]: { rounds: 'turned' } }),
  measures: () => [
    { of: 'length', in: [STRIP] },
    { of: 'alongRow', in: [STRIP] },
  ],
  tape: [
    { of: 'alongRow', at: 'edge', needed: true, in: [STRIP] },
    { of: 'length', at: 'edge', in: [STRIP] },
  ],
  // A point is measured with what it stands on no more than a tape finds of that.
  targets: (form, sizes) => [
    { of: 'length', value: form.long - pointOf(form, sizes) },
    { of: 'alongRow', value: form.wide },
  ],
  // One count, which may narrow by one or two in every row from some row on.
  seenIn(seen) {
    const plain = seen.rounds.every(({ closed, on }) => !closed && on === undefined)
    if (seen.start !== 'chain' || !plain) return undefined
    const counts = countsIn(seen)
    const first = counts.findIndex((count) => count !== counts[0])
    const strip = first < 0 ? counts.length : first
    const by = first < 0 ? 0 : counts[first - 1]! - counts[first]!
    const narrows = counts.slice(strip).every((count, index) => counts[strip + index - 1]! - count === by)
    const end = ENDS.find((one) => NARROWS_AT[one] === by)
    if (!narrows || end === undefined) return undefined
    return {
      form: {
        family: 'strap',
        wide: mm(counts[0]! * seen.w),
        long: mm(counts.length * seen.h),
        end,
      },
      sectionAt: (index) => (index < strip ? STRIP : POINT),
    }
  },
  larger: (form, { around, along }) => ({
    ...form,
    wide: mm(form.wide * around),
    long: mm(form.long * along),
  }),
  towards(form, sizes, { of, value }) {
    if (of === 'length') return { ...form, long: mm(value + pointOf(form, sizes)) }
    if (of !== 'alongRow') return form
    // What comes before its point stays as long.
    const wider = { ...form, wide: mm(value) }
    return { ...wider, long: mm(form.long - pointOf(form, sizes) + pointOf(wider, sizes)) }
  },
}
