import type { Op, Step } from '../../rounds/steps.ts'
import { plain, stitchesConsumed, stitchesProduced } from '../../rounds/steps.ts'
import { alongChain, freeChain } from '../../rounds/motif.ts'
import type { StitchName, Terms } from '../../stitches/stitch.ts'
import { MOST_IN_A_ROUND, type ChainCounts } from '../readings.ts'
import type { Chain, Item, Several, Span, Stated, StitchWord, Work } from './syntax.ts'

/** What words mean, and what a pattern leaves unsaid. */
export interface Conventions {
  readonly terms: Terms
  /** A starting chain as high as its stitch is one: every that high, none, or a lower one as well. */
  readonly chainCounts: ChainCounts
  /** What "inc" and "dec" are made of. */
  readonly stitch: StitchName
  /** Chains stand free, and what comes after them goes back along them, as along an edge. */
  readonly motifs?: boolean
}

/** What a line is worked into. */
export interface Ground {
  /** Stitches that there are, where that is known. */
  readonly stitches: number | undefined
  /** All of it goes into one place. */
  readonly gathers: boolean
  /** The count that the round is said to have. */
  readonly stated: number | undefined
}

/** What does not add up inside of a line. */
export type StepProblem =
  | { readonly kind: 'doesNotDivide'; readonly span: Span; readonly by: number; readonly into: number }
  | { readonly kind: 'unread'; readonly span: Span }
  | { readonly kind: 'open'; readonly span: Span }
  | { readonly kind: 'stitch'; readonly span: Span }
  | { readonly kind: 'tooMany'; readonly span: Span }

/** A starting chain, and whether it is taken for a stitch. */
export interface ChainRead {
  readonly times: number
  readonly counts: boolean
  /** The text says so itself. */
  readonly said: boolean
  readonly span: Span
}

/** "Repeat 5 times", which may be five in all or five more. */
export interface RepeatRead {
  readonly span: Span
  readonly said: number
  readonly inAll: number
  /** Only so the round below is used up; else it is taken as is usual. */
  readonly fits: boolean
}

export interface StepsRead {
  readonly steps: readonly Step[]
  /** Host stitches that it works off, and stitches that it makes. */
  readonly uses: number
  readonly makes: number
  readonly chain?: ChainRead
  readonly stated?: Stated
  readonly loops?: 'back' | 'front'
  readonly repeat?: RepeatRead
  readonly problems: readonly StepProblem[]
}

const MEANS: Readonly<Record<Terms, Readonly<Record<StitchWord, StitchName>>>> = {
  US: { slst: 'slst', sc: 'sc', hdc: 'hdc', htr: 'hdc', dc: 'dc', tr: 'tr', dtr: 'tr' },
  UK: { slst: 'slst', sc: 'sc', hdc: 'hdc', htr: 'hdc', dc: 'sc', tr: 'dc', dtr: 'tr' },
}

/** The stitch that a word names. */
export const meantBy = (word: StitchWord, terms: Terms): StitchName => MEANS[terms][word]

/** A starting chain has no more than these. */
const HIGHEST_CHAIN = 5

/** Chains from which on one stands for a stitch, where nothing is said (FIELD §2). */
const COUNTS_FROM: Readonly<Partial<Record<StitchName, number>>> = { hdc: 3, dc: 3, tr: 4 }

/** Whether so many chains are taken for a stitch, where nothing is said. */
export function chainIsStitch(chains: number, stitch: StitchName, chainCounts: ChainCounts): boolean {
  const from = COUNTS_FROM[stitch]
  if (chainCounts === 'never' || from === undefined) return false
  return chainCounts === 'always' ? chains >= from - 1 : chains >= from
}

/**
 * What the things of a line come to on the stitches that are there. Repeats that go as far as the round does are
 * counted out; where that leaves stitches over, or what is there is not known, it is said.
 */
export function stepsOf(items: readonly Item[], ground: Ground, conventions: Conventions): StepsRead {
  return new Reckoning(ground, conventions).read(items)
}

class Reckoning {
  private readonly problems: StepProblem[] = []
  private stated: Stated | undefined
  private loops: 'back' | 'front' | undefined
  private chain: ChainRead | undefined
  private repeat: RepeatRead | undefined

  private readonly ground: Ground
  private readonly conventions: Conventions

  constructor(ground: Ground, conventions: Conventions) {
    this.ground = ground
    this.conventions = conventions
  }

