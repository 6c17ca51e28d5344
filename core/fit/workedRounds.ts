import type { Construction, Round } from '../plan/plan.ts'
import { stepsOf } from '../plan/stepsOf.ts'
import { flatness, idealCount } from '../shape/disc.ts'
import type { LaidRing } from '../lay/lay.ts'
import type { StitchSize } from '../gauge/gauge.ts'

/**
 * Rounds as they were really worked: planned ones with their real counts, and where they lie. A round too
 * few is left out; one too many is added after the last. Where a count differs its shaping is most likely
 * spread over the round as the construction has it.
 * @param counts real counts, from round 1
 */
export function workedRounds(
  planned: readonly Round[],
  counts: readonly number[],
  positions: readonly LaidRing[],
  size: StitchSize,
  construction: Construction,
): Round[] {
  const rounds: Round[] = []
  counts.forEach((told, index) => {
    const below = rounds.at(-1)?.count
    // A stitch in the join stands in no stitch of the round below; steps have no word for it.
    const count = below === undefined ? told : Math.max(Math.ceil(below / 2), Math.min(told, 2 * below))
    const like = planned[Math.min(index, planned.length - 1)]!
    const from = below ?? 0
    const position = positions[Math.min(index, positions.length - 1)]!
    const asPlanned = like.number === index + 1 && like.count === count && like.from === from
    rounds.push({
      ...like,
      number: index + 1,
      hosts: index === 0 ? like.hosts : { kind: 'round', number: index },
      from,
      count,
      steps: asPlanned ? like.steps : stepsOf({ stitch: like.stitch, from, count }, rounds, construction),
      ideal: idealCount(position.arc, size.w),
      at: { ...position, sd: like.at.sd },
      flatness: flatness(count, size.w, Math.max(position.radius, 1e-6)),
    })
  })
  return rounds
}
