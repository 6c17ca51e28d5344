import type { ParsedNumber } from './parseCount.ts'
import type { Sizes } from './useSizes.ts'

/** Reads a length that may go either way from a place, mm: after it, or before it with a minus; so far at the most. */
export function eitherWay(sizes: Pick<Sizes, 'between'>, most: number): (text: string) => ParsedNumber {
  return (text) => {
    const [, minus, length] = /^\s*([-−–]?)\s*(.*)$/.exec(text)!
    const read = sizes.between(0, most)(length!)
    return read.ok && minus ? { ok: true, value: -Number(read.value) } : read
  }
}
