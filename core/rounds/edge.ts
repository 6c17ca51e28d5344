import { usedByMotif, type Motif } from './motif.ts'
import { plain, type Op, type Step } from './steps.ts'

/** The stitches of the last round shared among motifs, and plain slip stitches between them. */
export interface EdgeBudget {
  readonly motifs: readonly PlacedMotif[]
  /** The second half is the mirror image of the first. */
  readonly mirrored: boolean
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

/** Whether the second half of the motifs is the first the other way round, each as far from the middle. */
export function isMirrored({ motifs }: Pick<EdgeBudget, 'motifs'>): boolean {
  const sorted = inWorkingOrder({ motifs })
  return sorted.every((one, index) => {
    const other = sorted[sorted.length - 1 - index]!
    return usedByMotif(one) === usedByMotif(other) && Math.abs(one.at + other.at - 1) < 1e-6
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
  const begins = edge.mirrored && isMirrored(edge) ? mirroredBegins(motifs, count) : beginsOf(motifs, count)
  const parts: EdgePart[] = []
  let made = 0
  motifs.forEach((motif, index) => {
    const from = begins[index]!
    const stitches = usedByMotif(motif)
    parts.push({ from: made, stitches: from - made }, { from, stitches, motif: index })
    made = from + stitches
  })
  return [...parts, { from: made, stitches: count - made }]
}

/** The first stitch of each, as near its place as its neighbours leave it room. */
function beginsOf(motifs: readonly PlacedMotif[], count: number): number[] {
  let free = 0
  const begins = motifs.map((motif) => {
    const uses = usedByMotif(motif)
    const from = Math.max(free, Math.round(motif.at * count - uses / 2))
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

/** The first half as it would stand alone, one in the middle where it is, and the first half again the other way round. */
function mirroredBegins(motifs: readonly PlacedMotif[], count: number): number[] {
  const half = Math.floor(motifs.length / 2)
  const middle = motifs.length % 2 === 1 ? usedByMotif(motifs[half]!) : 0
  const room = Math.floor((count - middle) / 2)
  const first = beginsOf(
    motifs.slice(0, half).map((motif) => ({ ...motif, at: (motif.at * count) / Math.max(1, room) })),
    room,
  )
  const mirrored = first.map((from, index) => count - from - usedByMotif(motifs[index]!)).reverse()
  return middle > 0 ? [...first, room, ...mirrored] : [...first, ...mirrored]
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

/** How far a motif can be moved: from one neighbour to the next, and no farther than the middle where it is mirrored. */
export function roomOfMotif(edge: EdgeBudget, count: number, index: number): readonly [number, number] {
  const parts = budgetOf(edge, count) ?? []
  const own = parts.findIndex(({ motif }) => motif === index)
  const { from } = parts[own]!
  const [before, after] = [parts[own - 1]!.stitches, parts[own + 1]!.stitches]
  const partner = edge.motifs.length - 1 - index
  if (!edge.mirrored || Math.abs(partner - index) > 1) return [from - before, from + after]
  // Two that meet at the middle move apart and together.
  if (partner === index) return [from, from]
  const half = Math.floor(after / 2)
  return partner > index ? [from - before, from + half] : [from - Math.floor(before / 2), from + after]
}

/** A motif (by its place in working order) begun at another stitch, from 0, as far as its neighbours let it; its mirror image with it. */
export function movedMotif(edge: EdgeBudget, count: number, index: number, from: number): EdgeBudget {
  const [least, most] = roomOfMotif(edge, count, index)
  const begin = Math.min(most, Math.max(least, from))
  const motifs = [...inWorkingOrder(edge)]
  const at = (begin + usedByMotif(motifs[index]!) / 2) / count
  motifs[index] = { ...motifs[index]!, at }
  const partner = motifs.length - 1 - index
  if (edge.mirrored && partner !== index) motifs[partner] = { ...motifs[partner]!, at: 1 - at }
  return { ...edge, motifs }
}

/** One more, in the middle of the longest plain run; mirrored edges take two. */
export function withMotif(edge: EdgeBudget, count: number, motif: Motif): EdgeBudget {
  const runs = (budgetOf(edge, count) ?? []).filter(
    (part) => part.motif === undefined && (!edge.mirrored || part.from + part.stitches / 2 < count / 2),
  )
  const longest = runs.reduce((most, run) => (run.stitches > most.stitches ? run : most), {
    from: 0,
    stitches: 0,
  })
  const at = (longest.from + longest.stitches / 2) / count
  const added = edge.mirrored
    ? [
        { ...motif, at },
        { ...motif, at: 1 - at },
      ]
    : [{ ...motif, at }]
  return { ...edge, motifs: inWorkingOrder({ motifs: [...edge.motifs, ...added] }) }
}

/** Without one (by its place in working order), and without its mirror image. */
export function withoutMotif(edge: EdgeBudget, index: number): EdgeBudget {
  const partner = edge.mirrored ? edge.motifs.length - 1 - index : index
  return { ...edge, motifs: inWorkingOrder(edge).filter((_, at) => at !== index && at !== partner) }
}

/** The first half, and the same the other way round; one in the middle stays there. */
export function mirroredFrom(edge: EdgeBudget): EdgeBudget {
  if (isMirrored(edge)) return { ...edge, mirrored: true }
  const motifs = inWorkingOrder(edge)
  const half = motifs.slice(0, Math.floor(motifs.length / 2)).filter(({ at }) => at < 0.5)
  const middle = motifs.length % 2 === 1 ? [{ ...motifs[(motifs.length - 1) / 2]!, at: 0.5 }] : []
  const back = half.toReversed().map((motif) => ({ ...motif, at: 1 - motif.at }))
  return { ...edge, mirrored: true, motifs: [...half, ...middle, ...back] }
}
