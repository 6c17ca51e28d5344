import type { Terms } from '../../core/index.ts'
import type { Finding, Reason } from '../../core/pattern/check/findings.ts'
import type { Mend } from '../../core/pattern/check/mends.ts'
import type { JointRead } from '../../core/pattern/read/joints.ts'
import type { PatternRead, PieceRead, RoundRead } from '../../core/pattern/read/readPattern.ts'
import type { NotRecognised } from '../../core/pattern/recognise.ts'
import { WAY_WORDS } from './finishWords.ts'
import { shortName, sts } from './wording.ts'

/** "Rnd 5", as the text numbers it, or as it is counted. */
export const nameOfRound = ({
  closed,
  written,
  number,
}: Pick<RoundRead, 'closed' | 'written' | 'number'>): string =>
  `${closed ? 'Rnd' : 'Row'} ${written ?? number}`

/** A finding as a headline, and why it is thought so. */
export interface SaidFinding {
  readonly says: string
  readonly why: string
}

export function sayFinding({ is, round: at, piece, reasons }: Finding, read: PatternRead): SaidFinding {
  const rounds = read.pieces[piece]?.rounds ?? []
  const round = at === undefined ? undefined : rounds[at]
  const name = round ? nameOfRound(round) : 'A line'
  const why = reasons.map((reason) => sayReason(reason, rounds)).join(' ')
  switch (is.kind) {
    case 'total':
      return {
        says: `${name} says ${is.stated}; its steps make ${is.made}.`,
        why: why || 'One of the two is a slip; nothing else in the text tells which.',
      }
    case 'uses':
      return {
        says: `${name} works off ${is.uses}; there are ${is.there}.`,
        why:
          is.uses < is.there
            ? `${sts(is.there - is.uses)} of the round below would be left over.`
            : `${sts(is.uses - is.there)} more than the round below has.`,
      }
    case 'doesNotDivide':
      return {
        says:
          is.by > 0
            ? `The repeat of ${name} does not come out: ${is.into} is no multiple of ${is.by}.`
            : `The repeat of ${name} uses no stitch, so it never ends.`,
        why:
          is.by > 0 ? `After ${Math.floor(is.into / is.by)} repeats ${is.into % is.by} are left over.` : '',
      }
    case 'missing':
      return {
        says: `Between ${nameOfNumber(is.after, round)} and ${nameOfNumber(is.before, round)} something is missing.`,
        why: `${nameOfNumber(is.after, round)} ends with ${is.has ?? 'an unknown count'}, ${name} is worked on ${is.needs}.`,
      }
    case 'doubled':
      return {
        says: `${name} is there twice.`,
        why: is.alike
          ? 'Both lines say the same.'
          : 'They say different things: one of them is another round.',
      }
    case 'misnumbered':
      return {
        says: `${name} should be ${is.expected}.`,
        why: 'Counts go on without a gap; only the number is off.',
      }
    case 'open':
      return {
        says: `How often ${name} repeats is not known.`,
        why: 'It goes on around, and nobody knows on how many stitches. Say its total, or mend the round below.',
      }
    case 'unread':
      return {
        says:
          round && round.steps.length === 0
            ? `${name} is not understood.`
            : `Words in ${name} are not understood.`,
        why:
          round && round.steps.length === 0
            ? 'Write it otherwise, or say how many stitches it ends with.'
            : 'They are left out of its count. Take them out, or write them otherwise.',
      }
    case 'unreadLine':
      return { says: 'A line repeats rounds that are not there.', why: 'It stays as text.' }
    case 'terms':
      return {
        says: `“${is.word}” is no stitch of ${is.says} terms.`,
        why: `The text says that it is in ${is.says} terms. If all of it is in the other, read it so.`,
      }
    case 'joint':
      return is.stated === undefined
        ? {
            says: `Edges of ${is.edges[0]} and ${is.edges[1]} stitches are joined.`,
            why: 'The longer one will gather. Say how many they end with, or read it as it is meant.',
          }
        : {
            says: `The seam says ${is.stated}; ${is.edges[0] === is.edges[1] ? `both edges have ${is.edges[0]}` : `its edges have ${is.edges[0]} and ${is.edges[1]}`}.`,
            why: 'Every stitch of an edge is joined, or is said to stay open.',
          }
    case 'stitch':
      return {
        says: `${name} has a stitch that Uzel has not.`,
        why: 'It is counted as a treble, which is shorter.',
      }
    case 'tooMany':
      return {
        says: `${name} would have thousands of stitches.`,
        why: 'No round has: a number in it is a slip.',
      }
    case 'needsGauge':
      return {
        says: `${name} goes on until so much is worked.`,
        why: 'Measure a gauge to know how many rounds that is.',
      }
    case 'start':
      return {
        says: 'The chain it begins on is too short.',
        why: 'There is nothing left of it to work into.',
      }
  }
}

