import type { RowsAfter } from '../forms/family.ts'
import { aboutTheMiddle } from '../counts/aboutTheMiddle.ts'
import { familyOf } from '../forms/registry.ts'
import {
  countOf,
  partOf,
  stitchesIn,
  topOf,
  turned,
  type Round,
  type Run,
  type SectionId,
} from '../rounds/round.ts'
import { zonesOf } from '../rounds/zone.ts'
import { freshId, heldIn } from './writeRounds.ts'
import { decrease, plain, type Op, type Step } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'
import { gaugesOf, stitchIn, type Gauges } from './sectionWork.ts'
import { rowsIn, sizesOf } from './wantedAround.ts'

/** A row as it is worked, before it has a name and yarns. */
interface RowToWrite {
  readonly section: SectionId
  readonly stitch: StitchName
  readonly side: Round['side']
  /** What it is worked into; the row before it, turned, when nothing is said. */
  readonly hosts?: readonly Run[]
  readonly left?: readonly Run[]
  /** Of the row before it, turned, only the last so many; the others are left. */
  readonly takes?: number
  readonly steps: readonly Step[]
}

/** The rows of a spec's form that come once all of its rounds are there. */
export const afterwardsIn = ({ form }: Pick<PieceSpec, 'form'>): readonly RowsAfter[] =>
  familyOf(form).rowsAfter?.(form) ?? []

/** Rows of somebody's text on the last round of a form that has none there: they lie as its edge does. */
export const BEYOND_SECTION = 'beyond'

/** The rounds of a piece that come before such rows. */
export function beforeRowsAfter<R extends Pick<Round, 'section'>>(
  spec: Pick<PieceSpec, 'form'>,
  rounds: readonly R[],
): readonly R[] {
  const after = new Set(afterwardsIn(spec).map(({ id }) => id))
  const first = rounds.findIndex(({ section }) => after.has(section) || partOf(section) === BEYOND_SECTION)
  return first < 0 ? rounds : rounds.slice(0, first)
}

/** A piece with the rows that come after its rounds; those that are there already are facts. */
export function withRowsAfter(spec: PieceSpec, rounds: readonly Round[]): readonly Round[] {
  const main = beforeRowsAfter(spec, rounds)
  const edge = main.at(-1)!
  const gauges = gaugesOf(spec)
  const rows = afterwardsIn(spec).flatMap((one) => {
    const { on } = one
    if (on === 'rowEnds') return [alongRowEnds(spec, main, one, gauges)]
    return typeof on === 'object' && 'crescent' in on
      ? crescentOn(spec, edge, one.id, on.crescent, gauges)
      : onTheEdge(spec, edge, one, on, gauges)
  })
  const all = [...rounds]
  for (const { stitch, hosts, takes, ...row } of rows.slice(rounds.length - main.length)) {
    const number = all.length + 1
    all.push({
      id: freshId(number, new Set(all.map(({ id }) => id))),
      closed: false,
      fabric: stitch,
      ...heldIn(spec, number),
      ...onTheRowBefore(all.at(-1)!, takes),
      ...(hosts ? { hosts } : {}),
      ...row,
    })
  }
  return all
}

/** What a row stands in that is worked back over the one before it: all of it, or what it takes of it, and leaves the rest. */
function onTheRowBefore(below: Round, takes: number | undefined): Pick<Round, 'hosts' | 'left'> {
  const all = turned(topOf(below))
  if (takes === undefined || takes >= all.from) return { hosts: [all] }
  const to = all.from - takes
  return { hosts: [{ ...all, to }], left: [{ ...all, from: to }] }
}

/** Fewer stitches than this are no row. */
const FEWEST = 2

