import { readdirSync, readFileSync } from 'node:fs'
import { findingsOf } from '../../core/pattern/check/findings.ts'
import { readPattern, refusePattern } from '../../core/pattern/read/readPattern.ts'
import { studyPattern } from '../../core/pattern/studyPattern.ts'
import { dice } from '../../core/testing/dice.ts'
import { discSpec } from '../../core/testing/specs.ts'

export interface TextsReport {
  readonly strings: number
  readonly mutated: number
  /** The longest that one took to be read, ms. */
  readonly slowest: number
  readonly broken: readonly string[]
}

const FOLDER = 'core/testing/patterns'
const IN = { gauge: discSpec(200).gauge, hook: 5, pace: 18 }

/** What patterns are made of, and what has no place in them. */
const BITS =
  'sc|2 sc|inc|dec|(|)|[|]|*|x 6|× 3|rep from * around|around|in next st|in each st|ch 3|ch 1|skip 2|join|turn|R1:|Rnd 2:|Row 3:|\n|\n|,|;|.|6|12|999999|10^9 times|magic ring|in 2nd ch from hook|hdc|dc|tr|htr|(6)|= 18|— 24|FPdc|5-dc popcorn|in same st|to last 2 sts|other side|last ch|BLO|change to B|Lid (make 2)|Rep rnd 2 twice more|until piece measures 5 cm|leave 3|along the ends of the rows|over the heel|ю|א|<b>|</b>|\u0000|💥|twice|and|0|-5|picot|with ch 1|3 dc in ch-2 sp'.split(
    '|',
  )

/** A text of a seed: words of the craft and of none, in any order. */
function shortText(seed: number): string {
  const { uniform: roll } = dice(seed)
  const below = (most: number) => Math.floor(roll() * most)
  return Array.from({ length: 1 + below(18) }, () =>
    roll() < 0.06 ? String.fromCharCode(below(60_000)) : BITS[below(BITS.length)]!,
  ).join(roll() < 0.8 ? ' ' : '')
}

/** A pattern of the folder with a few characters cut out and put in. */
function mutatedText(texts: readonly string[], seed: number): string {
  const { uniform: roll } = dice(seed)
  const below = (most: number) => Math.floor(roll() * most)
  let text = texts[below(texts.length)]!
  for (let change = 1 + below(3); change > 0; change--) {
    const at = below(text.length)
    text = text.slice(0, at) + (roll() < 0.6 ? BITS[below(BITS.length)]! : '') + text.slice(at + below(4))
  }
  return text
}

/** Short strings and mutated patterns through reader and checker; the mutated are laid and measured as well. */
export function tormentTexts(strings: number, mutated: number, from = 1): TextsReport {
  const texts = readdirSync(FOLDER).flatMap((name) =>
    name.endsWith('.txt') ? [readFileSync(`${FOLDER}/${name}`, 'utf8')] : [],
  )
  let slowest = 0
  const broken: string[] = []
  const tried = (what: string, seed: number, text: string, read: () => void) => {
    const begin = performance.now()
    try {
      read()
    } catch (error) {
      broken.push(`${what} ${seed}: ${String(error).slice(0, 120)} at ${JSON.stringify(text).slice(0, 120)}`)
    }
    slowest = Math.max(slowest, performance.now() - begin)
  }
  for (let seed = from; seed < from + strings; seed++) {
    const text = shortText(seed)
    tried('string', seed, text, () => {
      if (!refusePattern(text)) findingsOf(readPattern(text))
    })
  }
  for (let seed = from; seed < from + mutated; seed++) {
    const text = mutatedText(texts, seed)
    tried('pattern', seed, text, () => studyPattern(text, {}, IN))
  }
  return { strings, mutated, slowest, broken }
}