  read(asked: readonly Item[]): StepsRead {
    const items = groupsOf(beforeJoin(asked), this.conventions.motifs)
    const steps: Step[] = []
    let rest = this.startingChain(items, steps)
    rest = this.loopsOfRound(rest)
    rest.forEach((item, index) => {
      const after = rest.slice(index + 1)
      steps.push(...this.stepsOfItem(item, { used: stitchesConsumed(steps), after, steps }))
    })
    const looped = this.loops ? steps.map((step) => inLoops(step, this.loops!)) : steps
    const tidied = tidy(looped, this.conventions.motifs)
    return {
      steps: tidied,
      uses: stitchesConsumed(tidied),
      makes: stitchesProduced(tidied),
      ...(this.chain ? { chain: this.chain } : {}),
      ...(this.stated ? { stated: this.stated } : {}),
      ...(this.loops ? { loops: this.loops } : {}),
      ...(this.repeat ? { repeat: this.repeat } : {}),
      problems: this.problems,
    }
  }

  private meant(word: StitchWord | undefined): StitchName {
    return word ? meantBy(word, this.conventions.terms) : this.conventions.stitch
  }

  /** A chain at the beginning that brings the hook up; as a stitch it is the first. */
  private startingChain(items: readonly Item[], steps: Step[]): readonly Item[] {
    const at = items.findIndex(({ kind }) => !SAID_BEFORE.has(kind))
    const first = items[at]
    if (first?.kind !== 'chain' || first.times > HIGHEST_CHAIN || first.over !== undefined) return items
    const after = items.slice(at + 1)
    const next = after.find(({ kind }) => !SAID_BEFORE.has(kind))
    const works = after.some((item) => item.kind === 'work' || item.kind === 'several')
    if (!works || next?.kind === 'skip' || next?.kind === 'alongChain') return items
    const said = after[0]?.kind === 'counts' ? true : after[0]?.kind === 'countsNot' ? false : undefined
    const stitch = this.meant(firstStitch(after))
    const counts = said ?? chainIsStitch(first.times, stitch, this.conventions.chainCounts)
    this.chain = { times: first.times, counts, said: said !== undefined, span: first.span }
    if (counts) steps.push({ times: 1, ops: [plain(stitch)] })
    return [...items.slice(0, at), ...after]
  }

  /** Loops that are said at the beginning or the end are those of the whole round. */
  private loopsOfRound(items: readonly Item[]): readonly Item[] {
    const isLoops = ({ kind }: Item) => kind === 'backLoops' || kind === 'frontLoops'
    const found = items.find(isLoops)
    if (!found) {
      const works = items.filter((item): item is Work => item.kind === 'work')
      const own = new Set(works.map(({ loops }) => loops))
      const alone = works.length === items.filter(({ kind }) => kind === 'work' || kind === 'several').length
      if (alone && own.size === 1 && works[0]?.loops) this.loops = works[0].loops
      return items
    }
    this.loops = found.kind === 'backLoops' ? 'back' : 'front'
    return items.filter((item) => !isLoops(item))
  }

  private stepsOfItem(
    item: Item,
    around: { readonly used: number; readonly after: readonly Item[]; readonly steps: Step[] },
  ): Step[] {
    switch (item.kind) {
      case 'total':
        this.stated = item
        return []
      case 'unread':
        // "5, inc": a number alone is so many plain stitches.
        if (item.number !== undefined && item.number > 0) return once(this.plainly(item.number, item.span))
        this.problems.push({ kind: 'unread', span: item.span })
        return []
      case 'work': {
        if (item.place?.kind === 'same' && this.intoTheSame(item, around.steps)) return []
        if (item.place?.kind !== 'rest') return once(this.opsOfWork(item, 1))
        const left = item.place.left > 0 ? item.place.left : this.usesOf(around.after)
        const room = this.room(item.span, around.used + left)
        if (room === undefined) return this.byTotal(item.span, this.opsOfWork(item, 1))
        const { times, over } = timesIn(room, Math.max(1, item.together))
        if (over > 0) this.doesNotDivide(item.span, item.together, room)
        return times > 0 ? once(this.opsOfWork(item, times)) : []
      }
      case 'several':
        return this.stepsOfSeveral(item, around)
      case 'chain': {
        const next = around.after[0]
        return once(this.opsOfChain(item, next))
      }
      case 'skip': {
        // A chain beside it is worked over it.
        return once([{ stitch: 'sc', uses: item.times, makes: 0, times: 1, manner: 'skip' }])
      }
      default:
        return []
    }
  }

