import type { Terms } from '../../stitches/stitch.ts'
import type { Span } from './syntax.ts'
import type { TextLine } from './lines.ts'

/** What speaks for one country's words. */
export interface TermsSign {
  readonly terms: Terms
  /** The word that says so, and where it stands. */
  readonly word: string
  readonly span: Span
}

export interface TermsFound {
  /** What the text says of itself. */
  readonly declared?: TermsSign
  readonly signs: readonly TermsSign[]
}

const DECLARED =
  /\b(us|u\.s\.|american|uk|u\.k\.|british)\b(?:\s+(?:crochet\s+)?(?:terms?|terminology|abbreviations?|english))?/i
const SIGNS: readonly (readonly [Terms, RegExp])[] = [
  ['UK', /\b(htr|dtr|miss|tension|half[ -]trebles?|yarn round hook|yrh)\b/gi],
  ['US', /\b(sc2tog|sc|hdc|skip|gauge|single crochets?|half[ -]double crochets?|yarn over)\b/gi],
]

/** More of a kind say no more than these. */
const ENOUGH = 6

/** The signs by which a text shows whose words it speaks (FIELD §15); of words alone, dc and tr say nothing. */
export function termsIn(text: string, lines: readonly TextLine[]): TermsFound {
  let declared: TermsSign | undefined
  const signs: TermsSign[] = []
  for (const { span, is } of lines) {
    const line = text.slice(span.from, span.to)
    const said = is.kind === 'fact' && is.of === 'terms' ? DECLARED.exec(is.value) : undefined
    const inWords = said ?? (/\b(?:terms?|terminology)\b/i.test(line) ? DECLARED.exec(line) : undefined)
    if (inWords && !declared) {
      declared = { terms: /u\.?s|american/i.test(inWords[1]!) ? 'US' : 'UK', word: inWords[0], span }
    }
    for (const [terms, pattern] of SIGNS) {
      for (const found of line.matchAll(pattern)) {
        if (signs.filter((sign) => sign.terms === terms).length >= ENOUGH) break
        const from = span.from + found.index
        signs.push({ terms, word: found[0], span: { from, to: from + found[0].length } })
      }
    }
  }
  return { ...(declared ? { declared } : {}), signs }
}
