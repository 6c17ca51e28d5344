import {
  readPattern,
  type PatternRead,
  type PieceRead,
  type ReadWith,
  type RoundProblem,
  type RoundRead,
} from '../read/readPattern.ts'
import type { Span } from '../read/syntax.ts'
import type { Terms } from '../../stitches/stitch.ts'

/** Why a total is thought to be wrong, or right. */
export type Reason =
  /** It is the total of the round before, or of the one after. */
  | { readonly kind: 'totalOf'; readonly round: number }
  /** With it every later round adds up. */
  | { readonly kind: 'restAddsUp'; readonly count: number }
  /** It is one off, and the round begins with a chain that was taken for a stitch, or not. */
  | { readonly kind: 'chain'; readonly counts: boolean }

/** What is wrong in a pattern, and where; the interface has the words. */
export interface Finding {
  readonly piece: number
  /** Index of its round, where it is of one. */
  readonly round?: number
  readonly line: number
  /** The characters that say so. */
  readonly span: Span
  readonly is:
    | RoundProblem
    /** Between two rounds some numbers are missing: with how many stitches the one ends, and on how many the other is worked. */
    | {
        readonly kind: 'missing'
        readonly after: number
        readonly before: number
        readonly has: number | undefined
        readonly needs: number
      }
    /** The same number once more. */
    | { readonly kind: 'doubled'; readonly number: number; readonly alike: boolean }
    | { readonly kind: 'misnumbered'; readonly number: number; readonly expected: number }
    | { readonly kind: 'unreadLine' }
    /** A stitch that the terms it says it is in do not have. */
    | { readonly kind: 'terms'; readonly word: string; readonly says: Terms }
  readonly reasons: readonly Reason[]
}

/** How much is wrong with each kind of finding: what changes counts comes first. */
const RANK: Readonly<Record<Finding['is']['kind'], number>> = {
  tooMany: 9,
  missing: 8,
  total: 7,
  uses: 7,
  doesNotDivide: 7,
  start: 6,
  open: 6,
  unread: 5,
  unreadLine: 5,
  doubled: 5,
  stitch: 4,
  terms: 4,
  misnumbered: 3,
  needsGauge: 2,
}

/** Everything that does not add up in a pattern, what matters most first, and then as it stands in the text. */
export function findingsOf(read: PatternRead): readonly Finding[] {
  const found: Finding[] = []
  read.pieces.forEach((piece, index) => {
    const numbered = numbering(piece, index)
    found.push(...numbered)
    piece.rounds.forEach((round, at) => {
      for (const problem of round.problems) {
        // A round that is missing says why the next one does not fit.
        const explained =
          problem.kind === 'uses' && numbered.some((one) => one.round === at && one.is.kind !== 'misnumbered')
        // What does not use what is there does not make what it should either.
        const follows =
          problem.kind === 'total' &&
          round.problems.some(({ kind }) => kind === 'uses' || kind === 'doesNotDivide')
        // Words that are not understood are told once a round.
        const again =
          problem.kind === 'unread' && round.problems.find(({ kind }) => kind === 'unread') !== problem
        if (explained || follows || again) continue
        found.push({
          piece: index,
          round: at,
          line: round.line,
          span: problem.span,
          is: problem,
          reasons: problem.kind === 'total' ? reasonsFor(piece, at, problem) : [],
        })
      }
    })
  })
  read.lines.forEach(({ is, span, piece, rounds }, line) => {
    if (is === 'unread' && !rounds) found.push({ piece, line, span, is: { kind: 'unreadLine' }, reasons: [] })
  })
  const strange = strangeWord(read)
  if (strange) found.push(strange)
  return found.toSorted(
    (one, other) => RANK[other.is.kind] - RANK[one.is.kind] || one.span.from - other.span.from,
  )
}

/** Stitches that only the one country's words have. */
const ONLY: Readonly<Record<Terms, RegExp>> = { US: /^(?:sc|hdc)/i, UK: /^(?:htr|dtr)$/i }

/** The first stitch in a text that its own terms do not have. */
function strangeWord({ termsFound, lines }: PatternRead): Finding | undefined {
  const { declared, signs } = termsFound
  if (!declared) return undefined
  const other = declared.terms === 'US' ? 'UK' : 'US'
  const strange = signs.find(({ terms, word }) => terms === other && ONLY[other].test(word))
  const line =
    strange && lines.findIndex(({ span }) => span.from <= strange.span.from && strange.span.to <= span.to)
  if (!strange || line === undefined || line < 0) return undefined
  return {
    piece: 0,
    line,
    span: strange.span,
    is: { kind: 'terms', word: strange.word, says: declared.terms },
    reasons: [],
  }
}

