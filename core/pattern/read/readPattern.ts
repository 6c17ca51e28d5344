import { bothSidesOf } from '../../rounds/spine.ts'
import { topOf, turned, type Round, type Run } from '../../rounds/round.ts'
import { joinedPieces, moreAlike, type JointRead, type JointSaid } from './joints.ts'
import type { StandsOn } from '../../rounds/standsOn.ts'
import { compressRun, expandSteps, plain, type Step } from '../../rounds/steps.ts'
import type { StitchName, Terms } from '../../stitches/stitch.ts'
import type { Start } from '../../plan/plan.ts'
import { parseRound } from './grammar.ts'
import { CHAIN_COUNTS, LONGEST_TEXT, type ChainCounts, type Readings } from '../readings.ts'
import { linesOf, type FactName, type LineKind, type TextLine } from './lines.ts'
import {
  chainIsStitch,
  meantBy,
  stepsOf,
  type ChainRead,
  type Conventions,
  type Ground,
  type RepeatRead,
  type StepProblem,
  type StepsRead,
} from './steps.ts'
import type { Item, Mark, Span, Stated, StitchWord, Work } from './syntax.ts'
import { termsIn, type TermsFound } from './terms.ts'

export interface ReadWith extends Readings {
  /** How high a round of a stitch is, mm: for what goes on until so much is worked. */
  readonly heightOf?: (stitch: StitchName) => number
}

/** What does not add up in a round, and where the text says so. */
export type RoundProblem =
  | StepProblem
  /** It works off so many stitches; there are others. */
  | { readonly kind: 'uses'; readonly span: Span; readonly uses: number; readonly there: number }
  /** What is said to come out is not what its steps make. */
  | { readonly kind: 'total'; readonly span: Span; readonly stated: number; readonly made: number }
  /** It goes on until so much is worked, and nobody knows how high a round is. */
  | { readonly kind: 'needsGauge'; readonly span: Span }
  | { readonly kind: 'start'; readonly span: Span }

export interface RoundRead {
  /** As they are counted, from 1, and as the text numbers it. */
  readonly number: number
  readonly written?: number
  /** Index of its line. */
  readonly line: number
  readonly closed: boolean
  readonly side: Round['side']
  readonly stitch: StitchName
  readonly steps: readonly Step[]
  /** Stitches there were below, and what it works off of them and makes. */
  readonly there: number | undefined
  readonly uses: number
  readonly makes: number
  /** What the next one finds: what it makes, unless its steps are not known, or the maker says otherwise. */
  readonly count: number | undefined
  readonly stated?: Stated
  /** The maker says how many it ends with. */
  readonly byHand?: true
  readonly chain?: ChainRead
  readonly loops?: 'back' | 'front'
  readonly repeat?: RepeatRead
  /** What it stands on, where that is not all of the round before. */
  readonly on?: StandsOn
  readonly ends: {
    readonly joins: boolean
    readonly spiral: boolean
    readonly turns: boolean
    readonly goesOn: boolean
  }
  readonly yarn?: string
  readonly problems: readonly RoundProblem[]
}

/** How a piece begins, as it is written. */
export interface StartRead {
  readonly start: Start
  /** Chains that are worked into, where it begins along some. */
  readonly chains?: number
}

export interface PieceRead {
  readonly name?: string
  readonly quantity: number
  readonly start?: StartRead
  readonly rounds: readonly RoundRead[]
}

/** What became of a line. */
export type LineIs = 'rounds' | 'start' | 'heading' | 'fact' | 'said' | 'joint' | 'note' | 'unread'

export interface LineRead {
  readonly span: Span
  readonly body: Span
  readonly is: LineIs
  /** Index of the piece, and of its rounds the first and behind the last. */
  readonly piece: number
  readonly rounds?: readonly [number, number]
  /** Where it stopped to make sense, of what could not be read. */
  readonly at?: Span
  readonly yarn?: string
}

export interface PatternRead {
  readonly text: string
  readonly conventions: {
    readonly terms: Terms
    readonly chainCounts: ChainCounts
    /** Whether the other country's words, or another reading of the chain, would leave more that does not add up. */
    readonly better: { readonly terms: boolean; readonly chainCounts: boolean }
  }
  readonly termsFound: TermsFound
  readonly lines: readonly LineRead[]
  readonly pieces: readonly PieceRead[]
  /** Pieces that are joined, in the order of the text. */
  readonly joints: readonly JointRead[]
  readonly facts: Readonly<Partial<Record<FactName, string>>>
}

/** Nobody works more rounds from one text. */
export const MOST_ROUNDS = 1000

/** Why a text is not read at all. */
export type NotRead = { readonly message: string; readonly valid: string }

/** A text that is no text: what is wrong and what would be right; nothing where it may be read. */
export function refusePattern(text: string): NotRead | undefined {
  if (text.length > LONGEST_TEXT) {
    return {
      message: `This text has ${Math.round(text.length / 1000)} thousand characters; no pattern has.`,
      valid: `Up to ${LONGEST_TEXT / 1000} thousand: paste the pattern alone.`,
    }
  }
  // eslint-disable-next-line no-control-regex -- that is what tells a binary file
  const control = text.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/g)?.length ?? 0
  if (control > 8 && control > text.length / 200) {
    return {
      message: 'This is no text: it may be a picture or a PDF.',
      valid: 'Copy its words and paste them.',
    }
  }
  return undefined
}

/**
 * Reads a written pattern. What it leaves unsaid is taken as what makes most of its totals agree, and said; what cannot
 * be read keeps its place as text. Pure: the same text and readings give the same rounds.
 */