  private stepsOfSeveral(
    item: Several,
    around: { readonly used: number; readonly after: readonly Item[] },
  ): Step[] {
    const ops = item.into ? this.opsOfGroup(item) : this.opsOf(item.items)
    if (ops.length === 0) return []
    if (!item.often) return once(ops)
    const per = stitchesConsumed([{ times: 1, ops }])
    const { often } = item
    if (often.kind === 'times') return this.repeated(item.span, often.times, ops)
    if (often.kind === 'again') {
      return this.repeated(item.span, this.timesAgain(item.span, often, per, around), ops)
    }
    const left = often.left > 0 ? often.left : this.usesOf(around.after)
    const room = this.room(item.span, around.used + left)
    if (room === undefined) return this.byTotal(item.span, ops)
    if (per === 0) {
      this.doesNotDivide(item.span, 0, room)
      return once(ops)
    }
    const { times, over } = timesIn(room, per)
    if (over > 0) this.doesNotDivide(item.span, per, room)
    return this.repeated(item.span, times, ops)
  }

  /** How often it is worked in all that is repeated so often: once more, unless the round has not as many. */
  private timesAgain(
    span: Span,
    { times: said, more }: { readonly times: number; readonly more: boolean },
    per: number,
    around: { readonly used: number; readonly after: readonly Item[] },
  ): number {
    if (more) return said + 1
    const [least, most] = [said, said + 1].map((times) => this.fits(per * times, around))
    const inAll = least && !most ? said : said + 1
    this.repeat ??= { span, said, inAll, fits: least !== most }
    return inAll
  }

  /** Whether so many stitches more are what the round has. */
  private fits(
    uses: number,
    { used, after }: { readonly used: number; readonly after: readonly Item[] },
  ): boolean {
    return this.ground.stitches !== undefined && used + uses + this.usesOf(after) === this.ground.stitches
  }

  private repeated(span: Span, times: number, ops: readonly Op[]): Step[] {
    const made = stitchesProduced([{ times, ops }]) + stitchesConsumed([{ times, ops }])
    if (times < 1) return []
    if (made > 2 * MOST_IN_A_ROUND) {
      this.problems.push({ kind: 'tooMany', span })
      return []
    }
    return [{ times, ops }]
  }

  /** Where nobody knows what there is, what is said to come out tells how often it goes. */
  private byTotal(span: Span, ops: readonly Op[]): Step[] {
    const makes = stitchesProduced([{ times: 1, ops }])
    const { stated } = this.ground
    if (stated !== undefined && makes > 0 && stated % makes === 0)
      return this.repeated(span, stated / makes, ops)
    if (stated !== undefined) this.problems.push({ kind: 'open', span })
    return []
  }

  /** Stitches that are there still; nothing where nobody knows. */
  private room(span: Span, used: number): number | undefined {
    const { stitches, stated } = this.ground
    if (stitches === undefined) {
      if (stated === undefined) this.problems.push({ kind: 'open', span })
      return undefined
    }
    return Math.max(0, stitches - used)
  }

  private doesNotDivide(span: Span, by: number, into: number): void {
    this.problems.push({ kind: 'doesNotDivide', span, by, into })
  }

  /** Host stitches that things use, whatever goes as far as the round left out. */
  private usesOf(items: readonly Item[]): number {
    return items.reduce((sum, item) => {
      if (item.kind === 'work' && (item.place?.kind === 'rest' || item.place?.kind === 'same')) return sum
      if (item.kind === 'several' && item.often?.kind === 'around') return sum
      if (item.kind === 'skip') return sum + item.times
      if (item.kind === 'chain') return sum + (item.over ?? 0)
      if (item.kind === 'work') return sum + stitchesConsumed(once(this.opsOfWork(item, 1)))
      if (item.kind !== 'several') return sum
      const { often } = item
      if (item.into && often?.kind !== 'times') return sum + stitchesConsumed(once(this.opsOfGroup(item)))
      const times = timesSaid(often, 0)
      return sum + times * this.usesOf(item.items)
    }, 0)
  }