function numbering({ rounds }: PieceRead, piece: number): Finding[] {
  const found: Finding[] = []
  let expected: number | undefined
  rounds.forEach((round, index) => {
    const { written, line } = round
    if (written === undefined) return
    const below = rounds[index - 1]
    const span = wholeOf(round)
    const say = (is: Finding['is']) => found.push({ piece, round: index, line, span, is, reasons: [] })
    if (expected !== undefined && written !== expected) {
      const uses = round.problems.find(({ kind }) => kind === 'uses')
      const needs = uses?.kind === 'uses' ? uses.uses : undefined
      if (written > expected && needs !== undefined) {
        say({ kind: 'missing', after: expected - 1, before: written, has: below?.count, needs })
      } else if (below?.written === written) {
        say({
          kind: 'doubled',
          number: written,
          alike: JSON.stringify(below.steps) === JSON.stringify(round.steps),
        })
      } else say({ kind: 'misnumbered', number: written, expected })
    }
    expected = written + 1
  })
  return found
}

const wholeOf = ({ stated, problems }: RoundRead): Span =>
  problems[0]?.span ?? stated?.span ?? { from: 0, to: 0 }

function reasonsFor(
  { rounds }: PieceRead,
  at: number,
  { stated, made }: Extract<RoundProblem, { kind: 'total' }>,
): Reason[] {
  const [below, round, above] = [rounds[at - 1], rounds[at]!, rounds[at + 1]]
  const reasons: Reason[] = []
  if (round.chain && !round.chain.said && Math.abs(stated - made) === 1) {
    reasons.push({ kind: 'chain', counts: stated > made })
  }
  if (above && round.count === made && (above.stated?.count ?? above.makes) === stated) {
    reasons.push({ kind: 'totalOf', round: at + 1 })
  } else if (below && below.count === stated && round.count === made)
    reasons.push({ kind: 'totalOf', round: at - 1 })
  const later = rounds.slice(at + 1)
  if (later.length > 0 && later.every(({ problems }) => problems.length === 0) && round.count !== undefined) {
    reasons.push({ kind: 'restAddsUp', count: round.count })
  }
  return reasons
}

/** A way to mend a finding. */
export type Mend =
  /** Other characters in the text. */
  | {
      readonly kind: 'write'
      readonly span: Span
      readonly text: string
      readonly of: 'total' | 'number' | 'line'
    }
  /** This round and those after it numbered on without a gap. */
  | {
      readonly kind: 'renumber'
      readonly from: number
      readonly edits: readonly { readonly span: Span; readonly text: string }[]
    }
  /** The round ends at so many stitches, whatever its steps say. */
  | { readonly kind: 'endsAt'; readonly line: number; readonly count: number }
  /** The starting chain taken otherwise. */
  | { readonly kind: 'chain'; readonly counts: boolean }

/** What speaks against all of a pattern. */
const weightOf = (read: PatternRead): number =>
  findingsOf(read).reduce((sum, { is }) => sum + RANK[is.kind], 0)

/** A number may be a slip by as much as this. */
const SLIP = 3
/** How many repeats there are is a slip by as much as this. */
const SLIP_OF_REPEATS = 8

/**
 * Ways to mend a finding, the one that leaves least wrong first, and of those the smallest. None makes anything worse.
 * @param asked what the pattern was read with
 */
export function mendsFor(read: PatternRead, finding: Finding, asked: ReadWith = {}): readonly Mend[] {
  const settled: ReadWith = {
    ...asked,
    terms: read.conventions.terms,
    chainCounts: read.conventions.chainCounts,
  }
  const before = weightOf(read)
  const tried = candidates(read, finding).map((mend, order) => {
    const { text, readings } = mended(read.text, mend, settled)
    return { mend, order, left: weightOf(readPattern(text, { ...settled, ...readings })) }
  })
  return tried
    .filter(({ left }) => left < before)
    .toSorted((one, other) => one.left - other.left || one.order - other.order)
    .slice(0, MOST_MENDS)
    .map(({ mend }) => mend)
}

const MOST_MENDS = 3

/** A text with a way to mend it taken, and what it is then read with. */
export function mended(text: string, mend: Mend, asked: ReadWith): { text: string; readings: ReadWith } {
  if (mend.kind === 'write') {
    const { from, to } = mend.span
    return {
      text: text.slice(0, from) + mend.text + text.slice(to),
      readings: movedEnds(asked, to, mend.text.length - (to - from)),
    }
  }
  if (mend.kind === 'renumber') {
    return mend.edits
      .toReversed()
      .reduce((now, edit) => mended(now.text, { kind: 'write', ...edit, of: 'number' }, now.readings), {
        text,
        readings: asked,
      })
  }
  if (mend.kind === 'endsAt')
    return { text, readings: { ...asked, ends: { ...asked.ends, [mend.line]: mend.count } } }
  return { text, readings: { ...asked, chainCounts: mend.counts ? 'always' : 'never' } }
}