export function readPattern(text: string, asked: ReadWith = {}): PatternRead {
  const lines = linesOf(text.slice(0, LONGEST_TEXT))
  const parsed = lines.map((line) => parsedLine(text, line))
  const termsFound = termsIn(text, lines)
  const tries: Try[] = []
  for (const conventions of candidates(termsFound, asked)) {
    // Where no chain could be taken for a stitch, it does not matter how it is taken.
    const before = tries.find((one) => one.conventions.terms === conventions.terms)
    if (before && !asked.chainCounts && !before.read.pieces.some(hasDoubtfulChain)) continue
    const read = new Reader(text, lines, parsed, conventions, asked).read()
    tries.push({ conventions, read, faults: faultsOf(read.pieces) })
  }
  const best = tries.reduce((one, other) => (other.faults < one.faults ? other : one))
  const worse = (differs: (conventions: Tried) => boolean) => {
    const others = tries.filter(({ conventions }) => differs(conventions))
    return others.length > 0 && others.every(({ faults }) => faults > best.faults)
  }
  const { terms, chainCounts } = best.conventions
  return {
    text,
    conventions: {
      terms,
      chainCounts,
      better: {
        terms: worse((one) => one.terms !== terms),
        chainCounts: worse((one) => one.chainCounts !== chainCounts && one.terms === terms),
      },
    },
    termsFound,
    ...best.read,
  }
}

/** What is read of a text with everything settled that it leaves unsaid. */
type ReadOnce = Pick<PatternRead, 'lines' | 'pieces' | 'joints' | 'facts'>

interface Try {
  readonly conventions: Tried
  readonly read: ReadOnce
  readonly faults: number
}

/** Whether a round begins with a chain of which nothing says if it is a stitch. */
const hasDoubtfulChain = ({ rounds }: PieceRead): boolean =>
  rounds.some(({ chain }) => chain !== undefined && !chain.said && chain.times > 1)

interface Tried {
  readonly terms: Terms
  readonly chainCounts: ChainCounts
}

/** Every way to take what is not said, likeliest first. */
function candidates({ declared, signs }: TermsFound, asked: ReadWith): Tried[] {
  const said = asked.terms ?? declared?.terms
  const [us, uk] = (['US', 'UK'] as const).map((terms) => signs.filter((sign) => sign.terms === terms).length)
  const likelier: Terms = uk! > us! ? 'UK' : 'US'
  // A word that only one country has settles it.
  const settled = said ?? (us! > 0 !== uk! > 0 ? likelier : undefined)
  const terms: Terms[] = settled ? [settled] : [likelier, likelier === 'US' ? 'UK' : 'US']
  const counts = asked.chainCounts ? [asked.chainCounts] : CHAIN_COUNTS
  return terms.flatMap((one) => counts.map((chainCounts) => ({ terms: one, chainCounts })))
}

/** How much does not add up, the totals first; a flat round grows by about what lies flat. */
function faultsOf(pieces: readonly PieceRead[]): number {
  let faults = 0
  for (const { rounds } of pieces) {
    for (const { problems } of rounds) faults += weightOf(problems)
    faults += growthFault(rounds)
  }
  return faults
}

/** Stitches a flat round takes up in one more, by its stitch (FIELD §2). */
const FLAT: Readonly<Partial<Record<StitchName, number>>> = { sc: 6, hdc: 8, dc: 12, tr: 16 }

/** In words that may mean either, what lies flat is likelier. */
function growthFault(rounds: readonly RoundRead[]): number {
  const [first, second, third] = rounds
  if (!first || !second || !third || !first.closed) return 0
  const grows = [second.makes - first.makes, third.makes - second.makes]
  const flat = FLAT[first.stitch] ?? 6
  const off = grows.map((by) => (by > 0 ? Math.abs(Math.log(by / flat)) : 0))
  return Math.min(4, 3 * Math.max(...off))
}

type ParsedLine = { readonly items: readonly Item[] } | { readonly at: Span }

const shifted = <I extends { readonly span: Span }>(item: I, by: number): I => {
  const moved = { ...item, span: { from: item.span.from + by, to: item.span.to + by } }
  const inner = (moved as { items?: readonly Item[] }).items
  return inner ? { ...moved, items: inner.map((one) => shifted(one, by)) } : moved
}

function parsedLine(text: string, { body, is }: TextLine): ParsedLine {
  if (is.kind === 'fact' || is.kind === 'heading' || body.to - body.from > 2000) return { items: [] }
  const parsed = parseRound(text.slice(body.from, body.to))
  if ('at' in parsed) return { at: { from: body.from + parsed.at.from, to: body.from + parsed.at.to } }
  return { items: parsed.items.map((item) => shifted(item, body.from)) }
}

/** One round as it is written, before it stands on anything: it may be worked more than once. */
interface Written {
  readonly line: number
  readonly items: readonly Item[]
  readonly rows: boolean
  readonly side?: Round['side']
  readonly problem?: RoundProblem
}

interface PieceSoFar {
  name?: string
  quantity: number
  start?: StartRead
  readonly rounds: RoundRead[]
  readonly written: Written[]
  /** What was said before the first round: how it begins. */
  before: readonly Item[]
  yarn?: string
  turns: boolean
  /** The yarn to go on with. */
  nextYarn?: string
  stitch: StitchName
}

class Reader {
  private readonly out: LineRead[] = []
  private readonly pieces: PieceSoFar[] = []
  private readonly joints: JointRead[] = []
  private readonly facts: Partial<Record<FactName, string>> = {}
  private piece: PieceSoFar = newPiece()
  private readonly text: string
  private readonly lines: readonly TextLine[]
  private readonly parsed: readonly ParsedLine[]
  private readonly tried: Tried
  private readonly asked: ReadWith

