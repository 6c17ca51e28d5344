import type { OutlineField, OutlinePoint } from '../../../core/index.ts'

type Limits = Pick<OutlineField<object>, 'widest' | 'highest'>

/** A point moved as far as it may go: between its neighbours, and the first one along its foot alone. */
export function moved(
  outline: readonly OutlinePoint[],
  index: number,
  { across, up }: OutlinePoint,
  { widest, highest }: Limits,
): OutlinePoint[] {
  const least = outline[index - 1]?.up ?? 0
  const most = index === 0 ? 0 : (outline[index + 1]?.up ?? highest)
  const point = { across: Math.min(widest, Math.max(0, across)), up: Math.min(most, Math.max(least, up)) }
  return outline.map((other, at) => (at === index ? point : other))
}

/** How far over the last point one is added, mm. */
const FARTHER = 30

/** One point more: halfway to the next, or over the last. */
export function withPointAfter(
  outline: readonly OutlinePoint[],
  after: number,
  { highest }: Pick<Limits, 'highest'>,
): OutlinePoint[] {
  const [below, above] = [outline[after]!, outline[after + 1]]
  const half = (one: number, other: number) =>
    Math.max(Math.min(one, other), Math.min(Math.max(one, other), Math.round((one + other) / 2)))
  const added = above
    ? { across: half(below.across, above.across), up: half(below.up, above.up) }
    : { across: below.across, up: Math.min(highest, below.up + FARTHER) }
  return [...outline.slice(0, after + 1), added, ...outline.slice(after + 1)]
}

/** Without a point, where two are left; not without its foot. */
export const withoutPoint = (outline: readonly OutlinePoint[], index: number): readonly OutlinePoint[] =>
  index === 0 || outline.length <= 2 ? outline : outline.filter((_, at) => at !== index)
