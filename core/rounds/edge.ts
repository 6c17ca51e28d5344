import { usedByMotif, type Motif } from './motif.ts'
import { plain, type Op, type Step } from './steps.ts'

/** The stitches of the last round shared among motifs, and plain slip stitches between them. */
export interface EdgeBudget {
  readonly motifs: readonly PlacedMotif[]
  /** One side of its axis is the mirror image of the other. */
  readonly mirrored: boolean
  /** Where around the axis lies, as a share of the round under a half; through its start when nothing is said. */
  readonly axis?: number
  /** The round below is to have a count that leaves all plain runs alike. */
  readonly alike: boolean
}

export interface PlacedMotif extends Motif {
  /** Where its middle stands, as a share of the round. */
  readonly at: number
}

/** A stretch of an edge: a motif with the stitches that it stands on, or a plain run, which may be of none. */
export interface EdgePart {
  /** First of its stitches, from 0, and how many they are. */
  readonly from: number
  readonly stitches: number
  /** Which of the motifs in working order; nothing of a plain run. */
  readonly motif?: number
}

/** Motifs in working order. */
export const inWorkingOrder = ({ motifs }: Pick<EdgeBudget, 'motifs'>): readonly PlacedMotif[] =>
  motifs.toSorted((one, other) => one.at - other.at)

/** Stitches that all motifs of an edge use. */
export const usedByMotifs = ({ motifs }: Pick<EdgeBudget, 'motifs'>): number =>
  motifs.reduce((sum, motif) => sum + usedByMotif(motif), 0)

type Axis = Pick<EdgeBudget, 'motifs' | 'axis'>

/** Two places nearer than this, as shares of a round, are one. */
const CLOSE = 1e-6

const around = (share: number): number => ((share % 1) + 1) % 1

/** How far a place lies around from the axis. */
const fromAxis = ({ axis = 0 }: Pick<EdgeBudget, 'axis'>, at: number): number =>
  axis === 0 ? at : around(at - axis + CLOSE / 2) - CLOSE / 2

/** The place that mirrors another. */
const mirrorOf = ({ axis = 0 }: Pick<EdgeBudget, 'axis'>, at: number): number =>
  axis === 0 ? 1 - at : around(2 * axis - at)

/** Motifs as they come around from the axis, each with its place in working order: the one on it, and the others. */
function aboutAxis(edge: Axis) {
  const sorted = inWorkingOrder(edge)
    .map((motif, index) => ({ motif, index, from: fromAxis(edge, motif.at) }))
    .toSorted((one, other) => one.from - other.from)
  const [first] = sorted
  // At the start of a round there is no stitch to stand across.
  if (!edge.axis || !first || first.from > CLOSE) return { others: sorted }
  return { on: first, others: sorted.slice(1) }
}

/** Which motif mirrors another, by their places in working order: itself on the axis. */
function partnerOf(edge: Axis, index: number): number {
  const { others } = aboutAxis(edge)
  const own = others.findIndex((one) => one.index === index)
  return own < 0 ? index : others[others.length - 1 - own]!.index
}

/** Whether what lies on one side of the axis lies on the other as well, the other way round. */
export function isMirrored(edge: Axis): boolean {
  const { others } = aboutAxis(edge)
  return others.every((one, index) => {
    const other = others[others.length - 1 - index]!
    return usedByMotif(one.motif) === usedByMotif(other.motif) && Math.abs(one.from + other.from - 1) < CLOSE
  })
}

/**
 * An edge of so many stitches, part by part: plain runs and motifs in turn, beginning and ending with a run. They add
 * up to it exactly. Motifs that would overlap make room for one another; mirrored ones stay mirrored to the stitch.
 * @returns nothing where the motifs use more than there is
 */
export function budgetOf(edge: EdgeBudget, count: number): readonly EdgePart[] | undefined {
  const motifs = inWorkingOrder(edge)
  if (usedByMotifs(edge) > count) return undefined
  const mirrored = edge.mirrored && isMirrored(edge) ? beginsAboutAxis(edge, count) : undefined
  const begins = mirrored ?? beginsOf(motifs, count)
  const parts: EdgePart[] = []
  let made = 0
  const asTheyStand = motifs
    .map((motif, index) => ({ index, from: begins[index]!, stitches: usedByMotif(motif) }))
    .toSorted((one, other) => one.from - other.from)
  asTheyStand.forEach(({ index, from, stitches }) => {
    parts.push({ from: made, stitches: from - made }, { from, stitches, motif: index })
    made = from + stitches
  })
  return [...parts, { from: made, stitches: count - made }]
}