  constructor(
    text: string,
    lines: readonly TextLine[],
    parsed: readonly ParsedLine[],
    tried: Tried,
    asked: ReadWith,
  ) {
    this.text = text
    this.lines = lines
    this.parsed = parsed
    this.tried = tried
    this.asked = asked
  }

  read(): ReadOnce {
    this.lines.forEach((line, index) => this.line(line, index))
    this.endPiece()
    const pieces = this.pieces.map(({ name, quantity, start, rounds }): PieceRead => ({
      ...(name ? { name } : {}),
      quantity,
      ...(start ? { start } : {}),
      rounds,
    }))
    return { lines: this.out, pieces, joints: this.joints, facts: this.facts }
  }

  private endPiece(): void {
    if (this.piece.rounds.length > 0) this.pieces.push(this.piece)
  }

  private beginPiece(name?: string, quantity = 1): void {
    this.endPiece()
    this.piece = { ...newPiece(), ...(name ? { name } : {}), quantity }
  }

  private say(line: TextLine, is: LineIs, more: Partial<LineRead> = {}): void {
    this.out.push({ span: line.span, body: line.body, is, piece: this.pieces.length, ...more })
  }

  private line(line: TextLine, index: number): void {
    const { is } = line
    const parsed = this.parsed[index]!
    if (line.joint && this.joint(line, line.joint, index)) return this.say(line, 'joint')
    if (is.kind === 'fact') {
      this.facts[is.of] ??= is.value
      this.say(line, 'fact')
    } else if (is.kind === 'heading') {
      if (this.headsPiece(index)) this.beginPiece(is.name, is.quantity)
      this.say(line, 'heading')
    } else if (is.kind === 'again') this.again(line, is, index)
    else if ('at' in parsed) {
      if (is.kind !== 'rounds') return this.say(line, 'note')
      this.unreadRound(line, is, index, parsed.at)
    } else if (is.kind === 'rounds') this.rounds(line, is, index, parsed.items)
    else this.loose(line, index, parsed.items)
  }

  /** Two of the pieces so far become one; not where there are no two. */
  private joint({ is, body }: TextLine, said: JointSaid, index: number): boolean {
    const begun = this.piece.rounds.length > 0 ? [this.piece] : []
    const of = joinedPieces(this.text.slice(body.from, body.to), [...this.pieces, ...begun])
    if (!of) return false
    const before = this.joints.at(-1)
    // "Hold both together." and then "Sc around through both layers (36)".
    const goesOn =
      before?.line === index - 1 &&
      JSON.stringify(before.of) === JSON.stringify(of) &&
      before.stitches === undefined
    if (goesOn) this.joints.pop()
    this.joints.push({
      way: 'throughBoth',
      ...(goesOn ? before : {}),
      line: index,
      span: goesOn ? { from: before.span.from, to: body.to } : body,
      of,
      ...(is.kind === 'rounds' && is.from !== undefined ? { written: is.from } : {}),
      ...said,
    })
    return true
  }

  /** Whether rounds come after a heading, before anything else is headed. */
  private headsPiece(index: number): boolean {
    for (const { is } of this.lines.slice(index + 1)) {
      if (is.kind === 'rounds') return is.from === undefined || is.from <= 1
      if (is.kind === 'heading') return false
    }
    return false
  }

  private rounds(
    line: TextLine,
    { from, to, rows, side }: Extract<LineKind, { kind: 'rounds' }>,
    index: number,
    items: readonly Item[],
  ): void {
    const restarts = from === 1 && this.piece.rounds.length > 0 && this.lastWritten() > 1
    if (restarts) this.beginPiece()
    const begins = this.piece.rounds.length
    const times = Math.max(1, Math.min(MOST_ROUNDS, (to ?? 1) - (from ?? 1) + 1))
    const written: Written = { line: index, items, rows, ...(side ? { side } : {}) }
    for (let time = 0; time < times; time++) this.round(written, from === undefined ? undefined : from + time)
    this.say(line, 'rounds', { rounds: [begins, this.piece.rounds.length] })
  }

  private lastWritten(): number {
    return this.piece.rounds.at(-1)?.written ?? this.piece.rounds.length
  }

  private unreadRound(
    line: TextLine,
    { from, rows }: Extract<LineKind, { kind: 'rounds' }>,
    index: number,
    at: Span,
  ): void {
    const begins = this.piece.rounds.length
    const written = { line: index, items: [], rows, problem: { kind: 'unread', span: at } as const }
    this.round(written, from)
    this.say(line, 'unread', { at, rounds: [begins, this.piece.rounds.length] })
  }

  /** Neither numbered nor headed: how it begins, more of the round before, what is done between two, or words. */
  private loose(line: TextLine, index: number, items: readonly Item[]): void {
    const more = this.piece.rounds.length > 0 ? moreAlike(this.text.slice(line.span.from, line.span.to)) : 0
    if (more > 0) {
      this.piece.quantity += more
      return this.say(line, 'said')
    }
    const works = items.some(({ kind }) => kind === 'work' || kind === 'several')
    const unread = items.reduce(
      (sum, { kind, span }) => sum + (kind === 'unread' ? span.to - span.from : 0),
      0,
    )
    const length = line.span.to - line.span.from
    const yarn = items.find((item) => item.kind === 'yarn')
    if (items.length === 0 || unread > 0.3 * length) {
      return this.say(line, 'note')
    }
    const begins = items.some(({ kind }) => kind === 'chain' || kind === 'ring' || kind === 'joinRing')
    if (this.piece.rounds.length === 0 && begins && !works) {
      this.piece.before = [...this.piece.before, ...items]
      return this.say(line, 'start')
    }
    if (!works) {
      if (yarn) this.piece.nextYarn = yarn.yarn
      if (items.some(({ kind }) => kind === 'turn')) this.piece.turns = true
      return this.say(line, 'said', yarn ? { yarn: yarn.yarn } : {})
    }
    const before = this.out.at(-1)
    const goesOn = before?.is === 'rounds' && before.rounds && this.isCutOff(index)
    if (goesOn) {
      const [first, end] = before.rounds
      const written = this.piece.written[first]!
      const redone = this.piece.rounds.splice(first, end - first)
      this.piece.written.splice(first, end - first)
      for (const { written: number } of redone)
        this.round({ ...written, items: [...written.items, ...items] }, number)
      return this.say(line, 'rounds', { rounds: [first, this.piece.rounds.length] })
    }
    const number = this.piece.rounds.length
    this.round({ line: index, items, rows: this.piece.written.at(-1)?.rows ?? false }, undefined)
    this.say(line, 'rounds', { rounds: [number, number + 1] })
  }