/** Rows on a stretch of an edge, narrowing by one at each of their own edges, or at the one where those begin that show their right side. */
function onTheEdge(
  spec: PieceSpec,
  edge: Round,
  { id, length, narrows }: RowsAfter,
  on: Exclude<RowsAfter['on'], 'rowEnds' | { readonly crescent: number }>,
  gauges: Gauges,
): RowToWrite[] {
  const all = countOf(edge)
  const stitch = stitchIn(spec, id)
  const { w, h } = gauges({ section: id, stitch })
  const { begins, first } = 'back' in on ? overTheBack(edge, on.back) : overShare(on, all)
  const least = Math.max(FEWEST, Math.round((narrows?.to ?? 0) / w))
  const top = topOf(edge).of
  const run: Run = { of: top, from: begins, to: begins + first }
  const waiting = [
    { of: top, from: 0, to: begins },
    { of: top, from: begins + first, to: all },
  ].filter((one) => stitchesIn([one]) > 0)
  const rows: RowToWrite[] = []
  let count = first
  // Without a length they go on until they are as narrow as they are to be.
  const last = length === undefined ? Infinity : Math.max(1, Math.round(length / h))
  for (let row = 1; row <= last; row++) {
    const may = narrows !== undefined && (row > 1 || narrows.every === 1) && row % narrows.every === 0
    const fewer = narrows?.at === 'one' ? 1 : 2
    const takesIn = may && count - fewer >= least
    if (last === Infinity && !takesIn) break
    // On rows they are turned, on a round they face as it does.
    const side = (row % 2 === 1) === ((edge.side === 'right') === edge.closed) ? 'right' : 'wrong'
    rows.push({
      section: id,
      stitch,
      side,
      ...(row === 1
        ? { hosts: [edge.closed ? run : turned(run)], ...(waiting.length > 0 ? { left: waiting } : {}) }
        : {}),
      steps: takesIn
        ? narrowed(stitch, count, narrows.at === 'both' ? 'both' : side === 'right' ? 'beginning' : 'end')
        : [{ times: 1, ops: [plain(stitch, count)] }],
    })
    if (takesIn) count -= fewer
  }
  return rows
}

/**
 * Rows over a crescent, as the stitches that are there let them: the edge of the disc is theirs to go by. Each is turned,
 * comes to its beginning over the last stitches of the row below by slip stitches, and stops as far before its end; in
 * between it widens as a round about the middle does, symmetric about the middle of the crescent.
 */
function crescentOn(spec: PieceSpec, edge: Round, id: SectionId, off: number, gauges: Gauges): RowToWrite[] {
  const all = countOf(edge)
  const stitch = stitchIn(spec, id)
  const { w, h } = gauges({ section: id, stitch })
  const inner = (all * w) / (2 * Math.PI)
  const rows = Math.max(1, Math.round((2 * off) / h))
  const rowHeight = (2 * off) / rows
  const written: RowToWrite[] = []
  const top = topOf(edge).of
  let below = { stitches: all, half: Math.PI }
  for (let row = 1; row <= rows; row++) {
    const half = halfAngleAt((row - 0.5) * rowHeight, inner, off)
    const over = Math.round((below.stitches * half) / below.half)
    const makes = Math.round((2 * half * (inner + row * rowHeight)) / w)
    if (over < FEWEST) break
    const widens = Math.max(0, Math.min(over, makes - over))
    const steps =
      widens > 0
        ? aboutTheMiddle(stitch, 'inc', over, widens)
        : [{ times: 1, ops: [plain(stitch, over)] } satisfies Step]
    if (row === 1) {
      written.push({
        section: id,
        stitch,
        side: edge.side,
        hosts: [{ of: top, from: 0, to: over }],
        ...(over < all ? { left: [{ of: top, from: over, to: all }] } : {}),
        steps,
      })
      below = { stitches: over + widens, half }
      continue
    }
    const before = Math.floor((below.stitches - over) / 2)
    written.push({
      section: id,
      stitch,
      side: written.at(-1)!.side === 'right' ? 'wrong' : 'right',
      takes: before + over,
      steps: [...(before > 0 ? [{ times: 1, ops: [plain('slst', before)] } satisfies Step] : []), ...steps],
    })
    below = { stitches: over + widens, half }
  }
  return written
}

/** Half the angle, seen from the middle of a disc, over which a crescent around it is at least so high: all in mm. */
export function halfAngleAt(height: number, inner: number, off: number): number {
  const outer = inner + off
  const highAt = (angle: number) =>
    off * Math.cos(angle) + Math.sqrt(outer ** 2 - (off * Math.sin(angle)) ** 2) - inner
  let [from, to] = [0, Math.PI]
  for (let halving = 0; halving < 40; halving++) {
    const middle = (from + to) / 2
    if (highAt(middle) >= height) from = middle
    else to = middle
  }
  return from
}