/** What a half of a stitch may have lost in arithmetic. */
const HALF = 1e-9

/** The first stitch of each, as near its place as its neighbours leave it room. */
function beginsOf(motifs: readonly PlacedMotif[], count: number): number[] {
  let free = 0
  const begins = motifs.map((motif) => {
    const uses = usedByMotif(motif)
    // Halves all go the same way, whatever the share lost as a number.
    const from = Math.max(free, Math.round(motif.at * count - uses / 2 + HALF))
    free = from + uses
    return from
  })
  let most = count
  for (let index = motifs.length - 1; index >= 0; index--) {
    const uses = usedByMotif(motifs[index]!)
    most = begins[index] = Math.min(begins[index]!, most - uses)
  }
  return begins
}

/**
 * The first stitch of each of mirrored motifs, in working order: mirrored about the nearest stitch, or gap, to the axis.
 * @returns nothing where it cannot be: one would stand over the start of the round
 */
function beginsAboutAxis(edge: EdgeBudget, count: number): number[] | undefined {
  const { on, others } = aboutAxis(edge)
  const own = on ? usedByMotif(on.motif) : 0
  const left = count - own
  const first = Math.round((edge.axis ?? 0) * count - own / 2)
  if (first < 0 || first + own > count) return undefined
  const start = count - first - own
  const placed = others.map(({ motif, from }) => ({
    ...motif,
    at: (from * count - own / 2) / Math.max(1, left),
  }))
  const begins = mirroredBegins(placed, left, edge.axis ? start : 0)
  if (!begins) return undefined
  const all: number[] = []
  if (on) all[on.index] = first
  others.forEach(({ index }, at) => (all[index] = (begins[at]! + first + own) % count))
  return all
}

/**
 * The first half as it would stand alone, one in the middle where it is, and the first half again the other way round;
 * none over the start of the round, which lies so many stitches along.
 */
function mirroredBegins(motifs: readonly PlacedMotif[], count: number, start: number): number[] | undefined {
  const half = Math.floor(motifs.length / 2)
  const middle = motifs.length % 2 === 1 ? usedByMotif(motifs[half]!) : 0
  const room = Math.floor((count - middle) / 2)
  const wall = Math.min(start, count - start)
  if (wall > room && middle > 0) return undefined
  const inFirst = motifs.slice(0, half).map((motif) => ({ ...motif, at: motif.at * count }))
  const first = beginsBesideWall(inFirst, room, Math.min(wall, room))
  if (!first) return undefined
  const mirrored = first.map((from, index) => count - from - usedByMotif(motifs[index]!)).reverse()
  return middle > 0 ? [...first, room, ...mirrored] : [...first, ...mirrored]
}

/** As near their places (in stitches) as may be, on either side of a wall that none stands across. */
function beginsBesideWall(motifs: readonly PlacedMotif[], room: number, wall: number): number[] | undefined {
  const usedBy = (some: readonly PlacedMotif[]) => some.reduce((sum, motif) => sum + usedByMotif(motif), 0)
  const before = motifs.filter(({ at }) => at < wall).length
  const splits = Array.from({ length: motifs.length + 1 }, (_, split) => split)
    .filter((split) => usedBy(motifs.slice(0, split)) <= wall && usedBy(motifs.slice(split)) <= room - wall)
    .toSorted((one, other) => Math.abs(one - before) - Math.abs(other - before))
  const [split] = splits
  if (split === undefined) return undefined
  const between = (some: readonly PlacedMotif[], from: number, to: number) =>
    beginsOf(
      some.map((motif) => ({ ...motif, at: (motif.at - from) / Math.max(1, to - from) })),
      to - from,
    ).map((begin) => begin + from)
  return [...between(motifs.slice(0, split), 0, wall), ...between(motifs.slice(split), wall, room)]
}

