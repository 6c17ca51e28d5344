import { parseQuantity, type ParsedQuantity, type UnitTable } from './parseQuantity.ts'

export type MassUnit = 'g' | 'oz'

const GRAMS_PER_OUNCE = 28.349523125

const MASSES: UnitTable<MassUnit> = {
  per: { g: 1, oz: GRAMS_PER_OUNCE },
  words: { g: 'g', gram: 'g', grams: 'g', gr: 'g', oz: 'oz', ounce: 'oz', ounces: 'oz' },
  what: 'a weight',
  most: { value: 100_000, words: '100 kg' },
  example: (unit) => (unit === 'g' ? '48.5 g' : '1 3/4 oz'),
}

/** Reads a mass in grams: "48.5", "48,5 g", "1 3/4 oz". */
export const parseMass = (text: string, assumed: MassUnit): ParsedQuantity =>
  parseQuantity(text, assumed, MASSES)

/** The bare number of a mass in grams, to what a kitchen scale can tell: 0.1 g or 0.01 oz. */
export const formatMass = (grams: number, unit: MassUnit): string =>
  unit === 'g' ? String(Math.round(grams * 10) / 10) : (grams / GRAMS_PER_OUNCE).toFixed(2)