/** "Side to the second Side: sc through both, 36 sts, the last 10 once it is filled". */
export function sayJoint(
  { way, of, stitches, open, fills }: JointRead,
  pieces: readonly PieceRead[],
): string {
  const [one, other] = of.map(({ piece, copy }) => {
    const name = pieces[piece]?.name ?? (pieces.length > 1 ? `piece ${piece + 1}` : 'it')
    return copy === 2 ? (name === 'it' ? 'a second one' : `the second ${name}`) : name
  })
  const left = open === undefined ? [] : [fills ? `the last ${open} once it is filled` : `${open} stay open`]
  const parts = [WAY_WORDS[way].label.toLowerCase(), ...(stitches ? [sts(stitches)] : []), ...left]
  return `${one} to ${other}: ${parts.join(', ')}`
}

const nameOfNumber = (number: number, round: Pick<RoundRead, 'closed'> | undefined): string =>
  `${round?.closed === false ? 'Row' : 'Rnd'} ${number}`

function sayReason(reason: Reason, rounds: readonly RoundRead[]): string {
  switch (reason.kind) {
    case 'totalOf':
      return `That is the total of ${nameOfRound(rounds[reason.round]!)}.`
    case 'restAddsUp':
      return `With ${reason.count} every later round adds up.`
    case 'chain':
      return reason.counts
        ? 'The chain it begins with may be one of them.'
        : 'The chain it begins with may be none of them.'
  }
}

/** What a button says that mends. */
export function sayMend(mend: Mend, text: string): string {
  if (mend.kind === 'renumber') return `Number on from ${mend.from}`
  if (mend.kind === 'endsAt') return `Read as ${mend.count}`
  if (mend.kind === 'chain') return mend.counts ? 'Count the chain' : 'Do not count the chain'
  if (mend.of === 'line') return 'Take it out'
  if (mend.of === 'total') return `Write ${mend.text} there`
  const was = text.slice(mend.span.from, mend.span.to)
  return `${was} was meant as ${mend.text}`
}

/** Why a piece cannot be worked yet. */
export function sayNotRecognised(why: NotRecognised, rounds: readonly RoundRead[]): string {
  switch (why.kind) {
    case 'empty':
      return 'There is no round in it.'
    case 'unread':
      return `${nameOfRound(rounds[why.round]!)} is not understood: mend it, or write it otherwise.`
    case 'flaw':
      return why.message
    case 'form':
      return 'Uzel reads and checks it, but does not know yet how it lies: what goes on in rounds over rows, or in rows that narrow and widen, can be planned as a form of its own.'
  }
}

/** What was taken though it was never said, and by what. */
export interface Taken {
  readonly is: string
  readonly since: string
  /** Whether the text says it itself. */
  readonly said: boolean
}

export function sayTerms({ conventions, termsFound }: PatternRead): Taken {
  const { terms, better } = conventions
  const { declared, signs } = termsFound
  if (declared && declared.terms === terms) return { is: `${terms} terms`, since: 'it says so', said: true }
  const words = [
    ...new Set(signs.filter((sign) => sign.terms === terms).map(({ word }) => word.toLowerCase())),
  ]
  const since =
    words.length > 0
      ? words.slice(0, 3).join(', ')
      : better.terms
        ? 'its totals agree so'
        : 'nothing tells: ask whoever wrote it'
  return { is: `${terms} terms`, since, said: false }
}

export function sayChain({ conventions, pieces }: PatternRead, terms: Terms): Taken | undefined {
  const chains = pieces.flatMap(({ rounds }) =>
    rounds.flatMap(({ chain, stitch }) => (chain && chain.times > 1 ? [{ ...chain, stitch }] : [])),
  )
  const [first] = chains
  if (!first) return undefined
  const short = shortName(first.stitch, terms)
  const is = first.counts ? `ch ${first.times} counts as 1 ${short}` : `ch ${first.times} is no stitch`
  const said = chains.some((chain) => chain.said)
  const since = said ? 'it says so' : conventions.better.chainCounts ? 'its totals agree so' : 'as is usual'
  return { is, since, said }
}

/** A repeat that may be meant in two ways, as it was taken. */
export function sayRepeats({ pieces }: PatternRead): Taken | undefined {
  const repeats = pieces.flatMap(({ rounds }) => rounds.flatMap(({ repeat }) => repeat ?? []))
  const [first] = repeats
  if (!first) return undefined
  const unsure = repeats.find(({ fits }) => !fits)
  const { said, inAll } = unsure ?? first
  const often = said === 1 ? 'once' : `${said} times`
  return {
    is: `“repeat ${often}” is ${inAll} in all`,
    since: unsure ? 'as is usual; nothing tells' : 'the round below has as many',
    said: false,
  }
}

export function sayJoins({ pieces }: PatternRead): Taken | undefined {
  const rounds = pieces.flatMap((piece) => piece.rounds)
  if (rounds.length < 2) return undefined
  if (rounds.every(({ closed }) => !closed)) return { is: 'rows, turned', since: 'it says rows', said: true }
  const joined = rounds.some(({ ends }) => ends.joins)
  const spiral = rounds.some(({ ends }) => ends.spiral)
  if (joined) return { is: 'joined rounds', since: 'it joins', said: true }
  if (spiral) return { is: 'in a spiral', since: 'it says so', said: true }
  const chained = rounds.some(({ chain }) => chain)
  return chained
    ? { is: 'joined rounds', since: 'rounds begin with a chain', said: false }
    : { is: 'in a spiral', since: 'no joins', said: false }
}
