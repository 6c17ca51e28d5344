import { jointIn, type JointSaid } from './joints.ts'
import type { Span } from './syntax.ts'

/** What a stretch of a text is taken for by its head, before anything in it is read. */
export type LineKind =
  | {
      readonly kind: 'rounds'
      /** As it is numbered; nothing of "Next rnd". */
      readonly from?: number
      readonly to?: number
      readonly rows: boolean
      readonly side?: 'right' | 'wrong'
    }
  /** "Rep rnds 3 and 4 twice more", "Rep rnd 3 until piece measures 5 cm". */
  | {
      readonly kind: 'again'
      readonly from: number
      readonly to: number
      readonly often?: number
      readonly until?: { readonly length: number }
      readonly upTo?: number
    }
  | { readonly kind: 'heading'; readonly name: string; readonly quantity: number }
  | { readonly kind: 'fact'; readonly of: FactName; readonly value: string }
  /** Neither numbered nor headed: the beginning, or words. */
  | { readonly kind: 'loose' }

export const FACTS = ['gauge', 'hook', 'yarn', 'size', 'terms', 'fibre', 'abbreviations', 'notes'] as const
export type FactName = (typeof FACTS)[number]

export interface TextLine {
  readonly span: Span
  /** What comes after its head. */
  readonly body: Span
  readonly is: LineKind
  /** What it may say of joining two pieces. */
  readonly joint?: JointSaid
}

/** A line beyond this is no round. */
export const LONGEST_LINE = 2000