  /** What stands inside of a repeat, one after the other. */
  private opsOf(items: readonly Item[]): Op[] {
    const ops: Op[] = []
    const all = groupsOf(items, this.conventions.motifs)
    all.forEach((item, index) => {
      if (item.kind === 'work') {
        if (item.place?.kind === 'same' && this.intoTheSame(item, [{ times: 1, ops }])) return
        ops.push(...this.opsOfWork(item, 1))
      } else if (item.kind === 'several') {
        const own = item.into ? this.opsOfGroup(item) : this.opsOf(item.items)
        const { often } = item
        const times = timesSaid(often, 1)
        if (often?.kind === 'around') this.problems.push({ kind: 'open', span: item.span })
        const one = stitchesProduced(once(own)) + stitchesConsumed(once(own))
        if (times * one > 2 * MOST_IN_A_ROUND) this.problems.push({ kind: 'tooMany', span: item.span })
        else for (let time = 0; time < times; time++) ops.push(...own)
      } else if (item.kind === 'chain') ops.push(...this.opsOfChain(item, all[index + 1]))
      else if (item.kind === 'skip') {
        ops.push({ stitch: 'sc', uses: item.times, makes: 0, times: 1, manner: 'skip' })
      } else if (item.kind === 'unread') {
        if (item.number !== undefined && item.number > 0) ops.push(...this.plainly(item.number, item.span))
        else this.problems.push({ kind: 'unread', span: item.span })
      }
    })
    return this.conventions.motifs ? ops : overSkipped(ops)
  }

  private plainly(number: number, span: Span): Op[] {
    if (number <= MOST_IN_A_ROUND) return [plain(this.conventions.stitch, number)]
    this.problems.push({ kind: 'tooMany', span })
    return []
  }

  private tooMany(span: Span): Op[] {
    this.problems.push({ kind: 'tooMany', span })
    return []
  }

  private opsOfChain({ times, over, span }: Chain, next: Item | undefined): Op[] {
    if (over !== undefined) {
      return [{ stitch: this.conventions.stitch, uses: over, makes: times, times: 1, manner: 'slit' }]
    }
    if (times > MOST_IN_A_ROUND) return this.tooMany(span)
    // What goes back along a chain says so.
    if (next?.kind === 'alongChain' || this.conventions.motifs) return [freeChain(times)]
    return [{ stitch: this.conventions.stitch, uses: 0, makes: times, times: 1, manner: 'slit' }]
  }

  /** One work in so many places. */
  private opsOfWork(work: Work, rest: number): Op[] {
    const stitch = this.meant(work.stitch)
    if (this.isUnknown(work.stitch)) this.problems.push({ kind: 'stitch', span: work.span })
    const { place, number, shape, together } = work
    if (work.manner === 'alongChain') return [alongChain(stitch, number ?? 1)]
    const made = {
      stitch,
      ...(work.manner ? { manner: work.manner } : {}),
      ...(work.manner && work.of !== undefined ? { of: work.of } : {}),
      ...(work.loops ? { loops: work.loops } : {}),
    }
    const inPlaces = (times: number, each: number): Op[] => {
      if (times < 1 || each < 1) return []
      if (times * Math.max(each, together) > MOST_IN_A_ROUND) {
        this.problems.push({ kind: 'tooMany', span: work.span })
        return []
      }
      if (shape === 'dec') return [{ ...made, uses: together, makes: 1, times }]
      if (shape === 'inc') return [{ ...made, uses: 1, makes: work.of ?? 2, times }]
      return [{ ...made, uses: 1, makes: each, times }]
    }
    if (place === undefined) return inPlaces(number ?? 1, 1)
    switch (place.kind) {
      case 'rest':
        return shape === 'plain' ? inPlaces(rest, number ?? 1) : inPlaces(rest, 1)
      case 'next':
        if (shape !== 'plain')
          return inPlaces(place.times > 1 && shape === 'inc' ? place.times : (number ?? 1), 1)
        // "5 sc in next 5 sts" is one in each; "2 sc in each of next 3", "2 sc in next 3 sts" two.
        if (number === undefined || (number === place.times && !place.each)) return inPlaces(place.times, 1)
        return inPlaces(place.times, number)
      case 'same':
      case 'one':
      case 'endChain':
        return shape === 'plain' ? inPlaces(1, number ?? 1) : inPlaces(number ?? 1, 1)
      case 'fromHook':
        return this.ground.gathers ? inPlaces(number ?? 1, 1) : inPlaces(1, number ?? 1)
      case 'ring':
        return inPlaces(number ?? 1, 1)
      case 'space': {
        const chains = place.chains ?? 1
        const one = inPlaces(1, number ?? 1).map((op) => ({ ...op, uses: chains, times: place.times }))
        return one
      }
    }
  }

  private isUnknown(word: StitchWord | undefined): boolean {
    return word === 'dtr' && this.conventions.terms === 'US'
  }

