import type { PatternRead, PieceRead, RoundProblem, RoundRead } from '../read/readPattern.ts'
import { easingOf } from '../../finish/joint.ts'
import type { JointRead } from '../read/joints.ts'
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
    /** Edges of so many stitches are joined by a seam of another length, or with more than can be eased in. */
    | {
        readonly kind: 'joint'
        readonly stated: number | undefined
        readonly edges: readonly [number, number]
      }
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
  joint: 5,
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
    const seams = new Set(
      read.joints.flatMap(({ line, written }) => (read.lines[line]!.piece === index ? [written] : [])),
    )
    const numbered = numbering(piece, index, seams)
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
  found.push(...read.joints.flatMap((joint) => jointFault(read, joint) ?? []))
  const strange = strangeWord(read)
  if (strange) found.push(strange)
  return found.toSorted(
    (one, other) => RANK[other.is.kind] - RANK[one.is.kind] || one.span.from - other.span.from,
  )
}

/** A seam that its edges cannot have. */
function jointFault({ pieces }: PatternRead, joint: JointRead): Finding | undefined {
  const counts = joint.of.map(({ piece }) => pieces[piece]?.rounds.at(-1)?.count)
  const [first, second] = counts
  if (first === undefined || second === undefined) return undefined
  const { kind } = easingOf(first, second)
  const long = Math.max(first, second)
  const wrong =
    joint.stitches !== undefined && joint.stitches !== long && joint.stitches !== long - (joint.open ?? 0)
  if (!wrong && (kind === 'equal' || kind === 'unseen')) return undefined
  return {
    piece: joint.of[1].piece,
    line: joint.line,
    span: joint.span,
    is: { kind: 'joint', stated: wrong ? joint.stitches : undefined, edges: [first, second] },
    reasons: [],
  }
}

/** What speaks against all of a pattern. */
export const weightOf = (read: PatternRead): number =>
  findingsOf(read).reduce((sum, { is }) => sum + RANK[is.kind], 0)

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

/** @param seams numbers among the rounds that joints have */
function numbering({ rounds }: PieceRead, piece: number, seams: ReadonlySet<number | undefined>): Finding[] {
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
    while (seams.has(expected)) expected++
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
