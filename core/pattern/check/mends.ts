import { readPattern, type PatternRead, type ReadWith } from '../read/readPattern.ts'
import type { Span } from '../read/syntax.ts'
import { weightOf, type Finding } from './findings.ts'

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
  if (is.kind === 'joint' && is.stated !== undefined) {
    const said = new RegExp(`\\b${is.stated}\\b`).exec(read.text.slice(whole.span.from, whole.span.to))
    const from = whole.span.from + (said?.index ?? 0)
    if (said) ways.push(digits({ from, to: from + said[0].length }, Math.max(...is.edges)))
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