  /** Several things in one stitch: the first takes it, the others stand beside it. */
  private opsOfGroup({ items, into }: Several): Op[] {
    const ops: Op[] = []
    const uses = into?.kind === 'space' ? (into.chains ?? 1) : 1
    for (const item of items) {
      if (item.kind === 'unread') this.problems.push({ kind: 'unread', span: item.span })
      if (item.kind === 'chain')
        ops.push({ ...plain(this.conventions.stitch), uses: 0, makes: item.times, manner: 'slit' })
      if (item.kind !== 'work') continue
      const stitch = this.meant(item.stitch)
      const makes = item.shape === 'inc' ? (item.of ?? 2) : (item.number ?? 1)
      ops.push({
        ...plain(stitch),
        makes,
        ...(item.loops ? { loops: item.loops } : {}),
        ...(item.manner ? { manner: item.manner } : {}),
      })
    }
    const curl = curlIn(ops)
    if (curl) return this.inEach([curl], into)
    const [first] = ops
    const alike = ops.every(({ stitch, manner }) => stitch === first?.stitch && manner === first.manner)
    if (first && alike) {
      const makes = ops.reduce((sum, op) => sum + op.makes, 0)
      return this.inEach([{ ...first, uses, makes }], into)
    }
    const beside = ops.map((op, index): Op =>
      index === 0
        ? { ...op, uses }
        : op.manner === 'slit'
          ? op
          : { ...op, uses: 0, makes: 1, times: op.makes, manner: 'same' },
    )
    return this.inEach(beside, into)
  }

  /** The same in each of several places. */
  private inEach(ops: readonly Op[], into: Several['into']): Op[] {
    if (into?.kind === 'rest') {
      const room = this.room({ from: 0, to: 0 }, 0) ?? 0
      const { times } = timesIn(room, Math.max(1, stitchesConsumed(once([...ops]))))
      return Array.from({ length: Math.min(times, mostTimes(ops)) }, () => ops).flat()
    }
    const times = into?.kind === 'next' ? into.times : 1
    return Array.from({ length: Math.min(times, mostTimes(ops)) }, () => ops).flat()
  }

  /** More into the stitch that was worked into last. */
  private intoTheSame(work: Work, steps: Step[]): boolean {
    const step = steps.at(-1)
    const last = step?.ops.at(-1)
    if (!step || !last || last.uses === 0) return false
    const stitch = this.meant(work.stitch)
    const more = work.shape === 'inc' ? (work.of ?? 2) : (work.number ?? 1)
    const before: Op[] = last.times > 1 ? [{ ...last, times: last.times - 1 }] : []
    const joined: Op[] =
      last.stitch === stitch && last.manner === undefined && last.uses === 1
        ? [{ ...last, times: 1, makes: last.makes + more }]
        : [
            { ...last, times: 1 },
            { ...plain(stitch, more), uses: 0, manner: 'same' },
          ]
    const mutable = step.ops as Op[]
    if (step.times === 1) {
      mutable.splice(mutable.length - 1, 1, ...before, ...joined)
      return true
    }
    return false
  }
}

/** What may be said before the starting chain. */
const SAID_BEFORE: ReadonlySet<Item['kind']> = new Set([
  'backLoops',
  'frontLoops',
  'joinYarn',
  'yarn',
  'unread',
  'marker',
  'ring',
  'joinRing',
  'counts',
  'countsNot',
  'turn',
])

/** What comes after a round is joined leads on to the next, and is none of its stitches. */
function beforeJoin(items: readonly Item[]): readonly Item[] {
  const join = items.findIndex(({ kind }) => kind === 'join')
  return join < 0
    ? items
    : items.filter((item, index) => index < join || (item.kind !== 'work' && item.kind !== 'unread'))
}

/** How often something is worked by its own words; `around` where that is as far as the round goes. */
const timesSaid = (often: Several['often'], around: number): number => {
  if (!often) return 1
  return often.kind === 'around' ? around : often.kind === 'again' ? often.times + 1 : often.times
}

/** How often something may stand in a round. */
const mostTimes = (ops: readonly Op[]): number => Math.ceil(MOST_IN_A_ROUND / Math.max(1, ops.length))

const once = (ops: Op[]): Step[] => (ops.length > 0 ? [{ times: 1, ops }] : [])

/** How often so many go into a room, and what is over. */
function timesIn(room: number | undefined, by: number): { times: number; over: number } {
  if (room === undefined || by < 1) return { times: 0, over: 0 }
  return { times: Math.floor(room / by), over: room % by }
}