  /** Whether the line before ends in the middle of a round. */
  private isCutOff(index: number): boolean {
    const { span } = this.lines[index - 1]!
    const before = this.text.slice(span.from, span.to)
    const here = this.text.slice(this.lines[index]!.span.from, this.lines[index]!.span.to)
    return (
      /[,;:*([]$|\b(?:and|in|to|of|next)$/i.test(before) || (/^[a-z*(]/.test(here) && !/[.)\]]$/.test(before))
    )
  }

  private again(line: TextLine, is: Extract<LineKind, { kind: 'again' }>, index: number): void {
    const { rounds, written } = this.piece
    const at = (number: number) =>
      number < 0 ? rounds.length + number : rounds.findIndex((one) => one.written === number)
    const [first, last] = [at(is.from), at(is.to)]
    const begins = rounds.length
    if (first < 0 || last < first || first >= rounds.length) {
      this.say(line, 'unread', { at: line.span })
      return
    }
    const pattern = written.slice(first, last + 1)
    const next = this.lastWritten() + 1
    const { times, problem } = this.timesAgain(is, pattern.length, next)
    for (let time = 0; time < times && rounds.length < MOST_ROUNDS; time++) {
      const one = pattern[time % pattern.length]!
      this.round({ ...one, line: index, ...(problem && time === 0 ? { problem } : {}) }, next + time)
    }
    this.say(line, 'rounds', { rounds: [begins, rounds.length] })
  }

  /** How many rounds "repeat" comes to. */
  private timesAgain(
    { often, until, upTo }: Extract<LineKind, { kind: 'again' }>,
    length: number,
    next: number,
  ): { times: number; problem?: RoundProblem } {
    if (upTo !== undefined) return { times: Math.max(0, Math.min(MOST_ROUNDS, upTo - next + 1)) }
    if (until === undefined) return { times: Math.min(MOST_ROUNDS, (often ?? 1) * length) }
    const { heightOf } = this.asked
    const line = this.lines.find(({ is }) => is.kind === 'again' && is.until === until)!
    if (!heightOf) return { times: length, problem: { kind: 'needsGauge', span: line.span } }
    // What keeps its count stands up: it is measured from where it begins to.
    const { rounds } = this.piece
    const shaped = rounds.findLastIndex((one) => one.makes !== one.uses && one.there !== undefined)
    const standing = rounds.slice(shaped + 1)
    const high = standing.reduce((sum, { stitch }) => sum + heightOf(stitch), 0)
    const h = heightOf(rounds.at(-1)!.stitch)
    const times = Math.round((until.length - high) / h)
    return { times: Math.max(0, Math.min(MOST_ROUNDS, times)) }
  }

  /** What a round stands on by its own words, if not on all of the one before. */
  private standsOn(items: readonly Item[], rows: boolean): StandsOn | undefined {
    const { rounds } = this.piece
    const last = rounds.length - 1
    const mark = (kind: Item['kind']) => items.find((item): item is Mark => item.kind === kind)
    if (mark('rowEnds') && rows) return { kind: 'rowEnds' }
    const leave = mark('leave')?.number
    const joins = mark('joinYarn')?.number
    if (leave !== undefined || joins !== undefined) {
      const round = joins === undefined ? last : rounds.findLastIndex(({ closed }) => closed)
      const count = rounds[round]?.count
      if (round < 0 || count === undefined) return undefined
      const from = joins === undefined ? 0 : joins - 1
      const to = from + count - (leave ?? from)
      return to > from && to <= count ? { kind: 'stretch', round, from, to } : undefined
    }
    if (rows || rounds[last]?.closed !== false) return undefined
    // Around again after rows: over them, and over what waited.
    const first = rounds.findLastIndex(({ closed }) => closed) + 1
    const waits = rounds[first]?.on
    return waits?.kind === 'stretch' ? { kind: 'panel', round: waits.round, from: waits.to } : undefined
  }

  /** Stitches that there are for it. */
  private thereOn(on: StandsOn | undefined): number | undefined {
    const { rounds } = this.piece
    const below = rounds.at(-1)?.count
    if (!on) return below
    if (on.kind === 'rowEnds') return undefined
    if (on.kind === 'stretch') return on.to - on.from
    const ring = rounds[on.round]?.count
    return ring === undefined || below === undefined ? undefined : below + ring - on.from
  }

  /** A round on so many stitches. */
  private onGround(
    written: Written,
    {
      items,
      begun,
      there,
      stitch,
    }: {
      readonly items: readonly Item[]
      readonly begun: Begun | undefined
      readonly there: number | undefined
      readonly stitch: StitchName
    },
  ) {
    const line = this.lines[written.line]!
    const conventions: Conventions = { ...this.tried, stitch }
    const said = this.asked.ends?.[line.span.from]
    const stated = items.find((item): item is Stated => item.kind === 'total')
    const isAlong = begun?.start.start.kind === 'chainAlong'
    const ground = {
      stitches: isAlong ? undefined : there,
      gathers: begun?.gathers ?? false,
      stated: said ?? stated?.count,
    }
    const along = isAlong ? alongBoth(items, there!, conventions) : undefined
    const read = along ?? this.stepsIn(items, ground, conventions)
    const problems: RoundProblem[] = [...(written.problem ? [written.problem] : []), ...read.problems]
    if (begun?.problem) problems.push(begun.problem)
    const counted = begun?.gathers || along ? undefined : there
    if (counted !== undefined && read.steps.length > 0 && read.uses !== counted && !alreadySaid(problems)) {
      problems.push({ kind: 'uses', span: line.body, uses: read.uses, there: counted })
    }
    const spread =
      said === undefined ? undefined : spreadTo(said, { stitch, from: begun?.gathers ? undefined : counted })
    if (spread) {
      // What the maker says of it stands: its steps where they come to that, and else so many all around.
      const asRead = problems.length === 0 && read.makes === said
      const by = asRead ? read : { ...read, ...spread }
      return { read: by, problems: [], said, made: said, total: said, byHand: true as const }
    }
    const made = read.steps.length > 0 ? read.makes : undefined
    if (read.stated && said === undefined && made !== undefined && made !== read.stated.count) {
      problems.push({ kind: 'total', span: read.stated.span, stated: read.stated.count, made })
    }
    if (read.steps.length === 0 && !unsure(problems)) {
      problems.push({ kind: 'unread', span: line.body })
    }
    return { read, problems, said, made, total: said ?? read.stated?.count, byHand: undefined }
  }

  /** Its steps; chains that stand free where they come out even so, and not otherwise. */
  private stepsIn(items: readonly Item[], ground: Ground, conventions: Conventions): StepsRead {
    const parts = partsOf(items)
    if (parts.length > 1) {
      const read = parts.map(({ items: own }) => stepsOf(own, ground, conventions))
      const zoned = read.flatMap(({ steps }, index) => {
        const { over } = parts[index]!
        const zone = over && (/heel/i.test(this.text.slice(over.from, over.to)) ? 'heel' : 'front')
        return steps.map((step): Step => (zone ? { ...step, zone } : step))
      })
      const last = read.find(({ stated }) => stated)
      return {
        ...read[0]!,
        steps: zoned,
        uses: read.reduce((sum, { uses }) => sum + uses, 0),
        makes: read.reduce((sum, { makes }) => sum + makes, 0),
        ...(last?.stated ? { stated: last.stated } : {}),
        problems: read.flatMap(({ problems }) => problems),
      }
    }
    const read = stepsOf(items, ground, conventions)
    const comesOut = ({ uses, makes, stated }: StepsRead) =>
      (ground.stitches === undefined || uses === ground.stitches) &&
      (stated === undefined || stated.count === makes)
    if (comesOut(read) || !items.some(hasChainInside)) return read
    const free = stepsOf(items, ground, { ...conventions, motifs: true })
    // Along an edge the total may be that of the stitches that it stands on.
    const edge =
      ground.stitches !== undefined && free.uses === ground.stitches && read.uses !== ground.stitches
    return edge || comesOut(free) ? free : read
  }

  private round(written: Written, number: number | undefined): void {
    const { piece } = this
    if (piece.rounds.length >= MOST_ROUNDS) return
    const first = piece.rounds.length === 0
    const below = piece.rounds.at(-1)
    const all = first ? [...piece.before, ...written.items] : written.items
    const begun = first ? startOf(all, written.rows) : undefined
    const begins = begun?.items ?? all
    const named = stitchInside(begins)
    const stitch = named ? meantBy(named, this.tried.terms) : piece.stitch
    if (named) piece.stitch = stitch
    // Chains that are passed over may be the first stitch.
    const { passed } = begun ?? {}
    const isStitch =
      passed !== undefined && (passed.said ?? chainIsStitch(passed.chains, stitch, this.tried.chainCounts))
    const one: Work = { kind: 'work', span: this.lines[written.line]!.body, shape: 'plain', together: 1 }
    const items = isStitch ? [one, ...begins] : begins
    if (begun) {
      const { start, chains } = begun.start
      piece.start = { start, ...(chains === undefined ? {} : { chains: chains + (isStitch ? 1 : 0) }) }
    }
    const on = (there: number | undefined) => this.onGround(written, { items, begun, there, stitch })
    const standsOn = first ? undefined : this.standsOn(items, written.rows)
    let there = first ? begun && plusOne(begun.there, isStitch) : this.thereOn(standsOn)
    let standing = on(there)
    const other = below && !standsOn ? disputed(below) : undefined
    if (other !== undefined && other !== there) {
      // Of two counts that the one below may have, the one that this one adds up with.
      const otherwise = on(other)
      if (weightOf(otherwise.problems) < weightOf(standing.problems)) {
        piece.rounds[piece.rounds.length - 1] = { ...below!, count: other }
        there = other
        standing = otherwise
      }
    }
    const { read, problems, said, total, made, byHand } = standing
    const { ends, yarn, next } = endsOf(items)
    const here = yarn ?? piece.nextYarn ?? piece.yarn
    const side = written.side ?? sideAfter(below, piece.turns, items)
    piece.rounds.push({
      number: piece.rounds.length + 1,
      ...(number === undefined ? {} : { written: number }),
      line: written.line,
      closed: !written.rows,
      side,
      stitch: stitchOfRound(read.steps) ?? stitch,
      steps: read.steps,
      there,
      uses: read.uses,
      makes: read.makes,
      ...(byHand ? { byHand } : {}),
      count: said ?? (unsure(problems) || isOffBothWays(problems) ? (total ?? made) : (made ?? total)),
      ...(read.stated ? { stated: read.stated } : {}),
      ...(read.chain ? { chain: read.chain } : {}),
      ...(read.loops ? { loops: read.loops } : {}),
      ...(read.repeat ? { repeat: read.repeat } : {}),
      ...(standsOn ? { on: standsOn } : {}),
      ends,
      ...(here ? { yarn: here } : {}),
      problems,
    })
    piece.written.push(written)
    if (here) piece.yarn = here
    delete piece.nextYarn
    if (next) piece.nextYarn = next
    piece.turns = ends.turns || (written.rows && !ends.joins && !ends.goesOn)
  }
}

/** Whether chains stand somewhere in it. */
const hasChainInside = (item: Item): boolean =>
  item.kind === 'chain' || (item.kind === 'several' && item.items.some(hasChainInside))

/** A round piece by piece, where it says over what it goes. */
function partsOf(items: readonly Item[]): { items: readonly Item[]; over?: Span }[] {
  const parts: { items: Item[]; over?: Span }[] = [{ items: [] }]
  for (const item of items) {
    if (item.kind === 'overPart') {
      parts[parts.length - 1]!.over = item.span
      parts.push({ items: [] })
    } else parts[parts.length - 1]!.items.push(item)
  }
  const last = parts.at(-1)!
  if (parts.length > 1 && !last.items.some(({ kind }) => kind === 'work' || kind === 'several')) {
    // What is said at the end is of the round.
    parts.pop()
    parts[parts.length - 1]!.items.push(...last.items)
  }
  return parts
}

/** The side that faces the maker: what is begun anew shows the right one, what is turned the other. */
function sideAfter(below: RoundRead | undefined, turns: boolean, items: readonly Item[]): Round['side'] {
  const begunAnew = items.some(({ kind }) => kind === 'joinYarn')
  if (!below || begunAnew) return 'right'
  if (turns) return below.side === 'right' ? 'wrong' : 'right'
  return below.side
}

const newPiece = (): PieceSoFar => ({
  quantity: 1,
  rounds: [],
  written: [],
  before: [],
  turns: false,
  stitch: 'sc',
})

const plusOne = (count: number | undefined, more: boolean): number | undefined =>
  count === undefined ? undefined : count + (more ? 1 : 0)

/** A round from so many stitches to so many, shaped evenly; nothing where one round cannot do it. */
function spreadTo(
  to: number,
  { stitch, from }: { readonly stitch: StitchName; readonly from: number | undefined },
): Pick<StepsRead, 'steps' | 'uses' | 'makes'> | undefined {
  if (from === undefined || from === to) {
    return { steps: [{ times: 1, ops: [plain(stitch, to)] }], uses: to, makes: to }
  }
  const shapings = Math.abs(to - from)
  const kind = to > from ? 'inc' : 'dec'
  const plains = kind === 'inc' ? from - shapings : from - 2 * shapings
  if (from < 1 || plains < 0) return undefined
  const gaps = Array.from(
    { length: shapings },
    (_, index) => Math.floor(((index + 1) * plains) / shapings) - Math.floor((index * plains) / shapings),
  )
  const steps = compressRun({ stitch, kind, gaps, end: 0, shapingFirst: false })
  return { steps, uses: from, makes: to }
}

/** The count a round is said to have, where that is not what it makes. */
const disputed = ({ problems }: RoundRead): number | undefined => {
  const found = problems.find(({ kind }) => kind === 'total')
  return found?.kind === 'total' ? found.stated : undefined
}

/** How much speaks against a reading; totals and what is there weigh most. */
const weightOf = (problems: readonly RoundProblem[]): number =>
  problems.reduce((sum, { kind }) => sum + (FAULT_OF[kind] ?? 1), 0)

const FAULT_OF: Readonly<Partial<Record<RoundProblem['kind'], number>>> = {
  total: 10,
  uses: 10,
  doesNotDivide: 8,
}

/** What says already that stitches do not come out even. */
const alreadySaid = (problems: readonly RoundProblem[]): boolean =>
  problems.some(({ kind }) => kind === 'doesNotDivide' || kind === 'open' || kind === 'tooMany')

/** Whether what the steps make is not to be trusted. */
const unsure = (problems: readonly RoundProblem[]): boolean =>
  problems.some(({ kind }) => kind === 'unread' || kind === 'open' || kind === 'tooMany')

/** What neither uses what there is nor makes what it says has its slip in its steps. */
const isOffBothWays = (problems: readonly RoundProblem[]): boolean =>
  (['uses', 'total'] as const).every((kind) => problems.some((one) => one.kind === kind))

/** The first stitch that a round names; one that is no fabric only where there is no other. */
function stitchInside(items: readonly Item[]): Work['stitch'] {
  const named = items.flatMap(stitchesNamed)
  return named.find((one) => one !== 'slst') ?? named[0]
}

const stitchesNamed = (item: Item): StitchWord[] => {
  if (item.kind === 'several') return item.items.flatMap(stitchesNamed)
  return item.kind === 'work' && item.stitch ? [item.stitch] : []
}

/** The stitch that most of a round is made of. */
function stitchOfRound(steps: readonly Step[]): StitchName | undefined {
  const counts = new Map<StitchName, number>()
  for (const { times, ops } of steps) {
    for (const op of ops) {
      const made = times * op.times * op.makes
      if (made > 0) counts.set(op.stitch, (counts.get(op.stitch) ?? 0) + made)
    }
  }
  return [...counts].toSorted((one, other) => other[1] - one[1])[0]?.[0]
}

/** How a round ends, and with what yarn it is worked and the next. */
function endsOf(items: readonly Item[]) {
  const has = (kind: Item['kind']) => items.some((item) => item.kind === kind)
  const lastWork = items.findLastIndex(({ kind }) => kind === 'work' || kind === 'several')
  const firstWork = items.findIndex(({ kind }) => kind === 'work' || kind === 'several')
  const yarns = items.flatMap((item, index) => (item.kind === 'yarn' ? [{ index, yarn: item.yarn }] : []))
  const before = yarns.find(({ index }) => index < firstWork)
  const after = yarns.findLast(({ index }) => index > lastWork)
  const turnsAfter = items.some(({ kind }, index) => kind === 'turn' && index > firstWork)
  return {
    ends: {
      joins: has('join'),
      spiral: has('noJoin') || has('marker'),
      turns: turnsAfter && !has('noTurn'),
      goesOn: has('noTurn'),
    },
    ...(before ? { yarn: before.yarn } : {}),
    ...(after ? { next: after.yarn } : {}),
  }
}

interface Begun {
  readonly start: StartRead
  /** Its items without those that begin it. */
  readonly items: readonly Item[]
  /** All goes into one place. */
  readonly gathers: boolean
  /** Chains that there are to be worked into; of one worked along both sides, all of them. */
  readonly there: number | undefined
  /** Chains of it that are passed over, and whether the text says that they are a stitch. */
  readonly passed?: { readonly chains: number; readonly said?: boolean }
  readonly problem?: RoundProblem
}

const RING_MARKS: ReadonlySet<Item['kind']> = new Set(['ring', 'joinRing', 'joinTube', 'fromHook'])

/** How a piece begins: a ring, a chain joined into one, a chain with all in one of it, along both sides of it, or in rows. */
function startOf(items: readonly Item[], rows: boolean): Begun {
  const chainAt = items.findIndex(({ kind }) => kind === 'chain')
  const works = (item: Item): item is Work => item.kind === 'work'
  const inRing = items.some((item) => item.kind === 'ring' || (works(item) && item.place?.kind === 'ring'))
  const joined = items.findIndex(({ kind }) => kind === 'joinRing')
  const chain = chainAt < 0 ? undefined : items[chainAt]
  const chains = chain?.kind === 'chain' ? chain.times : undefined
  const rest = (drop: ReadonlySet<number>) =>
    withRingCount(
      items.filter((item, index) => !drop.has(index) && !RING_MARKS.has(item.kind)),
      items,
    )
  if (joined >= 0 && chains !== undefined && chainAt < joined) {
    return {
      start: { start: { kind: 'chainRing', chains } },
      items: rest(new Set([chainAt])),
      gathers: true,
      there: undefined,
    }
  }
  const hookAt = items.findIndex(
    (item) => item.kind === 'fromHook' || (works(item) && item.place?.kind === 'fromHook'),
  )
  if (chains !== undefined && hookAt > chainAt) return fromChain(items, rows, { chainAt, hookAt, chains })
  if (inRing || chains === undefined) {
    return {
      start: { start: { kind: 'magicRing' } },
      items: rest(new Set()),
      gathers: true,
      there: undefined,
    }
  }
  const tube = items.some(({ kind }) => kind === 'joinTube')
  const joinAt = items.findIndex(({ kind }, index) => kind === 'join' && index === chainAt + 1)
  if (tube || (joinAt > 0 && chains > 5)) {
    return {
      start: { start: { kind: 'joinedChain' }, chains },
      items: rest(new Set([chainAt, ...(joinAt > 0 ? [joinAt] : [])])),
      gathers: false,
      there: chains,
    }
  }
  if (rows && chains > 5) {
    return {
      start: { start: { kind: 'chain' }, chains },
      items: rest(new Set([chainAt])),
      gathers: false,
      there: chains,
    }
  }
  return { start: { start: { kind: 'magicRing' } }, items: rest(new Set()), gathers: true, there: undefined }
}

/** "MR 6": a number alone after the ring is that many stitches. */
function withRingCount(items: readonly Item[], all: readonly Item[]): readonly Item[] {
  const ringAt = all.findIndex(({ kind }) => kind === 'ring')
  const next = all[ringAt + 1]
  if (ringAt < 0 || next?.kind !== 'unread' || next.number === undefined) return items
  const work: Work = { kind: 'work', span: next.span, shape: 'plain', together: 1, number: next.number }
  return items.map((item) => (item === next ? work : item))
}

/** A chain that is worked into from one near its end: one of it, all of it, or both sides of it. */
function fromChain(
  items: readonly Item[],
  rows: boolean,
  { chainAt, hookAt, chains }: Readonly<Record<'chainAt' | 'hookAt' | 'chains', number>>,
): Begun {
  const hook = items[hookAt]!
  const place = hook.kind === 'work' && hook.place?.kind === 'fromHook' ? hook.place : undefined
  const nth = place?.nth ?? (hook.kind === 'fromHook' ? (hook.number ?? 2) : 2)
  const said = items.find(({ kind }) => kind === 'counts' || kind === 'countsNot')?.kind
  const passed = { chains: nth - 1, ...(said ? { said: said === 'counts' } : {}) }
  const rest = items.filter(
    ({ kind }, index) =>
      index !== chainAt && kind !== 'fromHook' && kind !== 'counts' && kind !== 'countsNot',
  )
  const along = rest.some(({ kind }) => kind === 'otherSide')
  const others = rest.filter(({ kind }) => kind === 'work' || kind === 'several').length
  const all = chains - (nth - 1)
  const problem: RoundProblem = { kind: 'start', span: hook.span }
  const wrong = all < 1 ? { problem } : {}
  if (along) {
    // One more is passed over, and taken up at the end of the round.
    const free = rest.some(({ kind }) => kind === 'endFree')
    const worked = free ? all + 1 : all
    return {
      start: { start: { kind: 'chainAlong', into: 'loops' }, chains: worked },
      items: rest,
      gathers: false,
      there: worked,
      ...(free ? {} : { passed }),
      ...wrong,
    }
  }
  const number = hook.kind === 'work' ? (hook.number ?? 1) : 1
  if (!rows && all <= 2 && (number > 1 || others > 0)) {
    return {
      start: { start: { kind: 'chainTwo' } },
      items: rest,
      gathers: true,
      there: undefined,
      passed,
      ...wrong,
    }
  }
  return {
    start: { start: { kind: 'chain' }, chains: all },
    items: rest,
    gathers: false,
    there: all,
    passed,
    ...wrong,
  }
}

/** A round along both sides of a chain, by zones: a side, the far end, the other side, the near end. */
function alongBoth(items: readonly Item[], chains: number, conventions: Conventions): StepsRead | undefined {
  const turn = items.findIndex(({ kind }) => kind === 'otherSide')
  const ground = { gathers: false, stated: undefined }
  const upper = stepsOf(items.slice(0, turn), { ...ground, stitches: chains }, conventions)
  const lower = stepsOf(items.slice(turn + 1), { ...ground, stitches: chains - 1 }, conventions)
  const sides = [upper, lower].map(({ steps }) => expandSteps(steps))
  const zoned = sides.flatMap((units): Step[] => {
    const end = units.at(-1)
    if (!end || units.slice(0, -1).some((unit) => unit.uses !== 1 || unit.makes !== 1)) return []
    const { stitch } = end
    const side = units.length - 1
    return [
      ...(side > 0
        ? [{ times: 1, zone: 'side' as const, ops: [{ stitch, uses: 1, makes: 1, times: side }] }]
        : []),
      { times: 1, zone: 'end' as const, ops: [{ stitch, uses: 1, makes: end.makes, times: 1 }] },
    ]
  })
  const steps = zoned.length >= 3 ? zoned : [...upper.steps, ...lower.steps]
  const stated = upper.stated ?? lower.stated
  return {
    steps,
    uses: upper.uses + lower.uses,
    makes: upper.makes + lower.makes,
    ...(stated ? { stated } : {}),
    ...(upper.chain ? { chain: upper.chain } : {}),
    problems: [...upper.problems, ...lower.problems],
  }
}

/** The rounds of a piece that was read, as they are worked; those whose steps nobody knows are left out. */
export function roundsOf(piece: PieceRead, yarn: string): readonly Round[] {
  const rounds: Round[] = []
  for (const read of piece.rounds) {
    if (read.steps.length === 0) continue
    const below = rounds.at(-1)
    const top = below && topOf(below, read.loops ?? 'both')
    const standing = top ? standingOn(read, top, rounds) : { hosts: hostsOfFirst(piece, read) }
    rounds.push({
      id: `r${rounds.length + 1}`,
      section: 'piece',
      closed: read.closed,
      side: read.side,
      // What only edges the fabric adds nothing to its size.
      fabric: read === piece.rounds.at(-1) && isRim(read) ? 'slst' : read.stitch,
      yarn: read.yarn ?? yarn,
      ...standing,
      steps: read.steps,
    })
  }
  return rounds
}

/** Whether a last round is an edging: reverse stitches, curls, picots, or shells over skipped ones. */
function isRim({ steps }: RoundRead): boolean {
  const ops = steps.flatMap((step) => step.ops)
  const shells = ops.some(({ manner }) => manner === 'skip') && ops.some(({ makes }) => makes > 3)
  return shells || ops.some(({ manner }) => manner === 'reverse' || manner === 'curl' || manner === 'picot')
}

function standingOn(read: RoundRead, top: Run, rounds: readonly Round[]): Pick<Round, 'hosts' | 'left'> {
  const { on } = read
  if (!on) return { hosts: [read.closed ? top : turned(top)] }
  const last = rounds.at(-1)!
  if (on.kind === 'rowEnds') {
    const half = Math.floor(read.uses / 2)
    const end = (side: 'first' | 'last', from: number, to: number): Run => ({
      of: { kind: 'rowEnds', section: last.section, side },
      from,
      to,
    })
    const [far, near] = read.side === 'right' ? (['last', 'first'] as const) : (['first', 'last'] as const)
    return { hosts: [end(far, half, 0), end(near, 0, read.uses - half)] }
  }
  const host = rounds[on.round] ?? last
  const { of, to: all } = topOf(host)
  if (on.kind === 'panel') return { hosts: [turned(topOf(last)), { of, from: on.from, to: all }] }
  if (!host.closed) {
    const [from, to] = [all, all - (on.to - on.from)]
    return { hosts: [{ of, from, to }], left: [{ of, from: to, to: 0 }] }
  }
  const left = [
    { of, from: 0, to: on.from },
    { of, from: on.to, to: all },
  ].filter((run) => run.to > run.from)
  return { hosts: [{ of, from: on.from, to: on.to }], ...(left.length > 0 ? { left } : {}) }
}

function hostsOfFirst({ start }: PieceRead, read: RoundRead): readonly Run[] {
  const kind = start?.start.kind
  const upper = (to: number): Run => ({ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to })
  if (kind === 'chainTwo') return [upper(1)]
  if (kind === 'chainAlong') return bothSidesOf(start!.chains!, read.uses - start!.chains!)
  return kind === 'chain' || kind === 'joinedChain' ? [upper(read.uses)] : []
}