const ROUND = 'r(?:ou)?nds?|rounds?|rows?|rds?|r'
const NUMBER = '\\d{1,4}'
const HEAD = new RegExp(
  `^(?:[-•–*]\\s+)?\\*{0,2}(?:(${ROUND})\\s*\\.?\\s*#?\\s*(${NUMBER})(?:\\s*(?:-|–|—|to|through|and|&|,)\\s*(?:(?:${ROUND})\\s*)?(${NUMBER}))?)\\s*(?:[([]\\s*(ws|rs|wrong side|right side)\\s*[)\\]])?\\s*(?:\\*\\*)?\\s*(?:[:.)=]|-|–|—|(?=\\s)|$)\\s*(?:\\*\\*)?`,
  'i',
)
const BARE_HEAD = new RegExp(`^(${NUMBER})\\s*(?:[-–]\\s*(${NUMBER})\\s*)?[.):]\\s+`)
const NEXT = new RegExp(`^(?:next|foll(?:owing)?)\\s+(?:(${NUMBER})\\s+)?(${ROUND})\\s*[:.\\-–—]?\\s*`, 'i')
const AGAIN = new RegExp(
  `^(?:rep(?:eat)?|work|as)\\s+(?:as\\s+)?(?:the\\s+)?(?:last\\s+(?:(${NUMBER}|two|three|four)\\s+)?(?:${ROUND})|(?:${ROUND})\\s*(${NUMBER})(?:\\s*(?:-|–|—|to|through|and|&)\\s*(?:(?:${ROUND})\\s*)?(${NUMBER}))?)`,
  'i',
)
/** "Rnd 4: as rnd 3", "Rounds 5-8: repeat round 4", after a head. */
const AS_ROUND = new RegExp(
  `^(?:rep(?:eat)?|as|same as|work as)\\s+(?:for\\s+)?(?:${ROUND})\\s*(${NUMBER})(?:\\s*(?:-|–|—|to|and|&)\\s*(?:(?:${ROUND})\\s*)?(${NUMBER}))?\\s*\\.?\\s*$`,
  'i',
)
const OFTEN = new RegExp(
  `\\b(?:(once|twice|thrice)|(${NUMBER}|two|three|four|five|six)\\s+(?:more\\s+)?times?)\\b`,
  'i',
)
const UNTIL =
  /until\s+(?:the\s+|your\s+)?(?:piece|work|wall|it|side|body|height)?\b[^.]*?\b(\d+(?:[.,]\d+)?)\s*(mm|cm|in(?:ch(?:es)?)?|["”″])/i
const UP_TO = new RegExp(`(?:until|to|through)\\s+(?:the\\s+end\\s+of\\s+)?(?:${ROUND})\\s*(${NUMBER})`, 'i')

const FACT =
  /^(?:[-•*]\s+)?(?:#+\s*|\*\*)?\s*(gauge|tension|hook(?: size)?|yarn|thread|materials?|finished size|finished measurements?|measurements?|size|dimensions?|terms?|terminology|abbreviations?|notes?|note|fibre|fiber)\s*\*{0,2}\s*[:–—-]\s*\*{0,2}\s*/i
const FACT_OF: Readonly<Record<string, FactName>> = {
  gauge: 'gauge',
  tension: 'gauge',
  hook: 'hook',
  'hook size': 'hook',
  yarn: 'yarn',
  thread: 'yarn',
  material: 'yarn',
  materials: 'yarn',
  size: 'size',
  'finished size': 'size',
  'finished measurement': 'size',
  'finished measurements': 'size',
  measurement: 'size',
  measurements: 'size',
  dimension: 'size',
  dimensions: 'size',
  term: 'terms',
  terms: 'terms',
  terminology: 'terms',
  abbreviation: 'abbreviations',
  abbreviations: 'abbreviations',
  note: 'notes',
  notes: 'notes',
  fibre: 'fibre',
  fiber: 'fibre',
}

const MAKES =
  /[([]?\s*(?:make|x|×)\s*(\d{1,3}|two|three|four|six)\b\s*[)\]]?|[([]\s*(\d{1,3})\s*(?:pieces|pcs|x)?\s*[)\]]\s*$/i
const WORDS: Readonly<Record<string, number>> = {
  once: 1,
  twice: 2,
  two: 2,
  thrice: 3,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
}
const numberOf = (text: string): number => WORDS[text.toLowerCase()] ?? Number(text)

/** Names of stitches: a line that has one is no heading. */
const STITCHY =
  /\b(?:sc|hdc|dc|htr|dtr|tr|sts?|stitch(?:es)?|sl ?st|ss|inc(?:rease)?s?|dec(?:rease)?s?|mr|ch ?\d+|chain|ring|hook|join|turn|fasten|change to|yarn)\b/i

/** A text stretch by stretch: a line each, and where several rounds stand in one line a stretch each; blank ones left out. */
export const linesOf = (text: string): TextLine[] =>
  rowsOf(text).flatMap((row) => {
    const span = trimmed(text, row)
    return span.to > span.from ? [withJoint(text, lineOf(text, span))] : []
  })

function withJoint(text: string, line: TextLine): TextLine {
  const { is, body } = line
  if (is.kind !== 'rounds' && is.kind !== 'loose') return line
  if (body.to - body.from > LONGEST_LINE) return line
  const joint = jointIn(text.slice(body.from, body.to))
  return joint ? { ...line, joint } : line
}

/** Every line of a text with all that is in it, blank ones as well, in the stretches that are read one by one. */
export function rowsOf(text: string): Span[] {
  const rows: Span[] = []
  const breaks = /\r\n|\r|\n|\u2028/g
  let from = 0
  for (let found = breaks.exec(text); found; found = breaks.exec(text)) {
    rows.push(...stretchesOf(text, from, found.index))
    from = found.index + found[0].length
  }
  return [...rows, ...stretchesOf(text, from, text.length)]
}

/** A head in the middle of a line begins a stretch of its own. */
const HEAD_INSIDE = new RegExp(
  `(?<=[.;:)\\]]\\s{1,4}|\\s{2})(?:r(?:ou)?nds?|rounds?|rows?|r)\\s*\\d{1,4}\\s*(?:[-–&]\\s*\\d{1,4}\\s*)?(?::|\\s-\\s)`,
  'gi',
)

function stretchesOf(text: string, from: number, to: number): Span[] {
  const line = text.slice(from, to)
  if (line.length > LONGEST_LINE) return [{ from, to }]
  const inside = [...line.matchAll(HEAD_INSIDE)].map(({ index }) => index)
  const starts = [0, ...inside.filter((start) => line.slice(0, start).trim() !== '')]
  return starts.map((start, index) => ({ from: from + start, to: from + (starts[index + 1] ?? line.length) }))
}

function trimmed(text: string, { from, to }: Span): Span {
  const part = text.slice(from, to)
  const before = part.length - part.trimStart().length
  return { from: from + before, to: from + before + part.trim().length }
}

function lineOf(text: string, span: Span): TextLine {
  const line = text.slice(span.from, span.to)
  const after = (length: number): Span => trimmed(text, { from: span.from + length, to: span.to })
  if (line.length > LONGEST_LINE) return { span, body: span, is: { kind: 'loose' } }
  const fact = FACT.exec(line)
  if (fact) {
    const body = after(fact[0].length)
    const of = FACT_OF[fact[1]!.toLowerCase()]!
    return { span, body, is: { kind: 'fact', of, value: text.slice(body.from, body.to) } }
  }
  const head = HEAD.exec(line)
  if (head) return numbered(text, span, after(head[0].length), head)
  const bare = BARE_HEAD.exec(line)
  if (bare && STITCHY.test(line)) {
    const from = Number(bare[1])
    return {
      span,
      body: after(bare[0].length),
      is: { kind: 'rounds', from, to: Number(bare[2] ?? from), rows: false },
    }
  }
  const next = NEXT.exec(line)
  if (next) {
    const rows = /^row/i.test(next[2]!)
    return { span, body: after(next[0].length), is: { kind: 'rounds', rows } }
  }
  const again = AGAIN.exec(line)
  if (again && !STITCHY.test(line.slice(again[0].length).replace(UNTIL, ''))) {
    return { span, body: span, is: againOf(line, again) }
  }
  const heading = headingOf(line)
  return { span, body: span, is: heading ?? { kind: 'loose' } }
}

function numbered(text: string, span: Span, body: Span, head: RegExpExecArray): TextLine {
  const from = Number(head[2])
  const to = Number(head[3] ?? from)
  const rows = /^row/i.test(head[1]!)
  const side = head[4] ? (/^w/i.test(head[4]) ? 'wrong' : 'right') : undefined
  const as = AS_ROUND.exec(text.slice(body.from, body.to))
  if (as) {
    const first = Number(as[1])
    return { span, body, is: { kind: 'again', from: first, to: Number(as[2] ?? first), upTo: to } }
  }
  return { span, body, is: { kind: 'rounds', from, to, rows, ...(side ? { side } : {}) } }
}

/** Rounds counted back from the last: "rep last 2 rnds". */
const LAST = 0

function againOf(line: string, [, last, from, to]: RegExpExecArray): LineKind {
  const rest = line.replace(AGAIN, '')
  const often = OFTEN.exec(rest)
  const until = UNTIL.exec(rest)
  const upTo = UP_TO.exec(rest)
  const first = from === undefined ? LAST : Number(from)
  const count = last === undefined ? 1 : numberOf(last)
  return {
    kind: 'again',
    from: first === LAST ? -count : first,
    to: first === LAST ? -1 : Number(to ?? from),
    ...(often ? { often: numberOf(often[1] ?? often[2]!) } : {}),
    ...(until ? { until: { length: lengthOf(until[1]!, until[2]!) } } : {}),
    ...(upTo && !until ? { upTo: Number(upTo[1]) } : {}),
  }
}

/** A length as it is written, in mm. */
export function lengthOf(number: string, unit: string): number {
  const value = Number(number.replace(',', '.'))
  if (/^mm/i.test(unit)) return value
  return /^cm/i.test(unit) ? value * 10 : value * 25.4
}

/** A short line without stitches, or one that says how many to make, names a piece. */
function headingOf(line: string): LineKind | undefined {
  const marked = /^(?:#+\s+|\*\*|__)/.test(line)
  const plain = line.replace(/^(?:#+\s*|\*\*|__)|(?:\*\*|__|:)\s*$/g, '').trim()
  const makes = MAKES.exec(plain)
  const name = plain
    .replace(MAKES, '')
    .replace(/[:*_]+\s*$/, '')
    .replace(/[,\s]+$/, '')
    .trim()
  if (name === '' || name.length > 60 || STITCHY.test(name) || /\d{3,}/.test(name)) return undefined
  const short = name.split(/\s+/).length <= 5 && !/[.!?;]$/.test(name)
  if (!short || !(marked || makes || /:\s*$/.test(line) || /^[A-Z][^.,;]*$/.test(name))) return undefined
  const quantity = makes ? numberOf(makes[1] ?? makes[2]!) : 1
  return { kind: 'heading', name, quantity: Math.max(1, Math.min(200, quantity)) }
}
