import { parseQuantity, type ParsedQuantity, type UnitTable } from './parseQuantity.ts'

export type YarnLengthUnit = 'm' | 'yd'

const METRES_PER_YARD = 0.9144

const YARN_LENGTHS: UnitTable<YarnLengthUnit> = {
  per: { m: 1, yd: METRES_PER_YARD },
  words: {
    m: 'm',
    metre: 'm',
    metres: 'm',
    meter: 'm',
    meters: 'm',
    yd: 'yd',
    yds: 'yd',
    yard: 'yd',
    yards: 'yd',
  },
  what: 'a length of yarn',
  most: { value: 100_000, words: '100 km' },
  example: (unit) => (unit === 'm' ? '85 m' : '93 yd'),
}

/** Reads a length of yarn in metres: "85", "85 m", "93 yd". */
export const parseYarnLength = (text: string, assumed: YarnLengthUnit): ParsedQuantity =>
  parseQuantity(text, assumed, YARN_LENGTHS)

/** The bare number of a length of yarn in metres, to a tenth under 100. */
export function formatYarnLength(metres: number, unit: YarnLengthUnit): string {
  const value = unit === 'm' ? metres : metres / METRES_PER_YARD
  return value.toFixed(value < 99.95 ? 1 : 0)
}