/** What a maker settled by hand goes along when the text is edited: counts stay with their lines. */
export function readingsAfterEdit<R extends Pick<ReadWith, 'ends'>>(
  before: string,
  after: string,
  readings: R,
): R {
  if (!readings.ends || before === after) return readings
  let same = 0
  while (same < before.length && before[same] === after[same]) same++
  return movedEnds(readings, same, after.length - before.length)
}

/** Counts said by hand go along with the lines they are of. */
function movedEnds<R extends Pick<ReadWith, 'ends'>>(asked: R, from: number, by: number): R {
  if (!asked.ends) return asked
  const ends = Object.entries(asked.ends).map(([at, count]) => [
    Number(at) >= from ? Number(at) + by : Number(at),
    count,
  ])
  return { ...asked, ends: Object.fromEntries(ends) as Record<number, number> }
}

function candidates(read: PatternRead, { is, line, piece, round: at }: Finding): Mend[] {
  const whole = read.lines[line]!
  const round = at === undefined ? undefined : read.pieces[piece]?.rounds[at]
  const ways: Mend[] = []
  const digits = (span: Span, number: number): Mend => {
    const found = /\d+/.exec(read.text.slice(span.from, span.to))
    const from = span.from + (found?.index ?? 0)
    return {
      kind: 'write',
      span: { from, to: from + (found?.[0].length ?? 0) },
      text: String(number),
      of: 'total',
    }
  }
  if (is.kind === 'total') {
    ways.push(digits(is.span, is.made))
    if (round?.chain && !round.chain.said) ways.push({ kind: 'chain', counts: !round.chain.counts })
    ways.push(...numberSlips(read.text, whole.body, is.span))
    ways.push({ kind: 'endsAt', line: whole.span.from, count: is.stated })
  }
  if (is.kind === 'uses' || is.kind === 'doesNotDivide') {
    ways.push(...numberSlips(read.text, whole.body, round?.stated?.span))
    if (round?.chain && !round.chain.said) ways.push({ kind: 'chain', counts: !round.chain.counts })
  }
  if (is.kind === 'doubled' && is.alike) {
    const end = /^\s*/.exec(read.text.slice(whole.span.to))![0].length
    ways.push({
      kind: 'write',
      span: { from: whole.span.from, to: whole.span.to + end },
      text: '',
      of: 'line',
    })
  }
  if ((is.kind === 'misnumbered' || is.kind === 'doubled') && at !== undefined) {
    const expected = is.kind === 'misnumbered' ? is.expected : is.number + 1
    ways.push({ kind: 'renumber', from: expected, edits: numberedOn(read, piece, at, expected) })
  }
  return ways
}

/** The numbers at the head of a round and of all after it, as they would be without a gap. */
function numberedOn(read: PatternRead, piece: number, at: number, first: number) {
  const rounds = read.pieces[piece]!.rounds
  const lines = new Set(rounds.slice(at).map(({ line }) => line))
  const by = first - rounds[at]!.written!
  return [...lines].flatMap((line) => {
    const { span, body } = read.lines[line]!
    const head = read.text.slice(span.from, body.from)
    return [...head.matchAll(/\d+/g)].map((found) => ({
      span: { from: span.from + found.index, to: span.from + found.index + found[0].length },
      text: String(Number(found[0]) + by),
    }))
  })
}

/** Every number of a line as one that might have been meant, the nearest first. */
function numberSlips(text: string, body: Span, total: Span | undefined): Mend[] {
  const ways: { mend: Mend; by: number }[] = []
  for (const found of text.slice(body.from, body.to).matchAll(/\d+/g)) {
    const from = body.from + found.index
    if (total && from >= total.from && from < total.to) continue
    const number = Number(found[0])
    if (number > 400) continue
    const repeats =
      /[x×]\s*$|rep\w*\s*$/i.test(text.slice(body.from, from)) ||
      /^\s*(?:times|x|×|more)/i.test(text.slice(from + found[0].length))
    const most = repeats ? SLIP_OF_REPEATS : SLIP
    for (let by = 1; by <= most; by++) {
      for (const to of [number - by, number + by]) {
        if (to < 1) continue
        const span = { from, to: from + found[0].length }
        ways.push({ mend: { kind: 'write', span, text: String(to), of: 'number' }, by })
      }
    }
  }
  return ways.toSorted((one, other) => one.by - other.by).map(({ mend }) => mend)
}
