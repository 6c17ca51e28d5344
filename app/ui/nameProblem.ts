import { LONGEST_NAME } from '../../core/index.ts'
import { thousands } from './thousands.ts'

/** What is wrong with a name, and what would be right; nothing when it can stand. */
export function nameProblem(text: string, must: boolean): string | undefined {
  const { length } = text.trim()
  if (length === 0) return must ? 'It needs a name; the old one stays until there is another.' : undefined
  return length > LONGEST_NAME
    ? `That is ${thousands(length)} letters. A name has up to ${LONGEST_NAME}.`
    : undefined
}