/** The round that edges so many stitches: the same motif and run one after the other are a repeat. */
export function edgeSteps(edge: EdgeBudget, count: number): Step[] {
  const motifs = inWorkingOrder(edge)
  const cells: Op[][] = []
  const run = (stitches: number): Op[] => (stitches > 0 ? [plain('slst', stitches)] : [])
  for (const { stitches, motif } of budgetOf(edge, count) ?? []) {
    if (motif !== undefined) cells.push([...motifs[motif]!.ops])
    else if (cells.length === 0) cells.push(run(stitches))
    else cells[cells.length - 1] = joined(cells.at(-1)!, run(stitches))
  }
  const steps: { times: number; ops: readonly Op[] }[] = []
  for (const ops of cells.filter(({ length }) => length > 0)) {
    const last = steps.at(-1)
    if (last && JSON.stringify(last.ops) === JSON.stringify(ops)) last.times++
    else steps.push({ times: 1, ops })
  }
  return steps
}

/** One run where a motif ends as the plain stitches after it go on. */
function joined(ops: readonly Op[], [next]: readonly Op[]): Op[] {
  const last = ops.at(-1)
  if (!next) return [...ops]
  const same = last && last.stitch === next.stitch && last.makes === 1 && !last.manner
  return same ? [...ops.slice(0, -1), { ...last, times: last.times + next.times }] : [...ops, next]
}

/** The same motifs, spread as evenly as can be. */
export const spreadMotifs = <M extends object>(motifs: readonly M[]): (M & { readonly at: number })[] =>
  motifs.map((motif, index) => ({ ...motif, at: (index + 0.5) / motifs.length }))

/** Counts of an edge that leave all plain runs between its motifs alike. */
export interface AlikeCounts {
  /** Whether the count has that already. */
  readonly already: boolean
  /** The nearest fewer and more; fewer than the motifs use there cannot be. */
  readonly below?: number
  readonly above: number
}

export function alikeCounts(edge: Pick<EdgeBudget, 'motifs'>, count: number): AlikeCounts {
  const [runs, used] = [Math.max(1, edge.motifs.length), usedByMotifs(edge)]
  const over = (((count - used) % runs) + runs) % runs
  const below = over === 0 ? count - runs : count - over
  return {
    already: over === 0,
    ...(below >= used ? { below } : {}),
    above: Math.max(used, over === 0 ? count + runs : count - over + runs),
  }
}

/** What the count below an edge must divide by, so that all its plain runs are alike; 1 where it need not, or no multiple would do. */
export function repeatOfEdge(edge: EdgeBudget): number {
  const { length } = edge.motifs
  return edge.alike && length > 0 && usedByMotifs(edge) % length === 0 ? length : 1
}

/** How far a motif can be moved: from one neighbour to the next, and no farther than the axis where it is mirrored. */
export function roomOfMotif(edge: EdgeBudget, count: number, index: number): readonly [number, number] {
  const parts = budgetOf(edge, count) ?? []
  const own = parts.findIndex(({ motif }) => motif === index)
  const { from, stitches } = parts[own]!
  const [before, after] = [parts[own - 1]!.stitches, parts[own + 1]!.stitches]
  const partner = edge.mirrored ? partnerOf(edge, index) : undefined
  if (partner === undefined) return [from - before, from + after]
  if (partner === index) return [from, from]
  // Two that meet at the axis move apart and together; neither is moved over the start of the round.
  const least = parts[own - 2]?.motif === partner ? from - Math.floor(before / 2) : from - before
  const most = parts[own + 2]?.motif === partner ? from + Math.floor(after / 2) : from + after
  const wall = edge.axis ? Math.round(2 * edge.axis * count) : 0
  return wall <= from ? [Math.max(least, wall), most] : [least, Math.min(most, wall - stitches)]
}

/** A motif (by its place in working order) begun at another stitch, from 0, as far as its neighbours let it; its mirror image with it. */
export function movedMotif(edge: EdgeBudget, count: number, index: number, from: number): EdgeBudget {
  const [least, most] = roomOfMotif(edge, count, index)
  const begin = Math.min(Math.max(least, most), Math.max(least, from))
  const motifs = [...inWorkingOrder(edge)]
  const at = (begin + usedByMotif(motifs[index]!) / 2) / count
  const partner = edge.mirrored ? partnerOf(edge, index) : index
  motifs[index] = { ...motifs[index]!, at }
  if (partner !== index) motifs[partner] = { ...motifs[partner]!, at: mirrorOf(edge, at) }
  return { ...edge, motifs }
}

