import { placeIncreases } from '../pacing/placeIncreases.ts'
import type { Construction, Round } from '../plan/plan.ts'
import { flatness, idealCount } from '../shape/disc.ts'
import type { PredictedPosition } from '../shape/predictProfile.ts'
import type { StitchSize } from '../gauge/gauge.ts'

/**
 * Rounds as they were really worked: planned ones with their real counts, and where they lie. A round too
 * few is left out; one too many is added after the last.
 * @param counts real counts, from round 1
 */
export function workedRounds(
  planned: readonly Round[],
  counts: readonly number[],
  positions: readonly PredictedPosition[],
  size: StitchSize,
  construction: Construction,
): Round[] {
  return counts.map((count, index): Round => {
    const like = planned[Math.min(index, planned.length - 1)]!
    const from = counts[index - 1] ?? 0
    const position = positions[Math.min(index, positions.length - 1)]!
    const asPlanned = like.number === index + 1 && like.count === count && like.from === from
    return {
      ...like,
      number: index + 1,
      hosts: index === 0 ? { kind: 'ring' } : { kind: 'round', number: index },
      from,
      count,
      steps: asPlanned ? like.steps : stepsOf(like, from, count, construction),
      ideal: idealCount(position.arc, size.w),
      at: { ...position, sd: like.at.sd },
      flatness: flatness(count, size.w, Math.max(position.radius, 1e-6)),
    }
  })
}

/** How a round with other counts than planned was most likely worked: its shaping spread over it. */
function stepsOf({ stitch, number }: Round, from: number, count: number, { order, rounds }: Construction) {
  if (from === 0) return [{ times: 1, ops: [{ kind: 'work' as const, stitch, count }] }]
  return placeIncreases({
    stitch,
    from,
    count,
    order,
    placement: 'stacked',
    shapingRounds: number,
    joined: rounds.kind === 'joined',
  })
}
