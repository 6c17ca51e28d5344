import { inShort, readWritten } from './writtenNumber.ts'

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
  if (text.trim() === '') return refuse(`Type ${what}, for example ${example(assumed)}.`)
  const written = readWritten(text)
  if (!written) return refuse(`“${inShort(text)}” is not ${what}. Write it like ${example(assumed)}.`)
  const { number, word, twoWays } = written
  const unit = word === undefined ? assumed : words[word.toLowerCase()]
  if (!unit) {
    const known = (Object.keys(per) as U[]).join(', ').replace(/, ([^,]*)$/, ' or $1')
    return refuse(`“${inShort(word!)}” is not a unit here. Use ${known}.`)
  }
  if (twoWays) {
    const [asWritten, thousand, decimal] = twoWays
    return refuse(`“${asWritten}” can be read two ways. Write ${thousand} ${unit}, or ${decimal} ${unit}.`)
  }
  const value = number * per[unit]
  if (!(value <= most.value)) return refuse(`That is more than ${what} can be here. Up to ${most.words}.`)
  return { ok: true, value }
}