const inLoops = ({ ops, ...step }: Step, loops: 'back' | 'front'): Step => ({
  ...step,
  ops: ops.map((op) => (op.uses > 0 ? { ...op, loops } : op)),
})

/** The first stitch that is named in a line. */
function firstStitch(items: readonly Item[]): StitchWord | undefined {
  for (const item of items) {
    if (item.kind === 'work' && item.stitch) return item.stitch
    const inside = item.kind === 'several' ? firstStitch(item.items) : undefined
    if (inside) return inside
  }
  return undefined
}

/** "hdc, dc and tr in one st": what stands before belongs to it. */
function groupsOf(items: readonly Item[], motifs = false): readonly Item[] {
  const out: Item[] = []
  let room = 0
  for (const item of items) {
    if (item.kind === 'work' && item.place?.kind === 'one' && item.number === undefined) {
      let from = out.length
      while (from > 0 && isBare(out[from - 1]!)) from--
      const grouped = [...out.splice(from), { ...item, place: undefined } as unknown as Work]
      const first = grouped[0]!
      out.push({
        kind: 'several',
        span: { from: first.span.from, to: item.span.to },
        items: grouped,
        into: { kind: 'one' },
      })
    } else out.push(item)
  }
  // What goes back along a chain has room for a stitch fewer than that has chains.
  return out.flatMap((item, index): Item[] => {
    if (item.kind === 'alongChain') {
      const before = out[index - 1]
      room = before?.kind === 'chain' ? before.times - 1 : 0
      return [item]
    }
    if (room > 0 && item.kind === 'work' && item.place === undefined) {
      const [all, back] = [item.number ?? 1, Math.min(room, item.number ?? 1)]
      room -= back
      const along: Work = { ...item, number: back, manner: 'alongChain' }
      return all > back ? [along, { ...item, number: all - back }] : [along]
    }
    room = motifs && item.kind === 'chain' ? item.times - 1 : 0
    return [item]
  })
}

const isBare = (item: Item): boolean =>
  item.kind === 'work' && item.place === undefined && item.number === undefined && item.shape === 'plain'

/** "sc, ch 1, sl st" in one stitch is a curl. */
function curlIn(ops: readonly Op[]): Op | undefined {
  const [first, second, third] = ops
  const is = ops.length === 3 && second?.manner === 'slit' && second.makes === 1 && third?.stitch === 'slst'
  return is && first ? { ...first, makes: 1, uses: 1, manner: 'curl' } : undefined
}

/** Chains and the skipped stitches beside them, as one. */
function overSkipped(ops: readonly Op[]): Op[] {
  const out: Op[] = []
  for (const op of ops) {
    const last = out.at(-1)
    const chain =
      last?.manner === 'slit' && last.uses === 0
        ? last
        : op.manner === 'slit' && op.uses === 0
          ? op
          : undefined
    const skip = last?.manner === 'skip' ? last : op.manner === 'skip' ? op : undefined
    if (
      last &&
      chain &&
      skip &&
      chain !== skip &&
      (chain === last || chain === op) &&
      (skip === last || skip === op)
    ) {
      out[out.length - 1] =
        chain.makes === 1 && skip.uses === 1
          ? { ...chain, uses: 1, makes: 1, manner: 'space' }
          : { ...chain, uses: skip.uses }
    } else out.push(op)
  }
  return out
}

/** The same steps in as few words: runs joined, repeats that go on in one. */
export function tidy(steps: readonly Step[], motifs = false): Step[] {
  const out: { times: number; ops: readonly Op[] }[] = []
  // What stands side by side, each once, is one step: chains find what they skip.
  for (const step of steps) {
    const last = out.at(-1)
    if (last?.times === 1 && step.times === 1)
      out[out.length - 1] = { times: 1, ops: [...last.ops, ...step.ops] }
    else out.push({ times: step.times, ops: step.ops })
  }
  return out.map(({ times, ops }) => ({ times, ops: joinRuns(motifs ? ops : overSkipped(ops)) }))
}

function joinRuns(ops: readonly Op[]): Op[] {
  const out: Op[] = []
  for (const op of ops) {
    const last = out.at(-1)
    if (last && sameOp(last, op) && op.manner !== 'slit' && op.manner !== 'skip') {
      out[out.length - 1] = { ...last, times: last.times + op.times }
    } else out.push(op)
  }
  return out
}

const sameOp = (one: Op, other: Op): boolean =>
  JSON.stringify({ ...one, times: 0 }) === JSON.stringify({ ...other, times: 0 })
