/** The units of one kind of quantity: how large each is, and how people write it. */
export interface UnitTable<U extends string> {
  /** Size of each unit in the stored one. */
  readonly per: Readonly<Record<U, number>>
  readonly words: Readonly<Record<string, U>>
  /** "a length" */
  readonly what: string
  readonly example: (unit: U) => string
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

const QUANTITY = /^(\d+(?:[.,]\d+)?|[.,]\d+)?(?:\s*(?:^|\s)(\d+)\/(\d+))?\s*([a-z]+|["″”])?$/i

/**
 * Reads a quantity as people write it: "10.5", "10,5 cm", "4 1/8 in", "4⅛″", "3½ oz".
 * @param assumed the unit of a number that names none
 * @returns the value in the stored unit, or a sentence that says how to write it
 */
export function parseQuantity<U extends string>(
  text: string,
  assumed: U,
  { per, words, what, example }: UnitTable<U>,
): ParsedQuantity {
  const plain = text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/\s+/g, ' ')
    .trim()
  if (plain === '') return { ok: false, message: `Type ${what}, for example ${example(assumed)}.` }
  const match = QUANTITY.exec(plain)
  const [, whole, over, under, word] = match ?? []
  if (!match || (whole === undefined && over === undefined)) {
    return { ok: false, message: `“${text.trim()}” is not ${what}. Write it like ${example(assumed)}.` }
  }
  const unit = word === undefined ? assumed : words[word.toLowerCase()]
  if (!unit) {
    const known = (Object.keys(per) as U[]).join(', ').replace(/, ([^,]*)$/, ' or $1')
    return { ok: false, message: `“${word}” is not a unit here. Use ${known}.` }
  }
  if (under !== undefined && Number(under) === 0) {
    return { ok: false, message: `A fraction cannot end in /0. Write it like ${example(assumed)}.` }
  }
  const value = Number((whole ?? '0').replace(',', '.')) + (over ? Number(over) / Number(under) : 0)
  return { ok: true, value: value * per[unit] }
}
