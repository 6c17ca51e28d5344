import type { PieceSpec } from '../plan/plan.ts'
import { constructionIn } from '../plan/sectionWork.ts'
import { sideOf } from '../plan/writeRounds.ts'
import { asBelow, stepsOf } from '../plan/stepsOf.ts'
import { chainsAlong } from '../rounds/spine.ts'
import type { Step } from '../rounds/steps.ts'
import { hostsOn } from '../rounds/hostsOn.ts'
import { countOf, loopsBelow, stitchesIn, topOf, turned, usedBy, type Round } from '../rounds/round.ts'

/** Round 1 along a chain with so many stitches: what it has more or fewer stands in its last chain. */
function withInEnd(round: Round, count: number): Step[] {
  const far = round.steps.findIndex(({ ops }) => ops.some(({ uses, makes }) => makes > uses))
  const more = count - countOf(round)
  return round.steps.map((step, index) =>
    index === far
      ? { ...step, ops: step.ops.map((op) => ({ ...op, makes: Math.max(1, op.makes + more) })) }
      : step,
  )
}

/**
 * Rounds as they were really worked: planned ones with their real counts. A round too few is left out; one too
 * many is added after the last. Where a count differs its shaping is most likely spread over the round as the
 * construction has it.
 * @param counts real counts, from round 1
 */
export function workedRounds(
  planned: readonly Round[],
  counts: readonly number[],
  spec: Pick<PieceSpec, 'construction' | 'sections'>,
): Round[] {
  const rounds: Round[] = []
  const at = (id: string) => planned.findIndex((one) => one.id === id)
  const countBelow = (id: string) => (at(id) < 0 ? undefined : countOf(planned[at(id)]!))
  counts.forEach((told, index) => {
    const below = rounds.at(-1)
    const like = planned[Math.min(index, planned.length - 1)]!
    const added = index >= planned.length
    const into = loopsBelow(like)
    const onTop = () => (like.closed ? topOf(below!, into) : turned(topOf(below!, into)))
    const hosts = !below ? like.hosts : added ? [onTop()] : hostsOn(like, countBelow, (id) => rounds[at(id)])
    const from = below ? stitchesIn(hosts) : 0
    // A stitch in the join stands in no stitch of the round below; steps have no word for it.
    const count = below ? Math.max(Math.ceil(from / 2), Math.min(told, 2 * from)) : told
    const construction = constructionIn(spec, like.section)
    const asPlanned = !added && countOf(like) === count && usedBy(like) === from
    rounds.push({
      ...like,
      ...(added ? { id: `${like.id}-again`, side: sideOf(spec, like.section, below) } : {}),
      hosts,
      steps: asPlanned
        ? like.steps
        : !below && chainsAlong(like) !== undefined
          ? withInEnd(like, count)
          : stepsOf({ stitch: like.fabric, from, count }, rounds.map(asBelow), construction, into),
    })
  })
  return rounds
}