/** One more, in the middle of the longest plain run; mirrored edges take two. */
export function withMotif(edge: EdgeBudget, count: number, motif: Motif): EdgeBudget {
  const axis = edge.axis ?? 0
  // What reaches over the axis has room on one side of it only.
  const cuts = edge.mirrored ? [axis, axis + 0.5].map((share) => share * count) : []
  const runs = (budgetOf(edge, count) ?? [])
    .filter((part) => part.motif === undefined)
    .flatMap(({ from, stitches }) => {
      const ends = [from, ...cuts.filter((cut) => cut > from && cut < from + stitches), from + stitches]
      return ends.slice(1).map((to, index) => ({ middle: (ends[index]! + to) / 2, long: to - ends[index]! }))
    })
    .filter(({ middle }) => !edge.mirrored || fromAxis(edge, middle / count) < 0.5)
  const longest = runs.reduce((most, run) => (run.long > most.long ? run : most), { middle: 0, long: 0 })
  const at = longest.middle / count
  const added = edge.mirrored
    ? [
        { ...motif, at },
        { ...motif, at: mirrorOf(edge, at) },
      ]
    : [{ ...motif, at }]
  return { ...edge, motifs: inWorkingOrder({ motifs: [...edge.motifs, ...added] }) }
}

/** Without one (by its place in working order), and without its mirror image. */
export function withoutMotif(edge: EdgeBudget, index: number): EdgeBudget {
  const partner = edge.mirrored ? partnerOf(edge, index) : index
  return { ...edge, motifs: inWorkingOrder(edge).filter((_, at) => at !== index && at !== partner) }
}

/** One side of the axis, and the same the other way round; what stands on it stays there. */
export function mirroredFrom(edge: EdgeBudget): EdgeBudget {
  if (isMirrored(edge)) return { ...edge, mirrored: true }
  const { on, others } = aboutAxis(edge)
  const half = others.slice(0, Math.floor(others.length / 2)).filter(({ from }) => from < 0.5)
  const opposite = edge.axis ? around(edge.axis + 0.5) : 0.5
  const middle = others.length % 2 === 1 ? [{ ...others[(others.length - 1) / 2]!.motif, at: opposite }] : []
  const side = half.map(({ motif }) => motif)
  const back = side.toReversed().map((motif) => ({ ...motif, at: mirrorOf(edge, motif.at) }))
  const motifs = [...(on ? [on.motif] : []), ...side, ...middle, ...back]
  return { ...edge, mirrored: true, motifs: edge.axis ? inWorkingOrder({ motifs }) : motifs }
}

/** A mirrored edge with its axis elsewhere: all motifs go around with it. */
export function withAxis(edge: EdgeBudget, axis: number): EdgeBudget {
  const { axis: before = 0, ...others } = edge
  const motifs = inWorkingOrder(edge).map((motif) => ({ ...motif, at: around(motif.at + axis - before) }))
  return { ...others, ...(axis === 0 ? {} : { axis }), motifs: inWorkingOrder({ motifs }) }
}

/** The same motifs spread as evenly as can be, about their axis where they are mirrored. */
export function spreadEdge(edge: EdgeBudget): EdgeBudget {
  const { axis = 0 } = edge
  if (!edge.mirrored || axis === 0) return { ...edge, motifs: spreadMotifs(inWorkingOrder(edge)) }
  const { on, others } = aboutAxis(edge)
  const all = [...(on ? [on] : []), ...others]
  const motifs = all.map(({ motif }, index) => ({
    ...motif,
    at: around(axis + (index + (on ? 0 : 0.5)) / all.length),
  }))
  return { ...edge, motifs: inWorkingOrder({ motifs }) }
}

/** So many motifs of a kind: alone they are spread, beside others they come between those that are there. */
export function withSoMany(edge: EdgeBudget, { name, ops }: Motif, number: number): EdgeBudget {
  const rest = edge.motifs.filter((motif) => motif.name !== name)
  const own = spreadMotifs(Array.from({ length: number }, () => ({ name, ops })))
  return rest.length === 0
    ? spreadEdge({ ...edge, motifs: own })
    : { ...edge, mirrored: false, motifs: [...rest, ...own] }
}
