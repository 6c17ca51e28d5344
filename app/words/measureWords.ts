import { plusMinusOf, type MeasureKind, type Plan, type Promised } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'

interface MeasureWords {
  /** After the number: "21.9 cm across". */
  readonly after: string
  /** What a field for it is called. */
  readonly field: string
  /** The heading of a column of it. */
  readonly column: string
  /** Before a size of it in a column that begins with another kind. */
  readonly sign?: string
  /** How the piece differs when it is off: "0.7 cm small". */
  readonly off: readonly [less: string, more: string]
}

export const MEASURE_WORDS: Readonly<Record<MeasureKind, MeasureWords>> = {
  across: { after: 'across', field: 'Across', column: 'across', off: ['small', 'large'] },
  around: { after: 'around', field: 'Around, outside', column: 'around', off: ['too tight', 'too loose'] },
  width: {
    after: 'wide laid flat',
    field: 'Wide, laid flat',
    column: 'wide',
    off: ['too narrow', 'too wide'],
  },
  length: { after: 'long', field: 'Long', column: 'long', sign: '→', off: ['too short', 'too long'] },
  height: {
    after: 'high',
    field: 'High, from the table',
    column: 'high',
    sign: '↑',
    off: ['too low', 'too high'],
  },
  depth: {
    after: 'deep',
    field: 'Deep, along it',
    column: 'deep',
    sign: '↓',
    off: ['too shallow', 'too deep'],
  },
  endToEnd: {
    after: 'long',
    field: 'From end to end',
    column: 'long',
    off: ['too short', 'too long'],
  },
  sideToSide: {
    after: 'wide',
    field: 'From side to side',
    column: 'wide',
    sign: '×',
    off: ['too narrow', 'too wide'],
  },
  toTheCurve: {
    after: 'to the curve',
    field: 'Middle to the curve',
    column: 'to curve',
    off: ['too small', 'too large'],
  },
  alongRow: {
    after: 'wide',
    field: 'Wide, along a row',
    column: 'wide',
    sign: '↔',
    off: ['too narrow', 'too wide'],
  },
  sole: {
    after: 'along the sole',
    field: 'Toe to edge, along the sole',
    column: 'sole',
    sign: '→',
    off: ['too short', 'too long'],
  },
  leg: {
    after: 'up the leg',
    field: 'Up from the heel',
    column: 'up',
    sign: '↑',
    off: ['too low', 'too high'],
  },
  opening: { after: 'open', field: 'Opening', column: 'open', off: ['too narrow', 'too wide'] },
}

/** "21.9 ± 0.5 cm across" */
export const sayPromised = (promised: Promised, sizes: Sizes): string =>
  `${sayBare(promised, sizes)} ${MEASURE_WORDS[promised.of].after}`

/** "21.9 ± 0.5 cm" */
export const sayBare = (promised: Promised, sizes: Sizes): string =>
  sizes.withDoubt(promised.value, plusMinusOf(promised))

/** "46 to 74 cm across": a guess, by both ends of what it may be. */
export const sayGuessed = (promised: Promised, sizes: Sizes): string =>
  `${sayRange(promised, sizes)} ${MEASURE_WORDS[promised.of].after}`

/** Whether all that a plan says of sizes is a guess from the label. */
export const isGuess = ({ notices }: Pick<Plan, 'notices'>): boolean =>
  notices.some(({ code }) => code === 'guess')

/** "46 to 74 cm" */
export function sayRange(promised: Promised, sizes: Sizes): string {
  const by = plusMinusOf(promised)
  return `${sizes.bare(promised.value - by)} to ${sizes.full(promised.value + by)}`
}

/** Several sizes in one phrase: "16.0 ± 0.4 cm long, 12.4 ± 0.2 cm wide laid flat". */
export const sayAllPromised = (promises: readonly Promised[], sizes: Sizes, guess = false): string =>
  promises.map((one) => (guess ? sayGuessed(one, sizes) : sayPromised(one, sizes))).join(', ')