/** A stretch by its share of the way around; two that mirror one another begin as far from the start on either side. */
function overShare({ from, share }: { readonly from: number; readonly share: number }, all: number) {
  const first = Math.max(FEWEST, Math.round(share * all))
  const before = from + share / 2 <= 0.5
  return {
    first,
    begins: before ? Math.round(from * all) : all - first - Math.round((1 - from - share) * all),
  }
}

/** Around the middle of the second of both sides, of what goes around a chain; of what has no sides, three quarters on. */
function overTheBack(edge: Round, share: number) {
  const [side, end] = zonesOf(edge)
  const all = countOf(edge)
  const middle = side && end ? 1.5 * side.count + end.count : 0.75 * all
  const first = Math.max(FEWEST, Math.round(share * all))
  return { first, begins: Math.max(0, Math.min(all - first, Math.round(middle - first / 2))) }
}

/** A stitch fewer at each edge, or at one. */
function narrowed(stitch: StitchName, count: number, at: 'both' | 'beginning' | 'end'): Step[] {
  const taken = decrease(stitch)
  const between = count - (at === 'both' ? 4 : 2)
  const ops = [
    ...(at === 'end' ? [] : [taken]),
    ...(between > 0 ? [plain(stitch, between)] : []),
    ...(at === 'beginning' ? [] : [taken]),
  ]
  return [{ times: 1, ops }]
}

/** The stitches that a bowed row is made of, lowest first. */
const BY_HEIGHT = ['slst', 'sc', 'hdc', 'dc', 'tr'] as const satisfies readonly StitchName[]

/**
 * One row along the ends of all others: from the outer corner at which they ended to the middle, and out again to the
 * other. It takes its own length in stitches (FIELD §13); three go into a point, and two of an inner corner together.
 */
function alongRowEnds(
  spec: PieceSpec,
  rounds: readonly Round[],
  { id, bow }: RowsAfter,
  gauges: Gauges,
): RowToWrite {
  const { section, side } = rounds.at(-1)!
  const stitch: StitchName = 'sc'
  const { w, h } = gauges({ section, stitch })
  const heightOf = (one: StitchName) => gauges({ section, stitch: one }).h
  const long = rounds.reduce((sum, round) => sum + heightOf(round.fabric), sizesOf(spec).start.hole)
  const half = Math.max(1, Math.round(long / w))
  const ends = 2 * half
  const lowest = bow === undefined ? h : heightOf('slst')
  const stitches = Array.from({ length: ends }, (_, index) => {
    const wanted = lowest + (bow ?? 0) * (1 - ((2 * (index + 0.5)) / ends - 1) ** 2)
    return bow === undefined ? stitch : nearest(wanted, heightOf)
  })
  const { share = 1 } = rowsIn(spec).get(section) ?? {}
  return {
    section: id,
    stitch,
    side,
    hosts: [
      { of: { kind: 'rowEnds', section, side: side === 'right' ? 'last' : 'first' }, from: half, to: 0 },
      { of: { kind: 'rowEnds', section, side: side === 'right' ? 'first' : 'last' }, from: 0, to: half },
    ],
    steps: [{ times: 1, ops: withCorner(stitches, half, share) }],
  }
}

const nearest = (height: number, heightOf: (stitch: StitchName) => number): StitchName =>
  BY_HEIGHT.reduce((best, one) =>
    Math.abs(heightOf(one) - height) < Math.abs(heightOf(best) - height) ? one : best,
  )

/** Runs of one stitch, and what the middle takes: a point three in its last place, an inner corner one over two. */
function withCorner(stitches: readonly StitchName[], half: number, share: number): Op[] {
  const ops: Op[] = []
  const add = (op: Op) => {
    const last = ops.at(-1)
    const joins =
      last?.stitch === op.stitch && last.uses === 1 && last.makes === 1 && op.uses === 1 && op.makes === 1
    if (last && joins) ops[ops.length - 1] = { ...last, times: last.times + op.times }
    else ops.push(op)
  }
  for (let at = 0; at < stitches.length; at++) {
    const stitch = stitches[at]!
    if (share < POINT && at === half - 1) add({ stitch, uses: 1, makes: 3, times: 1 })
    else if (share > INNER && at === half - 1) {
      add(decrease(stitch))
      at++
    } else add(plain(stitch))
  }
  return ops
}

/** Up to less than half a disc its middle is a point to go around, beyond it an inner corner. */
const [POINT, INNER] = [0.45, 0.55]
