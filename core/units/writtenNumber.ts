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
const WRITTEN = new RegExp(String.raw`^(${NUMBER})?(?:\s*(?:^|\s)(\d+)/(\d+))?\s*([a-z]+|")?\.?$`, 'i')
/** One comma and three digits after it: a thousand to some, a decimal to others. */
const TWO_WAYS = /^[1-9]\d{0,2},\d{3}$/

export interface WrittenNumber {
  readonly number: number
  /** What stands behind it: a unit, perhaps. */
  readonly word?: string
  /** Set when the number means one thing to some and another to others: as written, and both so that nobody errs. */
  readonly twoWays?: readonly [written: string, thousand: string, decimal: string]
}

/** Reads a number as people write it: "10.5", "10,5", "4 1/8", "4-1/8", "4⅛", "10."; undefined for anything else. */
export function readWritten(text: string): WrittenNumber | undefined {
  const [, whole, over, under, word] = WRITTEN.exec(tidied(text)) ?? []
  if ((whole === undefined && over === undefined) || Number(under) === 0) return undefined
  const number = numberOf(whole ?? '0') + (over ? Number(over) / Number(under) : 0)
  if (whole === undefined || !TWO_WAYS.test(whole)) return { number, word }
  const [thousands, decimals] = whole.split(',') as [string, string]
  const decimal = `${thousands}.${decimals.replace(/0+$/, '') || '0'}`
  return { number, word, twoWays: [whole, `${thousands}${decimals}`, decimal] }
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
