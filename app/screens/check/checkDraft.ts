import { LIMITS, type PieceReading, type Seen, type TapePlace } from '../../../core/index.ts'
import { edgeOf, type EdgeDraft } from '../../ui/edgeDraft.ts'

/** A measurement of a piece as far as it is filled in. Lengths in mm. */
export interface CheckDraft extends EdgeDraft {
  /** By where the tape is laid, in the order that its form has them. */
  readonly sizes: readonly (number | null)[]
  readonly hole?: number
  readonly join?: PieceReading['join']
  /** Counted stitches by round. */
  readonly counts: Readonly<Record<number, number>>
}

export const EMPTY_CHECK: CheckDraft = { edge: 'flat', much: 'little', sizes: [], counts: {} }

/** The draft with a size at a place of the tape; without it when nothing is given. */
export function withSize(draft: CheckDraft, place: number, size: number | undefined): CheckDraft {
  const sizes = Array.from({ length: Math.max(draft.sizes.length, place + 1) }, (_, index) =>
    index === place ? (size ?? null) : (draft.sizes[index] ?? null),
  )
  return { ...draft, sizes }
}

export const sizeIn = ({ sizes }: Pick<CheckDraft, 'sizes'>, place: number): number | undefined =>
  sizes[place] ?? undefined

/** What the tape found, place by place; the same place again is one more value there. */
export function seenIn(
  { sizes }: Pick<CheckDraft, 'sizes'>,
  tape: readonly TapePlace[],
  afterRound: number,
): Seen[] {
  const seen: Seen[] = []
  tape.forEach(({ of, at }, index) => {
    const size = sizes[index]
    if (size === null || size === undefined) return
    const round = at === 'edge' ? afterRound : 1
    const known = seen.findIndex((one) => one.of === of && one.at === round)
    if (known < 0) seen.push({ of, at: round, values: [size] })
    else seen[known] = { ...seen[known]!, values: [...seen[known]!.values, size] }
  })
  return seen
}

/**
 * The draft as a reading; nothing while a size that is needed, or how far the edge stands up, is missing.
 * @param lies whether the piece lies flat, so that its edge tells something
 */
export function readingOf(
  draft: CheckDraft,
  taken: Pick<PieceReading, 'id' | 'copyId' | 'at' | 'planVersion' | 'afterRound'>,
  tape: readonly TapePlace[],
  lies: boolean,
): PieceReading | undefined {
  const { hole, join, counts, sizes } = draft
  const edge = lies ? edgeOf(draft) : undefined
  if (lies && !edge) return undefined
  if (tape.some(({ needed }, index) => needed && (sizes[index] ?? undefined) === undefined)) return undefined
  const counted = Object.entries(counts).map(([round, count]) => ({ round: Number(round), count }))
  return {
    ...taken,
    seen: seenIn(draft, tape, taken.afterRound),
    ...(edge ? { edge } : {}),
    ...(hole === undefined ? {} : { hole }),
    ...(join === undefined ? {} : { join }),
    ...(counted.length > 0 ? { counts: counted } : {}),
  }
}

/** Whether a kept draft can be shown: older ones may hold lengths that no field takes any more. */
export function draftFits(draft: CheckDraft): boolean {
  const { sizes } = draft as Partial<CheckDraft>
  const within = (value: number | null | undefined, [least, most]: readonly [number, number]) =>
    value === undefined || value === null || (value >= least && value <= most)
  return (
    sizes !== undefined &&
    sizes.every((size) => within(size, LIMITS.around)) &&
    within(draft.hole, LIMITS.hole) &&
    within(draft.standsUp, LIMITS.standsUp) &&
    Object.values(draft.counts).every((count) => Number.isInteger(count) && count >= 1 && count <= 100_000)
  )
}
