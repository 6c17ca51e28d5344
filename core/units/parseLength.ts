import { mm, MM_PER_INCH, type Millimetres } from './millimetres.ts'
import { parseQuantity, type UnitTable } from './parseQuantity.ts'

export type LengthUnit = 'mm' | 'cm' | 'in'

export type ParsedLength = { ok: true; value: Millimetres } | { ok: false; message: string }

const LENGTHS: UnitTable<LengthUnit> = {
  per: { mm: 1, cm: 10, in: MM_PER_INCH },
  words: {
    mm: 'mm',
    millimetre: 'mm',
    millimetres: 'mm',
    cm: 'cm',
    centimetre: 'cm',
    centimetres: 'cm',
    in: 'in',
    inch: 'in',
    inches: 'in',
    '"': 'in',
  },
  what: 'a length',
  most: { value: 100_000, words: '100 m' },
  example: (unit) => (unit === 'in' ? '8 5/8 in' : unit === 'cm' ? '22 cm' : '6.5 mm'),
}

/**
 * Reads a length as people write it: "10.5", "10,5 cm", "4 1/8 in", "4-1/8″", "4⅛″".
 * @param assumed the unit of a number that names none
 */
export function parseLength(text: string, assumed: LengthUnit): ParsedLength {
  const read = parseQuantity(text, assumed, LENGTHS)
  return read.ok ? { ok: true, value: mm(read.value) } : read
}
