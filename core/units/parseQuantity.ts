/** The units of one kind of quantity: how large each is, and how people write it. */
export interface UnitTable<U extends string> {
  /** Size of each unit in the stored one. */
  readonly per: Readonly<Record<U, number>>
  readonly words: Readonly<Record<string, U>>
  /** "a length" */
  readonly what: string
  readonly example: (unit: U) => string
  /** The most there can be, in the stored unit, and in words. */
  readonly most: { readonly value: number; readonly words: string }
}

export type ParsedQuantity = { ok: true; value: number } | { ok: false; message: string }

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

const NUMBER = String.raw`\d{1,3}(?:,\d{3})+\.\d+|\d{1,3}(?:\.\d{3})+,\d+|\d+(?:[.,]\d*)?|[.,]\d+`
const QUANTITY = new RegExp(String.raw`^(${NUMBER})?(?:\s*(?:^|\s)(\d+)/(\d+))?\s*([a-z]+|")?\.?$`, 'i')
/** One comma and three digits after it: a thousand to some, a decimal to others. */
const TWO_WAYS = /^[1-9]\d{0,2},\d{3}$/

/**
 * Reads a quantity as people write it: "10.5", "10,5 cm", "4 1/8 in", "4-1/8″", "4⅛''", "3½ oz", "10."
 * @param assumed the unit of a number that names none
 * @returns the value in the stored unit, or a sentence that says how to write it
 */
export function parseQuantity<U extends string>(
  text: string,
  assumed: U,
  { per, words, what, example, most }: UnitTable<U>,
): ParsedQuantity {
  const refuse = (message: string): ParsedQuantity => ({ ok: false, message })
  const plain = tidied(text)
  if (plain === '') return refuse(`Type ${what}, for example ${example(assumed)}.`)
  const match = QUANTITY.exec(plain)
  const [, whole, over, under, word] = match ?? []
  if (!match || (whole === undefined && over === undefined)) {
    return refuse(`“${inShort(text)}” is not ${what}. Write it like ${example(assumed)}.`)
  }
  const unit = word === undefined ? assumed : words[word.toLowerCase()]
  if (!unit) {
    const known = (Object.keys(per) as U[]).join(', ').replace(/, ([^,]*)$/, ' or $1')
    return refuse(`“${inShort(word!)}” is not a unit here. Use ${known}.`)
  }
  if (under !== undefined && Number(under) === 0) {
    return refuse(`A fraction cannot end in /0. Write it like ${example(assumed)}.`)
  }
  if (whole !== undefined && TWO_WAYS.test(whole)) {
    const [thousands, decimals] = whole.split(',') as [string, string]
    return refuse(
      `“${whole}” can be read two ways. Write ${thousands}${decimals} ${unit}, or ${thousands}.${decimals.replace(/0+$/, '') || '0'} ${unit}.`,
    )
  }
  const value = (numberOf(whole ?? '0') + (over ? Number(over) / Number(under) : 0)) * per[unit]
  if (!(value <= most.value)) return refuse(`That is more than ${what} can be here. Up to ${most.words}.`)
  return { ok: true, value }
}

/** Signs that people use for the same, as one of them. */
const tidied = (text: string): string =>
  text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/⁄/g, '/')
    .replace(/(\d)\s*-\s*(\d+\s*\/)/, '$1 $2')
    .replace(/″|”|''|’’|′′/g, '"')
    .replace(/\s*\/\s*/g, '/')
    .replace(/\s+/g, ' ')
    .trim()

/** The last sign parts the decimals; one before it parts thousands. */
function numberOf(written: string): number {
  const at = Math.max(written.lastIndexOf('.'), written.lastIndexOf(','))
  if (at < 0) return Number(written)
  return Number(`${written.slice(0, at).replace(/[.,]/g, '')}.${written.slice(at + 1)}`)
}

const LONGEST_ECHO = 24

/** What somebody typed, as far as it is worth repeating. */
export const inShort = (text: string): string => {
  const typed = text.trim()
  return typed.length <= LONGEST_ECHO ? typed : `${typed.slice(0, LONGEST_ECHO)}…`
}
