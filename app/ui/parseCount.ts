import { inShort, readWritten } from '../../core/index.ts'
import { thousands } from './thousands.ts'

export type ParsedNumber = { ok: true; value: number } | { ok: false; message: string }

/** Reads a count with fractions, as where a quarter of a stitch counts: "20.25", "20,25", "20 1/4", "20¼". */
export const parseCount = (least: number, most: number, what: string) => (text: string) =>
  parsed(text, least, most, what, 'a number')

/** Reads a count of whole things. A fraction is refused, not rounded. */
export const parseWhole =
  (least: number, most: number, what: string) =>
  (text: string): ParsedNumber => {
    const read = parsed(text, least, most, what, 'a whole number')
    if (!read.ok || Number.isInteger(read.value)) return read
    return refuse(`“${inShort(text)}” is not a whole number`, least, most, what, 'a whole number')
  }

/** Reads a share in percent, with or without its sign: "3", "−2 %", "2,5%". */
export const parsePercent =
  (least: number, most: number) =>
  (text: string): ParsedNumber => {
    const plain = text.replace('%', '').trim()
    const negative = /^[-−–]/.test(plain)
    const read = parseCount(0, 1000, 'a share')(plain.replace(/^[-−–+]\s*/, ''))
    const said = (share: number) => `${Math.round(share * 100)}%`.replace('-', '−')
    const range = `From ${said(least)} to ${said(most)}.`
    if (!read.ok) {
      return {
        ok: false,
        message: plain === '' ? `Nothing is typed. ${range}` : `“${inShort(text)}” is no share. ${range}`,
      }
    }
    const value = ((negative ? -1 : 1) * read.value) / 100
    if (value >= least && value <= most) return { ok: true, value }
    return { ok: false, message: `${said(value)} will not do. ${range}` }
  }

function parsed(text: string, least: number, most: number, what: string, kind: string): ParsedNumber {
  const plain = text.trim()
  if (plain === '') return refuse('Nothing is typed', least, most, what, kind)
  const written = readWritten(plain)
  if (!written || written.word !== undefined) {
    return refuse(`“${inShort(text)}” is not ${kind}`, least, most, what, kind)
  }
  if (written.twoWays) {
    const [asWritten, thousand, decimal] = written.twoWays
    return { ok: false, message: `“${asWritten}” can be read two ways. Write ${thousand} or ${decimal}.` }
  }
  const value = written.number
  if (!(value >= least && value <= most))
    return refuse(`${plain.length > 12 ? 'That' : plain} will not do`, least, most, what, kind)
  return { ok: true, value }
}

/** What is wrong, and what would be right. */
const refuse = (wrong: string, least: number, most: number, what: string, kind: string): ParsedNumber => ({
  ok: false,
  message: `${wrong}. ${what[0]!.toUpperCase()}${what.slice(1)}: ${kind} from ${least} to ${thousands(most)}.`,
})
