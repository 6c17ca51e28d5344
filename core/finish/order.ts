import { SpecError } from '../errors/specError.ts'
import type { SmallPart } from './smallParts.ts'

/** What is done when a thing is put together (FIELD §14). */
export const STEP_KINDS = [
  'make',
  'part',
  'mark',
  'embroider',
  'hardware',
  'line',
  'weaveInside',
  'join',
  'fill',
  'close',
  'tryOn',
  'weaveIn',
  'block',
  'stiffen',
  'measure',
] as const
export type StepKind = (typeof STEP_KINDS)[number]

/** A step of a project's way to its end. */
export interface FinishingStep {
  readonly id: string
  readonly kind: StepKind
  /** The pieces that it is done with. */
  readonly pieces: readonly string[]
  /** The joint that it works, leaves open or closes. */
  readonly joint?: string
  /** What the maker calls a step of their own. */
  readonly name?: string
  /** The small thing that is made and put on. */
  readonly part?: SmallPart
}

/** One step comes before another. */
export interface Link {
  readonly before: string
  readonly after: string
  readonly why: LinkReason
}

export type LinkReason =
  /** There is nothing to do it with until it is made. */
  | 'made'
  /** What it closes leaves no way inside. */
  | 'inside'
  /** It is filled while it is open. */
  | 'open'
  /** Filling changes where things are. */
  | 'places'
  /** Stiff fabric takes no needle. */
  | 'soft'
  /** Sizes are settled before edges are joined. */
  | 'size'
  /** Tails are woven in once it fits. */
  | 'fits'
  /** It is the last that is done. */
  | 'last'
  /** The maker wants it so. */
  | 'own'

/** Kinds that need the inside of what they are done with. */
const NEEDS_INSIDE: ReadonlySet<StepKind> = new Set(['embroider', 'hardware', 'line', 'weaveInside'])

/** What cannot be undone: it asks first. */
export const CANNOT_BE_UNDONE: ReadonlySet<StepKind> = new Set(['close', 'stiffen', 'block'])

const shares = (one: FinishingStep, other: FinishingStep): boolean =>
  one.pieces.some((piece) => other.pieces.includes(piece))

/**
 * Why one step must come before another; nothing where either may be first.
 * @param closes steps after which a piece has no way inside
 */
function reasonFor(
  one: FinishingStep,
  other: FinishingStep,
  closes: ReadonlySet<string>,
): LinkReason | undefined {
  if (one.id === other.id) return undefined
  if (other.kind === 'measure') return one.kind === 'measure' ? undefined : 'last'
  if (one.kind === 'measure' || !shares(one, other)) return undefined
  if (one.kind === 'make') return other.kind === 'make' ? undefined : 'made'
  if (other.kind === 'make') return undefined
  if (one.joint !== undefined && one.joint === other.joint) {
    const rank = (step: FinishingStep) => ['join', 'fill', 'close'].indexOf(step.kind)
    return rank(one) < rank(other) ? 'open' : undefined
  }
  if (closes.has(other.id) && NEEDS_INSIDE.has(one.kind)) return 'inside'
  if (closes.has(other.id) && one.kind === 'fill') return 'open'
  if (one.kind === 'mark' && (other.kind === 'fill' || closes.has(other.id))) return 'places'
  if (other.kind === 'stiffen') return one.kind === 'stiffen' ? undefined : 'soft'
  if (one.kind === 'stiffen') return undefined
  if (one.kind === 'block' && (other.kind === 'join' || other.kind === 'close')) return 'size'
  if (one.kind === 'tryOn' && other.kind === 'weaveIn') return 'fits'
  if (other.kind === 'weaveIn' && (one.kind === 'join' || one.kind === 'close' || one.kind === 'part')) {
    return 'last'
  }
  return undefined
}

/** All that must come before something else, by the rules of the craft. */
export function rulesFor(steps: readonly FinishingStep[], closes: ReadonlySet<string>): readonly Link[] {
  return steps.flatMap((one) =>
    steps.flatMap((other) => {
      const why = reasonFor(one, other, closes)
      return why ? [{ before: one.id, after: other.id, why }] : []
    }),
  )
}

