import { mm, MM_PER_INCH, type Millimetres } from './millimetres.ts'

export type LengthUnit = 'mm' | 'cm' | 'in'

export type ParsedLength = { ok: true; value: Millimetres } | { ok: false; message: string }

const MM_PER: Record<LengthUnit, number> = { mm: 1, cm: 10, in: MM_PER_INCH }

const UNIT_WORDS: Record<string, LengthUnit> = {
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
  '″': 'in',
  '”': 'in',
}

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

const LENGTH = /^(\d+(?:[.,]\d+)?|[.,]\d+)?(?:\s*(?:^|\s)(\d+)\/(\d+))?\s*([a-z]+|["″”])?$/i

/**
 * Reads a length as people write it: "10.5", "10,5 cm", "4 1/8 in", "4⅛″".
 * @param assumed the unit of a number that names none
 */
export function parseLength(text: string, assumed: LengthUnit): ParsedLength {
  const plain = text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/\s+/g, ' ')
    .trim()
  if (plain === '') return { ok: false, message: `Type a length, for example ${example(assumed)}.` }
  const match = LENGTH.exec(plain)
  const [, whole, over, under, word] = match ?? []
  if (!match || (whole === undefined && over === undefined)) {
    return { ok: false, message: `“${text.trim()}” is not a length. Write it like ${example(assumed)}.` }
  }
  const unit = word === undefined ? assumed : UNIT_WORDS[word.toLowerCase()]
  if (!unit) return { ok: false, message: `“${word}” is not a unit here. Use mm, cm or in.` }
  if (under !== undefined && Number(under) === 0) {
    return { ok: false, message: 'A fraction cannot end in /0. Write it like 4 1/8 in.' }
  }
  const value = Number((whole ?? '0').replace(',', '.')) + (over ? Number(over) / Number(under) : 0)
  return { ok: true, value: mm(value * MM_PER[unit]) }
}

function example(unit: LengthUnit): string {
  return unit === 'in' ? '8 5/8 in' : unit === 'cm' ? '22 cm' : '6.5 mm'
}