/**
 * Steps in an order that keeps every link, as near as can be to the one wanted: at each place the first of those
 * wanted that nothing still holds up. Steps that nobody has placed come where their kind usually does.
 * @throws CircleError when links go around in a circle, which is named
 */
export function orderOf(
  steps: readonly FinishingStep[],
  links: readonly Link[],
  wanted: readonly string[],
): readonly FinishingStep[] {
  const place = new Map(wanted.map((id, index) => [id, index]))
  const left = [...placed(steps, place)]
  const done = new Set<string>()
  const ordered: FinishingStep[] = []
  const before = new Map<string, string[]>()
  const known = new Set(steps.map(({ id }) => id))
  for (const link of links) {
    if (!known.has(link.before) || !known.has(link.after)) continue
    before.set(link.after, [...(before.get(link.after) ?? []), link.before])
  }
  while (left.length > 0) {
    const next = left.findIndex(({ id }) => (before.get(id) ?? []).every((one) => done.has(one)))
    if (next < 0) throw cycle(left, links)
    const [step] = left.splice(next, 1)
    done.add(step!.id)
    ordered.push(step!)
  }
  return ordered
}

/** Those placed by the maker in their order, and the others beside the last placed one of a kind not after theirs. */
function placed(
  steps: readonly FinishingStep[],
  place: ReadonlyMap<string, number>,
): readonly FinishingStep[] {
  const rank = ({ kind }: FinishingStep) => STEP_KINDS.indexOf(kind)
  const all = steps
    .filter(({ id }) => place.has(id))
    .sort((one, other) => place.get(one.id)! - place.get(other.id)!)
  for (const step of steps) {
    if (place.has(step.id)) continue
    const after = all.findLastIndex((there) => rank(there) <= rank(step))
    all.splice(after + 1, 0, step)
  }
  return all
}

/** Steps that wait for one another, by their ids: the circle ends where it begins. */
export class CircleError extends SpecError {
  readonly circle: readonly string[]

  constructor(circle: readonly string[]) {
    super(
      'order',
      `These wait for one another: ${circle.join(', then ')}.`,
      'Take one of your own links between them out.',
    )
    this.name = 'CircleError'
    this.circle = circle
  }
}

/** The circle that links make, each step named by what it is. */
function cycle(steps: readonly FinishingStep[], links: readonly Link[]): CircleError {
  const held = new Set(steps.map(({ id }) => id))
  const path: string[] = []
  let at = steps[0]!.id
  while (!path.includes(at)) {
    path.push(at)
    at = links.find(({ before, after }) => after === at && held.has(before))!.before
  }
  return new CircleError([...path.slice(path.indexOf(at)), at].reverse())
}

/** The places that a step may move to in an order, from the first to the last: it stops where it may not pass. */
export function rangeOf(
  order: readonly FinishingStep[],
  links: readonly Link[],
  id: string,
): { readonly first: number; readonly last: number; readonly held: readonly Link[] } {
  const at = order.findIndex((step) => step.id === id)
  const placeOf = (other: string) => order.findIndex((step) => step.id === other)
  const before = links.filter(({ after, before: one }) => after === id && placeOf(one) >= 0)
  const after = links.filter(({ before: one, after: other }) => one === id && placeOf(other) >= 0)
  const first = Math.max(-1, ...before.map((link) => placeOf(link.before))) + 1
  const last = Math.min(order.length, ...after.map((link) => placeOf(link.after))) - 1
  return {
    first: Math.min(first, at),
    last: Math.max(last, at),
    held: [
      ...before.filter((link) => placeOf(link.before) === first - 1),
      ...after.filter((link) => placeOf(link.after) === last + 1),
    ],
  }
}

/** The order with a step moved, as far as it may go. */
export function moved(
  order: readonly FinishingStep[],
  links: readonly Link[],
  id: string,
  to: number,
): readonly FinishingStep[] {
  const { first, last } = rangeOf(order, links, id)
  const step = order.find((one) => one.id === id)
  if (!step) return order
  const others = order.filter((one) => one.id !== id)
  others.splice(Math.max(first, Math.min(last, to)), 0, step)
  return others
}
